//! A cart reckoned against the catalogue as it stands now: what each line costs, which price has changed since it was
//! put in, and what can no longer be had. The cart page shows it; the sale checks it again inside its transaction.

use crate::catalog::{Product, Variant};
use crate::ids::{ProductId, VariantId};
pub use crate::limits::MOST_OF_ONE;
use crate::money::{Currency, Money, MoneyError};
use crate::price::{Effects, Extras, Hindrance, Next, Plan, PlanId, Prices, Quote, hindrance, without};
use std::collections::BTreeMap;

/// The most lines of one cart.
pub const MOST_LINES: usize = 50;

/// What a shopper has put into the cart.
#[derive(Debug, Clone, Copy)]
pub struct Wanted<'a> {
    /// The product.
    pub product: &'a Product,
    /// The variant.
    pub variant: &'a Variant,
    /// How many pieces.
    pub quantity: u32,
    /// The unit price that the shopper last saw.
    pub seen: Money,
    /// The plan by which it is bought; once where there is none.
    pub plan: Option<PlanId>,
    /// What is written onto it.
    pub text: Option<&'a str>,
}

impl Wanted<'_> {
    fn extras(&self) -> Extras {
        Extras { plan: self.plan, written: self.text.is_some() }
    }
}

/// A line as it stands now.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Line {
    /// What it costs.
    pub quote: Quote,
    /// So many more bring the unit price down.
    pub next: Option<Next>,
    /// The price that the shopper saw, where it is no longer the price.
    pub was: Option<Money>,
    /// Why it can’t be sold as it was put in.
    pub hindrance: Option<Hindrance>,
    /// How many of it can be had instead, where something hinders.
    pub can_be: u32,
    /// What lowered it, and what was added.
    pub effects: Effects,
    /// The plan by which it is bought.
    pub plan: Option<Plan>,
    /// The tax in the line.
    pub vat: Money,
}

/// A whole cart as it stands now.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Reckoning {
    /// The lines, in their order.
    pub lines: Vec<Line>,
    /// With tax.
    pub total: Money,
    /// The tax in it.
    pub vat: Money,
}

impl Reckoning {
    /// Whether it can be sold as the shopper saw it.
    #[must_use]
    pub fn stands(&self) -> bool {
        self.lines.iter().all(|line| line.was.is_none() && line.hindrance.is_none())
    }
}

/// Reckons a cart under the shop's price rules. Limits of an order and stock count all lines together, the earlier ones
/// first.
///
/// # Errors
/// [`MoneyError`] where currencies differ or an amount is too large.
pub fn reckon(wanted: &[Wanted<'_>], currency: Currency, prices: &Prices) -> Result<Reckoning, MoneyError> {
    let prices = prices.clone().with_cart(wanted.iter().map(|w| (w.product, w.variant, w.quantity)))?;
    let mut left = Left::of(wanted);
    let mut lines = Vec::with_capacity(wanted.len());
    let (mut total, mut vat) = (Money::new(0, currency), Money::new(0, currency));
    for line in wanted {
        let Wanted { product, variant, quantity, .. } = *line;
        let prices = prices.with_extras(line.extras());
        let priced = prices.line(product, variant, quantity)?;
        let quote = priced.quote;
        let of_line = quote.line.minus(without(quote.line, prices.book().vat.rate(&product.kind.handle)))?;
        (total, vat) = (total.plus(quote.line)?, vat.plus(of_line)?);
        let plan = prices.plan_for(product, variant, line.plan);
        let (hindrance, can_be) = left.take(line, plan);
        lines.push(Line {
            quote,
            next: priced.next,
            was: (line.seen != quote.unit).then_some(line.seen),
            hindrance,
            can_be,
            effects: prices.effects(product, variant, quantity)?,
            plan: plan.cloned(),
            vat: of_line,
        });
    }
    Ok(Reckoning { lines, total, vat })
}

/// What is left for the lines that follow.
struct Left {
    products: BTreeMap<ProductId, OfProduct>,
    stocks: BTreeMap<VariantId, Option<u32>>,
}

/// Of a product: how many the cart holds, and how many more one order may.
#[derive(Clone, Copy)]
struct OfProduct {
    all: u32,
    allowed: Option<u32>,
}

impl Left {
    fn of(wanted: &[Wanted<'_>]) -> Self {
        let mut left = Self { products: BTreeMap::new(), stocks: BTreeMap::new() };
        for line in wanted {
            let fresh = OfProduct { all: 0, allowed: line.product.most_per_order };
            let product = left.products.entry(line.product.id).or_insert(fresh);
            product.all = product.all.saturating_add(line.quantity);
            left.stocks.entry(line.variant.id).or_insert(line.variant.stock.left());
        }
        left
    }

    /// What hinders a line, and how many of it can be had. Too few of a product as a whole are made up for by its first
    /// line.
    fn take(&mut self, line: &Wanted<'_>, plan: Option<&Plan>) -> (Option<Hindrance>, u32) {
        let Wanted { product, variant, quantity, .. } = *line;
        let OfProduct { all, allowed } = self.products[&product.id];
        let stock = self.stocks[&variant.id];
        let (least, step) = (product.terms.least, product.terms.step.max(1));
        let missing = least.saturating_sub(all);
        let asked = if missing > 0 { (quantity + missing).div_ceil(step) * step } else { quantity };
        let most = stock.unwrap_or(MOST_OF_ONE).min(allowed.unwrap_or(MOST_OF_ONE)).min(MOST_OF_ONE);
        let fits = asked.min(most) / step * step;
        let refused = refused(line, plan);
        let too_few = missing > 0 && fits < asked;
        let can_be = if refused.is_some() || !product.is_sold() || too_few { 0 } else { fits };
        let alone = hindrance(product, variant, quantity);
        let alone = alone.filter(|why| !matches!(why, Hindrance::LeastPerOrder(_)));
        let together = || match (product.most_per_order, stock) {
            _ if missing > 0 => Some(Hindrance::LeastPerOrder(least)),
            (Some(most), _) if all > most => Some(Hindrance::MostPerOrder(most)),
            (_, Some(0)) => Some(Hindrance::SoldOut),
            (_, Some(left)) if left < quantity => Some(Hindrance::OnlyLeft(left)),
            _ => None,
        };
        let why = refused.or(alone).or_else(together);
        let used = if why.is_some() { can_be } else { quantity };
        let rest = |left: Option<u32>| left.map(|left| left.saturating_sub(used));
        self.products.insert(product.id, OfProduct { all: all.max(least), allowed: rest(allowed) });
        self.stocks.insert(variant.id, rest(stock));
        (why, can_be)
    }
}

/// Why a line can't be sold as it was put in, whatever its number.
fn refused(line: &Wanted<'_>, plan: Option<&Plan>) -> Option<Hindrance> {
    let taken = match &line.product.terms.text {
        Some(terms) => terms.read(line.text.unwrap_or_default()).is_ok(),
        None => line.text.is_none(),
    };
    if !taken {
        return Some(Hindrance::TextNotTaken);
    }
    (plan.map(|plan| plan.id) != line.plan).then_some(Hindrance::PlanGone)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::{pounds, product, with_variants};
    use crate::catalog::{Signs, Stock, Terms, TextTerms};
    use crate::price::{
        Counted, Effect, Period, PriceBook, PriceRule, RuleId, RuleReach, SavedOn, Step, Vat,
    };
    use crate::time::{Moment, Zone};
    use std::sync::Arc;

    fn kite() -> Product {
        let stocks: &[(&[Option<u16>], Stock)] =
            &[(&[Some(0)], Stock::Counted(5)), (&[Some(1)], Stock::Counted(0))];
        with_variants(product(&[("colour", 2)]), stocks)
    }

    fn of<'a>(product: &'a Product, variant: usize, quantity: u32, seen: i64) -> Wanted<'a> {
        Wanted {
            product,
            variant: &product.variants[variant],
            quantity,
            seen: pounds(seen),
            plan: None,
            text: None,
        }
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
            with: vec![],
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

    fn by_plan(once: bool) -> Prices {
        let plan = Plan {
            id: PlanId(1),
            reach: RuleReach::All,
            every: 8,
            period: Period::Weeks,
            hundredths: 1000,
            saved_on: SavedOn::All,
            once,
        };
        let book = PriceBook { plans: vec![plan], ..PriceBook::default() };
        Prices::new(Arc::new(book), Zone::default(), Moment::default())
    }

    #[test]
    fn lines_of_one_variant_share_its_stock_and_the_earlier_ones_come_first() {
        let kite = kite();
        let lines = [of(&kite, 0, 3, 6800), of(&kite, 0, 4, 6800), of(&kite, 0, 1, 6800)];
        let cart = reckon(&lines, gbp(), &Prices::default()).unwrap();
        let told: Vec<_> = cart.lines.iter().map(|line| (line.hindrance.clone(), line.can_be)).collect();
        let expected = [(None, 3), (Some(Hindrance::OnlyLeft(2)), 2), (Some(Hindrance::SoldOut), 0)];
        assert_eq!(told, expected);
    }

    #[test]
    fn too_few_of_a_product_are_made_up_for_by_its_first_line() {
        let mut kite = kite();
        kite.variants[1].stock = Stock::Counted(9);
        kite.terms = Terms { least: 5, step: 2, text: None };
        let told = |kite: &Product, one, two| {
            let cart = reckon(&[of(kite, 0, one, 6800), of(kite, 1, two, 6800)], gbp(), &Prices::default());
            cart.unwrap().lines.iter().map(|line| (line.hindrance.clone(), line.can_be)).collect::<Vec<_>>()
        };
        assert_eq!(told(&kite, 2, 4), [(None, 2), (None, 4)], "six of five");
        let least = Some(Hindrance::LeastPerOrder(5));
        assert_eq!(told(&kite, 2, 2), [(least, 4), (None, 2)], "one is missing, and steps are of two");
        assert_eq!(told(&kite, 3, 4)[0], (Some(Hindrance::InSteps(2)), 2));
        kite.variants[0].stock = Stock::Counted(2);
        assert_eq!(told(&kite, 2, 2)[0].1, 0, "so many aren't left");
        kite.variants[0].stock = Stock::Counted(9);
        kite.terms.step = 3;
        kite.terms.least = 9;
        assert_eq!(told(&kite, 3, 3)[0].1, 6, "three are missing, and steps are of three");
    }

    #[test]
    fn an_order_may_hold_as_many_of_a_product_as_is_said_and_no_more() {
        let mut kite = kite();
        kite.most_per_order = Some(4);
        kite.variants[1].stock = Stock::Counted(1);
        let told = |one, two| {
            let lines = [of(&kite, 0, one, 6800), of(&kite, 1, two, 6800), of(&kite, 1, two, 6800)];
            let cart = reckon(&lines, gbp(), &Prices::default()).unwrap();
            cart.lines.into_iter().map(|line| line.hindrance).collect::<Vec<_>>()
        };
        assert_eq!(told(2, 1), [None, None, Some(Hindrance::SoldOut)], "four in all, but not of this one");
        let most = Some(Hindrance::MostPerOrder(4));
        assert_eq!(told(3, 1), [most.clone(), most.clone(), most]);
    }

    #[test]
    fn a_line_tells_what_lowered_it_and_what_was_added() {
        let mut kite = kite();
        let text = TextTerms {
            label: "Name".into(),
            lines: 1,
            most: 12,
            signs: Signs::Any,
            surcharge: 600,
            needed: false,
        };
        kite.terms.text = Some(text);
        let line = Wanted { plan: Some(PlanId(1)), text: Some("Ada"), ..of(&kite, 0, 2, 6720) };
        let cart = reckon(&[line], gbp(), &by_plan(true)).unwrap();
        // 68.00 less a tenth is 61.20, and 6.00 for the name: 67.20 each.
        assert!(cart.stands());
        assert_eq!(cart.total, pounds(13_440));
        let effects = &cart.lines[0].effects;
        assert_eq!((effects.plan, effects.surcharge), (Some(pounds(1360)), Some(pounds(1200))));
        let two = [line, Wanted { text: None, ..line }];
        let cart = reckon(&two, gbp(), &by_plan(true)).unwrap();
        assert_eq!(cart.lines[1].quote.unit, pounds(6120), "without a name no surcharge");
    }

    #[test]
    fn a_plan_or_a_text_that_is_no_longer_taken_is_told() {
        let kite = kite();
        let gone = Wanted { plan: Some(PlanId(7)), ..of(&kite, 0, 1, 6800) };
        let of_line = |wanted, prices: &Prices| {
            let line = reckon(&[wanted], gbp(), prices).unwrap().lines.remove(0);
            (line.hindrance, line.can_be)
        };
        assert_eq!(of_line(gone, &by_plan(true)), (Some(Hindrance::PlanGone), 0));
        let written = Wanted { text: Some("Ada"), ..of(&kite, 0, 1, 6800) };
        assert_eq!(of_line(written, &by_plan(true)), (Some(Hindrance::TextNotTaken), 0));
        let only_by_plan = reckon(&[of(&kite, 0, 1, 6120)], gbp(), &by_plan(false)).unwrap();
        assert_eq!(only_by_plan.total, pounds(6120), "what isn't sold once costs what its first plan says");
        assert_eq!(only_by_plan.lines[0].plan.as_ref().map(|plan| plan.id), Some(PlanId(1)));
        let told = only_by_plan.lines[0].hindrance.clone();
        assert_eq!(told, Some(Hindrance::PlanGone), "nobody is made to buy again and again unasked");
    }

    #[test]
    fn the_tax_in_the_lines_adds_up() {
        let kite = kite();
        let book = PriceBook { vat: Vat { hundredths: 2000, ..Vat::default() }, ..PriceBook::default() };
        let prices = Prices::new(Arc::new(book), Zone::default(), Moment::default());
        let cart = reckon(&[of(&kite, 0, 3, 6800), of(&kite, 0, 1, 6800)], gbp(), &prices).unwrap();
        // 204.00 / 1.2 is 170.00; 68.00 / 1.2 is 56.67.
        assert_eq!(cart.lines.iter().map(|line| line.vat.minor).collect::<Vec<_>>(), [3400, 1133]);
        assert_eq!(cart.vat, pounds(4533));
    }
}
