use super::SiblingsView;
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::product::find;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path};
use serde::Serialize;
use utoipa::ToSchema;

/// The sets in which a product stands.
#[derive(Serialize, ToSchema)]
pub struct SiblingsOf {
    /// How they were seen: sent along with what is changed next, in the header `x-seen`.
    seen: String,
    sets: Vec<SiblingsView>,
}

pub(super) async fn view(state: &State, handle: &str) -> ApiResult<Json<SiblingsOf>> {
    let seen = state.store.seen_product(handle).await?.ok_or_else(|| ApiError::no_such("product"))?;
    let sets = find(state, handle).await?.siblings.into_iter().map(SiblingsView::from);
    Ok(Json(SiblingsOf { seen: seen.to_string(), sets: sets.collect() }))
}

/// The sets in which a product stands with others.
#[utoipa::path(operation_id = "show_siblings", params(("handle" = String, Path)),
    responses((status = 200, body = SiblingsOf), (status = 404, body = ApiError)))]
#[get("/products/{handle}/siblings")]
pub async fn show(state: Data<State>, _caller: Caller, handle: Path<String>) -> ApiResult<Json<SiblingsOf>> {
    view(&state, &handle).await
}
