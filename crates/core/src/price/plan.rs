//! Plans: buying something again every so many weeks or months, for less.

use super::rule::{MOST_NAMED, RuleReach};
use crate::catalog::{Product, Variant};
use crate::limits::MOST_ID;
use serde::{Deserialize, Serialize};

/// A plan's number, for good.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(transparent)]
pub struct PlanId(pub u64);

/// How long between two deliveries.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Period {
    /// Weeks.
    Weeks,
    /// Months.
    Months,
}

/// Which deliveries cost less.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum SavedOn {
    /// The first delivery alone.
    First,
    /// Every delivery.
    All,
}

/// A way to buy something again and again.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Plan {
    /// Its number.
    pub id: PlanId,
    /// For what it is.
    pub reach: RuleReach,
    /// How many of the period.
    pub every: u32,
    /// Weeks or months.
    pub period: Period,
    /// Hundredths of a percent less; 0 where nothing is saved.
    pub hundredths: u32,
    /// What is saved on.
    pub saved_on: SavedOn,
    /// Whether what it is for can be bought once, too.
    pub once: bool,
}

/// A shop has at most so many plans.
pub const MOST_PLANS: usize = 50;

/// Why a plan can’t be kept.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum PlanError {
    /// A shop has at most {MOST_PLANS} plans.
    #[error("a shop has at most {MOST_PLANS} plans")]
    TooMany,
    /// Two plans have this number.
    #[error("two plans have the number {0}")]
    SameId(u64),
    /// The time between deliveries makes no sense.
    #[error("a plan repeats every 1 to 52 weeks or months, not every {0}")]
    Every(u32),
    /// A plan saves at most 90 %.
    #[error("a plan saves at most 90 %")]
    Saving,
    /// The number is too large for a plan.
    #[error("the number {0} is too large for a plan")]
    TooLargeId(u64),
    /// A plan names at most {MOST_NAMED} products, types, tags or SKUs, and none that is empty or can't be seen.
    #[error(
        "a plan names at most {MOST_NAMED} products, types, tags or SKUs, and none that is empty or can't be seen"
    )]
    BadReach,
    /// A plan reaches nothing: choose at least one.
    #[error("a plan reaches nothing: choose at least one")]
    Nothing,
}

impl Plan {
    /// Whether it can be kept.
    ///
    /// # Errors
    /// [`PlanError`], which says what can’t be and why.
    pub fn check(&self) -> Result<(), PlanError> {
        if !(1..=52).contains(&self.every) {
            return Err(PlanError::Every(self.every));
        }
        if self.id.0 > MOST_ID {
            return Err(PlanError::TooLargeId(self.id.0));
        }
        if self.reach.named() > MOST_NAMED || !self.reach.is_sound() {
            return Err(PlanError::BadReach);
        }
        if self.hundredths > 9000 {
            return Err(PlanError::Saving);
        }
        if self.reach.is_nothing() { Err(PlanError::Nothing) } else { Ok(()) }
    }

    /// Whether a variant can be bought by it.
    #[must_use]
    pub fn reaches(&self, product: &Product, variant: &Variant) -> bool {
        self.reach.holds(product, variant)
    }
}
