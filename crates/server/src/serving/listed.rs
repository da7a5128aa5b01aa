//! The listing in which a card stands that is looked at.

use crate::clock::now;
use crate::error::ApiResult;
use crate::serving::Serving;
use crate::serving::known::known_numbered;
use compagina_core::catalog::Product;
use compagina_core::ids::ProductId;
use compagina_core::listing::{ListingFacts, ListingOf, OfSet, Wanted, found};
use compagina_press::Around;
use std::collections::BTreeMap;
use std::sync::Arc;

/// Cards that stand in it.
const MOST: usize = 24;

/// The listing of its product's type as shoppers find it, with the product in it: a card on which it stands with others
/// is its own.
pub async fn listed_around(serving: &Serving, product: &Arc<Product>) -> ApiResult<Around> {
    let (ids, sets) = if product.is_sample() { Default::default() } else { cards(serving, product).await? };
    let others: Vec<ProductId> = ids.iter().copied().filter(|id| *id != product.id).collect();
    let mut listed = known_numbered(serving, &others).await?;
    let place = ids.iter().position(|id| *id == product.id).unwrap_or(0).min(listed.len());
    listed.insert(place, product.clone());
    Ok(Around { listed, sets, ..Around::default() })
}

/// The first cards, by the product whose card each is, with what is told of those for several.
async fn cards(
    serving: &Serving,
    product: &Product,
) -> ApiResult<(Vec<ProductId>, BTreeMap<ProductId, OfSet>)> {
    let edition = serving.editions.current();
    let (everywhere, on_show) = (edition.everywhere(serving).await?, edition.on_show(serving).await?);
    let kind = &product.kind.handle;
    let own = everywhere.listings.of(&ListingOf::Type(kind.clone())).cloned().unwrap_or_default();
    let facts = on_show.facts(&everywhere.prices.at(now()), &own, |one| one.kind.handle == *kind);
    let all: Vec<ListingFacts<'_>> = facts.iter().map(|(_, facts)| *facts).collect();
    let found = found(&all, &Wanted { usual: own.order, ..Wanted::default() });
    let set_of = |place: usize| all.get(place).and_then(|one| one.set).map(|(set, _)| set);
    let own_set = facts.iter().position(|(id, _)| *id == product.id).and_then(set_of);
    let card_of = |place: usize| {
        let its_own = own_set.is_some() && set_of(place) == own_set;
        if its_own { Some(product.id) } else { facts.get(place).map(|(id, _)| *id) }
    };
    let ids = found.places.iter().filter_map(|place| card_of(*place)).take(MOST).collect();
    let sets = found.sets.iter().filter_map(|(place, of)| Some((card_of(*place)?, *of))).collect();
    Ok((ids, sets))
}
