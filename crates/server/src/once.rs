//! A step whose answer was lost is sent again, and is taken once: its sender gives it a key (`Idempotency-Key`). It is
//! answered as it was the first time; where that answer was too long to be kept, that it was taken is told. Nobody waits
//! until an answer is kept.

use crate::error::ApiError;
use crate::session::Caller;
use crate::state::State;
use actix_web::body::{BodySize, BoxBody, MessageBody, to_bytes};
use actix_web::dev::{ServiceRequest, ServiceResponse};
use actix_web::http::StatusCode;
use actix_web::http::header::{CONTENT_TYPE, HeaderValue};
use actix_web::middleware::Next;
use actix_web::web::Data;
use actix_web::{HttpResponse, ResponseError};
use compagina_storage::{Before, StepKey, Store};
use sha2::{Digest, Sha256};

pub const KEY_HEADER: &str = "idempotency-key";

/// Bytes of an answer that is kept.
const MOST_BYTES: u64 = 64 * 1024;

/// Takes a step that carries a key at most once.
pub async fn once(
    mut request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, actix_web::Error> {
    let Some(key) = request.headers().get(KEY_HEADER).cloned() else { return plainly(request, next).await };
    let Some(key) = sound(&key) else {
        let why = "its Idempotency-Key isn't 8 to 64 letters, digits and signs";
        return Ok(refused(request, &ApiError::unreadable(why)));
    };
    // Whoever may not take it is told so where it would be taken.
    let Ok(caller) = request.extract::<Caller>().await else { return plainly(request, next).await };
    let Some(state) = request.app_data::<Data<State>>().cloned() else { return plainly(request, next).await };
    let asked = Sha256::digest(format!("{} {}", request.method(), request.uri())).into();
    let step = StepKey { owner: caller.session.owner_id, key, asked };
    let before = match state.unkept.before(&step) {
        Some(before) => before,
        None => state.store.step_before(&step).await.map_err(ApiError::from)?,
    };
    match before {
        Before::Never => take(state, step, request, next).await,
        Before::Answered(status, answer) => Ok(request.into_response(again(status, answer))),
        Before::Taken => Ok(refused(request, &ApiError::taken_before())),
        Before::Another => {
            let why = "its Idempotency-Key belongs to another step; give each step a key of its own";
            Ok(refused(request, &ApiError::refused(why)))
        }
    }
}

async fn plainly(
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, actix_web::Error> {
    Ok(next.call(request).await?.map_into_boxed_body())
}

fn sound(key: &HeaderValue) -> Option<String> {
    let key = key.to_str().ok()?;
    let visible = key.bytes().all(|sign| sign.is_ascii_graphic());
    ((8..=64).contains(&key.len()) && visible).then(|| key.to_owned())
}

fn refused(request: ServiceRequest, why: &ApiError) -> ServiceResponse<BoxBody> {
    request.into_response(why.error_response())
}

async fn take(
    state: Data<State>,
    step: StepKey,
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, actix_web::Error> {
    let answer = Store::taking(step.clone(), next.call(request)).await?.map_into_boxed_body();
    let (request, answer) = answer.into_parts();
    let (head, body) = answer.into_parts();
    let short = matches!(body.size(), BodySize::None | BodySize::Sized(..=MOST_BYTES));
    if !head.status().is_success() || !short {
        return Ok(ServiceResponse::new(request, head.set_body(body)));
    }
    let body = to_bytes(body).await.map_err(|_| ApiError::unforeseen("an answer can't be read"))?;
    let (status, kept) = (head.status().as_u16(), body.clone());
    state.unkept.remember(&step, status, kept.clone());
    actix_web::rt::spawn(async move {
        // Taken it is; without its answer it is told that it was.
        if let Err(error) = state.store.answered(&step, status, &kept).await {
            tracing::warn!("an answer can't be kept: {error}");
        }
        state.unkept.forget(&step);
    });
    Ok(ServiceResponse::new(request, head.set_body(BoxBody::new(body))))
}

fn again(status: u16, answer: Vec<u8>) -> HttpResponse {
    let status = StatusCode::from_u16(status).unwrap_or(StatusCode::OK);
    let mut response = HttpResponse::build(status);
    if !answer.is_empty() {
        response.insert_header((CONTENT_TYPE, "application/json"));
    }
    response.body(answer)
}
