//! All of a shop's price rules, how they go together, how fractions are rounded, and where an old price is shown.

use super::plan::{MOST_PLANS, Plan, PlanError, PlanId};
use super::rule::{MOST_NAMED, PriceRule, RuleError, RuleId, RuleReach};
use super::vat::Vat;
use crate::ids::Handle;
use crate::limits::free_id;
use crate::money::AmountStyle;
use crate::time::{Moment, Zone};
use serde::{Deserialize, Serialize};

/// A shop has at most so many rules.
pub const MOST_RULES: usize = 500;

/// What happens where several rules are for one thing.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Together {
    /// The one that gives the lowest price.
    #[default]
    BestOne,
    /// One after another, in their order, each on what the one before has left.
    InOrder,
}

/// Where a fraction of a minor unit goes after a percentage: to the nearest step, halves up; or down.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Rounding {
    /// Whether downwards.
    pub down: bool,
    /// In minor units: 1, 5, 10, 50 or 100.
    pub step: i64,
}

impl Default for Rounding {
    fn default() -> Self {
        Self { down: false, step: 1 }
    }
}

impl Rounding {
    /// Steps to which can be rounded, in minor units.
    pub const STEPS: [i64; 5] = [1, 5, 10, 50, 100];

    /// Rounds ten-thousandths of a minor unit to whole steps.
    #[must_use]
    pub fn round(self, ten_thousandths: i128) -> i64 {
        let step = i128::from(self.step.max(1)) * 10_000;
        let half = if self.down { 0 } else { step / 2 };
        let steps = (ten_thousandths + half).div_euclid(step);
        i64::try_from(steps * i128::from(self.step.max(1))).unwrap_or(i64::MAX)
    }
}

/// When an old price that a rule brings is shown.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Policy {
    /// As soon as the rule is in force: the price that it promises stands there with its condition.
    AtOnce,
    /// Once what is in the cart meets it.
    OnceEarned,
    /// As the shopper raises the number.
    WithQuantity,
}

/// Where a price stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Surface {
    /// On its page.
    Page,
    /// On cards.
    Card,
    /// In quick looks.
    Quick,
    /// In the cart.
    Cart,
}

/// The policy of each place.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Places {
    /// On its page.
    pub page: Policy,
    /// On cards.
    pub card: Policy,
    /// In quick looks.
    pub quick: Policy,
    /// In the cart.
    pub cart: Policy,
}

impl Default for Places {
    fn default() -> Self {
        let (page, quick) = (Policy::WithQuantity, Policy::WithQuantity);
        Self { page, quick, card: Policy::OnceEarned, cart: Policy::WithQuantity }
    }
}

impl Places {
    /// What counts in a place.
    #[must_use]
    pub fn policy(self, place: Surface) -> Policy {
        match place {
            Surface::Page => self.page,
            Surface::Card => self.card,
            Surface::Quick => self.quick,
            Surface::Cart => self.cart,
        }
    }
}

/// Where an old price comes from.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum OldFrom {
    /// It stands with the product, or is the price before a rule.
    #[default]
    Typed,
    /// It is the lowest price of the 30 days before the present one, from the price history.
    Lowest,
}

/// The shop's prices as far as rules make them.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct PriceBook {
    /// In the order in which they apply, and in which ties are settled.
    pub rules: Vec<PriceRule>,
    /// How rules go together.
    pub together: Together,
    /// How amounts are rounded.
    pub rounding: Rounding,
    /// Where old prices are shown.
    pub places: Places,
    /// The plans by which things are sold.
    pub plans: Vec<Plan>,
    /// Where old prices come from.
    pub old: OldFrom,
    /// Taxes.
    pub vat: Vat,
    /// How amounts are written.
    pub style: AmountStyle,
}

/// Why a price book can't be kept.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum BookError {
    /// A shop has at most {MOST_RULES} rules.
    #[error("a shop has at most {MOST_RULES} rules")]
    TooMany,
    /// Two rules have this number.
    #[error("two rules have the number {0}")]
    SameId(u64),
    /// It can’t be rounded to this.
    #[error("prices are rounded to 1, 5, 10, 50 or 100 of the smallest unit, not to {0}")]
    Rounding(i64),
    /// A rate of tax is at most 50 %.
    #[error("a rate of tax is at most 50 %")]
    Vat,
    /// At most {MOST_NAMED} types have a rate of their own.
    #[error("at most {MOST_NAMED} types have a rate of their own")]
    VatTypes,
    /// A rule can’t be kept.
    #[error(transparent)]
    Rule(#[from] RuleError),
    /// A plan can’t be kept.
    #[error(transparent)]
    Plan(#[from] PlanError),
}

impl PriceBook {
    /// Whether it can be kept.
    ///
    /// # Errors
    /// [`BookError`], which says what can’t be and why.
    pub fn check(&self) -> Result<(), BookError> {
        if self.rules.len() > MOST_RULES {
            return Err(BookError::TooMany);
        }
        if !Rounding::STEPS.contains(&self.rounding.step) {
            return Err(BookError::Rounding(self.rounding.step));
        }
        for (place, rule) in self.rules.iter().enumerate() {
            rule.check()?;
            if self.rules[..place].iter().any(|other| other.id == rule.id) {
                return Err(BookError::SameId(rule.id.0));
            }
        }
        if self.plans.len() > MOST_PLANS {
            return Err(PlanError::TooMany.into());
        }
        for (place, plan) in self.plans.iter().enumerate() {
            plan.check()?;
            if self.plans[..place].iter().any(|other| other.id == plan.id) {
                return Err(PlanError::SameId(plan.id.0).into());
            }
        }
        if self.vat.types.len() > MOST_NAMED {
            return Err(BookError::VatTypes);
        }
        let rates = self.vat.types.iter().map(|own| own.hundredths);
        if rates.chain([self.vat.hundredths]).any(|rate| rate > 5000) {
            return Err(BookError::Vat);
        }
        Ok(())
    }

    /// The products that its rules and plans name.
    pub fn named_products(&self) -> impl Iterator<Item = &Handle> {
        let reaches =
            self.rules.iter().map(|rule| &rule.reach).chain(self.plans.iter().map(|plan| &plan.reach));
        let named = reaches.flat_map(|reach| match reach {
            RuleReach::Products { products } => products.as_slice(),
            _ => &[],
        });
        named.chain(self.rules.iter().flat_map(|rule| rule.except.iter().chain(&rule.with)))
    }

    /// A number that no rule has.
    #[must_use]
    pub fn free_id(&self) -> RuleId {
        RuleId(free_id(self.rules.iter().map(|rule| rule.id.0)))
    }

    /// A number that no plan has.
    #[must_use]
    pub fn free_plan(&self) -> PlanId {
        PlanId(free_id(self.plans.iter().map(|plan| plan.id.0)))
    }

    /// The moments at which some rule begins or ends.
    pub fn edges<'a>(&'a self, zone: &'a Zone) -> impl Iterator<Item = Moment> + 'a {
        let conditions = self.rules.iter().filter(|rule| rule.on).flat_map(PriceRule::conditions);
        conditions.filter_map(|condition| condition.turns(zone))
    }

    /// The next moment at which some rule begins or ends; until then prices stay as they are.
    #[must_use]
    pub fn next_change(&self, now: Moment, zone: &Zone) -> Option<Moment> {
        self.edges(zone).filter(|moment| *moment > now).min()
    }
}
