use super::Measure;
use crate::ids::VariantId;
use crate::money::Money;
use serde::{Deserialize, Serialize};

/// How many there are.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Stock {
    /// Always to be had: gift cards, work made to order.
    NotCounted,
    /// So many are left.
    Counted(u32),
}

impl Stock {
    /// Whether any can be had.
    #[must_use]
    pub fn is_in(self) -> bool {
        self != Self::Counted(0)
    }
    /// Whether `quantity` can be had at once.
    #[must_use]
    pub fn covers(self, quantity: u32) -> bool {
        match self {
            Self::NotCounted => true,
            Self::Counted(left) => left >= quantity,
        }
    }
    /// The count, where one is kept.
    #[must_use]
    pub fn left(self) -> Option<u32> {
        match self {
            Self::NotCounted => None,
            Self::Counted(left) => Some(left),
        }
    }
}

/// What is really bought: one value for each of the product's options.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Variant {
    /// Its number.
    pub id: VariantId,
    /// Its SKU.
    pub sku: String,
    /// For each option of the product the place of the value in that option; `None` is *any*: the option doesn't
    /// matter to this variant.
    pub values: Vec<Option<u16>>,
    /// The variant's own price; without one it costs what the product costs.
    pub price: Option<Money>,
    /// The variant's own old price. A variant with a price of its own doesn't take the product's old price.
    pub old_price: Option<Money>,
    /// What is left of it.
    pub stock: Stock,
    /// The place of the picture that is its own; without one those of its values stand for it.
    pub picture: Option<usize>,
    /// How much there is in it, where that is told.
    pub measure: Option<Measure>,
}

/// Characters of a SKU, at the most.
pub const LONGEST_SKU: usize = 80;

/// Whether a text can be a SKU: something in it, not too long, and all of it can be seen.
#[must_use]
pub fn is_sku(text: &str) -> bool {
    let length = text.chars().count();
    !text.trim().is_empty() && length <= LONGEST_SKU && !text.chars().any(crate::limits::is_unseen)
}
