use super::{DraftState, draft_of, publication_name, state_of};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{delete, post};
use chrono::{DateTime, TimeDelta, Utc};
use compagina_core::time::Local;
use serde::Deserialize;
use utoipa::ToSchema;

/// How far ahead a publication can be planned.
const FARTHEST: TimeDelta = TimeDelta::days(36_525);

/// What is published by itself, and when.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Planning {
    revision: u64,
    name: Option<String>,
    /// On the shop's clocks.
    at: Local,
}

/// Has the draft as it is now published at a time, in place of what was planned before.
#[utoipa::path(operation_id = "plan_publication", params(("draft" = String, Path)), request_body = Planning,
    responses((status = 200, body = DraftState), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/drafts/{draft}/planned")]
pub async fn plan(
    state: Data<State>,
    caller: Caller,
    draft: Path<String>,
    body: Json<Planning>,
) -> ApiResult<Json<DraftState>> {
    let draft = draft_of(&draft)?;
    let name = publication_name(body.name.as_deref())?;
    let moment = state.store.zone().await?.moment(&body.at);
    let at = DateTime::from_timestamp(moment.0, 0).filter(|at| *at < Utc::now() + FARTHEST);
    let at = at.ok_or_else(|| {
        ApiError::refused("this time is more than a hundred years away; choose a nearer one")
    })?;
    if at <= Utc::now() {
        return Err(ApiError::refused("this time is over; choose one that is still to come"));
    }
    state.store.plan_publication(draft, caller.session.owner_id, body.revision, (name, at)).await?;
    Ok(Json(state_of(&state, draft).await?))
}

/// Nothing is published by itself any more.
#[utoipa::path(operation_id = "drop_planned_publication", params(("draft" = String, Path)),
    responses((status = 200, body = DraftState), (status = 404, body = ApiError)))]
#[delete("/drafts/{draft}/planned")]
pub async fn unplan(state: Data<State>, _caller: Caller, draft: Path<String>) -> ApiResult<Json<DraftState>> {
    let draft = draft_of(&draft)?;
    state.store.drop_planned(draft).await?;
    Ok(Json(state_of(&state, draft).await?))
}
