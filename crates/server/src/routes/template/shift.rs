use super::ahead::{TurnTold, ahead};
use super::list::{TemplatesView, view};
use super::set::check_reach;
use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::serving::edition::{listed, live};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::Purpose;
use compagina_core::template::{
    Candidate, Index, Reach, ReachError, ReachRule, Shift, move_product, move_type,
};
use compagina_storage::Arrangement;
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;
use utoipa::ToSchema;

/// Products that are listed as moving, at the most; all are counted.
const MOST_LISTED: usize = 100;

/// What is to serve what.
#[derive(Deserialize, ToSchema)]
#[serde(rename_all = "snake_case", tag = "what")]
pub enum Moving {
    Product {
        product: Handle,
        to: TemplateId,
    },
    Type {
        kind: Handle,
        to: TemplateId,
    },
    /// Another reach for one template.
    Reach {
        template: TemplateId,
        reach: Reach,
    },
    /// Another order of all templates: who comes first wins where two reach a product in the same way.
    Order {
        order: Vec<TemplateId>,
    },
    /// It is taken away: the next that reaches its products serves them.
    Away {
        template: TemplateId,
    },
    /// One that was taken away comes back.
    Back {
        template: TemplateId,
    },
}

#[derive(Deserialize, ToSchema)]
pub struct Shifting {
    /// The arrangement that whoever moves something saw. Where it is only told, that is told of the present one.
    arrangement: u64,
    #[serde(flatten)]
    moving: Moving,
    /// Only told, not done.
    #[serde(default)]
    dry: bool,
}

#[derive(Serialize, ToSchema)]
pub struct Shifted {
    /// The products that another template serves then; not more than a hundred.
    moves: Vec<MovedProduct>,
    count: usize,
    /// What the dates of a reach will change, where a reach is given.
    ahead: Vec<TurnTold>,
    /// As it is afterwards, where it was done.
    templates: Option<TemplatesView>,
}

#[derive(Serialize, ToSchema)]
pub struct MovedProduct {
    handle: Handle,
    name: String,
    from: Option<TemplateId>,
    to: Option<TemplateId>,
}

/// Moves a product or a type to another template, or changes a reach or the order: what that changes, and on demand doing
/// it. It counts at once, in the shop too.
#[utoipa::path(responses(
    (status = 200, body = Shifted), (status = 404, body = ApiError),
    (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/shift")]
pub async fn shift(state: Data<State>, _caller: Caller, body: Json<Shifting>) -> ApiResult<Json<Shifted>> {
    let Shifting { arrangement, moving, dry } = body.into_inner();
    let purpose = of_which(&state, &moving).await?;
    let rows = state.store.templates_of(purpose).await?.into_iter();
    let all: Vec<Shift> = rows.map(|t| Shift { id: t.id, name: t.name, reach: t.reach }).collect();
    let going = match moving {
        Moving::Away { template } => Some((template, true)),
        Moving::Back { template } => Some((template, false)),
        _ => None,
    };
    let dated = if let Moving::Reach { template, .. } = moving { Some(template) } else { None };
    let after = shifted(&state, all, moving).await?;
    let (moves, count) = moves(&state, purpose, &after).await?;
    let ahead = match dated {
        Some(template) => turns_of(&state, purpose, &after, template).await?,
        None => vec![],
    };
    if dry {
        return Ok(Json(Shifted { moves, count, ahead, templates: None }));
    }
    match going {
        Some((template, true)) => state.store.take_template_away(template, arrangement).await?,
        Some((template, false)) => state.store.bring_template_back(template, arrangement).await?,
        None => {
            let all = after.into_iter().map(|one| (one.id, one.reach)).collect();
            state.store.arrange(&Arrangement { revision: arrangement, all }).await?;
        }
    }
    let templates = Some(view(&state, purpose).await?);
    Ok(Json(Shifted { moves, count, ahead, templates }))
}

/// Whether pages' templates are moved, or cards: those that are named are all of one kind.
async fn of_which(state: &State, moving: &Moving) -> ApiResult<Purpose> {
    let named = match moving {
        Moving::Product { to, .. } | Moving::Type { to, .. } => Some(*to),
        Moving::Reach { template, .. } | Moving::Away { template } => Some(*template),
        Moving::Order { order } => order.first().copied(),
        Moving::Back { template } => {
            let away = state.store.templates_away().await?;
            let known = away.iter().find(|(id, ..)| id == template);
            return Ok(known.map(|(.., purpose)| *purpose).unwrap_or_default());
        }
    };
    let all = state.store.templates().await?;
    let known = all.iter().find(|one| Some(one.id) == named);
    Ok(known.map(compagina_storage::TemplateRow::purpose).unwrap_or_default())
}

async fn shifted(state: &State, mut all: Vec<Shift>, moving: Moving) -> ApiResult<Vec<Shift>> {
    let missing = || ApiError::no_such("template");
    let known = |id: TemplateId| all.iter().any(|one| one.id == id).then_some(id).ok_or_else(missing);
    match moving {
        Moving::Product { product, to } => {
            if state.store.product(&product).await?.is_none() {
                return Err(ApiError::no_such("product"));
            }
            let to = known(to)?;
            move_product(&mut all, &product, to);
        }
        Moving::Type { kind, to } => {
            if !state.store.types().await?.iter().any(|row| row.kind.handle == kind) {
                return Err(ApiError::no_such("product type"));
            }
            let to = known(to)?;
            move_type(&mut all, &kind, to)?;
        }
        Moving::Reach { template, reach } => {
            let one = all.iter_mut().find(|one| one.id == template).ok_or_else(missing)?;
            check_reach(state, &reach, Some(&one.reach)).await?;
            one.reach = reach;
        }
        Moving::Order { order } => {
            let wanted: BTreeSet<_> = order.iter().collect();
            if wanted.len() != all.len() || order.len() != all.len() {
                return Err(ApiError::refused("an order names every template once; load the page again"));
            }
            for id in &order {
                known(*id)?;
            }
            all.sort_by_key(|one| order.iter().position(|id| *id == one.id));
        }
        Moving::Away { template } => {
            let id = known(template)?;
            if all.iter().any(|one| one.id == id && one.reach.rule == ReachRule::Fallback) {
                return Err(ReachError::FallbackStays.into());
            }
            all.retain(|one| one.id != id);
        }
        // What it serves then is seen once it is back.
        Moving::Back { .. } => {}
    }
    Ok(all)
}

/// The products that are served by another template than now, and how many there are.
async fn moves(state: &State, purpose: Purpose, after: &[Shift]) -> ApiResult<(Vec<MovedProduct>, usize)> {
    let (live, listed) = (live(state).await?, listed(state).await?);
    let is_live = |id: TemplateId| live.all_of(purpose).iter().any(|t| t.id == id);
    let candidates = after.iter().filter(|one| is_live(one.id));
    let candidates = candidates.map(|one| Candidate { id: one.id, reach: &one.reach });
    let (before, after) = (live.index_of(purpose), Index::new(candidates, now(), &live.zone));
    let served = listed.iter().map(|one| (one, before.winner(&one.facts), after.winner(&one.facts)));
    let moved: Vec<_> = served.filter(|(_, from, to)| from != to).collect();
    let listed = moved.iter().take(MOST_LISTED).map(|(one, from, to)| MovedProduct {
        handle: one.facts.handle.clone(),
        name: one.name.clone(),
        from: *from,
        to: *to,
    });
    Ok((listed.collect(), moved.len()))
}

/// What the dates of one of them will change, as if it were live.
async fn turns_of(
    state: &State,
    purpose: Purpose,
    after: &[Shift],
    of: TemplateId,
) -> ApiResult<Vec<TurnTold>> {
    let live = live(state).await?;
    let seen = after.iter().filter(|one| one.id == of || live.all_of(purpose).iter().any(|t| t.id == one.id));
    let all: Vec<_> = seen.map(|one| Candidate { id: one.id, reach: &one.reach }).collect();
    ahead(state, &all, of).await
}
