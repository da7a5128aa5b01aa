use super::tidy::tidy;
use super::{DraftView, draft_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::TemplateId;
use compagina_core::page::Op;
use compagina_storage::Change;
use serde::Deserialize;
use utoipa::ToSchema;

/// A step, with the revision on which it was made.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Operation {
    revision: u64,
    op: Op,
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Step {
    pub revision: u64,
}

/// Makes an edit; it is kept before it is answered.
#[utoipa::path(responses(
    (status = 200, body = DraftView), (status = 401, body = ApiError), (status = 403, body = ApiError),
    (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/operations")]
pub async fn operate(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Operation>,
) -> ApiResult<Json<DraftView>> {
    let Operation { revision, op } = body.into_inner();
    change(&state, &caller, *id, revision, Change::Edit(tidy(op))).await
}

/// Takes the last edit back.
#[utoipa::path(responses((status = 200, body = DraftView), (status = 401, body = ApiError), (status = 409, body = ApiError)))]
#[post("/templates/{id}/undo")]
pub async fn undo(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    step: Json<Step>,
) -> ApiResult<Json<DraftView>> {
    change(&state, &caller, *id, step.revision, Change::Undo).await
}

/// Makes again what was taken back last.
#[utoipa::path(responses((status = 200, body = DraftView), (status = 401, body = ApiError), (status = 409, body = ApiError)))]
#[post("/templates/{id}/redo")]
pub async fn redo(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    step: Json<Step>,
) -> ApiResult<Json<DraftView>> {
    change(&state, &caller, *id, step.revision, Change::Redo).await
}

pub(super) async fn change(
    state: &State,
    caller: &Caller,
    id: u64,
    revision: u64,
    change: Change,
) -> ApiResult<Json<DraftView>> {
    let id = TemplateId(id);
    state.store.change_draft(id, caller.session.owner_id, revision, change).await?;
    let template = state.store.template(id).await?;
    Ok(Json(draft_view(&template, state.store.history(id).await?)))
}
