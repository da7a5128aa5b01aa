//! Listings as their owners make them: what stands over them, in which order, which products come first.

pub mod sample;
pub mod set;
pub mod show;

use crate::error::{ApiError, ApiResult};
use crate::serving::edition::listed;
use crate::state::State;
use compagina_core::catalog::{Product, Tag};
use compagina_core::ids::Handle;
use compagina_core::listing::{ListingOf, Listings, Order, OwnListing};
use compagina_press::shop::tag_path;
use compagina_storage::{Document, DocumentName};
use serde::Serialize;
use std::collections::BTreeMap;
use utoipa::ToSchema;

/// Tags whose listings are told, those of most products; and those of which something was made.
const MOST_TAGS: usize = 200;

#[derive(Serialize, ToSchema)]
pub struct ListingsView {
    revision: u64,
    /// That of everything, then types in their order, then tags.
    listings: Vec<ListingView>,
    /// How many listings shoppers don't see yet as they are here.
    changes_not_live: usize,
    can_undo: bool,
    can_redo: bool,
}

#[derive(Serialize, ToSchema)]
pub struct ListingView {
    /// `all`, `type:kites`, `tag:new`.
    of: String,
    what: WhatListing,
    /// The name of its type or tag.
    name: String,
    /// Where shoppers find it.
    path: String,
    /// How many products stand in it.
    products: usize,
    /// Empty where it is the name.
    title: String,
    words: String,
    order: Order,
    first: Vec<FirstProduct>,
    /// Whether anything was made of it.
    own: bool,
}

#[derive(Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum WhatListing {
    All,
    Type,
    Tag,
}

/// A product that comes first.
#[derive(Serialize, ToSchema)]
pub struct FirstProduct {
    product: Handle,
    /// None where there is no such product any more.
    name: Option<String>,
    /// Whether it stands in the listing.
    here: bool,
}

/// The listing that an address names.
fn listing_of(text: &str) -> ApiResult<ListingOf> {
    ListingOf::try_from(text.to_owned()).map_err(|_| ApiError::no_such("listing"))
}

async fn view(state: &State) -> ApiResult<ListingsView> {
    let document: Document<Listings> = state.store.document(DocumentName::Listings).await?;
    let names = listed(state).await?;
    let names: BTreeMap<&Handle, &str> =
        names.iter().map(|one| (&one.facts.handle, one.name.as_str())).collect();
    let edition = state.editions.current();
    let on_show = edition.on_show(state).await?;
    let mut shown: BTreeMap<&Handle, &Product> = BTreeMap::new();
    let (mut kinds, mut tags): (BTreeMap<&Handle, usize>, BTreeMap<&Tag, usize>) = Default::default();
    for product in on_show.listed() {
        shown.insert(&product.handle, product);
        *kinds.entry(&product.kind.handle).or_default() += 1;
        product.tags.iter().for_each(|tag| *tags.entry(tag).or_default() += 1);
    }
    let one = |of: ListingOf, name: String, products: usize| {
        let own = document.draft.of(&of);
        let none = OwnListing::default();
        listing(of, name, products, (own.unwrap_or(&none), own.is_some()), (&names, &shown))
    };
    let mut listings = vec![one(ListingOf::All, String::new(), shown.len())];
    for row in state.store.types().await? {
        let products = kinds.get(&row.kind.handle).copied().unwrap_or(0);
        listings.push(one(ListingOf::Type(row.kind.handle), row.kind.name, products));
    }
    let mut many: Vec<(&Tag, usize)> = tags.iter().map(|(tag, count)| (*tag, *count)).collect();
    many.sort_by_key(|(tag, count)| (std::cmp::Reverse(*count), *tag));
    many.truncate(MOST_TAGS);
    let made = document.draft.all().filter_map(|of| match of {
        ListingOf::Tag(tag) if many.iter().all(|(one, _)| *one != tag) => {
            Some((tag, tags.get(tag).copied().unwrap_or(0)))
        }
        _ => None,
    });
    let made: Vec<_> = made.collect();
    for (tag, products) in many.into_iter().chain(made) {
        listings.push(one(ListingOf::Tag(tag.clone()), tag.to_string(), products));
    }
    Ok(ListingsView {
        revision: document.revision,
        listings,
        changes_not_live: document.draft.differences(&document.published),
        can_undo: document.can_undo,
        can_redo: document.can_redo,
    })
}

fn listing(
    of: ListingOf,
    name: String,
    products: usize,
    (own, is_own): (&OwnListing, bool),
    (names, shown): (&BTreeMap<&Handle, &str>, &BTreeMap<&Handle, &Product>),
) -> ListingView {
    let (what, path) = match &of {
        ListingOf::All => (WhatListing::All, "/shop".to_owned()),
        ListingOf::Type(handle) => (WhatListing::Type, format!("/shop/types/{handle}")),
        ListingOf::Tag(tag) => (WhatListing::Tag, tag_path(tag)),
    };
    let stands = |product: &Product| match &of {
        ListingOf::All => true,
        ListingOf::Type(handle) => product.kind.handle == *handle,
        ListingOf::Tag(tag) => product.tags.contains(tag),
    };
    let first = own.first.iter().map(|product| FirstProduct {
        product: product.clone(),
        name: names.get(product).map(|name| (*name).to_owned()),
        here: shown.get(product).is_some_and(|product| stands(product)),
    });
    ListingView {
        of: of.to_string(),
        what,
        name,
        path,
        products,
        title: own.title.clone(),
        words: own.words.clone(),
        order: own.order,
        first: first.collect(),
        own: is_own,
    }
}
