use super::list::{TemplatesView, view};
use crate::error::{ApiError, ApiResult};
use crate::names;
use crate::session::Caller;
use crate::state::State;
use actix_web::put;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::TemplateId;
use compagina_core::template::Reach;
use serde::Deserialize;
use utoipa::ToSchema;

const MOST_CHARACTERS: usize = 120;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TemplateChange {
    /// The arrangement that its maker saw.
    arrangement: u64,
    name: String,
    reach: Reach,
}

/// Gives a template another name and reach. The reach counts at once, in the shop too.
#[utoipa::path(responses(
    (status = 200, body = TemplatesView), (status = 404, body = ApiError),
    (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/templates/{id}")]
pub async fn set(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    change: Json<TemplateChange>,
) -> ApiResult<Json<TemplatesView>> {
    let TemplateChange { arrangement, name, reach } = change.into_inner();
    let current = state.store.template(TemplateId(*id)).await?;
    let (name, reach) = (template_name(&name)?, reach.tidied());
    check_reach(&state, &reach, Some(&current.reach)).await?;
    let purpose = current.purpose();
    state.store.set_template(current.id, arrangement, name, &reach).await?;
    Ok(Json(view(&state, purpose).await?))
}

/// Whether a reach may take the place of `current`.
pub(in crate::routes) async fn check_reach(
    state: &State,
    reach: &Reach,
    current: Option<&Reach>,
) -> ApiResult<()> {
    let types: Vec<_> = state.store.types().await?.into_iter().map(|t| t.kind).collect();
    Ok(reach.check(current, &types)?)
}

/// A template's name as it is kept, or why it can't be one.
pub(in crate::routes) fn template_name(text: &str) -> ApiResult<&str> {
    names::name("a template's name", text, MOST_CHARACTERS)
}
