//! The shelf of a large shop: products looked for by name, type, template and how they stand.

use super::ProductState;
use crate::find::Wanted;
use crate::ids::{Handle, TemplateId};
use crate::letters::words_of;
use serde::{Deserialize, Serialize};
use std::cmp::Reverse;
use std::collections::BTreeMap;

/// How a product stands in the shop, as its owner says it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Standing {
    /// It can be bought.
    OnSale,
    /// It is sold, but there is none of it.
    SoldOut,
    /// Seen, not yet sold.
    ComingSoon,
    /// Never put on sale yet.
    New,
    /// Neither listed nor sold.
    Withdrawn,
}

impl Standing {
    /// How a product stands, where `in_stock` tells whether there is any of it.
    #[must_use]
    pub fn of(state: ProductState, in_stock: bool) -> Self {
        match state {
            ProductState::OnSale if in_stock => Self::OnSale,
            ProductState::OnSale => Self::SoldOut,
            ProductState::ComingSoon => Self::ComingSoon,
            ProductState::New => Self::New,
            ProductState::Withdrawn => Self::Withdrawn,
        }
    }
    /// What an owner reads.
    #[must_use]
    pub fn label(self) -> &'static str {
        match self {
            Self::OnSale => "On sale",
            Self::SoldOut => "Sold out",
            Self::ComingSoon => "Coming soon",
            Self::New => "Not on sale yet",
            Self::Withdrawn => "Withdrawn",
        }
    }
}

/// In which order products are shown.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ShelfOrder {
    /// As they stand in the shop; those first whose names fit best where one looks for a name.
    #[default]
    Placed,
    /// By the alphabet.
    Name,
    /// The cheapest first.
    Cheapest,
    /// The dearest first.
    Dearest,
}

/// What of a product can be looked for.
#[derive(Debug, Clone, Copy)]
pub struct OnShelf<'a> {
    /// Its name.
    pub name: &'a str,
    /// Its handle.
    pub handle: &'a Handle,
    /// Its type.
    pub kind: &'a Handle,
    /// The name of its type.
    pub kind_name: &'a str,
    /// The template that serves it.
    pub template: Option<TemplateId>,
    /// How it stands in the shop.
    pub standing: Standing,
    /// What its cheapest variant costs before rules.
    pub price_minor: i64,
}

/// What is looked for; what isn't named is open.
#[derive(Debug, Clone)]
pub struct Search {
    /// Words of its name, its type or its handle.
    pub words: Wanted,
    /// Of this type.
    pub kind: Option<Handle>,
    /// Served by this template.
    pub template: Option<TemplateId>,
    /// Standing so.
    pub standing: Option<Standing>,
    /// In this order.
    pub order: ShelfOrder,
}

/// What was found on the shelf.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct Found {
    /// The products' places in the list that was looked through, in the order that is wished for.
    pub places: Vec<usize>,
    /// How many there would be of each type, all else that is wished for being as it is.
    pub kinds: BTreeMap<Handle, usize>,
    /// The same of each template.
    pub templates: BTreeMap<TemplateId, usize>,
    /// The same of each way to stand.
    pub standings: BTreeMap<Standing, usize>,
}

impl Search {
    /// Looks through products, which come in the order in which they stand in the shop.
    #[must_use]
    pub fn through(&self, all: &[OnShelf<'_>]) -> Found {
        let mut found = Found::default();
        let mut fitting = Vec::new();
        for (place, one) in all.iter().enumerate() {
            let Some(fit) = self.words.fit(one.name, &[one.kind_name, one.handle.as_str()]) else { continue };
            let kind = self.kind.as_ref().is_none_or(|kind| kind == one.kind);
            let template = self.template.is_none_or(|template| one.template == Some(template));
            let standing = self.standing.is_none_or(|standing| one.standing == standing);
            if template && standing {
                *found.kinds.entry(one.kind.clone()).or_default() += 1;
            }
            if let Some(by) = one.template.filter(|_| kind && standing) {
                *found.templates.entry(by).or_default() += 1;
            }
            if kind && template {
                *found.standings.entry(one.standing).or_default() += 1;
            }
            if kind && template && standing {
                fitting.push((fit, place));
            }
        }
        let price = |place: usize| all[place].price_minor;
        match self.order {
            ShelfOrder::Placed if self.words.is_empty() => {}
            ShelfOrder::Placed => fitting.sort_by_key(|(fit, _)| *fit),
            ShelfOrder::Name => fitting.sort_by_cached_key(|(_, place)| words_of(all[*place].name)),
            ShelfOrder::Cheapest => fitting.sort_by_key(|(_, place)| price(*place)),
            ShelfOrder::Dearest => fitting.sort_by_key(|(_, place)| Reverse(price(*place))),
        }
        found.places = fitting.into_iter().map(|(_, place)| place).collect();
        found
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn handle(text: &str) -> Handle {
        Handle::try_from(text).unwrap()
    }

    /// Name, type, template, how it stands, price.
    type Line = (&'static str, &'static str, Option<u64>, Standing, i64);
    const SHELF: [Line; 5] = [
        ("Whimbrel", "kites", Some(1), Standing::OnSale, 9_000),
        ("Sandpiper mini", "kites", Some(2), Standing::SoldOut, 4_000),
        ("Knot", "kites", Some(1), Standing::OnSale, 4_000),
        ("Line set, 20 m", "lines", Some(1), Standing::ComingSoon, 1_200),
        ("Écume whistle", "lines", None, Standing::Withdrawn, 300),
    ];

    fn search(change: impl FnOnce(&mut Search)) -> Found {
        let mut search = Search {
            words: Wanted::new(""),
            kind: None,
            template: None,
            standing: None,
            order: ShelfOrder::Placed,
        };
        change(&mut search);
        let handles: Vec<_> =
            SHELF.iter().enumerate().map(|(n, line)| (handle(&format!("p{n}")), handle(line.1))).collect();
        let all: Vec<_> = SHELF
            .iter()
            .zip(&handles)
            .map(|((name, kind_name, template, standing, price_minor), (handle, kind))| OnShelf {
                name,
                handle,
                kind,
                kind_name,
                template: template.map(TemplateId),
                standing: *standing,
                price_minor: *price_minor,
            })
            .collect();
        search.through(&all)
    }

    #[test]
    fn nothing_wished_for_is_everything_as_it_stands() {
        let found = search(|_| {});
        assert_eq!(found.places, [0, 1, 2, 3, 4]);
        assert_eq!(found.kinds, BTreeMap::from([(handle("kites"), 3), (handle("lines"), 2)]));
        assert_eq!(
            found.templates,
            BTreeMap::from([(TemplateId(1), 3), (TemplateId(2), 1)]),
            "one is served by none"
        );
        assert_eq!(found.standings[&Standing::OnSale], 2);
    }

    #[test]
    fn a_name_that_begins_so_comes_before_one_with_the_word_in_it() {
        assert_eq!(search(|s| s.words = Wanted::new("ecu")).places, [4]);
        assert_eq!(
            search(|s| s.words = Wanted::new("w")).places,
            [0, 4],
            "Whimbrel begins so, a whistle is in the other"
        );
        assert_eq!(search(|s| s.words = Wanted::new("mini")).places, [1]);
        assert_eq!(
            search(|s| s.words = Wanted::new("line")).places,
            [3, 4],
            "the type helps, but comes last"
        );
    }

    #[test]
    fn each_wish_leaves_its_own_alternatives_counted() {
        let found = search(|s| {
            s.kind = Some(handle("kites"));
            s.standing = Some(Standing::OnSale);
        });
        assert_eq!(found.places, [0, 2]);
        assert_eq!(found.kinds, BTreeMap::from([(handle("kites"), 2)]), "of lines none is on sale");
        let standings = BTreeMap::from([(Standing::OnSale, 2), (Standing::SoldOut, 1)]);
        assert_eq!(found.standings, standings, "of kites one is sold out");
        assert_eq!(search(|s| s.template = Some(TemplateId(2))).places, [1]);
    }

    #[test]
    fn the_order_is_as_wished_and_as_placed_among_equals() {
        let order = |order| search(|s| s.order = order).places;
        assert_eq!(order(ShelfOrder::Name), [4, 2, 3, 1, 0], "accents make no difference");
        assert_eq!(order(ShelfOrder::Cheapest), [4, 3, 1, 2, 0]);
        assert_eq!(order(ShelfOrder::Dearest), [0, 1, 2, 3, 4]);
    }

    #[test]
    fn what_there_is_none_of_is_sold_out_only_while_it_is_sold() {
        assert_eq!(Standing::of(ProductState::OnSale, false), Standing::SoldOut);
        assert_eq!(Standing::of(ProductState::Withdrawn, false), Standing::Withdrawn);
        assert_eq!(Standing::of(ProductState::ComingSoon, true), Standing::ComingSoon);
    }
}
