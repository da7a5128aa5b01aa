use crate::error::{ApiError, ApiResult};
use crate::session::{Caller, SESSION_COOKIE, cookie_hash, safe_cookie};
use crate::state::State;
use actix_web::web::Data;
use actix_web::{HttpRequest, HttpResponse, delete};

/// Ends the session.
#[utoipa::path(responses((status = 204), (status = 401, body = ApiError)))]
#[delete("/session")]
pub async fn sign_out(state: Data<State>, _caller: Caller, request: HttpRequest) -> ApiResult<HttpResponse> {
    if let Some(hash) = cookie_hash(&request, SESSION_COOKIE) {
        state.store.end_session(&hash).await?;
    }
    let mut cookie = safe_cookie(SESSION_COOKIE, String::new(), 0);
    cookie.make_removal();
    Ok(HttpResponse::NoContent().cookie(cookie).finish())
}
