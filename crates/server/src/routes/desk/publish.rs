use super::{DraftView, draft_view};
use crate::error::{ApiError, ApiResult};
use crate::names;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{delete, post};
use chrono::{DateTime, TimeDelta, Utc};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::template::{Reach, ReachRule};
use compagina_core::time::Local;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

const MOST_CHARACTERS: usize = 120;

/// What is published, and what it is called in the history.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Publication {
    revision: u64,
    name: Option<String>,
}

/// Lets shoppers see the draft: all pages of the template change in one step.
#[utoipa::path(responses((status = 200, body = DraftView), (status = 401, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/publish")]
pub async fn publish(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Publication>,
) -> ApiResult<Json<DraftView>> {
    let id = TemplateId(*id);
    let name = publication_name(body.name.as_deref())?;
    state.store.publish(id, caller.session.owner_id, body.revision, name).await?;
    published(&state, id).await
}

/// Lets shoppers see again what they saw before the last publication. The draft stays as it is.
#[utoipa::path(responses((status = 200, body = DraftView), (status = 401, body = ApiError), (status = 404, body = ApiError)))]
#[post("/templates/{id}/take-back")]
pub async fn take_back(state: Data<State>, caller: Caller, id: Path<u64>) -> ApiResult<Json<DraftView>> {
    let id = TemplateId(*id);
    state.store.take_back_publication(id, caller.session.owner_id).await?;
    published(&state, id).await
}

async fn published(state: &Data<State>, id: TemplateId) -> ApiResult<Json<DraftView>> {
    let template = state.store.template(id).await?;
    Ok(Json(draft_view(&template, state.store.history(id).await?)))
}

fn publication_name(name: Option<&str>) -> ApiResult<&str> {
    names::one_line("a publication's name", name.unwrap_or_default(), MOST_CHARACTERS)
}

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

/// A publication that is planned.
#[derive(Serialize, ToSchema)]
pub struct Planned {
    pub at: DateTime<Utc>,
    pub name: String,
    /// The draft as it was then is published, whatever is changed on it later.
    pub revision: u64,
}

pub(super) async fn planned(state: &State, id: TemplateId) -> ApiResult<Option<Planned>> {
    let row = state.store.planned_publication(id).await?;
    Ok(row.map(|row| Planned { at: row.at, name: row.name, revision: row.revision }))
}

/// Has the draft as it is now published at a time, in place of what was planned before.
#[utoipa::path(operation_id = "plan_publication", responses((status = 200, body = Option<Planned>), (status = 401, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/planned")]
pub async fn plan(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Planning>,
) -> ApiResult<Json<Option<Planned>>> {
    let id = TemplateId(*id);
    let name = publication_name(body.name.as_deref())?;
    let moment = state.store.zone().await?.moment(&body.at);
    let at = DateTime::from_timestamp(moment.0, 0).filter(|at| *at < Utc::now() + FARTHEST);
    let at = at.ok_or_else(|| {
        ApiError::refused("this time is more than a hundred years away; choose a nearer one")
    })?;
    if at <= Utc::now() {
        return Err(ApiError::refused("this time is over; choose one that is still to come"));
    }
    state.store.plan_publication(id, caller.session.owner_id, body.revision, (name, at)).await?;
    Ok(Json(planned(&state, id).await?))
}

/// Nothing is published by itself any more.
#[utoipa::path(operation_id = "drop_planned_publication", responses((status = 200, body = Option<Planned>), (status = 401, body = ApiError)))]
#[delete("/templates/{id}/planned")]
pub async fn unplan(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<Json<Option<Planned>>> {
    let id = TemplateId(*id);
    state.store.drop_planned(id).await?;
    Ok(Json(planned(&state, id).await?))
}

/// For which products a draft is published.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ForSome {
    revision: u64,
    name: String,
    products: Vec<Handle>,
}

#[derive(Serialize, ToSchema)]
pub struct Parted {
    /// The template that serves them from now on.
    id: TemplateId,
}

/// Publishes the draft for some products only: they get a template of their own that begins as this draft, and this
/// template stays as shoppers see it for all others.
#[utoipa::path(responses((status = 200, body = Parted), (status = 401, body = ApiError), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/publish-for-some")]
pub async fn publish_for_some(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<ForSome>,
) -> ApiResult<Json<Parted>> {
    let ForSome { revision, name, products } = body.into_inner();
    let name = crate::routes::template::set::template_name(&name)?;
    if products.is_empty() {
        return Err(ApiError::refused("choose at least one product"));
    }
    let reach = Reach { also: products, ..ReachRule::Named.into() };
    crate::routes::template::set::check_reach(&state, &reach, None).await?;
    // They are named there only, or a tie would leave them where they are.
    let mut arrangement = state.store.arrangement().await?;
    for (_, other) in &mut arrangement.all {
        other.also.retain(|named| !reach.also.contains(named));
    }
    let owner = caller.session.owner_id;
    let id = TemplateId(*id);
    let id = state.store.publish_apart(id, owner, revision, (name, &reach), &arrangement).await?;
    Ok(Json(Parted { id }))
}
