use super::{Of, subject_of};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path, Query};
use serde::Serialize;
use utoipa::ToSchema;

/// What was taken back or made again, in words.
#[derive(Serialize, ToSchema)]
pub struct Stepped {
    told: String,
}

/// Takes back the caller's last step that stands.
#[utoipa::path(operation_id = "undo_in_journal", params(Of),
    responses((status = 200, body = Stepped), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/journal/undo")]
pub async fn undo(state: Data<State>, caller: Caller, of: Query<Of>) -> ApiResult<Json<Stepped>> {
    let subject = subject_of(&state, &of).await?;
    let told = state.store.by(caller.by()).undo(subject).await?;
    state.to_make.notify_one();
    Ok(Json(Stepped { told }))
}

/// Makes again what the caller took back last.
#[utoipa::path(operation_id = "redo_in_journal", params(Of),
    responses((status = 200, body = Stepped), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/journal/redo")]
pub async fn redo(state: Data<State>, caller: Caller, of: Query<Of>) -> ApiResult<Json<Stepped>> {
    let subject = subject_of(&state, &of).await?;
    let told = state.store.by(caller.by()).redo(subject).await?;
    state.to_make.notify_one();
    Ok(Json(Stepped { told }))
}

/// Takes back one step of whoever took it.
#[utoipa::path(operation_id = "undo_step", params(("id" = u64, Path)),
    responses((status = 200, body = Stepped), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/journal/{id}/undo")]
pub async fn undo_step(state: Data<State>, caller: Caller, id: Path<u64>) -> ApiResult<Json<Stepped>> {
    let told = state.store.by(caller.by()).undo_step(*id).await?;
    state.to_make.notify_one();
    Ok(Json(Stepped { told }))
}

/// Brings something back to what it was after a step.
#[utoipa::path(operation_id = "bring_back_in_journal", params(("id" = u64, Path), Of),
    responses((status = 200, body = Stepped), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/journal/{id}/back")]
pub async fn bring_back(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    of: Query<Of>,
) -> ApiResult<Json<Stepped>> {
    let subject = subject_of(&state, &of).await?;
    let told = state.store.by(caller.by()).bring_back(subject, *id).await?;
    state.to_make.notify_one();
    Ok(Json(Stepped { told }))
}
