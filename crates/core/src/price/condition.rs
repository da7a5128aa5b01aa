//! What a price rule asks for, and all that has to be known of each thing it can ask for. A new condition is one more of
//! [`Condition`]; nothing compiles until every question here is answered for it.

use super::explain::Outcome;
use super::rule::{PriceRule, Step};
use crate::ids::Handle;
use crate::money::{Currency, Money};
use crate::time::{Local, Moment, Zone};
use std::collections::BTreeSet;

/// One thing that a rule asks for.
#[derive(Debug, Clone, Copy)]
pub(super) enum Condition<'a> {
    /// Switched on.
    On(bool),
    From(&'a Local),
    /// The first minute in which it is no longer in force.
    Until(&'a Local),
    /// One of these in the cart.
    With(&'a [Handle]),
    /// A total of the cart before any rule, in minor units.
    Total(i64),
    /// So many pieces as its first step needs.
    Pieces(&'a [Step]),
}

/// What a condition that looks at the cart is judged by.
#[derive(Debug, Clone, Copy)]
pub(super) struct Has<'a> {
    pub pieces: u32,
    /// Minor units, before any rule.
    pub total: i64,
    pub products: &'a BTreeSet<Handle>,
}

impl PriceRule {
    /// What it asks for, besides being for the variant; in the order in which it is told what isn't met.
    pub(super) fn conditions(&self) -> impl Iterator<Item = Condition<'_>> {
        // Every field is named: one that is new asks for something or doesn't, and that is decided here.
        let Self { id: _, name: _, reach: _, except: _, counted: _, steps, total, with, from, until, on } =
            self;
        let with = (!with.is_empty()).then_some(Condition::With(with));
        [
            Some(Condition::On(*on)),
            from.as_ref().map(Condition::From),
            until.as_ref().map(Condition::Until),
            with,
            total.map(Condition::Total),
            Some(Condition::Pieces(steps)),
        ]
        .into_iter()
        .flatten()
    }

    /// Whether its switch and its dates hold at a moment.
    #[must_use]
    pub fn is_in_force(&self, now: Moment, zone: &Zone) -> bool {
        self.conditions().all(|condition| condition.holds_at(now, zone))
    }
}

impl Condition<'_> {
    /// Whether the clock lets it hold.
    pub fn holds_at(self, now: Moment, zone: &Zone) -> bool {
        match self {
            Self::On(on) => on,
            Self::From(from) => zone.moment(from) <= now,
            Self::Until(until) => zone.moment(until) > now,
            Self::With(_) | Self::Total(_) | Self::Pieces(_) => true,
        }
    }

    /// When the clock turns it; it may be over.
    pub fn turns(self, zone: &Zone) -> Option<Moment> {
        match self {
            Self::From(local) | Self::Until(local) => Some(zone.moment(local)),
            Self::On(_) | Self::With(_) | Self::Total(_) | Self::Pieces(_) => None,
        }
    }

    /// Whether the cart lets it hold.
    pub fn holds_with(self, has: Has<'_>) -> bool {
        match self {
            Self::On(_) | Self::From(_) | Self::Until(_) => true,
            Self::With(products) => products.iter().any(|handle| has.products.contains(handle)),
            Self::Total(needs) => has.total >= needs,
            Self::Pieces(steps) => steps.iter().any(|step| step.from <= has.pieces),
        }
    }

    /// How it is told that it doesn't hold.
    pub fn unmet(self, has: Has<'_>, currency: Currency) -> Outcome {
        match self {
            Self::On(_) => Outcome::Off,
            Self::From(from) => Outcome::NotYet { from: from.clone() },
            Self::Until(until) => Outcome::Over { until: until.clone() },
            Self::With(products) => Outcome::Without { needs: products.to_vec() },
            Self::Total(needs) => Outcome::TotalTooLow {
                needs: Money::new(needs, currency),
                has: Money::new(has.total, currency),
            },
            Self::Pieces(steps) => Outcome::TooFew { needs: first(steps).unwrap_or(1), has: has.pieces },
        }
    }

    /// From how many pieces on a price may be lower, as far as the number alone decides; none where something else in
    /// the cart does.
    pub fn froms(self) -> Option<BTreeSet<u32>> {
        match self {
            Self::On(_) | Self::From(_) | Self::Until(_) => Some(BTreeSet::new()),
            Self::With(_) | Self::Total(_) => None,
            Self::Pieces(steps) => Some(steps.iter().map(|step| step.from).collect()),
        }
    }

    /// With how many pieces more, at so many minor units each, it may hold or give more than now.
    pub fn more(self, has: Has<'_>, each: i64) -> Vec<u32> {
        match self {
            Self::On(_) | Self::From(_) | Self::Until(_) | Self::With(_) => vec![],
            Self::Total(needs) => {
                let (lacks, each) = (needs - has.total, each.max(1));
                let pieces = lacks.div_euclid(each) + i64::from(lacks.rem_euclid(each) > 0);
                if lacks > 0 { vec![u32::try_from(pieces).unwrap_or(u32::MAX)] } else { vec![] }
            }
            Self::Pieces(steps) => steps
                .iter()
                .filter_map(|step| step.from.checked_sub(has.pieces))
                .filter(|more| *more > 0)
                .collect(),
        }
    }

    /// Whether a first piece in an empty cart may not meet it while one in a fuller cart does.
    pub fn looks_at_the_cart(self) -> bool {
        match self {
            Self::On(_) | Self::From(_) | Self::Until(_) => false,
            Self::With(_) | Self::Total(_) => true,
            Self::Pieces(steps) => steps.iter().any(|step| step.from > 1),
        }
    }
}

/// From how many pieces on the first of these is met.
pub(super) fn first(steps: &[Step]) -> Option<u32> {
    steps.iter().map(|step| step.from).min()
}

#[cfg(test)]
mod tests {
    use super::super::rule::{Counted, Effect, RuleId, RuleReach};
    use super::*;
    use crate::catalog::samples::{handle, pounds};

    fn local(text: &str) -> Local {
        Local::try_from(text.to_owned()).unwrap()
    }

    fn steps(froms: &[u32]) -> Vec<Step> {
        froms.iter().map(|from| Step { from: *from, effect: Effect::Percent { hundredths: 100 } }).collect()
    }

    fn rule(froms: &[u32]) -> PriceRule {
        PriceRule {
            id: RuleId(1),
            name: "Autumn".into(),
            reach: RuleReach::All,
            except: vec![],
            steps: steps(froms),
            counted: Counted::Product,
            total: None,
            with: vec![],
            from: None,
            until: None,
            on: true,
        }
    }

    fn told(rule: &PriceRule, has: Has<'_>) -> Vec<Outcome> {
        let unmet = rule.conditions().filter(|condition| !condition.holds_with(has));
        unmet.map(|condition| condition.unmet(has, pounds(0).currency)).collect()
    }

    #[test]
    fn a_rule_asks_for_what_is_set_on_it_and_tells_what_is_lacking_in_one_order() {
        let nobody = BTreeSet::new();
        let has = Has { pieces: 2, total: 4_999, products: &nobody };
        assert_eq!(rule(&[3, 6]).conditions().count(), 2, "its switch and its pieces");
        let all = PriceRule { total: Some(5_000), with: vec![handle("dunlin")], ..rule(&[3, 6]) };
        let expected = [
            Outcome::Without { needs: vec![handle("dunlin")] },
            Outcome::TotalTooLow { needs: pounds(5_000), has: pounds(4_999) },
            Outcome::TooFew { needs: 3, has: 2 },
        ];
        assert_eq!(told(&all, has), expected);
        let there = BTreeSet::from([handle("dunlin"), handle("knot")]);
        let enough = Has { pieces: 3, total: 5_000, products: &there };
        assert_eq!(told(&all, enough), [], "each at its very edge");
    }

    #[test]
    fn the_clock_decides_by_the_minute() {
        let zone = Zone::named("Europe/London").unwrap();
        let (begins, ends) = (local("2026-11-27T09:00"), local("2026-11-30T00:00"));
        let sale = PriceRule { from: Some(begins.clone()), until: Some(ends.clone()), ..rule(&[1]) };
        let (first, last) = (zone.moment(&begins), zone.moment(&ends));
        for (now, holds) in
            [(Moment(first.0 - 1), false), (first, true), (Moment(last.0 - 1), true), (last, false)]
        {
            assert_eq!(sale.is_in_force(now, &zone), holds, "{now:?}");
        }
        assert!(!PriceRule { on: false, ..sale.clone() }.is_in_force(first, &zone));
        let turns: Vec<Moment> = sale.conditions().filter_map(|condition| condition.turns(&zone)).collect();
        assert_eq!(turns, [first, last]);
        assert!(rule(&[1]).conditions().all(|condition| condition.turns(&zone).is_none()));
        let none = BTreeSet::new();
        let has = Has { pieces: 0, total: 0, products: &none };
        let outcomes = [Condition::On(false), Condition::From(&begins), Condition::Until(&ends)]
            .map(|condition| condition.unmet(has, pounds(0).currency));
        assert_eq!(outcomes, [Outcome::Off, Outcome::NotYet { from: begins }, Outcome::Over { until: ends }]);
    }

    #[test]
    fn how_many_more_it_takes_is_reckoned_to_the_piece() {
        let none = BTreeSet::new();
        let has = |pieces, total| Has { pieces, total, products: &none };
        let ladder = steps(&[3, 6, 10]);
        assert_eq!(Condition::Pieces(&ladder).more(has(3, 0), 100), [3, 7], "the third is reached");
        assert_eq!(Condition::Pieces(&ladder).more(has(0, 0), 100), [3, 6, 10]);
        assert!(Condition::Pieces(&ladder).more(has(10, 0), 100).is_empty());
        for (total, each, more) in
            [(0, 1_000, 5), (1, 1_000, 5), (4_001, 1_000, 1), (4_000, 999, 2), (4_000, 0, 1_000)]
        {
            assert_eq!(Condition::Total(5_000).more(has(0, total), each), [more], "{total} at {each}");
        }
        assert!(Condition::Total(5_000).more(has(0, 5_000), 1_000).is_empty(), "it holds already");
        let with = [handle("dunlin")];
        assert!(Condition::With(&with).more(has(0, 0), 1_000).is_empty(), "no number of pieces helps");
    }

    #[test]
    fn a_ladder_is_told_only_where_the_number_alone_decides() {
        let ladder = steps(&[1, 4]);
        let with = [handle("dunlin")];
        assert_eq!(Condition::Pieces(&ladder).froms(), Some(BTreeSet::from([1, 4])));
        assert_eq!(Condition::On(true).froms(), Some(BTreeSet::new()));
        assert_eq!((Condition::Total(1).froms(), Condition::With(&with).froms()), (None, None));
        let (one, many) = (steps(&[1]), steps(&[1, 2]));
        let looks = [
            Condition::On(true),
            Condition::Pieces(&one),
            Condition::Pieces(&many),
            Condition::Total(1),
            Condition::With(&with),
        ]
        .map(Condition::looks_at_the_cart);
        assert_eq!(looks, [false, false, true, true, true]);
        assert_eq!((first(&ladder), first(&[])), (Some(1), None));
    }
}
