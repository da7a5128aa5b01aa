use super::{DraftState, draft_of, state_of};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{get, post};
use serde::Deserialize;
use utoipa::ToSchema;

/// A draft: how far one can go back, what is planned, and everything that was published of it.
#[utoipa::path(operation_id = "show_draft", params(("draft" = String, Path)),
    responses((status = 200, body = DraftState), (status = 404, body = ApiError)))]
#[get("/drafts/{draft}")]
pub async fn show(state: Data<State>, _caller: Caller, draft: Path<String>) -> ApiResult<Json<DraftState>> {
    Ok(Json(state_of(&state, draft_of(&draft)?).await?))
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct BringBackPublished {
    revision: u64,
    publication: u64,
}

/// Makes the draft what was published then. One step, which can be undone; shoppers see it when it is published.
#[utoipa::path(operation_id = "bring_back_published", params(("draft" = String, Path)), request_body = BringBackPublished,
    responses((status = 200, body = DraftState), (status = 404, body = ApiError), (status = 409, body = ApiError)))]
#[post("/drafts/{draft}/bring-back")]
pub async fn bring_back(
    state: Data<State>,
    caller: Caller,
    draft: Path<String>,
    body: Json<BringBackPublished>,
) -> ApiResult<Json<DraftState>> {
    let draft = draft_of(&draft)?;
    super::bring_back(&state, draft, caller.session.owner_id, body.revision, body.publication).await?;
    Ok(Json(state_of(&state, draft).await?))
}
