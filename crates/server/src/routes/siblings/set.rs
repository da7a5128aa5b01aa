use super::WantedSiblings;
use super::show::{SiblingsOf, view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{HttpResponse, delete, post, put};
use compagina_core::ids::SiblingsId;

/// Makes siblings of products, and tells the sets in which the first of them stands then.
#[utoipa::path(operation_id = "make_siblings", request_body = WantedSiblings,
    responses((status = 200, body = SiblingsOf), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/siblings")]
pub async fn make(
    state: Data<State>,
    caller: Caller,
    wanted: Json<WantedSiblings>,
) -> ApiResult<Json<SiblingsOf>> {
    let wanted = wanted.into_inner();
    let first = wanted.members.first().map(|one| one.product.clone());
    let row = wanted.row(&state).await?;
    state.store.by(caller.by()).make_siblings(row).await?;
    // A set without any product was refused.
    view(&state, first.as_ref().map_or("", |first| first.as_str())).await
}

/// Makes another set of one.
#[utoipa::path(operation_id = "change_siblings", params(("id" = u64, Path)), request_body = WantedSiblings,
    responses((status = 200, body = SiblingsOf), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/siblings/{id}")]
pub async fn change(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    wanted: Json<WantedSiblings>,
) -> ApiResult<Json<SiblingsOf>> {
    let wanted = wanted.into_inner();
    let first = wanted.members.first().map(|one| one.product.clone());
    let row = wanted.row(&state).await?;
    state.store.by(caller.by()).change_siblings(SiblingsId(*id), row).await?;
    view(&state, first.as_ref().map_or("", |first| first.as_str())).await
}

/// Lets siblings be single products again.
#[utoipa::path(operation_id = "part_siblings", params(("id" = u64, Path)), responses((status = 204), (status = 404, body = ApiError), (status = 409, body = ApiError)))]
#[delete("/siblings/{id}")]
pub async fn part(state: Data<State>, caller: Caller, id: Path<u64>) -> ApiResult<HttpResponse> {
    state.store.by(caller.by()).part_siblings(SiblingsId(*id)).await?;
    Ok(HttpResponse::NoContent().finish())
}
