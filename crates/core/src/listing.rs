//! Listings: which of many products stand in one and in which order, and how many each filter would leave.

use crate::catalog::Tag;
use crate::letters::folded;
use serde::{Deserialize, Serialize};
use std::collections::{BTreeMap, BTreeSet};

/// What of a product decides whether and where it stands in a listing.
#[derive(Debug, Clone, Copy)]
pub struct ListingFacts<'a> {
    /// Its name.
    pub name: &'a str,
    /// The larger, the newer it is.
    pub number: u64,
    /// What its cheapest variant costs, in minor units.
    pub price: i64,
    /// Its tags.
    pub tags: &'a [Tag],
    /// Whether some of it can be bought now.
    pub in_stock: bool,
}

/// In which order products stand.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Order {
    /// As the owner has arranged them.
    #[default]
    Arranged,
    /// The newest first.
    Newest,
    /// The cheapest first.
    Cheapest,
    /// The dearest first.
    Dearest,
    /// By their names.
    Name,
}

impl Order {
    /// All of them, the usual one first.
    pub const ALL: [Self; 5] = [Self::Arranged, Self::Newest, Self::Cheapest, Self::Dearest, Self::Name];

    /// Its name in addresses.
    #[must_use]
    pub fn key(self) -> &'static str {
        match self {
            Self::Arranged => "arranged",
            Self::Newest => "newest",
            Self::Cheapest => "cheapest",
            Self::Dearest => "dearest",
            Self::Name => "name",
        }
    }

    /// The order of a name.
    #[must_use]
    pub fn from_key(key: &str) -> Option<Self> {
        Self::ALL.into_iter().find(|order| order.key() == key)
    }
}

/// What a shopper wants to see of a listing.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct Wanted {
    /// In which order.
    pub order: Order,
    /// With one of these tags; with any or none where it is empty.
    pub tags: BTreeSet<Tag>,
    /// From this price on, in minor units.
    pub least: Option<i64>,
    /// Up to this price.
    pub most: Option<i64>,
    /// Only what can be bought now.
    pub in_stock: bool,
}

/// Something by which a listing is narrowed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Filter {
    /// By tags.
    Tags,
    /// By price.
    Price,
    /// By what can be bought now.
    Stock,
}

impl Filter {
    /// All of them.
    pub const ALL: [Self; 3] = [Self::Tags, Self::Price, Self::Stock];
}

impl Wanted {
    fn lets(&self, filter: Filter, product: &ListingFacts<'_>) -> bool {
        match filter {
            Filter::Tags => self.tags.is_empty() || product.tags.iter().any(|tag| self.tags.contains(tag)),
            Filter::Price => {
                self.least.is_none_or(|least| least <= product.price)
                    && self.most.is_none_or(|most| product.price <= most)
            }
            Filter::Stock => !self.in_stock || product.in_stock,
        }
    }

    /// The filters that narrow the listing now.
    #[must_use]
    pub fn narrows(&self) -> Vec<Filter> {
        let is_on = |filter: &Filter| match filter {
            Filter::Tags => !self.tags.is_empty(),
            Filter::Price => self.least.is_some() || self.most.is_some(),
            Filter::Stock => self.in_stock,
        };
        Filter::ALL.into_iter().filter(is_on).collect()
    }

    /// The same without a filter.
    #[must_use]
    pub fn without(&self, filter: Filter) -> Self {
        let mut wanted = self.clone();
        match filter {
            Filter::Tags => wanted.tags.clear(),
            Filter::Price => (wanted.least, wanted.most) = (None, None),
            Filter::Stock => wanted.in_stock = false,
        }
        wanted
    }
}

/// What is left of a listing, and what each filter would leave.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct Found {
    /// The places of the products that are left, in their order.
    pub places: Vec<usize>,
    /// How many would be left with this tag alone, the other filters being as they are.
    pub tags: BTreeMap<Tag, usize>,
    /// How many would be left of what can be bought now.
    pub in_stock: usize,
    /// How many there would be without a filter that is on now.
    pub without: BTreeMap<Filter, usize>,
    /// The least and the highest price of all of them, the filter by price aside.
    pub prices: Option<(i64, i64)>,
}

/// Goes through the products once. `all` stand as the owner has arranged them.
#[must_use]
pub fn found(all: &[ListingFacts<'_>], wanted: &Wanted) -> Found {
    let mut found = Found::default();
    let narrows = wanted.narrows();
    for (place, product) in all.iter().enumerate() {
        let stopped: Vec<Filter> =
            narrows.iter().copied().filter(|filter| !wanted.lets(*filter, product)).collect();
        let only = |filter: Filter| stopped.iter().all(|one| *one == filter);
        if stopped.is_empty() {
            found.places.push(place);
        }
        if only(Filter::Tags) {
            for tag in product.tags {
                *found.tags.entry(tag.clone()).or_default() += 1;
            }
        }
        if only(Filter::Stock) && product.in_stock {
            found.in_stock += 1;
        }
        if only(Filter::Price) {
            let (least, most) = found.prices.unwrap_or((product.price, product.price));
            found.prices = Some((least.min(product.price), most.max(product.price)));
        }
        for filter in narrows.iter().filter(|filter| only(**filter)) {
            *found.without.entry(*filter).or_default() += 1;
        }
    }
    sort(all, &mut found.places, wanted.order);
    found
}

/// Equals stay as the owner has arranged them.
fn sort(all: &[ListingFacts<'_>], places: &mut [usize], order: Order) {
    match order {
        Order::Arranged => {}
        Order::Newest => places.sort_by_key(|place| std::cmp::Reverse(all[*place].number)),
        Order::Cheapest => places.sort_by_key(|place| all[*place].price),
        Order::Dearest => places.sort_by_key(|place| std::cmp::Reverse(all[*place].price)),
        Order::Name => places.sort_by_cached_key(|place| folded(all[*place].name)),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn tag(name: &str) -> Tag {
        Tag::from(name.to_owned())
    }

    struct Made {
        name: String,
        price: i64,
        tags: Vec<Tag>,
        in_stock: bool,
    }

    /// Products of every mixture of three tags, prices and stock.
    fn many() -> Vec<Made> {
        let tags = ["beginner", "sale", "new"];
        (0..96)
            .map(|n: usize| Made {
                name: format!("{} {n}", ["Whimbrel", "avocet", "Élan"][n % 3]),
                price: i64::try_from((n * 37) % 50).unwrap() * 100,
                tags: tags
                    .iter()
                    .enumerate()
                    .filter(|(at, _)| n >> at & 1 == 1)
                    .map(|(_, t)| tag(t))
                    .collect(),
                in_stock: !n.is_multiple_of(5),
            })
            .collect()
    }

    fn facts(all: &[Made]) -> Vec<ListingFacts<'_>> {
        let mut facts = vec![];
        for (number, Made { name, price, tags, in_stock }) in (0..).zip(all) {
            facts.push(ListingFacts { name, number, price: *price, tags, in_stock: *in_stock });
        }
        facts
    }

    fn wishes() -> Vec<Wanted> {
        let tags = [vec![], vec![tag("sale")], vec![tag("sale"), tag("new")], vec![tag("nobody has it")]];
        let spans = [(None, None), (Some(1_000), None), (Some(500), Some(2_000)), (None, Some(-1))];
        let mut all = vec![];
        for tags in &tags {
            for (least, most) in spans {
                for in_stock in [false, true] {
                    let order = Order::ALL[all.len() % Order::ALL.len()];
                    let tags = tags.iter().cloned().collect();
                    all.push(Wanted { order, tags, least, most, in_stock });
                }
            }
        }
        all
    }

    #[test]
    fn every_count_is_what_going_through_them_all_gives() {
        let made = many();
        let all = facts(&made);
        for wanted in wishes() {
            let here = found(&all, &wanted);
            let left = |wanted: &Wanted| found(&all, wanted).places.len();
            for name in ["beginner", "sale", "new"] {
                let with = Wanted { tags: BTreeSet::from([tag(name)]), ..wanted.clone() };
                assert_eq!(
                    here.tags.get(&tag(name)).copied().unwrap_or(0),
                    left(&with),
                    "{wanted:?}, {name}"
                );
            }
            assert_eq!(here.in_stock, left(&Wanted { in_stock: true, ..wanted.clone() }), "{wanted:?}");
            for filter in wanted.narrows() {
                let without = here.without.get(&filter).copied().unwrap_or(0);
                assert_eq!(without, left(&wanted.without(filter)), "{wanted:?} without {filter:?}");
            }
            let fits = |product: &&ListingFacts<'_>| {
                (wanted.tags.is_empty() || product.tags.iter().any(|tag| wanted.tags.contains(tag)))
                    && wanted.least.is_none_or(|least| product.price >= least)
                    && wanted.most.is_none_or(|most| product.price <= most)
                    && (!wanted.in_stock || product.in_stock)
            };
            assert_eq!(here.places.len(), all.iter().filter(fits).count(), "{wanted:?}");
        }
    }

    #[test]
    fn orders_are_those_asked_for_and_equals_stay_as_arranged() {
        let made = many();
        let all = facts(&made);
        for order in Order::ALL {
            let places = found(&all, &Wanted { order, ..Wanted::default() }).places;
            for pair in places.windows(2) {
                let (a, b) = (&all[pair[0]], &all[pair[1]]);
                let (one, other) = (pair[0], pair[1]);
                match order {
                    Order::Arranged => assert!(one < other),
                    Order::Newest => assert!(a.number > b.number),
                    Order::Cheapest => assert!(a.price < b.price || a.price == b.price && one < other),
                    Order::Dearest => assert!(a.price > b.price || a.price == b.price && one < other),
                    Order::Name => assert!(folded(a.name) <= folded(b.name), "{} {}", a.name, b.name),
                }
            }
        }
        assert_eq!(Order::from_key("dearest"), Some(Order::Dearest));
        assert_eq!(Order::from_key("best"), None);
    }
}
