use super::{ListingsView, view};
use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};

/// Every listing of the draft.
#[utoipa::path(operation_id = "show_listings", responses((status = 200, body = ListingsView)))]
#[get("/listings")]
pub async fn show(state: Data<State>, _caller: Caller) -> ApiResult<Json<ListingsView>> {
    Ok(Json(view(&state).await?))
}
