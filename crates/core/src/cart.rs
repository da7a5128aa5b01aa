//! A cart reckoned against the catalogue as it stands now: what each line costs, which price has changed since it was
//! put in, and what can no longer be had. The cart page shows it; the sale checks it again inside its transaction.

use crate::catalog::{Product, Variant};
use crate::ids::ProductId;
use crate::money::{Currency, Money, MoneyError};
use crate::price::{Hindrance, Next, Prices, Quote, hindrance};
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
    /// So many more bring the unit price down.
    pub next: Option<Next>,
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

/// Reckons a cart under the shop's price rules. A limit per order counts all lines of the product together.
pub fn reckon(wanted: &[Wanted<'_>], currency: Currency, prices: &Prices) -> Result<Reckoning, MoneyError> {
    let prices = prices.clone().with_cart(wanted.iter().map(|w| (w.product, w.variant, w.quantity)))?;
    let mut of_product: BTreeMap<ProductId, u32> = BTreeMap::new();
    for line in wanted {
        *of_product.entry(line.product.id).or_default() += line.quantity;
    }
    let mut lines = Vec::with_capacity(wanted.len());
    let mut total = Money::new(0, currency);
    for line in wanted {
        let priced = prices.line(line.product, line.variant, line.quantity)?;
        let quote = priced.quote;
        total = total.plus(quote.line)?;
        let limit = line.product.most_per_order.filter(|most| of_product[&line.product.id] > *most);
        lines.push(Line {
            quote,
            next: priced.next,
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
    use crate::price::{Counted, Effect, Moment, PriceBook, PriceRule, RuleId, RuleReach, Step, Zone};
    use std::sync::Arc;

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
        let cart =
            reckon(&[of(&kite, 0, 2, 6800), of(&kite, 0, 1, 6800)], gbp(), &Prices::default()).unwrap();
        assert_eq!(cart.total, pounds(20_400));
        assert!(cart.stands());
        assert_eq!(reckon(&[], gbp(), &Prices::default()).unwrap().total, pounds(0));
    }

    #[test]
    fn a_price_that_changed_since_is_said_and_the_new_one_counts() {
        let kite = kite();
        let cart = reckon(&[of(&kite, 0, 1, 6500)], gbp(), &Prices::default()).unwrap();
        assert_eq!(cart.lines[0].was, Some(pounds(6500)));
        assert_eq!(cart.total, pounds(6800));
        assert!(!cart.stands());
    }

    #[test]
    fn a_ladder_counts_over_the_lines_and_lines_add_up_to_the_total() {
        let kite = kite();
        let rule = PriceRule {
            id: RuleId(1),
            name: "Three".into(),
            reach: RuleReach::All,
            except: vec![],
            steps: vec![Step { from: 3, effect: Effect::Percent { hundredths: 1000 } }],
            counted: Counted::Product,
            total: None,
            from: None,
            until: None,
            on: true,
        };
        let book = PriceBook { rules: vec![rule], ..PriceBook::default() };
        let prices = Prices::new(Arc::new(book), Zone::default(), Moment::default());
        let cart = reckon(&[of(&kite, 0, 2, 6120), of(&kite, 1, 1, 6120)], gbp(), &prices).unwrap();
        assert_eq!(cart.lines.iter().map(|line| line.quote.unit.minor).collect::<Vec<_>>(), [6120, 6120]);
        assert_eq!((cart.total, cart.lines[0].was), (pounds(18_360), None));
        let two = reckon(&[of(&kite, 0, 2, 6800)], gbp(), &prices).unwrap();
        assert_eq!((two.total, two.lines[0].next.map(|next| next.more)), (pounds(13_600), Some(1)));
    }

    #[test]
    fn what_can_no_longer_be_had_is_said() {
        let mut kite = kite();
        let cart =
            reckon(&[of(&kite, 0, 6, 6800), of(&kite, 1, 1, 6800)], gbp(), &Prices::default()).unwrap();
        assert_eq!(cart.lines[0].hindrance, Some(Hindrance::OnlyLeft(5)));
        assert_eq!(cart.lines[1].hindrance, Some(Hindrance::SoldOut));
        kite.most_per_order = Some(2);
        let cart =
            reckon(&[of(&kite, 0, 1, 6800), of(&kite, 0, 2, 6800)], gbp(), &Prices::default()).unwrap();
        assert_eq!(cart.lines[0].hindrance, Some(Hindrance::MostPerOrder(2)), "both lines count together");
    }
}
