use super::{DraftState, draft_of, publication_name, state_of};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_storage::{Change, DraftId, Turn};
use serde::Deserialize;
use utoipa::ToSchema;

/// The draft on which a step is taken.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OnRevision {
    revision: u64,
}

/// What is published, and what it is called in the history.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Publication {
    revision: u64,
    name: Option<String>,
}

/// Takes the last step on a draft back.
#[utoipa::path(operation_id = "undo_draft", params(("draft" = String, Path)), request_body = OnRevision,
    responses((status = 200, body = DraftState), (status = 404, body = ApiError), (status = 409, body = ApiError)))]
#[post("/drafts/{draft}/undo")]
pub async fn undo(
    state: Data<State>,
    caller: Caller,
    draft: Path<String>,
    body: Json<OnRevision>,
) -> ApiResult<Json<DraftState>> {
    go(&state, &caller, &draft, body.revision, Change::Undo).await
}

/// Does again what was taken back last.
#[utoipa::path(operation_id = "redo_draft", params(("draft" = String, Path)), request_body = OnRevision,
    responses((status = 200, body = DraftState), (status = 404, body = ApiError), (status = 409, body = ApiError)))]
#[post("/drafts/{draft}/redo")]
pub async fn redo(
    state: Data<State>,
    caller: Caller,
    draft: Path<String>,
    body: Json<OnRevision>,
) -> ApiResult<Json<DraftState>> {
    go(&state, &caller, &draft, body.revision, Change::Redo).await
}

/// Goes back or forward.
async fn go(
    state: &State,
    caller: &Caller,
    draft: &str,
    revision: u64,
    way: Change<'_>,
) -> ApiResult<Json<DraftState>> {
    let draft = draft_of(draft)?;
    match (draft, way) {
        (DraftId::Template(id), way) => {
            state.store.change_draft(id, caller.session.owner_id, revision, way).await?;
        }
        (DraftId::Shop(name), way) => {
            let turn = if matches!(way, Change::Undo) { Turn::Undo } else { Turn::Redo };
            state.store.turn_document(name, caller.session.owner_id, revision, turn).await?;
        }
    }
    Ok(Json(state_of(state, draft).await?))
}

/// Lets shoppers see the draft: all that it touches changes in one step. What was planned is dropped.
#[utoipa::path(operation_id = "publish_draft", params(("draft" = String, Path)), request_body = Publication,
    responses((status = 200, body = DraftState), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/drafts/{draft}/publish")]
pub async fn publish(
    state: Data<State>,
    caller: Caller,
    draft: Path<String>,
    body: Json<Publication>,
) -> ApiResult<Json<DraftState>> {
    let draft = draft_of(&draft)?;
    let name = publication_name(body.name.as_deref())?;
    state.store.publish(draft, caller.session.owner_id, body.revision, name).await?;
    Ok(Json(state_of(&state, draft).await?))
}

/// Lets shoppers see again what they saw before the last publication. The draft stays as it is.
#[utoipa::path(operation_id = "take_back_publication", params(("draft" = String, Path)),
    responses((status = 200, body = DraftState), (status = 404, body = ApiError)))]
#[post("/drafts/{draft}/take-back")]
pub async fn take_back(
    state: Data<State>,
    caller: Caller,
    draft: Path<String>,
) -> ApiResult<Json<DraftState>> {
    let draft = draft_of(&draft)?;
    state.store.take_back_publication(draft, caller.session.owner_id).await?;
    Ok(Json(state_of(&state, draft).await?))
}
