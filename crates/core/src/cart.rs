//! A cart reckoned against the catalogue as it stands now: what each line costs, which price has changed since it was
//! put in, and what can no longer be had. The cart page shows it; the sale checks it again inside its transaction.

use crate::catalog::{Product, Variant};
use crate::ids::ProductId;
use crate::money::{Currency, Money, MoneyError};
use crate::price::{Hindrance, Quote, hindrance, quote};
use std::collections::BTreeMap;

/// The most of one line.
pub const MOST_OF_ONE: u32 = 99;
/// The most lines of one cart.
pub const MOST_LINES: usize = 50;

/// What a shopper has put into the cart.
#[derive(Debug, Clone, Copy)]
pub struct Wanted<'a> {
    pub product: &'a Product,
    pub variant: &'a Variant,
    pub quantity: u32,
    /// The unit price that the shopper last saw.
    pub seen: Money,
}

/// A line as it stands now.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Line {
    pub quote: Quote,
    /// The price that the shopper saw, where it is no longer the price.
    pub was: Option<Money>,
    pub hindrance: Option<Hindrance>,
}

/// A whole cart as it stands now.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Reckoning {
    pub lines: Vec<Line>,
    pub total: Money,
}

impl Reckoning {
    /// Whether it can be sold as the shopper saw it.
    #[must_use]
    pub fn stands(&self) -> bool {
        self.lines.iter().all(|line| line.was.is_none() && line.hindrance.is_none())
    }
}

/// Reckons a cart. A limit per order counts all lines of the product together.
pub fn reckon(wanted: &[Wanted<'_>], currency: Currency) -> Result<Reckoning, MoneyError> {
    let mut of_product: BTreeMap<ProductId, u32> = BTreeMap::new();
    for line in wanted {
        *of_product.entry(line.product.id).or_default() += line.quantity;
    }
    let mut lines = Vec::with_capacity(wanted.len());
    let mut total = Money::new(0, currency);
    for line in wanted {
        let quote = quote(line.product, line.variant, line.quantity)?;
        total = total.plus(quote.line)?;
        let limit = line.product.most_per_order.filter(|most| of_product[&line.product.id] > *most);
        lines.push(Line {
            quote,
            was: (line.seen != quote.unit).then_some(line.seen),
            hindrance: hindrance(line.product, line.variant, line.quantity)
                .or(limit.map(Hindrance::MostPerOrder)),
        });
    }
    Ok(Reckoning { lines, total })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::Stock;
    use crate::catalog::samples::{pounds, product, with_variants};

    fn kite() -> Product {
        let stocks: &[(&[Option<u16>], Stock)] =
            &[(&[Some(0)], Stock::Counted(5)), (&[Some(1)], Stock::Counted(0))];
        with_variants(product(&[("colour", 2)]), stocks)
    }

    fn of<'a>(product: &'a Product, variant: usize, quantity: u32, seen: i64) -> Wanted<'a> {
        Wanted { product, variant: &product.variants[variant], quantity, seen: pounds(seen) }
    }

    fn gbp() -> Currency {
        pounds(0).currency
    }

    #[test]
    fn a_cart_adds_up_and_stands() {
        let kite = kite();
        let cart = reckon(&[of(&kite, 0, 2, 6800), of(&kite, 0, 1, 6800)], gbp()).unwrap();
        assert_eq!(cart.total, pounds(20_400));
        assert!(cart.stands());
        assert_eq!(reckon(&[], gbp()).unwrap().total, pounds(0));
    }

    #[test]
    fn a_price_that_changed_since_is_said_and_the_new_one_counts() {
        let kite = kite();
        let cart = reckon(&[of(&kite, 0, 1, 6500)], gbp()).unwrap();
        assert_eq!(cart.lines[0].was, Some(pounds(6500)));
        assert_eq!(cart.total, pounds(6800));
        assert!(!cart.stands());
    }

    #[test]
    fn what_can_no_longer_be_had_is_said() {
        let mut kite = kite();
        let cart = reckon(&[of(&kite, 0, 6, 6800), of(&kite, 1, 1, 6800)], gbp()).unwrap();
        assert_eq!(cart.lines[0].hindrance, Some(Hindrance::OnlyLeft(5)));
        assert_eq!(cart.lines[1].hindrance, Some(Hindrance::SoldOut));
        kite.most_per_order = Some(2);
        let cart = reckon(&[of(&kite, 0, 1, 6800), of(&kite, 0, 2, 6800)], gbp()).unwrap();
        assert_eq!(cart.lines[0].hindrance, Some(Hindrance::MostPerOrder(2)), "both lines count together");
    }
}
