//! What lowers a price: for which products, when, from how many on, and by how much. A rule with several steps is a price
//! ladder. No rule makes anything dearer.

use crate::catalog::{Product, Tag, Variant, is_sku};
use crate::ids::Handle;
use crate::limits::{MOST_ID, MOST_MINOR, is_unseen};
use crate::money::Money;
use crate::time::Local;
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;

/// A rule's number, for good.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(transparent)]
pub struct RuleId(pub u64);

/// What a rule makes of a price.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "kind", deny_unknown_fields)]
pub enum Effect {
    /// So many hundredths of a percent less: 1250 is 12.5 %.
    Percent {
        /// Hundredths of a percent.
        hundredths: u32,
    },
    /// So many minor units less.
    Amount {
        /// Minor units.
        minor: i64,
    },
    /// So many minor units.
    Fixed {
        /// Minor units.
        minor: i64,
    },
}

/// An effect from so many pieces on.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Step {
    /// So many pieces.
    pub from: u32,
    /// What it does.
    pub effect: Effect,
}

/// For what a rule is.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "of", deny_unknown_fields)]
pub enum RuleReach {
    /// Everything.
    All,
    /// Products of these types.
    Types {
        /// The types, by their handles.
        types: Vec<Handle>,
    },
    /// Products that have at least one of these tags.
    Tags {
        /// Its tags.
        tags: Vec<Tag>,
    },
    /// These products.
    Products {
        /// By their handles.
        products: Vec<Handle>,
    },
    /// Variants by their SKUs.
    Variants {
        /// The SKUs.
        skus: Vec<String>,
    },
}

impl RuleReach {
    /// Whether nothing is named.
    #[must_use]
    pub fn is_nothing(&self) -> bool {
        match self {
            Self::All => false,
            Self::Types { types } => types.is_empty(),
            Self::Tags { tags } => tags.is_empty(),
            Self::Products { products } => products.is_empty(),
            Self::Variants { skus } => skus.is_empty(),
        }
    }

    /// How many are named.
    #[must_use]
    pub fn named(&self) -> usize {
        match self {
            Self::All => 0,
            Self::Types { types } => types.len(),
            Self::Tags { tags } => tags.len(),
            Self::Products { products } => products.len(),
            Self::Variants { skus } => skus.len(),
        }
    }

    /// Whether tags and SKUs are such as there can be.
    #[must_use]
    pub fn is_sound(&self) -> bool {
        match self {
            Self::Tags { tags } => tags.iter().all(Tag::is_sound),
            Self::Variants { skus } => skus.iter().all(|sku| is_sku(sku)),
            Self::All | Self::Types { .. } | Self::Products { .. } => true,
        }
    }

    /// Whether a variant of a product is among what is named.
    #[must_use]
    pub fn holds(&self, product: &Product, variant: &Variant) -> bool {
        match self {
            Self::All => true,
            Self::Types { types } => types.contains(&product.kind.handle),
            Self::Tags { tags } => tags.iter().any(|tag| product.tags.contains(tag)),
            Self::Products { products } => products.contains(&product.handle),
            Self::Variants { skus } => skus.iter().any(|sku| sku.eq_ignore_ascii_case(&variant.sku)),
        }
    }

    /// Whether some variant of a product is among what is named, where `of_skus` are the products to which the SKUs
    /// belong.
    #[must_use]
    pub fn holds_some(&self, product: ReachedBy<'_>, of_skus: &BTreeSet<Handle>) -> bool {
        match self {
            Self::All => true,
            Self::Types { types } => types.contains(product.kind),
            Self::Tags { tags } => tags.iter().any(|tag| product.tags.contains(tag)),
            Self::Products { products } => products.contains(product.handle),
            Self::Variants { .. } => of_skus.contains(product.handle),
        }
    }
}

/// What of a product decides whether a reach takes it in, as long as no single variant is asked for.
#[derive(Debug, Clone, Copy)]
pub struct ReachedBy<'a> {
    /// Its handle.
    pub handle: &'a Handle,
    /// Its type.
    pub kind: &'a Handle,
    /// Its tags.
    pub tags: &'a [Tag],
}

/// Which pieces are counted together.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Counted {
    /// Those of the same variant.
    Variant,
    /// Those of the same product.
    #[default]
    Product,
    /// Everything in the cart that the rule is for.
    Lines,
}

/// A rule that lowers prices.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct PriceRule {
    /// Its number.
    pub id: RuleId,
    /// Its name.
    pub name: String,
    /// For what it is.
    pub reach: RuleReach,
    /// Products that are left out, whatever the reach.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub except: Vec<Handle>,
    /// Its steps.
    pub steps: Vec<Step>,
    /// Which pieces count.
    #[serde(default)]
    pub counted: Counted,
    /// From this total of the cart on, before any rule, in minor units.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub total: Option<i64>,
    /// Only with one of these products in the cart. Such a rule is offered once one of them has been added.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub with: Vec<Handle>,
    /// By the shop's clocks; `until` is the first minute in which it is no longer in force.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub from: Option<Local>,
    /// The first minute in which it is no longer in force.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub until: Option<Local>,
    /// Whether it is switched on.
    pub on: bool,
}

/// Why a rule can't be kept.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum RuleError {
    /// A rule needs a name of at most {LONGEST_NAME} characters.
    #[error("a rule needs a name of at most {LONGEST_NAME} characters")]
    Name,
    /// “{rule}” needs one to {MOST_STEPS} steps.
    #[error("“{rule}” needs one to {MOST_STEPS} steps")]
    Steps {
        /// The rule's name.
        rule: String,
    },
    /// “{rule}” has two steps from {from} pieces; the first step starts at 1 or more.
    #[error("“{rule}” has two steps from {from} pieces; the first step starts at 1 or more")]
    SameStep {
        /// The rule's name.
        rule: String,
        /// The number of pieces that two steps have.
        from: u32,
    },
    /// “{rule}” takes off {percent} %; it can be more than 0 and at most 100.
    #[error("“{rule}” takes off {percent} %; it can be more than 0 and at most 100")]
    Percent {
        /// The rule's name.
        rule: String,
        /// The share, in percent.
        percent: String,
    },
    /// “{rule}” takes an amount above zero, or a price of zero or more, up to {MOST_MINOR} of the smallest unit.
    #[error(
        "“{rule}” takes an amount above zero, or a price of zero or more, up to {MOST_MINOR} of the smallest unit"
    )]
    Amount {
        /// The rule's name.
        rule: String,
    },
    /// “{rule}” reaches nothing: choose at least one.
    #[error("“{rule}” reaches nothing: choose at least one")]
    Nothing {
        /// The rule's name.
        rule: String,
    },
    /// “{rule}” ends before it begins.
    #[error("“{rule}” ends before it begins")]
    EndsFirst {
        /// The rule's name.
        rule: String,
    },
    /// “{rule}” names more than {MOST_NAMED} products, types, tags or SKUs.
    #[error("“{rule}” names more than {MOST_NAMED} products, types, tags or SKUs")]
    TooManyNamed {
        /// The rule's name.
        rule: String,
    },
    /// “{rule}” names a tag or a SKU that is empty, too long or holds signs that can't be seen.
    #[error("“{rule}” names a tag or a SKU that is empty, too long or holds signs that can't be seen")]
    BadName {
        /// The rule's name.
        rule: String,
    },
    /// The number {id} is too large for a rule.
    #[error("the number {id} is too large for a rule")]
    TooLargeId {
        /// The number.
        id: u64,
    },
}

const LONGEST_NAME: usize = 80;
const MOST_STEPS: usize = 12;
/// Products, types, tags or SKUs that one rule names.
pub const MOST_NAMED: usize = 5_000;

impl PriceRule {
    /// Whether it can be kept.
    ///
    /// # Errors
    /// [`RuleError`], which says what can’t be and why.
    pub fn check(&self) -> Result<(), RuleError> {
        let rule = || self.name.clone();
        let length = self.name.trim().chars().count();
        if length == 0 || length > LONGEST_NAME || self.name.chars().any(is_unseen) {
            return Err(RuleError::Name);
        }
        if self.id.0 > MOST_ID {
            return Err(RuleError::TooLargeId { id: self.id.0 });
        }
        if self.reach.named() > MOST_NAMED || self.except.len() > MOST_NAMED || self.with.len() > MOST_NAMED {
            return Err(RuleError::TooManyNamed { rule: rule() });
        }
        if !self.reach.is_sound() {
            return Err(RuleError::BadName { rule: rule() });
        }
        if self.steps.is_empty() || self.steps.len() > MOST_STEPS {
            return Err(RuleError::Steps { rule: rule() });
        }
        for (place, step) in self.steps.iter().enumerate() {
            let twice = self.steps[..place].iter().any(|other| other.from == step.from);
            if twice || step.from == 0 {
                return Err(RuleError::SameStep { rule: rule(), from: step.from });
            }
            match step.effect {
                Effect::Percent { hundredths } if !(1..=10_000).contains(&hundredths) => {
                    let percent = format!("{}.{:02}", hundredths / 100, hundredths % 100);
                    return Err(RuleError::Percent { rule: rule(), percent });
                }
                Effect::Amount { minor } if !(1..=MOST_MINOR).contains(&minor) => {
                    return Err(RuleError::Amount { rule: rule() });
                }
                Effect::Fixed { minor } if !(0..=MOST_MINOR).contains(&minor) => {
                    return Err(RuleError::Amount { rule: rule() });
                }
                _ => {}
            }
        }
        if self.reach.is_nothing() {
            return Err(RuleError::Nothing { rule: rule() });
        }
        if self.total.is_some_and(|total| !(1..=MOST_MINOR).contains(&total)) {
            return Err(RuleError::Amount { rule: rule() });
        }
        if self.from.as_ref().zip(self.until.as_ref()).is_some_and(|(from, until)| from >= until) {
            return Err(RuleError::EndsFirst { rule: rule() });
        }
        Ok(())
    }

    /// Whether it is for a variant of a product.
    #[must_use]
    pub fn reaches(&self, product: &Product, variant: &Variant) -> bool {
        if self.except.contains(&product.handle) {
            return false;
        }
        self.reach.holds(product, variant)
    }

    /// Whether it is for some variant of a product.
    #[must_use]
    pub fn reaches_some(&self, product: &Product) -> bool {
        product.variants.iter().any(|variant| self.reaches(product, variant))
    }
}

impl Effect {
    /// What it makes of a price; `round` says where a fraction goes. Never below zero, never dearer.
    #[must_use]
    pub fn on(self, before: Money, round: impl Fn(i128) -> i64) -> Money {
        let after = match self {
            Self::Percent { hundredths } => {
                round(i128::from(before.minor) * (10_000 - i128::from(hundredths.min(10_000))))
            }
            Self::Amount { minor } => before.minor.saturating_sub(minor),
            Self::Fixed { minor } => minor,
        };
        Money::new(after.clamp(0, before.minor.max(0)), before.currency)
    }
}
