use super::{HouseView, view};
use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};

/// Every token of the house style's draft, with the contrast of every pair of colours that meets.
#[utoipa::path(operation_id = "show_house", responses((status = 200, body = HouseView)))]
#[get("/house")]
pub async fn show(state: Data<State>, _caller: Caller) -> ApiResult<Json<HouseView>> {
    Ok(Json(view(&state).await?))
}
