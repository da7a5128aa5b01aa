use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::routes::changes::{ChangePart, WayTold};
use crate::serving::edition::everywhere;
use crate::serving::edition::live::LiveTemplate;
use crate::serving::edition::{listed, live};
use crate::session::Caller;
use crate::state::State;
use crate::walk::{Compare, Found, Walk, Way, told};
use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, get};
use compagina_core::catalog::Product;
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::starter::quiet_card;
use compagina_core::page::{Layout, Op, Purpose, apply};
use compagina_core::price::Prices;
use compagina_core::template::kept::{follow, linked};
use compagina_core::template::{Candidate, Comparison, Impact, Index, tell, tell_gaps};
use compagina_storage::StorageError;
use std::collections::{HashMap, HashSet};

/// The pages that publishing the draft would change, told while they are found: a line of JSON for each part. Whoever
/// stops listening stops the search.
#[utoipa::path(operation_id = "show_impact", responses((status = 200, body = ChangePart, content_type = "application/x-ndjson"), (status = 404, body = ApiError)))]
#[get("/templates/{id}/impact")]
pub async fn show(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<HttpResponse> {
    let (pages, walk) = pages(&state, TemplateId(*id)).await?;
    Ok(told(state, pages, walk))
}

/// The templates whose pages may change: this one, and live ones in which a band of it is linked.
fn changed(id: TemplateId, draft: Layout, live: &[LiveTemplate]) -> ApiResult<HashMap<TemplateId, Layout>> {
    let mut after = HashMap::new();
    for other in live.iter().filter(|t| t.id != id) {
        let mut layout = other.layout.clone();
        let ops: Vec<_> = linked(&draft).filter_map(|(_, band)| follow(&layout, band)).collect();
        if !ops.is_empty() {
            apply(&mut layout, Op::Many { ops }).map_err(StorageError::from)?;
            after.insert(other.id, layout);
        }
    }
    after.insert(id, draft);
    Ok(after)
}

/// Stands for the card of products that no card reaches.
const QUIET: TemplateId = TemplateId(0);

/// The pages, or cards, of all products that the draft would serve.
struct Pages {
    /// What shoppers will see of templates that change: the draft, and others that are linked with it.
    after: HashMap<TemplateId, Layout>,
    /// What shoppers see of the templates that serve these products now.
    before: HashMap<TemplateId, Layout>,
    /// For each product the template that serves it now, and the one that will.
    served: HashMap<Handle, (TemplateId, TemplateId)>,
    prices: Prices,
}

/// They, and a way through them, type by type.
async fn pages(state: &State, id: TemplateId) -> ApiResult<(Pages, Walk)> {
    let template = state.store.template(id).await?;
    let purpose = template.purpose();
    let (live, listed) = (live(state).await?, listed(state).await?);
    let index = live.index_of(purpose);
    // As if it were live already, in its place in the order.
    let rows = state.store.templates_of(purpose).await?;
    let is_live = |other: TemplateId| live.all_of(purpose).iter().any(|t| t.id == other);
    let then = rows.iter().filter(|t| t.id == id || is_live(t.id));
    let then = Index::new(then.map(|t| Candidate { id: t.id, reach: &t.reach }), now(), &live.zone);
    let after = changed(id, template.draft, live.all_of(purpose))?;
    let reached = listed.iter().filter_map(|one| {
        let to = then.winner(&one.facts).filter(|to| after.contains_key(to))?;
        // What no card reaches stands on a quiet one.
        let from = index.winner(&one.facts).or((purpose == Purpose::Card).then_some(QUIET))?;
        Some((one.facts.handle.clone(), (from, to)))
    });
    let served: HashMap<_, _> = reached.collect();
    let kinds: HashSet<&Handle> = listed
        .iter()
        .filter(|one| served.contains_key(&one.facts.handle))
        .map(|one| &one.facts.kind)
        .collect();
    let types = state.store.types().await?.into_iter();
    let walk = Walk::through(types.filter(|row| kinds.contains(&row.kind.handle)).map(|row| row.id));
    let from: HashSet<TemplateId> = served.values().map(|(from, _)| *from).collect();
    let before = live.all_of(purpose).iter().filter(|t| from.contains(&t.id));
    let before = before.map(|t| (t.id, t.layout.clone()));
    let before = before.chain((purpose == Purpose::Card).then(|| (QUIET, quiet_card()))).collect();
    let prices = everywhere(state).await?.prices.at(now());
    Ok((Pages { after, before, served, prices }, walk))
}

impl Compare for Pages {
    type Way = WayTold;
    type Part = ChangePart;

    fn count(&self) -> usize {
        self.served.len()
    }

    fn ways(&self, products: &[Product]) -> ApiResult<Vec<Way<WayTold>>> {
        let mut comparisons: HashMap<(TemplateId, TemplateId), Comparison<'_>> = HashMap::new();
        let mut way = |product: &Product| {
            let served @ (from, to) = self.served.get(&product.handle)?;
            let (before, after) = (self.before.get(from)?, self.after.get(to)?);
            let comparison =
                comparisons.entry(*served).or_insert_with(|| Comparison::new(before, after, &self.prices));
            let told = comparison.of(product).map(|Impact { changes, lacks }| {
                // A page has nothing kept apart: nobody is named.
                let says = tell(&changes, after, |_| String::new());
                WayTold::of_itself(says, tell_gaps(&lacks))
            });
            Some(told.map_or(Way::Stays, Way::Changes))
        };
        Ok(products.iter().map(|product| way(product).unwrap_or(Way::NoPage)).collect())
    }

    fn part(found: Found<WayTold>) -> ChangePart {
        found.into()
    }
}
