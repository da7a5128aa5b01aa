use super::{After, sound};
use crate::error::{ApiError, ApiResult};
use crate::feed::Told;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};

/// The same for a tab to which no stream comes through: what was said since it asked last.
#[utoipa::path(operation_id = "told_since", params(After), responses((status = 200, body = Told), (status = 422, body = ApiError)))]
#[get("/feed/since")]
pub async fn tell(state: Data<State>, _caller: Caller, of: Query<After>) -> ApiResult<Json<Told>> {
    let After { tab, after } = of.into_inner();
    sound(tab)?;
    Ok(Json(state.feed.since(after.as_deref())))
}
