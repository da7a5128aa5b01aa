//! What the address of a listing asks for. What can't be read is passed over: shoppers write as they like.

use crate::serving::edition::page::Pairs;
use compagina_core::catalog::{ProductOption, ProductType, Tag};
use compagina_core::format::read_amount;
use compagina_core::ids::{OptionId, ValueId};
use compagina_core::listing::{Order, Sought, Wanted};
use compagina_core::money::Currency;
use std::collections::{BTreeMap, BTreeSet};

/// Pages of one listing.
const MOST_PAGES: u32 = 10_000;
/// Types, tags and values that are asked for at once.
const MOST_ASKED: usize = 20;
/// Letters that are searched for.
const LONGEST_WORDS: usize = 100;

/// Whether an address asks for an order or for some of the products.
pub fn asks(pairs: &Pairs) -> bool {
    let of_sift = |name: &str| {
        matches!(name, "order" | "type" | "tag" | "value" | "from" | "to" | "stock" | "sale" | "page")
    };
    pairs.iter().any(|(name, value)| of_sift(name) && !value.is_empty())
}

fn last<'a>(pairs: &'a Pairs, name: &str) -> Option<&'a str> {
    pairs.iter().rev().find(|(one, _)| one == name).map(|(_, value)| value.trim())
}

pub fn wanted(
    pairs: &Pairs,
    usual: Order,
    currency: Currency,
    types: &[ProductType],
    options: &[ProductOption],
) -> Wanted {
    let last = |name: &str| last(pairs, name);
    let price = |name: &str| last(name).and_then(|text| read_amount(text, currency).ok().flatten());
    let all = |name: &'static str| {
        pairs.iter().filter(move |(one, _)| one == name).map(|(_, value)| value.as_str()).take(MOST_ASKED)
    };
    let mut values: BTreeMap<OptionId, BTreeSet<ValueId>> = BTreeMap::new();
    for (option, value) in all("value").filter_map(|text| value_of(text, options)) {
        values.entry(option).or_default().insert(value);
    }
    let kind = |text: &str| types.iter().find(|kind| kind.handle.as_str() == text);
    Wanted {
        // Who asks for the owner's order asks for no other.
        order: last("order").and_then(Order::from_key).filter(|order| *order != usual),
        usual,
        types: all("type").filter_map(kind).map(|kind| kind.handle.clone()).collect(),
        tags: all("tag").map(Tag::from).filter(Tag::is_sound).collect(),
        values,
        least: price("from"),
        most: price("to"),
        in_stock: last("stock") == Some("1"),
        on_sale: last("sale") == Some("1"),
    }
}

/// A value as addresses name it: `colour.ember`.
fn value_of(text: &str, options: &[ProductOption]) -> Option<(OptionId, ValueId)> {
    let (option, value) = text.split_once('.')?;
    let option = options.iter().find(|one| one.handle.as_str() == option)?;
    let value = option.values.iter().find(|one| one.handle.as_str() == value)?;
    Some((option.id, value.id))
}

/// The page of a long listing that an address names: `page=2`; the first one otherwise.
pub fn page_asked_for(pairs: &Pairs) -> u32 {
    let number = pairs.iter().find(|(name, _)| name == "page").and_then(|(_, text)| text.parse().ok());
    number.filter(|number| (1..=MOST_PAGES).contains(number)).unwrap_or(1)
}

/// What is searched for.
pub fn words(pairs: &Pairs) -> Sought {
    let typed: String = last(pairs, "q").unwrap_or_default().chars().take(LONGEST_WORDS).collect();
    Sought::of(&typed)
}
