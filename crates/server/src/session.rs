//! Who is asking. A session is a random token in a cookie; the database keeps its hash. Whatever changes something
//! must also carry the session's own token in a header, which another site can't read.

use crate::error::{ApiError, ApiResult};
use crate::state::State;
use actix_web::cookie::{Cookie, SameSite};
use actix_web::http::Method;
use actix_web::web::Data;
use actix_web::{FromRequest, HttpMessage, HttpRequest, dev::Payload};
use base64::Engine;
use base64::engine::general_purpose::URL_SAFE_NO_PAD;
use compagina_storage::{By, Seen, Session};
use futures_util::future::LocalBoxFuture;
use sha2::{Digest, Sha256};

pub const SESSION_COOKIE: &str = "compagina_session";
const TOKEN_HEADER: &str = "x-csrf-token";
/// Carries what was looked at when something was changed: the `seen` of the answer that showed it.
pub const SEEN_HEADER: &str = "x-seen";

/// An owner who is signed in, and, where the request changes something, has sent the token.
#[derive(Clone)]
pub struct Caller {
    pub session: Session,
    seen: Option<Seen>,
}

impl Caller {
    /// Who writes, and what was seen before.
    pub fn by(&self) -> By {
        By { owner: Some(self.session.owner_id), seen: self.seen }
    }
}

impl FromRequest for Caller {
    type Error = ApiError;
    type Future = LocalBoxFuture<'static, ApiResult<Self>>;

    fn from_request(request: &HttpRequest, _: &mut Payload) -> Self::Future {
        let request = request.clone();
        Box::pin(async move {
            // Asked once for a request, whoever wants to know.
            if let Some(known) = request.extensions().get::<Self>() {
                return Ok(known.clone());
            }
            let state = request.app_data::<Data<State>>().ok_or_else(ApiError::sign_in_first)?;
            let hash = cookie_hash(&request, SESSION_COOKIE).ok_or_else(ApiError::sign_in_first)?;
            let session = state.store.session(&hash).await?.ok_or_else(ApiError::sign_in_first)?;
            let reads = matches!(*request.method(), Method::GET | Method::HEAD);
            if !reads && !carries_token(&request, &session.csrf) {
                return Err(ApiError::no_token());
            }
            let seen = request.headers().get(SEEN_HEADER).and_then(|value| Seen::read(value.to_str().ok()?));
            let caller = Self { session, seen };
            request.extensions_mut().insert(caller.clone());
            Ok(caller)
        })
    }
}

/// Whether whoever looks at a page of the shop is signed in as an owner.
pub async fn is_owner(state: &State, request: &HttpRequest) -> ApiResult<bool> {
    match cookie_hash(request, SESSION_COOKIE) {
        Some(hash) => Ok(state.store.session(&hash).await?.is_some()),
        None => Ok(false),
    }
}

fn carries_token(request: &HttpRequest, token: &str) -> bool {
    let given = request.headers().get(TOKEN_HEADER).map_or(&b""[..], |v| v.as_bytes());
    // Compared over their whole length, so that the time tells nothing.
    given.len() == token.len() && given.iter().zip(token.bytes()).fold(0, |all, (a, b)| all | (a ^ b)) == 0
}

/// 32 random bytes as text for a cookie or a header.
pub fn new_token() -> String {
    URL_SAFE_NO_PAD.encode(rand::random::<[u8; 32]>())
}

/// The form in which a token is kept.
pub fn token_hash(token: &str) -> [u8; 32] {
    Sha256::digest(token.as_bytes()).into()
}

/// The hash of a cookie's token.
pub fn cookie_hash(request: &HttpRequest, name: &str) -> Option<[u8; 32]> {
    request.cookie(name).map(|cookie| token_hash(cookie.value()))
}

/// A cookie that scripts can't read and other sites don't send along.
pub fn safe_cookie(name: &'static str, value: String, days: i64) -> Cookie<'static> {
    Cookie::build(name, value)
        .path("/")
        .http_only(true)
        .same_site(SameSite::Lax)
        .max_age(actix_web::cookie::time::Duration::days(days))
        .finish()
}
