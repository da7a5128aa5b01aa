use super::{PricesView, view};
use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};

/// The price rules as they are being worked on.
#[utoipa::path(operation_id = "show_prices", responses((status = 200, body = PricesView)))]
#[get("/prices")]
pub async fn show(state: Data<State>, _caller: Caller) -> ApiResult<Json<PricesView>> {
    Ok(Json(view(&state).await?))
}
