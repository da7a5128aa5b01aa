//! Which card each product has: of the live ones, and on the desk of those as if its draft were live.

use super::live;
use super::live::Live;
use crate::clock::now;
use crate::error::ApiResult;
use crate::serving::Serving;
use compagina_core::catalog::Product;
use compagina_core::ids::TemplateId;
use compagina_core::page::{Layout, Purpose};
use compagina_core::template::{Candidate, CardPlace, Index, Reach, compose};
use compagina_press::Cards;
use std::sync::Arc;

/// The cards that shoppers see.
pub struct LiveCards(pub Arc<Live>);

/// The same with one that is composed on the desk as if it were live.
pub struct DeskCards {
    pub live: Arc<Live>,
    pub id: TemplateId,
    pub reach: Reach,
    pub draft: Layout,
}

impl DeskCards {
    pub async fn of(serving: &Serving, id: TemplateId, draft: Layout) -> ApiResult<Self> {
        let (live, reach) = (live(serving).await?, serving.store.template(id).await?.reach);
        Ok(Self { live, id, reach, draft })
    }
}

impl std::fmt::Debug for LiveCards {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str("the live cards")
    }
}

impl std::fmt::Debug for DeskCards {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(f, "the live cards with the draft of {}", self.id.0)
    }
}

impl Cards for LiveCards {
    fn composed(&self, product: &Product, place: CardPlace) -> Option<Arc<Layout>> {
        let live = &self.0;
        let all = live.all_of(Purpose::Card).iter().map(|one| (one.id, &one.reach, &one.layout));
        served(live, all, product, place)
    }
}

impl Cards for DeskCards {
    fn composed(&self, product: &Product, place: CardPlace) -> Option<Arc<Layout>> {
        let own = (self.id, &self.reach, &self.draft);
        let others = self.live.all_of(Purpose::Card).iter();
        let is_live = others.clone().any(|one| one.id == self.id);
        let others = others.map(|one| match one.id == self.id {
            true => own,
            false => (one.id, &one.reach, &one.layout),
        });
        served(&self.live, others.chain((!is_live).then_some(own)), product, place)
    }
}

fn served<'a>(
    live: &Live,
    all: impl Iterator<Item = (TemplateId, &'a Reach, &'a Layout)> + Clone,
    product: &Product,
    place: CardPlace,
) -> Option<Arc<Layout>> {
    let here = all.clone().filter(|(_, reach, _)| reach.stands_at(place));
    let index = Index::new(here.map(|(id, reach, _)| Candidate { id, reach }), now(), &live.zone);
    let winner = index.winner(&live.facts(product))?;
    let (_, _, layout) = all.clone().find(|(id, ..)| *id == winner)?;
    Some(Arc::new(compose(layout, &product.kind.handle, &product.handle)))
}
