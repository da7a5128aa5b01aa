//! Listings: which of many products stand in one and in which order, and how many each filter would leave.

mod own;
mod related;
mod sought;
mod wanted;

pub use own::{ListingChange, ListingError, ListingOf, Listings, MOST_FIRST, NoListing, OwnListing};
pub use related::{Along, Beside, Bought, LEAST_ORDERS, RelatedWish, related};
pub use sought::Sought;
pub use wanted::{Filter, Wanted};

use crate::catalog::Tag;
use crate::ids::{Handle, OptionId, SiblingsId, ValueId};
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
    /// The most percent that some of it costs less than before; 0 where nothing does.
    pub saves: u32,
    /// What its reviews come to, in tenths of a star; none without any.
    pub stars: Option<u32>,
    /// The set that stands on one card, with its place among the set's products.
    pub set: Option<(SiblingsId, usize)>,
    /// Its place among those that come first where no shopper asks for another order.
    pub first: Option<usize>,
}

/// In which order products stand.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
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

/// What is left of a listing, and what each filter would leave. Products that stand on one card are counted as one: it is
/// left where any of them is.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct Found {
    /// The places of the products that are left, in their order; of those on one card the one whose card it is.
    pub places: Vec<usize>,
    /// Of each card for several products, by the place of the one whose card it is, what is told of all that are left.
    pub sets: FxHashMap<usize, OfSet>,
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

/// What is told of several products on one card.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct OfSet {
    /// What the cheapest of them costs, in minor units.
    pub least: i64,
    /// Whether another one costs more.
    pub differs: bool,
    /// The most percent that some of them costs less than before.
    pub saves: u32,
}

/// How many cards; the products of a set come one behind the other.
#[derive(Default, Clone, Copy)]
struct Cards {
    count: usize,
    last: usize,
}

impl Cards {
    fn add(&mut self, card: usize) {
        if self.last != card {
            (self.count, self.last) = (self.count + 1, card);
        }
    }
}

/// A card that is left, with what it is ordered by.
struct Left<'a> {
    place: usize,
    card: usize,
    facts: ListingFacts<'a>,
    of_set: Option<OfSet>,
}

impl<'a> Left<'a> {
    /// Takes another product onto the card. It is the card of the first one that can be bought, in the order of the set, and
    /// told on it is the best of all.
    fn take(&mut self, place: usize, facts: &ListingFacts<'a>) {
        let (own, saves) = (self.facts, self.facts.saves.max(facts.saves));
        let known = self.of_set.unwrap_or(OfSet { least: own.price, differs: false, saves });
        let least = known.least.min(facts.price);
        let differs = known.differs || known.least != facts.price;
        self.of_set = Some(OfSet { least, differs, saves: known.saves.max(saves) });
        let (number, stars) = (own.number.max(facts.number), own.stars.max(facts.stars));
        let first = own.first.into_iter().chain(facts.first).min();
        if !own.in_stock && facts.in_stock {
            (self.place, self.facts) = (place, *facts);
        }
        self.facts = ListingFacts { number, stars, first, price: least, ..self.facts };
    }
}

/// Goes through the products once. `all` stand as the owner has arranged them.
#[must_use]
pub fn found(all: &[ListingFacts<'_>], wanted: &Wanted) -> Found {
    let mut found = Found::default();
    let (mut types, mut tags) = (FxHashMap::default(), FxHashMap::default());
    let (mut values, mut without) = (FxHashMap::default(), BTreeMap::new());
    let (mut in_stock, mut on_sale) = (Cards::default(), Cards::default());
    let narrows = wanted.narrows();
    let mut stopped: Vec<Filter> = Vec::with_capacity(narrows.len());
    let mut left: Vec<Left<'_>> = Vec::with_capacity(all.len());
    for (card, place) in card_by_card(all) {
        let product = &all[place];
        stopped.clear();
        stopped.extend(narrows.iter().copied().filter(|filter| !wanted.lets(*filter, product)));
        let only = |filter: Filter| stopped.iter().all(|one| *one == filter);
        if stopped.is_empty() {
            match left.last_mut() {
                Some(last) if last.card == card => last.take(place, product),
                _ => left.push(Left { place, card, facts: *product, of_set: None }),
            }
        }
        if only(Filter::Types) {
            types.entry(product.kind).or_insert_with(Cards::default).add(card);
        }
        if only(Filter::Tags) {
            for tag in product.tags {
                tags.entry(tag).or_insert_with(Cards::default).add(card);
            }
        }
        // Nothing that two filters stop would be left by any one value.
        if stopped.len() < 2 {
            for of in product.values.iter().filter(|(option, _)| only(Filter::Values(*option))) {
                values.entry(*of).or_insert_with(Cards::default).add(card);
            }
        }
        if only(Filter::Stock) && product.in_stock {
            in_stock.add(card);
        }
        if only(Filter::Sale) && product.saves > 0 {
            on_sale.add(card);
        }
        if only(Filter::Price) {
            let (least, most) = found.prices.unwrap_or((product.price, product.price));
            found.prices = Some((least.min(product.price), most.max(product.price)));
        }
        for filter in narrows.iter().filter(|filter| only(**filter)) {
            without.entry(*filter).or_insert_with(Cards::default).add(card);
        }
    }
    (found.in_stock, found.on_sale) = (in_stock.count, on_sale.count);
    found.types =
        types.into_iter().map(|(kind, cards): (&Handle, Cards)| (kind.clone(), cards.count)).collect();
    found.tags = tags.into_iter().map(|(tag, cards): (&Tag, Cards)| (tag.clone(), cards.count)).collect();
    found.values = values.into_iter().map(|(of, cards)| (of, cards.count)).collect();
    found.without = without.into_iter().map(|(filter, cards)| (filter, cards.count)).collect();
    found.sets = left.iter().filter_map(|one| Some((one.place, one.of_set?))).collect();
    found.places = sorted(left, wanted);
    found
}

/// The places of all products with the number of their card: those on one card one behind the other, in the order of
/// their set, where the first of them stands.
fn card_by_card(all: &[ListingFacts<'_>]) -> Vec<(usize, usize)> {
    let mut sets: FxHashMap<SiblingsId, Vec<(usize, usize)>> = FxHashMap::default();
    for (place, product) in all.iter().enumerate() {
        if let Some((set, at)) = product.set {
            sets.entry(set).or_default().push((at, place));
        }
    }
    sets.values_mut().for_each(|members| members.sort_unstable());
    let mut order = Vec::with_capacity(all.len());
    for (place, product) in all.iter().enumerate() {
        match product.set {
            None => order.push((place + 1, place)),
            Some((set, _)) => {
                let members = sets.remove(&set).unwrap_or_default();
                order.extend(members.into_iter().map(|(_, member)| (place + 1, member)));
            }
        }
    }
    order
}

/// Equals stay as the owner has arranged them.
fn sorted(mut left: Vec<Left<'_>>, wanted: &Wanted) -> Vec<usize> {
    match wanted.order() {
        Order::Arranged => {}
        Order::Newest => left.sort_by_key(|one| Reverse(one.facts.number)),
        Order::Cheapest => left.sort_by_key(|one| one.facts.price),
        Order::Dearest => left.sort_by_key(|one| Reverse(one.facts.price)),
        Order::Name => left.sort_by_cached_key(|one| folded(one.facts.name)),
        Order::Rating => left.sort_by_key(|one| Reverse(one.facts.stars)),
    }
    if wanted.order.is_none() {
        left.sort_by_key(|one| one.facts.first.unwrap_or(usize::MAX));
    }
    left.into_iter().map(|one| one.place).collect()
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
        saves: u32,
        stars: Option<u32>,
        set: Option<(SiblingsId, usize)>,
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
            saves: if n % 3 == 1 { 10 } else { 0 },
            stars: (!n.is_multiple_of(4)).then(|| u32::try_from(10 + n % 11 * 4).unwrap()),
            set: None,
        };
        (0..96).map(one).collect()
    }

    fn facts(all: &[Made]) -> Vec<ListingFacts<'_>> {
        let mut facts = vec![];
        for (number, Made { name, kind, price, tags, values, in_stock, saves, stars, set }) in (0..).zip(all)
        {
            let (price, in_stock, saves, stars, set) = (*price, *in_stock, *saves, *stars, *set);
            facts.push(ListingFacts {
                name,
                number,
                kind,
                price,
                tags,
                values,
                in_stock,
                saves,
                stars,
                set,
                first: None,
            });
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
                            order: Some(Order::ALL[all.len() % Order::ALL.len()]),
                            usual: Order::Arranged,
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
        counts_hold(&many());
    }

    /// The same where some stand on one card, mixed among the others and in another order.
    #[test]
    fn products_on_one_card_are_counted_as_one() {
        let mut made = many();
        for (n, one) in made.iter_mut().enumerate() {
            one.set = (n % 4 != 0).then(|| (SiblingsId(n as u64 % 9), 200 - n));
        }
        counts_hold(&made);
        let all = facts(&made);
        for order in Order::ALL {
            let found = found(&all, &Wanted { order: Some(order), ..Wanted::default() });
            assert_eq!(found.places.len(), 24 + 9);
            assert_eq!(found.sets.len(), 9);
            for (place, of) in &found.sets {
                let set = made[*place].set.unwrap().0;
                let members = || all.iter().filter(|one| one.set.is_some_and(|(own, _)| own == set));
                let prices: BTreeSet<i64> = members().map(|one| one.price).collect();
                let told = OfSet {
                    least: *prices.first().unwrap(),
                    differs: prices.len() > 1,
                    saves: members().map(|one| one.saves).max().unwrap(),
                };
                assert_eq!(*of, told);
                let first = members().filter(|one| one.in_stock).min_by_key(|one| one.set.unwrap().1);
                assert_eq!(
                    first.unwrap().number,
                    *place as u64,
                    "the first in the set’s order that can be bought"
                );
            }
            if order == Order::Cheapest {
                let price = |place: &usize| found.sets.get(place).map_or(all[*place].price, |of| of.least);
                assert!(found.places.iter().map(price).is_sorted(), "a set stands where its cheapest does");
            }
        }
    }

    fn counts_hold(made: &[Made]) {
        let all = facts(made);
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
                    && (!wanted.on_sale || product.saves > 0)
            };
            let cards: BTreeSet<(Option<SiblingsId>, Option<u64>)> = all
                .iter()
                .filter(fits)
                .map(|one| (one.set.map(|(set, _)| set), one.set.is_none().then_some(one.number)))
                .collect();
            assert_eq!(here.places.len(), cards.len(), "{wanted:?}");
        }
    }

    #[test]
    fn orders_are_those_asked_for_and_equals_stay_as_arranged() {
        let made = many();
        let all = facts(&made);
        for order in Order::ALL {
            let places = found(&all, &Wanted { order: Some(order), ..Wanted::default() }).places;
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

    #[test]
    fn an_owners_order_and_first_ones_hold_until_a_shopper_asks_for_another() {
        let mut made = many();
        made.iter_mut().skip(50).step_by(7).for_each(|one| one.set = Some((SiblingsId(1), 0)));
        let mut all = facts(&made);
        // The second in a set that stands on one card, and two by themselves.
        for (first, place) in [57, 40, 41].into_iter().enumerate() {
            all[place].first = Some(first);
        }
        let places = |order, usual| found(&all, &Wanted { order, usual, ..Wanted::default() }).places;
        for usual in Order::ALL {
            let own = places(None, usual);
            assert_eq!(made[own[0]].set.map(|(set, _)| set), Some(SiblingsId(1)));
            assert_eq!(own[1..3], [40, 41]);
            let plain = places(Some(usual), Order::Arranged);
            let others = |all: &[usize]| {
                all.iter().copied().filter(|place| !own[..3].contains(place)).collect::<Vec<_>>()
            };
            assert_eq!(others(&own), others(&plain), "behind them the others in the owner’s order");
            assert_ne!(own, plain, "asked for by a shopper nobody is put first");
        }
        // Filters leave of those that come first what fits.
        let wanted = Wanted { tags: BTreeSet::from([tag("beginner")]), ..Wanted::default() };
        assert_eq!(found(&all, &wanted).places[1..3], [41, 1], "40 hasn’t got the tag");
    }
}
