use crate::ids::VariantId;
use crate::time::Moment;
use serde::{Deserialize, Serialize};

/// A price change of a product, or of one of its variants.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
pub struct PriceChange {
    /// When it changed.
    pub at: Moment,
    /// Of the product's own price where there is none.
    pub variant: Option<VariantId>,
    /// In minor units; none where a variant took the product's price.
    pub was: Option<i64>,
}
