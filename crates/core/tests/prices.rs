//! Prices under rules, worked out by hand: what goes in, what comes out, and why.
#![allow(clippy::unwrap_used)]

mod samples;

use compagina_core::catalog::{Product, Signs, Stock, TextTerms, Variant};
use compagina_core::ids::{Handle, ProductId, VariantId};
use compagina_core::money::{Currency, Money};
use compagina_core::price::{
    Counted, Effect, Extras, Outcome, Period, Places, Plan, PlanId, Policy, PriceBook, PriceRule, Prices,
    Promise, Rounding, RuleId, RuleReach, SavedOn, Step, Surface, Together,
};
use compagina_core::time::{Local, Moment, Zone};
use proptest::prelude::*;
use std::sync::Arc;

fn handle(text: &str) -> Handle {
    Handle::try_from(text).unwrap()
}

/// A product with one variant, at a price in minor units.
fn thing(number: u64, minor: i64, currency: &str) -> Product {
    let mut product = samples::product(&[], &[]);
    product.id = ProductId(number);
    product.handle = handle(&format!("thing-{number}"));
    product.price = Money::new(minor, Currency::from_code(currency).unwrap());
    product.old_price = None;
    product.options = vec![];
    product.variants = vec![Variant {
        id: VariantId(number),
        sku: format!("SKU-{number}"),
        values: vec![],
        price: None,
        old_price: None,
        stock: Stock::Counted(100),
        picture: None,
        measure: None,
    }];
    product
}

const fn percent(hundredths: u32) -> Effect {
    Effect::Percent { hundredths }
}
const fn amount(minor: i64) -> Effect {
    Effect::Amount { minor }
}
const fn fixed(minor: i64) -> Effect {
    Effect::Fixed { minor }
}

fn rule(id: u64, steps: &[(u32, Effect)]) -> PriceRule {
    PriceRule {
        id: RuleId(id),
        name: format!("Rule {id}"),
        reach: RuleReach::All,
        except: vec![],
        steps: steps.iter().map(|(from, effect)| Step { from: *from, effect: *effect }).collect(),
        counted: Counted::Product,
        total: None,
        with: vec![],
        from: None,
        until: None,
        on: true,
    }
}

fn book(rules: Vec<PriceRule>, together: Together) -> PriceBook {
    let book = PriceBook { rules, together, ..PriceBook::default() };
    assert_eq!(book.check(), Ok(()));
    book
}

fn prices(book: PriceBook) -> Prices {
    Prices::new(Arc::new(book), Zone::default(), Moment(0))
}

fn unit(prices: &Prices, product: &Product, quantity: u32) -> i64 {
    prices.quote(product, &product.variants[0], quantity).unwrap().quote.unit.minor
}

const LADDER: &[(u32, Effect)] = &[(3, percent(500)), (6, percent(1000)), (12, percent(2000))];

type Single = (i64, &'static str, &'static [(u32, Effect)], u32, i64, &'static str);

/// One rule on one thing: price, currency, rule's steps, quantity → unit price, and the reason.
const SINGLE: &[Single] = &[
    (6800, "GBP", &[(1, percent(1000))], 1, 6120, "68.00 less 10 % (6.80) is 61.20"),
    (6800, "GBP", &[(1, percent(10_000))], 1, 0, "all of it off is nothing"),
    (6800, "GBP", &[(1, amount(1000))], 1, 5800, "68.00 less 10.00"),
    (6800, "GBP", &[(1, amount(7000))], 1, 0, "70.00 off 68.00 stops at zero"),
    (6800, "GBP", &[(1, fixed(5000))], 1, 5000, "a fixed price is the price"),
    (6800, "GBP", &[(1, fixed(7000))], 1, 6800, "no rule makes anything dearer"),
    (6800, "GBP", &[(1, fixed(0))], 1, 0, "a fixed price of nothing is allowed"),
    (999, "GBP", &[(1, percent(1250))], 1, 874, "9.99 × 0.875 = 8.74125, to the nearest penny 8.74"),
    (995, "GBP", &[(1, percent(5000))], 1, 498, "4.975 is a half: up, to 4.98"),
    (1, "GBP", &[(1, percent(5000))], 1, 1, "half a penny rounds up to the penny it was"),
    (1, "GBP", &[(1, percent(5001))], 1, 0, "0.4999 of a penny rounds down"),
    (1001, "JPY", &[(1, percent(1000))], 1, 901, "¥1001 × 0.9 = 900.9, and yen have no decimals: 901"),
    (105, "JPY", &[(1, percent(5000))], 1, 53, "52.5 yen is a half: up, to 53"),
    (
        12_345,
        "KWD",
        &[(1, percent(1500))],
        1,
        10_493,
        "12.345 × 0.85 = 10.49325, fils are thousandths: 10.493",
    ),
    (12_350, "KWD", &[(1, percent(333))], 1, 11_939, "12.350 × 0.9667 = 11.938745: 11.939"),
    (1200, "GBP", LADDER, 2, 1200, "2 are fewer than 3"),
    (1200, "GBP", LADDER, 3, 1140, "3 reach the first step: 12.00 less 5 % is 11.40"),
    (1200, "GBP", LADDER, 5, 1140, "5 are still on the first step"),
    (1200, "GBP", LADDER, 6, 1080, "6 reach the second: 10.80"),
    (1200, "GBP", LADDER, 12, 960, "12 reach the third: 9.60"),
    (1200, "GBP", LADDER, 99, 960, "there is no step after it"),
    (
        1200,
        "GBP",
        &[(3, percent(1000)), (6, percent(500))],
        6,
        1080,
        "a later, weaker step doesn't take the better away",
    ),
    (
        1200,
        "GBP",
        &[(2, fixed(1100)), (5, amount(150))],
        5,
        1050,
        "steps may differ in kind: 12.00 less 1.50",
    ),
    (0, "GBP", &[(1, percent(1000))], 1, 0, "what costs nothing stays free"),
];

#[test]
fn one_rule_on_one_thing() {
    for (price, currency, steps, quantity, expected, why) in SINGLE {
        let product = thing(1, *price, currency);
        let prices = prices(book(vec![rule(1, steps)], Together::BestOne));
        let quote = prices.quote(&product, &product.variants[0], *quantity).unwrap().quote;
        assert_eq!(quote.unit.minor, *expected, "{why}");
        assert_eq!(quote.line.minor, expected * i64::from(*quantity), "{why}");
    }
}

/// Rules together: their effects in order, together → unit price of something at 100.00.
const TOGETHER: &[(&[Effect], Together, i64, &str)] = &[
    (&[percent(1000), percent(2000)], Together::BestOne, 8000, "20 % beats 10 %"),
    (&[percent(1000), amount(1500)], Together::BestOne, 8500, "15.00 beats 10.00"),
    (&[fixed(9000), percent(1000)], Together::BestOne, 9000, "both come to 90.00"),
    (&[percent(1000), percent(2000)], Together::InOrder, 7200, "100.00 → 90.00 → 72.00"),
    (&[percent(2000), percent(1000)], Together::InOrder, 7200, "percentages commute but for rounding"),
    (&[amount(1000), percent(1000)], Together::InOrder, 8100, "100.00 → 90.00 → 81.00"),
    (&[percent(1000), amount(1000)], Together::InOrder, 8000, "100.00 → 90.00 → 80.00: order matters"),
    (&[amount(6000), amount(6000)], Together::InOrder, 0, "100.00 → 40.00 → not below zero"),
    (&[percent(5000), fixed(7000)], Together::InOrder, 5000, "a fixed 70.00 isn't below the 50.00 left"),
    (&[fixed(7000), percent(5000)], Together::InOrder, 3500, "half of the fixed 70.00"),
    (
        &[percent(3333), percent(3333)],
        Together::InOrder,
        4445,
        "66.67, then 66.67 × 0.6667 = 44.448889: 44.45",
    ),
];

#[test]
fn rules_together_are_the_best_one_or_one_after_another() {
    let product = thing(1, 10_000, "GBP");
    for (effects, together, expected, why) in TOGETHER {
        let rules = (1..).zip(*effects).map(|(id, effect)| rule(id, &[(1, *effect)])).collect();
        assert_eq!(unit(&prices(book(rules, *together)), &product, 1), *expected, "{why}");
    }
}

/// Rounding: price, percentage, rounding → price.
const ROUNDED: &[(i64, u32, Rounding, i64, &str)] = &[
    (999, 1250, Rounding { down: true, step: 1 }, 874, "8.74125 down"),
    (995, 5000, Rounding { down: true, step: 1 }, 497, "4.975 down is 4.97"),
    (1999, 1000, Rounding { down: false, step: 5 }, 1800, "17.991 to the nearest 5 pence"),
    (1999, 1000, Rounding { down: true, step: 5 }, 1795, "17.991 down to 5 pence"),
    (1999, 1000, Rounding { down: true, step: 100 }, 1700, "17.991 down to whole pounds"),
    (104, 100, Rounding { down: false, step: 5 }, 104, "1.0296 would round to 1.05, dearer than it was"),
];

#[test]
fn rounding_is_as_the_book_states() {
    for (price, hundredths, rounding, expected, why) in ROUNDED {
        let mut book = book(vec![rule(1, &[(1, percent(*hundredths))])], Together::BestOne);
        book.rounding = *rounding;
        assert_eq!(unit(&prices(book), &thing(1, *price, "GBP"), 1), *expected, "{why}");
    }
    let mut book = PriceBook::default();
    book.rounding.step = 7;
    assert!(book.check().is_err());
}

#[test]
fn a_ladder_counts_the_variant_the_product_or_all_its_lines() {
    let (line, winder) = (thing(1, 1200, "GBP"), thing(2, 2400, "GBP"));
    let mut kite = thing(3, 1200, "GBP");
    kite.variants.push(Variant { id: VariantId(33), sku: "SKU-33".into(), ..kite.variants[0].clone() });
    let priced = |counted, product: &Product, variant: usize, quantity, cart: &[(&Product, usize, u32)]| {
        let ladder = PriceRule { counted, ..rule(1, LADDER) };
        let cart = cart
            .iter()
            .map(|(product, variant, quantity)| (*product, &product.variants[*variant], *quantity));
        let prices = prices(book(vec![ladder], Together::BestOne)).with_cart(cart).unwrap();
        prices.quote(product, &product.variants[variant], quantity).unwrap().quote.unit.minor
    };
    // Two of one and one of another variant of the same kite.
    assert_eq!(priced(Counted::Variant, &kite, 0, 1, &[(&kite, 1, 2)]), 1200, "1 of this variant");
    assert_eq!(priced(Counted::Product, &kite, 0, 1, &[(&kite, 1, 2)]), 1140, "3 of this kite");
    assert_eq!(priced(Counted::Variant, &kite, 0, 1, &[(&kite, 0, 2)]), 1140, "3 of this variant");
    // One line and five winders: 6 pieces of all that the rule is for.
    assert_eq!(priced(Counted::Product, &line, 0, 1, &[(&winder, 0, 5)]), 1200, "1 of this product");
    assert_eq!(priced(Counted::Lines, &line, 0, 1, &[(&winder, 0, 5)]), 1080, "6 over two lines: 10 %");
    assert_eq!(priced(Counted::Lines, &winder, 0, 1, &[(&line, 0, 11)]), 1920, "12 over two lines: 20 %");
}

#[test]
fn a_condition_on_the_total_looks_at_prices_before_any_rule() {
    let line = thing(1, 3000, "GBP");
    let over_100 = PriceRule { total: Some(10_000), ..rule(1, &[(1, percent(1000))]) };
    let prices = prices(book(vec![over_100], Together::BestOne));
    assert_eq!(unit(&prices, &line, 3), 3000, "90.00 is below 100.00");
    assert_eq!(unit(&prices, &line, 4), 2700, "120.00 before the rule, 108.00 after it");
    let cart = prices.clone().with_cart([(&line, &line.variants[0], 3)]).unwrap();
    assert_eq!(unit(&cart, &line, 1), 2700, "90.00 in the cart and 30.00 more");
    // Without a fourth the three stay as they are.
    assert_eq!(cart.line(&line, &line.variants[0], 3).unwrap().quote.unit.minor, 3000);
    let next = prices.quote(&line, &line.variants[0], 1).unwrap().next.unwrap();
    assert_eq!((next.more, next.unit.minor, next.percent), (3, 2700, 10));
}

#[test]
fn a_rule_reaches_what_it_names_but_for_exceptions() {
    let mut kite = thing(1, 1000, "GBP");
    kite.tags = vec!["beach".into()];
    let half = |reach, except: &[&str]| {
        let except = except.iter().map(|text| handle(text)).collect();
        prices(book(vec![PriceRule { reach, except, ..rule(1, &[(1, percent(5000))]) }], Together::BestOne))
    };
    let kind = kite.kind.handle.clone();
    for (reach, expected) in [
        (RuleReach::All, 500),
        (RuleReach::Types { types: vec![kind] }, 500),
        (RuleReach::Types { types: vec![handle("gift-cards")] }, 1000),
        (RuleReach::Tags { tags: vec!["beach".into(), "sale".into()] }, 500),
        (RuleReach::Tags { tags: vec!["sale".into()] }, 1000),
        (RuleReach::Products { products: vec![handle("thing-1")] }, 500),
        (RuleReach::Products { products: vec![handle("thing-2")] }, 1000),
        (RuleReach::Variants { skus: vec!["sku-1".into()] }, 500),
        (RuleReach::Variants { skus: vec!["SKU-2".into()] }, 1000),
    ] {
        assert_eq!(unit(&half(reach.clone(), &[]), &kite, 1), expected, "{reach:?}");
        assert_eq!(unit(&half(reach.clone(), &["thing-1"]), &kite, 1), 1000, "an exception: {reach:?}");
    }
}

/// London's clocks: local time from, until, and moments at which the rule holds or not (UTC seconds).
#[test]
fn dates_hold_by_the_shops_clocks_also_when_they_change() {
    let kite = thing(1, 1000, "GBP");
    let london = Zone::named("Europe/London").unwrap();
    let local = |text: &str| Local::try_from(text.to_owned()).unwrap();
    let at = |from: &str, until: &str, moment: i64| {
        let dated = PriceRule {
            from: Some(local(from)),
            until: Some(local(until)),
            ..rule(1, &[(1, percent(5000))])
        };
        let book = Arc::new(book(vec![dated], Together::BestOne));
        unit(&Prices::new(book, london.clone(), Moment(moment)), &kite, 1) == 500
    };
    // 2026-03-29 00:00:00 UTC is 1774742400; clocks go from 01:00 to 02:00 at 01:00 UTC.
    let march = 1_774_742_400;
    assert!(!at("2026-03-29T00:30", "2026-03-29T03:00", march + 1799), "a second before 00:30");
    assert!(at("2026-03-29T00:30", "2026-03-29T03:00", march + 1800), "from 00:30 on");
    assert!(at("2026-03-29T00:30", "2026-03-29T03:00", march + 7199), "02:59:59 summer time is 01:59:59 UTC");
    assert!(!at("2026-03-29T00:30", "2026-03-29T03:00", march + 7200), "03:00 summer time is 02:00 UTC");
    assert!(
        !at("2026-03-29T01:30", "2026-03-29T04:00", march + 3600),
        "01:30 doesn't come: it begins at 02:30"
    );
    assert!(at("2026-03-29T01:30", "2026-03-29T04:00", march + 5400), "02:30 summer time is 01:30 UTC");
    // 2026-10-25 00:00:00 UTC is 1792886400; at 01:00 UTC clocks go from 02:00 back to 01:00.
    let october = 1_792_886_400;
    assert!(at("2026-10-25T01:30", "2026-10-25T03:00", october + 1800), "the first 01:30 is 00:30 UTC");
    assert!(
        at("2026-10-25T01:30", "2026-10-25T03:00", october + 3600 + 600),
        "01:10 the second time: it goes on"
    );
    assert!(
        !at("2026-10-25T00:00", "2026-10-25T01:30", october + 3600 + 600),
        "and one that ended at 01:30 is over"
    );
    assert!(!at("2026-10-25T01:30", "2026-10-25T03:00", october + 10_800), "03:00 winter time is 03:00 UTC");
}

#[test]
fn the_next_change_is_the_next_edge_of_a_rule_that_is_on() {
    let local = |text: &str| Some(Local::try_from(text.to_owned()).unwrap());
    let dated = |id, from, until, on| PriceRule { from, until, on, ..rule(id, &[(1, percent(1000))]) };
    let rules = vec![
        dated(1, local("1970-01-01T02:00"), local("1970-01-01T05:00"), true),
        dated(2, local("1970-01-01T01:00"), None, false),
    ];
    let book = Arc::new(book(rules, Together::BestOne));
    let next = |now| Prices::new(book.clone(), Zone::default(), Moment(now)).next_change();
    assert_eq!(next(0), Some(Moment(7200)));
    assert_eq!(next(7200), Some(Moment(18_000)));
    assert_eq!(next(18_000), None);
}

#[test]
fn an_old_price_is_shown_at_once_once_earned_or_with_the_quantity() {
    let line = thing(1, 1200, "GBP");
    let shown = |policy, quantity, in_cart: u32| {
        let mut book = book(vec![rule(1, LADDER)], Together::BestOne);
        book.places = Places { page: policy, ..Places::default() };
        let cart = (in_cart > 0).then_some((&line, &line.variants[0], in_cart));
        let prices = prices(book).with_cart(cart).unwrap();
        let shown = prices.shown(&line, &line.variants[0], quantity, Surface::Page).unwrap();
        (shown.quote.unit.minor, shown.quote.old.map(|old| old.minor), shown.promise)
    };
    use Policy::{AtOnce, OnceEarned, WithQuantity};
    assert_eq!(shown(WithQuantity, 1, 0), (1200, None, None), "1 isn't 3");
    assert_eq!(shown(WithQuantity, 3, 0), (1140, Some(1200), None), "raised to 3 the old price appears");
    assert_eq!(
        shown(OnceEarned, 3, 0),
        (1140, None, None),
        "the price is right; nothing in the cart has earned it"
    );
    assert_eq!(shown(OnceEarned, 1, 3), (1140, Some(1200), None), "3 in the cart have");
    let three = Some(Promise { pieces: Some(3), total: None });
    assert_eq!(shown(AtOnce, 1, 0), (1140, Some(1200), three), "shown at once, with its condition");
    assert_eq!(shown(AtOnce, 6, 0), (1080, Some(1200), None), "what is earned already needs no condition");
}

#[test]
fn a_typed_old_price_stands_before_the_one_that_a_rule_brings() {
    let mut kite = thing(1, 6800, "GBP");
    kite.old_price = Some(Money::new(8500, kite.price.currency));
    let prices = prices(book(vec![rule(1, &[(1, percent(1000))])], Together::BestOne));
    let quote = prices.quote(&kite, &kite.variants[0], 2).unwrap().quote;
    // 61.20 against 85.00: 23.80 less, and 28.0 % of 85.00 is 23.80.
    assert_eq!((quote.unit.minor, quote.old.unwrap().minor, quote.line.minor), (6120, 8500, 12_240));
    assert_eq!((quote.saving.unwrap().amount.minor, quote.saving.unwrap().percent), (2380, 28));
}

#[test]
fn the_working_names_every_rule_with_what_it_did_or_why_not() {
    let line = thing(1, 10_000, "GBP");
    let local = |text: &str| Local::try_from(text.to_owned()).unwrap();
    let ten = rule(1, &[(1, percent(1000))]);
    let twenty = rule(2, &[(1, percent(2000))]);
    let ladder = rule(3, &[(4, percent(5000))]);
    let total = PriceRule { total: Some(50_000), ..rule(4, &[(1, percent(5000))]) };
    let later = PriceRule { from: Some(local("1970-01-02T00:00")), ..rule(5, &[(1, percent(5000))]) };
    let over = PriceRule { until: Some(local("1969-12-31T00:00")), ..rule(6, &[(1, percent(5000))]) };
    let off = PriceRule { on: false, ..rule(7, &[(1, percent(5000))]) };
    let other = PriceRule {
        reach: RuleReach::Products { products: vec![handle("other")] },
        ..rule(8, &[(1, percent(5000))])
    };
    let dearer = rule(9, &[(1, fixed(20_000))]);
    let rules = vec![ten, twenty, ladder, total, later, over, off, other, dearer];
    let money = |minor| Money::new(minor, line.price.currency);
    let outcomes = |together| {
        let prices = prices(book(rules.clone(), together));
        let (priced, working) = prices.explain(&line, &line.variants[0], 2).unwrap();
        let told: Vec<_> =
            working.iter().map(|work| (work.before.minor, work.after.minor, work.outcome.clone())).collect();
        (priced.quote.unit.minor, told)
    };
    let rest = |before: i64| {
        vec![
            (before, before, Outcome::TooFew { needs: 4, has: 2 }),
            (before, before, Outcome::TotalTooLow { needs: money(50_000), has: money(20_000) }),
            (before, before, Outcome::NotYet { from: local("1970-01-02T00:00") }),
            (before, before, Outcome::Over { until: local("1969-12-31T00:00") }),
            (before, before, Outcome::Off),
            (before, before, Outcome::NotFor),
            (before, before, Outcome::NoEffect),
        ]
    };
    let (unit, told) = outcomes(Together::BestOne);
    let first = [(10_000, 9000, Outcome::Beaten), (10_000, 8000, Outcome::Applied { from: 1 })];
    assert_eq!((unit, told), (8000, [first.to_vec(), rest(10_000)].concat()));
    let (unit, told) = outcomes(Together::InOrder);
    let first = [(10_000, 9000, Outcome::Applied { from: 1 }), (9000, 7200, Outcome::Applied { from: 1 })];
    assert_eq!((unit, told), (7200, [first.to_vec(), rest(7200)].concat()));
}

fn plan(id: u64, hundredths: u32) -> Plan {
    Plan {
        id: PlanId(id),
        reach: RuleReach::All,
        every: 8,
        period: Period::Weeks,
        hundredths,
        saved_on: SavedOn::All,
        once: true,
    }
}

/// Of a thing onto which something can be written for so much more.
fn with_text(mut product: Product, surcharge: i64) -> Product {
    let label = "Name".to_owned();
    product.terms.text =
        Some(TextTerms { label, lines: 1, most: 20, signs: Signs::Any, surcharge, needed: false });
    product
}

#[test]
fn plans_save_after_the_rules_and_a_text_is_added_after_both() {
    let ladder = || vec![rule(1, LADDER)];
    // rules, currency, price, saving of the plan, surcharge, quantity, unit, old
    #[rustfmt::skip]
    let cases: [(_, _, _, _, _, _, _, Option<i64>, _); 8] = [
        (vec![], "GBP", 1200, 1000, 0, 1, 1080, Some(1200), "a tenth of 12.00 is 1.20"),
        (vec![], "GBP", 1999, 1250, 0, 1, 1749, Some(1999), "19.99 × 0.875 = 17.49125, to the nearest"),
        (ladder(), "GBP", 1200, 1000, 0, 3, 1026, Some(1200), "12.00 less 5 % is 11.40, less a tenth 10.26"),
        (ladder(), "GBP", 1200, 0, 0, 1, 1200, None, "a plan may save nothing"),
        (vec![], "GBP", 1200, 1000, 600, 1, 1680, Some(1800), "10.80 and 6.00; before 12.00 and 6.00"),
        (ladder(), "GBP", 1200, 0, 600, 12, 1560, Some(1800), "12.00 less 20 % is 9.60, and 6.00"),
        (vec![], "JPY", 1999, 1000, 0, 1, 1799, Some(1999), "1799.1 yen"),
        (vec![], "KWD", 12_345, 333, 0, 1, 11_934, Some(12_345), "12.345 × 0.9667 = 11.9339…"),
    ];
    for (rules, currency, minor, saving, surcharge, quantity, unit, old, why) in cases {
        let thing = with_text(thing(1, minor, currency), surcharge);
        let mut book = book(rules, Together::BestOne);
        book.plans = vec![plan(1, saving)];
        assert_eq!(book.check(), Ok(()));
        let prices = prices(book).with_extras(Extras { plan: Some(PlanId(1)), written: surcharge > 0 });
        let quote = prices.quote(&thing, &thing.variants[0], quantity).unwrap().quote;
        assert_eq!((quote.unit.minor, quote.old.map(|old| old.minor)), (unit, old), "{why}");
    }
}

#[test]
fn what_isnt_sold_once_costs_what_its_first_plan_says_and_plans_keep_to_their_reach() {
    let kit = thing(1, 2400, "GBP");
    let only = |once| {
        let reach = RuleReach::Products { products: vec![kit.handle.clone()] };
        let plans = vec![Plan { reach, once, ..plan(3, 500) }, Plan { once, ..plan(4, 1000) }];
        prices(PriceBook { plans, ..PriceBook::default() })
    };
    assert_eq!((unit(&only(true), &kit, 1), unit(&only(false), &kit, 1)), (2400, 2280));
    assert!(!only(false).can_be_bought_once(&kit, &kit.variants[0]));
    let other = thing(2, 2400, "GBP");
    let asked = Extras { plan: Some(PlanId(3)), written: false };
    assert_eq!(unit(&only(true).with_extras(asked), &other, 1), 2400, "the plan isn't for the other one");
    assert_eq!(only(true).plans(&other, &other.variants[0]).map(|plan| plan.id.0).collect::<Vec<_>>(), [4]);
}

#[test]
fn a_rule_may_need_another_product_in_the_cart_and_is_offered_once_it_is_there() {
    let (kite, winder) = (thing(1, 6800, "GBP"), thing(2, 1200, "GBP"));
    let reach = RuleReach::Products { products: vec![winder.handle.clone()] };
    let goes_with = PriceRule { reach, with: vec![kite.handle.clone()], ..rule(1, &[(1, percent(2500))]) };
    let alone = prices(book(vec![goes_with], Together::BestOne));
    assert!(alone.look_at_the_cart());
    assert_eq!((unit(&alone, &winder, 1), alone.go_with().count()), (1200, 0));
    let (_, working) = alone.explain(&winder, &winder.variants[0], 1).unwrap();
    assert_eq!(working[0].outcome, Outcome::Without { needs: vec![kite.handle.clone()] });
    let places = Places { page: Policy::AtOnce, ..Places::default() };
    let at_once = PriceBook { places, ..alone.book().clone() };
    let shown = prices(at_once).shown(&winder, &winder.variants[0], 1, Surface::Page).unwrap();
    assert_eq!((shown.quote.unit.minor, shown.promise), (1200, None), "it isn't promised to everybody");
    let with = alone.with_cart([(&kite, &kite.variants[0], 1)]).unwrap();
    assert_eq!((unit(&with, &winder, 2), with.go_with().count()), (900, 1));
    assert_eq!(unit(&with, &kite, 1), 6800);
}

#[test]
fn a_ladder_is_told_step_by_step_with_what_comes_next() {
    let line = thing(1, 1200, "GBP");
    let prices = prices(book(vec![rule(1, LADDER)], Together::BestOne));
    let ladder: Vec<_> =
        prices.ladder(&line, &line.variants[0]).iter().map(|(from, unit)| (*from, unit.minor)).collect();
    assert_eq!(ladder, [(1, 1200), (3, 1140), (6, 1080), (12, 960)]);
    let next = |quantity| {
        prices
            .quote(&line, &line.variants[0], quantity)
            .unwrap()
            .next
            .map(|n| (n.more, n.unit.minor, n.percent))
    };
    assert_eq!((next(1), next(4), next(12)), (Some((2, 1140, 5)), Some((2, 1080, 10)), None));
}

#[test]
fn rules_that_make_no_sense_are_refused_with_their_name() {
    let refused = |rule: PriceRule| rule.check().unwrap_err().to_string();
    let good = rule(1, &[(1, percent(1000))]);
    assert_eq!(good.check(), Ok(()));
    assert!(refused(PriceRule { name: " ".into(), ..good.clone() }).contains("needs a name"));
    assert!(refused(PriceRule { steps: vec![], ..good.clone() }).contains("one to 12 steps"));
    assert!(refused(rule(1, &[(3, percent(1)), (3, percent(2))])).contains("two steps from 3"));
    assert!(refused(rule(1, &[(0, percent(1))])).contains("starts at 1"));
    assert!(refused(rule(1, &[(1, percent(10_001))])).contains("takes off 100.01 %"));
    assert!(refused(rule(1, &[(1, percent(0))])).contains("more than 0"));
    assert!(refused(rule(1, &[(1, amount(0))])).contains("above zero"));
    assert!(refused(rule(1, &[(1, fixed(-1))])).contains("zero or more"));
    assert!(
        refused(PriceRule { reach: RuleReach::Tags { tags: vec![] }, ..good.clone() })
            .contains("reaches nothing")
    );
    let local = |text: &str| Some(Local::try_from(text.to_owned()).unwrap());
    let backwards =
        PriceRule { from: local("2026-05-02T00:00"), until: local("2026-05-01T00:00"), ..good.clone() };
    assert!(refused(backwards).contains("ends before it begins"));
    let twice = PriceBook { rules: vec![good.clone(), good], ..PriceBook::default() };
    assert!(twice.check().is_err());
    assert_eq!(twice.free_id(), RuleId(2));
}

fn effects() -> impl Strategy<Value = Effect> {
    prop_oneof![
        (1u32..=10_000).prop_map(percent),
        (1i64..20_000).prop_map(amount),
        (0i64..20_000).prop_map(fixed),
    ]
}

fn rules() -> impl Strategy<Value = Vec<PriceRule>> {
    let step = (1u32..15, effects());
    let counted = prop_oneof![Just(Counted::Variant), Just(Counted::Product), Just(Counted::Lines)];
    let one = (proptest::collection::vec(step, 1..4), counted, proptest::option::of(1i64..100_000));
    proptest::collection::vec(one, 0..5).prop_map(|all| {
        let rules = (1..).zip(all).map(|(id, (mut steps, counted, total))| {
            steps.sort_by_key(|(from, _)| *from);
            steps.dedup_by_key(|(from, _)| *from);
            PriceRule { counted, total, ..rule(id, &steps) }
        });
        rules.collect()
    })
}

proptest! {
    #[test]
    fn never_below_zero_never_above_the_old_price_and_more_pieces_never_dearer(
        rules in rules(), in_order: bool, minor in 0i64..20_000, down: bool,
        step in prop_oneof![Just(1i64), Just(5), Just(100)], in_cart in 0u32..9,
        saving in 0u32..9000, surcharge in 0i64..2000
    ) {
        let thing = with_text(thing(1, minor, "GBP"), surcharge);
        let variant = &thing.variants[0];
        let mut book = book(rules, if in_order { Together::InOrder } else { Together::BestOne });
        book.rounding = Rounding { down, step };
        book.plans = vec![plan(1, saving)];
        let prices = prices(book).with_cart((in_cart > 0).then_some((&thing, variant, in_cart))).unwrap();
        let prices = prices.with_extras(Extras { plan: Some(PlanId(1)), written: true });
        let mut last = i64::MAX;
        for quantity in 1..30 {
            let quote = prices.quote(&thing, variant, quantity).unwrap().quote;
            prop_assert!((surcharge..=minor + surcharge).contains(&quote.unit.minor));
            prop_assert!(quote.old.is_none_or(|old| old.minor > quote.unit.minor));
            prop_assert!(quote.unit.minor <= last, "{quantity}: {} after {last}", quote.unit.minor);
            prop_assert_eq!(quote.line.minor, quote.unit.minor * i64::from(quantity));
            last = quote.unit.minor;
        }
    }

    #[test]
    fn the_working_ends_at_the_price(rules in rules(), in_order: bool, minor in 0i64..20_000, quantity in 1u32..20) {
        let thing = thing(1, minor, "GBP");
        let together = if in_order { Together::InOrder } else { Together::BestOne };
        let (priced, working) = prices(book(rules, together)).explain(&thing, &thing.variants[0], quantity).unwrap();
        let applied: Vec<_> = working.iter().filter(|work| matches!(work.outcome, Outcome::Applied { .. })).collect();
        prop_assert_eq!(applied.last().map_or(minor, |work| work.after.minor), priced.quote.unit.minor);
        prop_assert!(in_order || applied.len() <= 1);
    }

    #[test]
    fn what_comes_next_is_true(rules in rules(), minor in 1i64..20_000, quantity in 1u32..20) {
        let thing = thing(1, minor, "GBP");
        let prices = prices(book(rules, Together::BestOne));
        let now = prices.quote(&thing, &thing.variants[0], quantity).unwrap();
        let unit_at = |quantity| prices.quote(&thing, &thing.variants[0], quantity).unwrap().quote.unit;
        if let Some(next) = now.next {
            prop_assert_eq!(unit_at(quantity + next.more), next.unit);
            prop_assert_eq!(unit_at(quantity + next.more - 1), now.quote.unit);
        }
    }
}
