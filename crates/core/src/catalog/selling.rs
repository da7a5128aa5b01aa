//! How a product is sold.

use super::{Product, ProductState, Terms};
use serde::{Deserialize, Serialize};

/// Whether, at what price and on which terms a product is sold. Prices are in minor units of the shop's currency.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Selling {
    /// Whether it is sold, and how.
    pub state: ProductState,
    /// Its price, in minor units.
    pub price_minor: i64,
    /// A typed old price, in minor units.
    pub old_price_minor: Option<i64>,
    /// The most that one order may hold of it; none for any number.
    pub most_per_order: Option<u32>,
    /// The terms on which it is sold.
    pub terms: Terms,
}

impl Product {
    /// How it is sold.
    #[must_use]
    pub fn selling(&self) -> Selling {
        Selling {
            state: self.state,
            price_minor: self.price.minor,
            old_price_minor: self.old_price.map(|price| price.minor),
            most_per_order: self.most_per_order,
            terms: self.terms.clone(),
        }
    }
}
