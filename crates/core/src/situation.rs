//! The state in which a page is met: what is chosen, how many, and, on the desk, a stock other than the real one.

use crate::catalog::{Product, Stock};
use crate::choice::Selection;
use serde::{Deserialize, Serialize};

/// The stock under which a proof is shown.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum StockMood {
    #[default]
    AsItIs,
    Plenty,
    Few,
    None,
}

/// How many *few* is, and *plenty*.
const FEW: u32 = 2;
const PLENTY: u32 = 200;

/// Everything about a visit that changes what a page says.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Situation {
    pub selection: Selection,
    pub quantity: u32,
    pub stock: StockMood,
}

impl Situation {
    /// A visit in which nothing is chosen yet.
    #[must_use]
    pub fn plain(options: usize) -> Self {
        Self { selection: Selection::none(options), quantity: 1, stock: StockMood::AsItIs }
    }

    /// The product as it stands in this situation.
    #[must_use]
    pub fn apply(&self, product: &Product) -> Product {
        let mut product = product.clone();
        let count = match self.stock {
            StockMood::AsItIs => return product,
            StockMood::Plenty => PLENTY,
            StockMood::Few => FEW,
            StockMood::None => 0,
        };
        for variant in &mut product.variants {
            variant.stock = Stock::Counted(count);
        }
        product
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::{product, with_variants};

    #[test]
    fn a_mood_of_stock_changes_the_proof_and_not_the_product() {
        let kite = with_variants(product(&[]), &[(&[], Stock::NotCounted)]);
        let mut situation = Situation::plain(0);
        assert_eq!(situation.apply(&kite), kite);
        situation.stock = StockMood::None;
        assert!(!situation.apply(&kite).can_be_bought());
        situation.stock = StockMood::Few;
        assert_eq!(situation.apply(&kite).variants[0].stock, Stock::Counted(2));
        assert_eq!(kite.variants[0].stock, Stock::NotCounted);
    }
}
