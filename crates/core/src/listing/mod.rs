//! Listings: which of many products stand in one and in which order, and how many each filter would leave.

mod sought;
mod wanted;

pub use sought::Sought;
pub use wanted::{Filter, Wanted};

use crate::catalog::Tag;
use crate::ids::{Handle, OptionId, ValueId};
use crate::letters::folded;
use rustc_hash::FxHashMap;
use serde::{Deserialize, Serialize};
use std::cmp::Reverse;
use std::collections::BTreeMap;

/// What of a product decides whether and where it stands in a listing.
#[derive(Debug, Clone, Copy)]
pub struct ListingFacts<'a> {
    /// Its name.
    pub name: &'a str,
    /// The larger, the newer it is.
    pub number: u64,
    /// Its type.
    pub kind: &'a Handle,
    /// What its cheapest variant costs, in minor units.
    pub price: i64,
    /// Its tags.
    pub tags: &'a [Tag],
    /// The values that some variant of it has, each with its option.
    pub values: &'a [(OptionId, ValueId)],
    /// Whether some of it can be bought now.
    pub in_stock: bool,
    /// Whether some of it costs less than before.
    pub on_sale: bool,
    /// What its reviews come to, in tenths of a star; none without any.
    pub stars: Option<u32>,
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
    /// Those with the best reviews first.
    Rating,
}

impl Order {
    /// All of them, the usual one first.
    pub const ALL: [Self; 6] =
        [Self::Arranged, Self::Newest, Self::Cheapest, Self::Dearest, Self::Name, Self::Rating];

    /// Its name in addresses.
    #[must_use]
    pub fn key(self) -> &'static str {
        match self {
            Self::Arranged => "arranged",
            Self::Newest => "newest",
            Self::Cheapest => "cheapest",
            Self::Dearest => "dearest",
            Self::Name => "name",
            Self::Rating => "rating",
        }
    }

    /// The order of a name.
    #[must_use]
    pub fn from_key(key: &str) -> Option<Self> {
        Self::ALL.into_iter().find(|order| order.key() == key)
    }
}

/// What is left of a listing, and what each filter would leave.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct Found {
    /// The places of the products that are left, in their order.
    pub places: Vec<usize>,
    /// How many would be left of this type alone, the other filters being as they are.
    pub types: BTreeMap<Handle, usize>,
    /// The same with this tag.
    pub tags: BTreeMap<Tag, usize>,
    /// With this value alone of its option.
    pub values: FxHashMap<(OptionId, ValueId), usize>,
    /// How many would be left of what can be bought now.
    pub in_stock: usize,
    /// How many of what costs less than before.
    pub on_sale: usize,
    /// How many there would be without a filter that is on now.
    pub without: BTreeMap<Filter, usize>,
    /// The least and the highest price of all of them, the filter by price aside.
    pub prices: Option<(i64, i64)>,
}

/// Goes through the products once. `all` stand as the owner has arranged them.
#[must_use]
pub fn found(all: &[ListingFacts<'_>], wanted: &Wanted) -> Found {
    let mut found = Found::default();
    let (mut types, mut tags) = (FxHashMap::default(), FxHashMap::default());
    let narrows = wanted.narrows();
    let mut stopped: Vec<Filter> = Vec::with_capacity(narrows.len());
    for (place, product) in all.iter().enumerate() {
        stopped.clear();
        stopped.extend(narrows.iter().copied().filter(|filter| !wanted.lets(*filter, product)));
        let only = |filter: Filter| stopped.iter().all(|one| *one == filter);
        if stopped.is_empty() {
            found.places.push(place);
        }
        if only(Filter::Types) {
            *types.entry(product.kind).or_default() += 1;
        }
        if only(Filter::Tags) {
            for tag in product.tags {
                *tags.entry(tag).or_default() += 1;
            }
        }
        // Nothing that two filters stop would be left by any one value.
        if stopped.len() < 2 {
            for of in product.values.iter().filter(|(option, _)| only(Filter::Values(*option))) {
                *found.values.entry(*of).or_default() += 1;
            }
        }
        if only(Filter::Stock) && product.in_stock {
            found.in_stock += 1;
        }
        if only(Filter::Sale) && product.on_sale {
            found.on_sale += 1;
        }
        if only(Filter::Price) {
            let (least, most) = found.prices.unwrap_or((product.price, product.price));
            found.prices = Some((least.min(product.price), most.max(product.price)));
        }
        for filter in narrows.iter().filter(|filter| only(**filter)) {
            *found.without.entry(*filter).or_default() += 1;
        }
    }
    found.types = types.into_iter().map(|(kind, count): (&Handle, usize)| (kind.clone(), count)).collect();
    found.tags = tags.into_iter().map(|(tag, count): (&Tag, usize)| (tag.clone(), count)).collect();
    sort(all, &mut found.places, wanted.order);
    found
}

/// Equals stay as the owner has arranged them.
fn sort(all: &[ListingFacts<'_>], places: &mut [usize], order: Order) {
    match order {
        Order::Arranged => {}
        Order::Newest => places.sort_by_key(|place| Reverse(all[*place].number)),
        Order::Cheapest => places.sort_by_key(|place| all[*place].price),
        Order::Dearest => places.sort_by_key(|place| Reverse(all[*place].price)),
        Order::Name => places.sort_by_cached_key(|place| folded(all[*place].name)),
        Order::Rating => places.sort_by_key(|place| Reverse(all[*place].stars)),
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::collections::BTreeSet;

    fn tag(name: &str) -> Tag {
        Tag::from(name.to_owned())
    }
    fn handle(name: &str) -> Handle {
        Handle::try_from(name).unwrap()
    }

    const COLOUR: OptionId = OptionId(1);
    const SAIL: OptionId = OptionId(2);

    struct Made {
        name: String,
        kind: Handle,
        price: i64,
        tags: Vec<Tag>,
        values: Vec<(OptionId, ValueId)>,
        in_stock: bool,
        on_sale: bool,
        stars: Option<u32>,
    }

    /// Products of every mixture of three tags, types, values, prices and stock.
    fn many() -> Vec<Made> {
        let tags = ["beginner", "sale", "new"];
        let one = |n: usize| Made {
            name: format!("{} {n}", ["Whimbrel", "avocet", "Élan"][n % 3]),
            kind: handle(["kites", "spares"][n % 7 % 2]),
            price: i64::try_from((n * 37) % 50).unwrap() * 100,
            tags: tags.iter().enumerate().filter(|(at, _)| n >> at & 1 == 1).map(|(_, t)| tag(t)).collect(),
            values: (0..6)
                .filter(|at| (n * 5 + at * 3) % 4 < 2)
                .map(|at| (if at < 3 { COLOUR } else { SAIL }, ValueId(at as u64)))
                .collect(),
            in_stock: !n.is_multiple_of(5),
            on_sale: n % 3 == 1,
            stars: (!n.is_multiple_of(4)).then(|| u32::try_from(10 + n % 11 * 4).unwrap()),
        };
        (0..96).map(one).collect()
    }

    fn facts(all: &[Made]) -> Vec<ListingFacts<'_>> {
        let mut facts = vec![];
        for (number, Made { name, kind, price, tags, values, in_stock, on_sale, stars }) in (0..).zip(all) {
            let (price, in_stock, on_sale, stars) = (*price, *in_stock, *on_sale, *stars);
            facts.push(ListingFacts { name, number, kind, price, tags, values, in_stock, on_sale, stars });
        }
        facts
    }

    fn wishes() -> Vec<Wanted> {
        let tags = [vec![], vec![tag("sale"), tag("new")], vec![tag("nobody has it")]];
        let spans = [(None, None), (Some(500), Some(2_000)), (None, Some(-1))];
        let colours = BTreeSet::from([ValueId(0), ValueId(2)]);
        let values = [
            BTreeMap::new(),
            BTreeMap::from([(COLOUR, colours.clone())]),
            BTreeMap::from([(COLOUR, colours), (SAIL, BTreeSet::from([ValueId(4)]))]),
        ];
        let mut all = vec![];
        for tags in &tags {
            for (least, most) in spans {
                for values in &values {
                    for at in 0..8 {
                        let types =
                            if at & 4 == 0 { BTreeSet::new() } else { BTreeSet::from([handle("kites")]) };
                        all.push(Wanted {
                            order: Order::ALL[all.len() % Order::ALL.len()],
                            types,
                            tags: tags.iter().cloned().collect(),
                            values: values.clone(),
                            least,
                            most,
                            in_stock: at & 1 > 0,
                            on_sale: at & 2 > 0,
                        });
                    }
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
            let left = |change: &dyn Fn(&mut Wanted)| {
                let mut with = wanted.clone();
                change(&mut with);
                found(&all, &with).places.len()
            };
            for name in ["kites", "spares"] {
                let count = here.types.get(&handle(name)).copied().unwrap_or(0);
                assert_eq!(
                    count,
                    left(&|with| with.types = BTreeSet::from([handle(name)])),
                    "{wanted:?}, {name}"
                );
            }
            for name in ["beginner", "sale", "new"] {
                let count = here.tags.get(&tag(name)).copied().unwrap_or(0);
                assert_eq!(
                    count,
                    left(&|with| with.tags = BTreeSet::from([tag(name)])),
                    "{wanted:?}, {name}"
                );
            }
            for at in 0..6 {
                let of @ (option, value) = (if at < 3 { COLOUR } else { SAIL }, ValueId(at));
                let count = here.values.get(&of).copied().unwrap_or(0);
                let alone = left(&|with| drop(with.values.insert(option, BTreeSet::from([value]))));
                assert_eq!(count, alone, "{wanted:?}, value {at}");
            }
            assert_eq!(here.in_stock, left(&|with| with.in_stock = true), "{wanted:?}");
            assert_eq!(here.on_sale, left(&|with| with.on_sale = true), "{wanted:?}");
            for filter in wanted.narrows() {
                let without = here.without.get(&filter).copied().unwrap_or(0);
                assert_eq!(
                    without,
                    left(&|with| *with = with.without(filter)),
                    "{wanted:?} without {filter:?}"
                );
            }
            let has = |product: &ListingFacts<'_>, option: OptionId, values: &BTreeSet<ValueId>| {
                values.iter().any(|value| product.values.contains(&(option, *value)))
            };
            let fits = |product: &&ListingFacts<'_>| {
                (wanted.types.is_empty() || wanted.types.contains(product.kind))
                    && (wanted.tags.is_empty() || product.tags.iter().any(|tag| wanted.tags.contains(tag)))
                    && wanted.values.iter().all(|(option, values)| has(product, *option, values))
                    && wanted.least.is_none_or(|least| product.price >= least)
                    && wanted.most.is_none_or(|most| product.price <= most)
                    && (!wanted.in_stock || product.in_stock)
                    && (!wanted.on_sale || product.on_sale)
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
                    // What nobody has reviewed comes last.
                    Order::Rating => assert!(a.stars > b.stars || a.stars == b.stars && one < other),
                }
            }
        }
        assert_eq!(Order::from_key("dearest"), Some(Order::Dearest));
        assert_eq!(Order::from_key("best"), None);
    }
}
