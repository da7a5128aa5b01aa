//! The state in which a page is met: what is chosen, how many, the cart, the day, and, on the desk, a stock, an offer
//! or a launch other than the real one.

use crate::catalog::{Product, ProductState, Stock};
use crate::choice::Selection;
use crate::money::Money;
use crate::page::CartFacts;
use crate::price::{Extras, PlanId};
use crate::time::Day;
use serde::{Deserialize, Serialize};

/// The stock under which a proof is shown.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum StockMood {
    /// What is kept.
    #[default]
    AsItIs,
    /// More than anybody wants.
    Plenty,
    /// A few.
    Few,
    /// Nothing.
    None,
}

/// Whether a proof shows the product on sale.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum SaleMood {
    /// By the clock.
    #[default]
    AsItIs,
    /// All rules in force.
    On,
    /// No rule in force.
    Off,
}

/// What a proof takes the cart to hold.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum CartMood {
    /// Nothing.
    #[default]
    Empty,
    /// This product.
    This,
    /// Something else.
    Other,
}

/// How many *few* is, and *plenty*.
const FEW: u32 = 2;
const PLENTY: u32 = 200;

/// Everything about a visit that changes what a page says.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Situation {
    /// What is chosen.
    pub selection: Selection,
    /// How many pieces.
    pub quantity: u32,
    /// What is left of everything.
    pub stock: StockMood,
    /// Whether its rules are in force.
    pub sale: SaleMood,
    /// Whether it is not sold yet.
    pub coming_soon: bool,
    /// What is in the cart.
    pub cart: CartFacts,
    /// The day on the shop’s clocks.
    pub day: Day,
    /// By which plan it is bought; once where there is none.
    pub plan: Option<PlanId>,
    /// What is written onto it.
    pub text: String,
}

impl Situation {
    /// A visit on a day, in which nothing is chosen yet and the cart is empty.
    #[must_use]
    pub fn plain(options: usize, day: Day) -> Self {
        Self {
            selection: Selection::none(options),
            quantity: 1,
            stock: StockMood::AsItIs,
            sale: SaleMood::AsItIs,
            coming_soon: false,
            cart: CartFacts::default(),
            day,
            plan: None,
            text: String::new(),
        }
    }

    /// What is asked for besides variant and number.
    #[must_use]
    pub fn extras(&self) -> Extras {
        Extras { plan: self.plan, written: !self.text.trim().is_empty() }
    }

    /// The product as it stands in this situation.
    #[must_use]
    pub fn apply(&self, product: &Product) -> Product {
        let mut product = product.clone();
        if self.coming_soon {
            product.state = ProductState::ComingSoon;
        } else if self.stock != StockMood::AsItIs {
            // A stock of one's choice is that of a product on sale: so a new one, or one withdrawn, can be seen sold.
            product.state = ProductState::OnSale;
        }
        self.apply_stock(&mut product);
        self.apply_sale(&mut product);
        product
    }

    fn apply_stock(&self, product: &mut Product) {
        let count = match self.stock {
            StockMood::AsItIs => return,
            StockMood::Plenty => PLENTY,
            StockMood::Few => FEW,
            StockMood::None => 0,
        };
        for variant in &mut product.variants {
            variant.stock = Stock::Counted(count);
        }
    }

    /// A sale that isn't real takes the price as a fifth less than the old one.
    fn apply_sale(&self, product: &mut Product) {
        let old = |price: Money, old: Option<Money>| match self.sale {
            SaleMood::AsItIs => old,
            SaleMood::Off => None,
            SaleMood::On => {
                let real = old.filter(|old| old.minor > price.minor);
                real.or(Some(Money::new(price.minor.saturating_add(price.minor / 4), price.currency)))
            }
        };
        product.old_price = old(product.price, product.old_price);
        for variant in &mut product.variants {
            if let Some(price) = variant.price {
                variant.old_price = old(price, variant.old_price);
            } else if self.sale == SaleMood::Off {
                variant.old_price = None;
            }
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::{pounds, product, with_variants};
    use crate::price::quote;

    fn plain() -> Situation {
        Situation::plain(0, Day::try_from("2026-11-24".to_owned()).unwrap())
    }

    #[test]
    fn a_mood_of_stock_changes_the_proof_and_not_the_product() {
        let kite = with_variants(product(&[]), &[(&[], Stock::NotCounted)]);
        let mut situation = plain();
        assert_eq!(situation.apply(&kite), kite);
        situation.stock = StockMood::None;
        assert!(!situation.apply(&kite).can_be_bought());
        situation.stock = StockMood::Few;
        assert_eq!(situation.apply(&kite).variants[0].stock, Stock::Counted(2));
        assert_eq!(kite.variants[0].stock, Stock::NotCounted);
    }

    #[test]
    fn a_sale_can_be_tried_on_and_taken_off() {
        let mut kite = with_variants(product(&[]), &[(&[], Stock::Counted(3)), (&[], Stock::Counted(3))]);
        kite.variants[1].price = Some(pounds(8000));
        let saving = |situation: &Situation, kite: &Product, v: usize| {
            let kite = situation.apply(kite);
            quote(&kite, &kite.variants[v], 1).unwrap().saving.map(|s| s.percent)
        };
        let mut situation = plain();
        assert_eq!(saving(&situation, &kite, 0), None);
        situation.sale = SaleMood::On;
        assert_eq!((saving(&situation, &kite, 0), saving(&situation, &kite, 1)), (Some(20), Some(20)));
        kite.old_price = Some(pounds(13_600));
        assert_eq!(saving(&situation, &kite, 0), Some(50), "a real old price stays");
        situation.sale = SaleMood::Off;
        assert_eq!(saving(&situation, &kite, 0), None);
    }

    #[test]
    fn what_comes_soon_cannot_be_bought_yet() {
        let kite = with_variants(product(&[]), &[(&[], Stock::Counted(3))]);
        for state in [ProductState::New, ProductState::Withdrawn] {
            let kite = Product { state, ..kite.clone() };
            assert_eq!(plain().apply(&kite).state, state);
            let sold = Situation { stock: StockMood::Plenty, ..plain() }.apply(&kite);
            assert!(sold.can_be_bought(), "{state:?}");
        }
        let situation = Situation { coming_soon: true, ..plain() };
        assert!(!situation.apply(&kite).can_be_bought());
    }
}
