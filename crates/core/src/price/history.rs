//! What things cost before, and the old price that comes of it: the lowest price of the 30 days before the present one.
//!
//! What counts is the price of one piece for an empty cart, as rules made it at the time. Only changes are recorded, with
//! what was before them; before the first of them a thing has cost what that one says.

use super::ruled::{Prices, Thing};
use crate::catalog::{PriceChange, Product, Variant};
use crate::ids::VariantId;
use crate::money::Money;
use crate::time::Moment;
use serde::Serialize;
use std::collections::BTreeSet;

/// The lowest price before the present one.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Lowest {
    /// What it was.
    pub amount: Money,
    /// When it cost that; the beginning of the 30 days where it did so before.
    pub at: Moment,
    /// Since when it costs what it costs now.
    pub since: Moment,
}

/// So many days before the present price are looked at.
pub const DAYS_LOOKED_BACK: i64 = 30;
const DAY: i64 = 86_400;
/// A price that has stood for longer has no price before it.
const FAR_BACK: i64 = 400 * DAY;

impl Prices {
    /// The lowest price of one piece in the 30 days before it came to cost what it costs now; none where it has never cost
    /// anything else.
    #[must_use]
    pub fn lowest_before(&self, product: &Product, variant: &Variant) -> Option<Lowest> {
        let now = self.one_at(product, variant, self.now);
        let edges = self.edges(product, variant);
        let before = |edge: &&Moment| self.one_at(product, variant, Moment(edge.0 - 1)) != now;
        let since = *edges.iter().rev().find(before)?;
        let start = Moment(since.0 - DAYS_LOOKED_BACK * DAY);
        let within = edges.iter().copied().filter(|edge| start < *edge && *edge < since);
        let priced = |at| (self.one_at(product, variant, at), at);
        let (amount, at) = std::iter::once(start).chain(within).map(priced).min_by_key(|(m, _)| m.minor)?;
        Some(Lowest { amount, at, since })
    }

    /// A typed old price that is above what the price history bears out, with the lowest price that does.
    #[must_use]
    pub fn overstated(&self, product: &Product, variant: &Variant) -> Option<(Money, Lowest)> {
        let typed = super::quote(product, variant, 1).ok()?.old?;
        let lowest = self.lowest_before(product, variant)?;
        (typed.minor > lowest.amount.minor).then_some((typed, lowest))
    }

    /// The old price by the history where the price has fallen, and what a price for more pieces is held against.
    pub(super) fn lowest_old(&self, thing: Thing<'_>) -> (Option<Money>, Money) {
        let Thing { product, variant, .. } = thing;
        let now = self.one_at(product, variant, self.now);
        let lowest = self.lowest_before(product, variant);
        let fallen = lowest.map(|lowest| lowest.amount).filter(|amount| amount.minor > now.minor);
        let start = Moment(self.now.0 - DAYS_LOOKED_BACK * DAY);
        let edges = self.edges(product, variant).into_iter().filter(|edge| *edge > start);
        let lately = edges.chain([start]).map(|at| self.one_at(product, variant, at).minor).min();
        (fallen, Money::new(lately.unwrap_or(now.minor).min(now.minor), now.currency))
    }

    /// The moments, up to now, at which a price may have changed.
    fn edges(&self, product: &Product, variant: &Variant) -> BTreeSet<Moment> {
        let of_it = |change: &&PriceChange| change.variant.is_none_or(|id| id == variant.id);
        let changes = product.history.iter().filter(of_it).map(|change| change.at);
        let books = self.past.iter().map(|past| past.until);
        let rules = self.past.iter().map(|past| &past.book).chain([&self.book]);
        let rules = rules.flat_map(|book| book.edges(&self.zone));
        let near = |at: &Moment| *at <= self.now && at.0 > self.now.0 - FAR_BACK;
        changes.chain(books).chain(rules).filter(near).collect()
    }

    /// What one piece cost at a moment.
    fn one_at(&self, product: &Product, variant: &Variant, at: Moment) -> Money {
        let book = self.past.iter().find(|past| past.until > at).map_or(&self.book, |past| &past.book);
        let base = base_at(product, variant, at);
        Self::new(book.clone(), self.zone.clone(), at).of_one(Thing { product, variant, base })
    }
}

/// What a variant cost at a moment before any rule.
fn base_at(product: &Product, variant: &Variant, at: Moment) -> Money {
    let next = |of: Option<VariantId>| {
        product.history.iter().find(|change| change.variant == of && change.at > at).map(|change| change.was)
    };
    let own = next(Some(variant.id)).unwrap_or(variant.price.map(|price| price.minor));
    let of_product = next(None).flatten().unwrap_or(product.price.minor);
    Money::new(own.unwrap_or(of_product), product.price.currency)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::Stock;
    use crate::catalog::samples::{pounds, product, with_variants};
    use crate::price::{Counted, Effect, OldFrom, PastBook, PriceBook, PriceRule, RuleId, RuleReach, Step};
    use crate::time::{Local, Zone};
    use std::sync::Arc;

    const fn day(number: i64) -> Moment {
        Moment(1_700_000_000 + number * DAY)
    }

    /// A kite whose price changed on these days, from these prices to £68.00.
    fn kite(changes: &[(i64, i64)]) -> Product {
        let mut kite = with_variants(product(&[]), &[(&[], Stock::Counted(3))]);
        let change = |(at, was): &(i64, i64)| PriceChange { at: day(*at), variant: None, was: Some(*was) };
        kite.history = changes.iter().map(change).collect();
        kite
    }

    fn sale(hundredths: u32, from: i64) -> PriceRule {
        let zone = Zone::default();
        PriceRule {
            id: RuleId(1),
            name: "Sale".into(),
            reach: RuleReach::All,
            except: vec![],
            steps: vec![Step { from: 1, effect: Effect::Percent { hundredths } }],
            counted: Counted::Product,
            total: None,
            with: vec![],
            from: Some(zone.local(day(from))),
            until: None::<Local>,
            on: true,
        }
    }

    fn at(now: i64, rules: Vec<PriceRule>) -> Prices {
        let book = PriceBook { rules, old: OldFrom::Lowest, ..PriceBook::default() };
        Prices::new(Arc::new(book), Zone::default(), day(now))
    }

    fn lowest(prices: &Prices, kite: &Product) -> Option<(i64, i64)> {
        let lowest = prices.lowest_before(kite, &kite.variants[0])?;
        Some((lowest.amount.minor, (lowest.since.0 - day(0).0) / DAY))
    }

    fn old(prices: &Prices, kite: &Product, quantity: u32) -> Option<i64> {
        prices.quote(kite, &kite.variants[0], quantity).unwrap().quote.old.map(|old| old.minor)
    }

    #[test]
    fn the_lowest_price_of_the_thirty_days_before_the_present_one_counts() {
        type Case = (&'static [(i64, i64)], Option<(i64, i64)>, &'static str);
        let cases: [Case; 6] = [
            (&[], None, "it has never cost anything else"),
            (&[(90, 8500)], Some((8500, 90)), "85 for long, then 68"),
            (&[(80, 8500), (90, 7500)], Some((7500, 90)), "75 for the last ten days before"),
            (&[(40, 7000), (90, 8500)], Some((8500, 90)), "70 ended fifty days before the fall"),
            (&[(70, 7000), (90, 8500)], Some((7000, 90)), "70 ended twenty days before the fall"),
            (&[(60, 8500), (90, 6800)], Some((8500, 60)), "a change to the same price is none"),
        ];
        for (changes, wanted, why) in cases {
            assert_eq!(lowest(&at(100, vec![]), &kite(changes)), wanted, "{why}");
        }
    }

    #[test]
    fn a_sale_is_held_against_what_it_cost_before_it() {
        let prices = at(100, vec![sale(2500, 95)]);
        assert_eq!(old(&prices, &kite(&[]), 1), Some(6800), "51.00 since day 95, 68.00 before");
        assert_eq!(old(&prices, &kite(&[(94, 9000)]), 1), Some(6800), "90.00 until a day before");
        let risen = kite(&[(90, 5000)]);
        assert_eq!(old(&prices, &risen, 1), None, "50.00 twenty days ago: 51.00 is no fall");
        let later = at(130, vec![sale(2500, 95)]);
        assert_eq!(old(&later, &kite(&[]), 1), Some(6800), "it stays while the sale lasts");
    }

    #[test]
    fn a_price_for_more_pieces_is_held_against_the_lowest_price_of_one_lately() {
        let mut ladder = sale(1000, 0);
        (ladder.from, ladder.steps[0].from) = (None, 3);
        let prices = at(100, vec![ladder]);
        assert_eq!(old(&prices, &kite(&[]), 3), Some(6800));
        assert_eq!(old(&prices, &kite(&[(95, 6500)]), 3), Some(6500), "one cost 65.00 a week ago");
        assert_eq!(old(&prices, &kite(&[(95, 6000)]), 3), None, "60.00 a week ago: 61.20 is no saving");
        assert_eq!(old(&prices, &kite(&[(95, 6120)]), 3), None, "nor is what one cost a week ago");
        assert_eq!(old(&prices, &kite(&[]), 1), None);
        let for_ten_days = [(85, 6800), (95, 6500)];
        assert_eq!(old(&prices, &kite(&for_ten_days), 3), Some(6500), "65.00 in between counts");
    }

    #[test]
    fn what_was_long_ago_and_what_is_to_come_is_no_price_before() {
        let changed = |day| lowest(&at(500, vec![]), &kite(&[(day, 8500)]));
        assert_eq!((changed(101), changed(100)), (Some((8500, 101)), None), "less than 400 days ago");
        let zone = Zone::default();
        let coming = PriceRule { until: Some(zone.local(day(120))), ..sale(2500, 110) };
        assert_eq!(lowest(&at(100, vec![coming]), &kite(&[])), None);
    }

    #[test]
    fn an_old_price_by_the_history_is_looked_at_anew_every_hour_and_when_a_rule_begins() {
        let next = |prices: Prices| prices.next_change().map(|at| at.0 - day(100).0);
        assert_eq!(next(at(100, vec![])), Some(3_600));
        let begins = |seconds| {
            let from = Some(Zone::default().local(Moment(day(100).0 + seconds)));
            next(at(100, vec![PriceRule { from, ..sale(2500, 0) }]))
        };
        let soon = begins(1_800).unwrap();
        assert!(soon > 1_740 && soon <= 1_800, "moments are told to the minute: {soon}");
        assert_eq!(begins(7_200), Some(3_600));
    }

    #[test]
    fn a_book_that_was_in_force_before_counts_for_its_time() {
        let before = PriceBook { rules: vec![sale(5000, 0)], ..PriceBook::default() };
        let past = PastBook { until: day(90), book: Arc::new(before) };
        let prices = at(100, vec![]).with_past(vec![past]);
        assert_eq!(lowest(&prices, &kite(&[])), Some((3400, 90)), "half price until day 90");
        assert_eq!(
            lowest(&prices.at(day(90)), &kite(&[])),
            Some((3400, 90)),
            "that moment is the new book's"
        );
    }

    #[test]
    fn a_variants_own_price_has_its_own_history() {
        let mut kite = kite(&[(90, 9900)]);
        let id = Some(kite.variants[0].id);
        kite.history.push(PriceChange { at: day(95), variant: id, was: None });
        kite.variants[0].price = Some(pounds(6000));
        assert_eq!(lowest(&at(100, vec![]), &kite), Some((6800, 95)), "the product's 68.00 until day 95");
    }

    #[test]
    fn a_typed_old_price_above_the_history_is_told() {
        let typed = |mut kite: Product, old: i64| {
            kite.old_price = Some(pounds(old));
            at(100, vec![]).overstated(&kite, &kite.variants[0]).map(|(_, lowest)| lowest.amount.minor)
        };
        assert_eq!(typed(kite(&[(90, 7500)]), 8500), Some(7500));
        assert_eq!(typed(kite(&[(90, 8500)]), 8500), None);
        assert_eq!(typed(kite(&[]), 8500), None, "nothing is recorded against it");
    }
}
