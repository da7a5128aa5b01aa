use super::SessionView;
use crate::error::{ApiError, ApiResult};
use crate::password;
use crate::serving::edition::everywhere;
use crate::session::{SESSION_COOKIE, new_token, safe_cookie, token_hash};
use crate::state::State;
use actix_web::web::{Data, Json};
use actix_web::{HttpResponse, post};
use chrono::{TimeDelta, Utc};
use serde::Deserialize;
use utoipa::ToSchema;

const SESSION_DAYS: i64 = 30;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SignIn {
    email: String,
    password: String,
}

/// Signs an owner in. After several failures for one address the next try has to wait.
#[utoipa::path(responses((status = 200, body = SessionView), (status = 401, body = ApiError), (status = 429, body = ApiError)))]
#[post("/session")]
pub async fn sign_in(state: Data<State>, form: Json<SignIn>) -> ApiResult<HttpResponse> {
    let SignIn { email, password } = form.into_inner();
    let email: String = email.trim().to_lowercase().chars().take(200).collect();
    if let Some(until) = state.store.must_wait_until(&email).await? {
        return Err(ApiError::wait((until - Utc::now()).num_seconds().max(0) + 1));
    }
    let owner = state.store.owner_by_email(&email).await?;
    let stored = owner.as_ref().map(|o| o.password_hash.clone());
    let fits = tokio::task::spawn_blocking(move || password::matches(&password, stored.as_deref()));
    let fits = fits.await.map_err(ApiError::unforeseen)?;
    let Some(owner) = owner.filter(|_| fits) else {
        state.store.count_failure(&email).await?;
        return Err(ApiError::wrong_password());
    };
    state.store.forget_failures(&email).await?;
    let (token, csrf) = (new_token(), new_token());
    let until = Utc::now() + TimeDelta::days(SESSION_DAYS);
    state.store.add_session(&token_hash(&token), owner.id, &csrf, until).await?;
    let shop = everywhere(&state).await?.shop.clone();
    Ok(HttpResponse::Ok().cookie(safe_cookie(SESSION_COOKIE, token, SESSION_DAYS)).json(SessionView {
        owner: owner.name,
        owner_id: owner.id,
        csrf,
        shop,
    }))
}
