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
