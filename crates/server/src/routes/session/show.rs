use super::SessionView;
use crate::error::{ApiError, ApiResult};
use crate::serving::edition::everywhere;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};

/// Who is signed in.
#[utoipa::path(operation_id = "show_session", responses((status = 200, body = SessionView), (status = 401, body = ApiError)))]
#[get("/session")]
pub async fn show(state: Data<State>, caller: Caller) -> ApiResult<Json<SessionView>> {
    let shop = everywhere(&state).await?.shop.clone();
    let session = caller.session;
    let (owner, owner_id) = (session.owner_name, session.owner_id);
    Ok(Json(SessionView { owner, owner_id, csrf: session.csrf, shop }))
}
