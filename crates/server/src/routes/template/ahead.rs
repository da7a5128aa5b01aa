use super::served::Telling;
use crate::clock::now;
use crate::error::ApiResult;
use crate::serving::edition::{listed, live};
use crate::state::State;
use compagina_core::ids::TemplateId;
use compagina_core::template::{Candidate, turns};
use compagina_core::time::Local;
use serde::Serialize;
use utoipa::ToSchema;

/// A time to come at which a template begins or ends to serve.
#[derive(Serialize, ToSchema)]
pub struct TurnTold {
    /// On the shop's clocks.
    at: Local,
    /// Which products change their template then, in sentences; none where none does.
    says: Vec<String>,
}

/// What the dates of one template among others will change.
pub(in crate::routes) async fn ahead(
    state: &State,
    all: &[Candidate<'_>],
    of: TemplateId,
) -> ApiResult<Vec<TurnTold>> {
    let (live, listed) = (live(state).await?, listed(state).await?);
    let facts: Vec<_> = listed.iter().map(|one| &one.facts).collect();
    let found = turns(all, of, &facts, now(), &live.zone);
    if found.is_empty() {
        return Ok(vec![]);
    }
    let telling = Telling::new(state).await?;
    let told = found.iter().map(|turn| TurnTold {
        at: live.zone.local(turn.at),
        says: turn.moves.iter().map(|one| telling.moves(one)).collect(),
    });
    Ok(told.collect())
}
