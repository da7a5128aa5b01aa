//! What a price book may hold, at each edge: the last that is taken and the first that isn't.
#![allow(clippy::unwrap_used)]

mod samples;

use compagina_core::catalog::{Signs, Stock, Tag, TextTerms, Variant};
use compagina_core::ids::VariantId;
use compagina_core::limits::{MOST_ID, MOST_MINOR};
use compagina_core::money::Money;
use compagina_core::price::{
    BookError, Counted, Effect, Extras, MOST_NAMED, MOST_PLANS, MOST_RULES, Period, Plan, PlanError, PlanId,
    PriceBook, PriceRule, Prices, Promise, ReachedBy, Rounding, RuleError, RuleId, RuleReach, SavedOn, Step,
    Surface, Together, TypeRate, Vat,
};
use compagina_core::time::{Local, Moment, Zone};
use samples::{handle, handles};
use std::collections::BTreeSet;
use std::sync::Arc;

fn steps(count: u32) -> Vec<Step> {
    (1..=count).map(|from| Step { from, effect: Effect::Percent { hundredths: from * 100 } }).collect()
}

fn rule(id: u64) -> PriceRule {
    PriceRule {
        id: RuleId(id),
        name: format!("Rule {id}"),
        reach: RuleReach::All,
        except: vec![],
        steps: steps(1),
        counted: Counted::Product,
        total: None,
        with: vec![],
        from: None,
        until: None,
        on: true,
    }
}

fn plan(id: u64) -> Plan {
    Plan {
        id: PlanId(id),
        reach: RuleReach::All,
        every: 8,
        period: Period::Weeks,
        hundredths: 1000,
        saved_on: SavedOn::All,
        once: true,
    }
}

fn many(count: usize) -> Vec<compagina_core::ids::Handle> {
    (0..count).map(|number| handle(&format!("p{number}"))).collect()
}

fn local(text: &str) -> Option<Local> {
    Some(Local::try_from(text.to_owned()).unwrap())
}

#[test]
fn a_rule_may_hold_so_much_and_no_more() {
    type Wrong = fn(String) -> RuleError;
    let named = |reach| PriceRule { reach, ..rule(1) };
    let effect = |effect| PriceRule { steps: vec![Step { from: 1, effect }], ..rule(1) };
    let cases: Vec<(PriceRule, PriceRule, Wrong)> = vec![
        (
            PriceRule { name: "n".repeat(80), ..rule(1) },
            PriceRule { name: "n".repeat(81), ..rule(1) },
            |_| RuleError::Name,
        ),
        (PriceRule { steps: steps(12), ..rule(1) }, PriceRule { steps: steps(13), ..rule(1) }, |rule| {
            RuleError::Steps { rule }
        }),
        (
            named(RuleReach::Products { products: many(MOST_NAMED) }),
            named(RuleReach::Products { products: many(MOST_NAMED + 1) }),
            |rule| RuleError::TooManyNamed { rule },
        ),
        (
            PriceRule { except: many(MOST_NAMED), ..rule(1) },
            PriceRule { except: many(MOST_NAMED + 1), ..rule(1) },
            |rule| RuleError::TooManyNamed { rule },
        ),
        (
            PriceRule { with: many(MOST_NAMED), ..rule(1) },
            PriceRule { with: many(MOST_NAMED + 1), ..rule(1) },
            |rule| RuleError::TooManyNamed { rule },
        ),
        (
            effect(Effect::Percent { hundredths: 10_000 }),
            effect(Effect::Percent { hundredths: 10_001 }),
            |rule| RuleError::Percent { rule, percent: "100.01".into() },
        ),
        (
            effect(Effect::Amount { minor: MOST_MINOR }),
            effect(Effect::Amount { minor: MOST_MINOR + 1 }),
            |rule| RuleError::Amount { rule },
        ),
        (effect(Effect::Fixed { minor: 0 }), effect(Effect::Fixed { minor: MOST_MINOR + 1 }), |rule| {
            RuleError::Amount { rule }
        }),
        (PriceRule { total: Some(1), ..rule(1) }, PriceRule { total: Some(0), ..rule(1) }, |rule| {
            RuleError::Amount { rule }
        }),
        (
            PriceRule { total: Some(MOST_MINOR), ..rule(1) },
            PriceRule { total: Some(MOST_MINOR + 1), ..rule(1) },
            |rule| RuleError::Amount { rule },
        ),
        (
            PriceRule { from: local("2026-05-01T00:00"), until: local("2026-05-01T00:01"), ..rule(1) },
            PriceRule { from: local("2026-05-01T00:00"), until: local("2026-05-01T00:00"), ..rule(1) },
            |rule| RuleError::EndsFirst { rule },
        ),
        (
            named(RuleReach::Variants { skus: vec!["W-1".into()] }),
            named(RuleReach::Variants { skus: vec![" ".into()] }),
            |rule| RuleError::BadName { rule },
        ),
        (
            named(RuleReach::Types { types: handles(&["kites"]) }),
            named(RuleReach::Types { types: vec![] }),
            |rule| RuleError::Nothing { rule },
        ),
        (
            PriceRule { id: RuleId(MOST_ID), ..rule(1) },
            PriceRule { id: RuleId(MOST_ID + 1), ..rule(1) },
            |_| RuleError::TooLargeId { id: MOST_ID + 1 },
        ),
    ];
    for (last, first, why) in cases {
        assert_eq!(last.check(), Ok(()), "{last:?}");
        assert_eq!(first.check(), Err(why(first.name.clone())));
    }
}

#[test]
fn a_plan_may_hold_so_much_and_no_more() {
    for (last, first, why) in [
        (Plan { every: 52, ..plan(1) }, Plan { every: 53, ..plan(1) }, PlanError::Every(53)),
        (Plan { every: 1, ..plan(1) }, Plan { every: 0, ..plan(1) }, PlanError::Every(0)),
        (Plan { hundredths: 9000, ..plan(1) }, Plan { hundredths: 9001, ..plan(1) }, PlanError::Saving),
        (plan(MOST_ID), plan(MOST_ID + 1), PlanError::TooLargeId(MOST_ID + 1)),
        (
            Plan { reach: RuleReach::Products { products: many(MOST_NAMED) }, ..plan(1) },
            Plan { reach: RuleReach::Products { products: many(MOST_NAMED + 1) }, ..plan(1) },
            PlanError::BadReach,
        ),
        (
            Plan { reach: RuleReach::Tags { tags: vec![Tag::from("gift")] }, ..plan(1) },
            Plan { reach: RuleReach::Tags { tags: vec![Tag::from("")] }, ..plan(1) },
            PlanError::BadReach,
        ),
        (
            Plan { reach: RuleReach::Types { types: handles(&["kites"]) }, ..plan(1) },
            Plan { reach: RuleReach::Types { types: vec![] }, ..plan(1) },
            PlanError::Nothing,
        ),
    ] {
        assert_eq!(last.check(), Ok(()), "{last:?}");
        assert_eq!(first.check(), Err(why));
    }
}

#[test]
fn a_book_may_hold_so_much_and_no_more() {
    let rules = |count: usize| (1..=count as u64).map(rule).collect::<Vec<_>>();
    let plans = |count: usize| (1..=count as u64).map(plan).collect::<Vec<_>>();
    let book = PriceBook::default;
    let types = |count: usize| {
        let of = |kind| TypeRate { kind, hundredths: 500 };
        Vat { types: many(count).into_iter().map(of).collect(), ..Vat::default() }
    };
    let rate = |hundredths| Vat { hundredths, ..Vat::default() };
    let own =
        |hundredths| Vat { types: vec![TypeRate { kind: handle("books"), hundredths }], ..Vat::default() };
    let twice = |mut all: Vec<Plan>| {
        all.push(plan(1));
        all
    };
    for (last, first, why) in [
        (
            PriceBook { rules: rules(MOST_RULES), ..book() },
            PriceBook { rules: rules(MOST_RULES + 1), ..book() },
            BookError::TooMany,
        ),
        (
            PriceBook { plans: plans(MOST_PLANS), ..book() },
            PriceBook { plans: plans(MOST_PLANS + 1), ..book() },
            BookError::Plan(PlanError::TooMany),
        ),
        (
            PriceBook { plans: plans(2), ..book() },
            PriceBook { plans: twice(plans(2)), ..book() },
            BookError::Plan(PlanError::SameId(1)),
        ),
        (
            PriceBook { rounding: Rounding { step: 50, ..Rounding::default() }, ..book() },
            PriceBook { rounding: Rounding { step: 20, ..Rounding::default() }, ..book() },
            BookError::Rounding(20),
        ),
        (PriceBook { vat: rate(5000), ..book() }, PriceBook { vat: rate(5001), ..book() }, BookError::Vat),
        (PriceBook { vat: own(5000), ..book() }, PriceBook { vat: own(5001), ..book() }, BookError::Vat),
        (
            PriceBook { vat: types(MOST_NAMED), ..book() },
            PriceBook { vat: types(MOST_NAMED + 1), ..book() },
            BookError::VatTypes,
        ),
    ] {
        assert_eq!(last.check(), Ok(()));
        assert_eq!(first.check(), Err(why));
    }
    let numbered = PriceBook { rules: vec![rule(1), rule(3)], plans: plans(2), ..book() };
    assert_eq!(
        (numbered.free_id(), numbered.free_plan()),
        (RuleId(4), PlanId(3)),
        "behind all that there are"
    );
    let last = PriceBook { rules: vec![rule(1), rule(MOST_ID)], ..book() };
    assert_eq!(last.free_id(), RuleId(2), "behind the last there is none, so the least that is free");
    assert_eq!((book().free_id(), book().free_plan()), (RuleId(1), PlanId(1)));
}

#[test]
fn a_rule_that_is_for_none_of_its_variants_is_not_for_a_product() {
    let kite = kite();
    let of = |reach| PriceRule { reach, ..rule(1) }.reaches_some(&kite);
    assert!(of(RuleReach::All) && of(RuleReach::Products { products: vec![kite.handle.clone()] }));
    assert!(!of(RuleReach::Products { products: handles(&["another"]) }));
    assert!(!PriceRule { except: vec![kite.handle.clone()], ..rule(1) }.reaches_some(&kite));
}

#[test]
fn of_a_whole_product_a_reach_says_what_it_says_of_its_variants() {
    let kite = kite();
    let product = ReachedBy { handle: &kite.handle, kind: &kite.kind.handle, tags: &kite.tags };
    let skus = |sku: &str| RuleReach::Variants { skus: vec![sku.to_owned()] };
    for (reach, of_skus) in [
        (RuleReach::All, BTreeSet::new()),
        (RuleReach::Types { types: vec![kite.kind.handle.clone()] }, BTreeSet::new()),
        (RuleReach::Types { types: handles(&["another"]) }, BTreeSet::new()),
        (RuleReach::Tags { tags: kite.tags.clone() }, BTreeSet::new()),
        (RuleReach::Products { products: vec![kite.handle.clone()] }, BTreeSet::new()),
        (RuleReach::Products { products: handles(&["another"]) }, BTreeSet::new()),
        (skus("k"), BTreeSet::from([kite.handle.clone()])),
        (skus("another"), BTreeSet::from([handle("another")])),
    ] {
        let some = kite.variants.iter().any(|variant| reach.holds(&kite, variant));
        assert_eq!(reach.holds_some(product, &of_skus), some, "{reach:?}");
    }
}

#[test]
fn a_book_names_the_products_of_all_its_rules_and_plans() {
    let products = |names: &[&str]| RuleReach::Products { products: handles(names) };
    let named = PriceBook {
        rules: vec![
            PriceRule { reach: products(&["a"]), with: handles(&["b"]), ..rule(1) },
            PriceRule { except: handles(&["c"]), ..rule(2) },
        ],
        plans: vec![Plan { reach: products(&["d"]), ..plan(1) }],
        ..PriceBook::default()
    };
    let all: BTreeSet<String> = named.named_products().map(ToString::to_string).collect();
    assert_eq!(all, BTreeSet::from(["a", "b", "c", "d"].map(str::to_owned)));
}

/// A product for £10.00, of which there is one variant.
fn kite() -> compagina_core::catalog::Product {
    let mut kite = samples::product(&[], &[]);
    kite.price = Money::new(1_000, kite.price.currency);
    kite.old_price = None;
    kite.options = vec![];
    kite.variants = vec![Variant {
        id: VariantId(1),
        sku: "K".into(),
        values: vec![],
        price: None,
        old_price: None,
        stock: Stock::NotCounted,
        picture: None,
        measure: None,
    }];
    kite
}

#[test]
fn of_several_promises_the_nearest_is_told() {
    let at_once = |rules| {
        let places = compagina_core::price::Places {
            card: compagina_core::price::Policy::AtOnce,
            ..compagina_core::price::Places::default()
        };
        Prices::new(Arc::new(PriceBook { rules, places, ..PriceBook::default() }), Zone::default(), Moment(0))
    };
    let kite = kite();
    let fixed = |id, from, minor| PriceRule {
        steps: vec![Step { from, effect: Effect::Fixed { minor } }],
        ..rule(id)
    };
    let shown = |prices: &Prices| {
        let shown = prices.shown(&kite, &kite.variants[0], 1, Surface::Card).unwrap();
        (shown.quote.unit.minor, shown.promise)
    };
    let money = |minor| Money::new(minor, kite.price.currency);
    assert_eq!(shown(&at_once(vec![])), (1_000, None));
    assert_eq!(
        shown(&at_once(vec![fixed(1, 6, 800), fixed(2, 3, 900)])),
        (800, Some(Promise { pieces: Some(3), total: None }))
    );
    let from_total = |id, total| PriceRule { total: Some(total), ..fixed(id, 1, 700) };
    assert_eq!(
        shown(&at_once(vec![from_total(1, 9_000), from_total(2, 5_000)])),
        (700, Some(Promise { pieces: None, total: Some(money(5_000)) })),
        "a first piece is no number to be told"
    );
    // What costs as little anyway promises nothing.
    assert_eq!(shown(&at_once(vec![fixed(1, 1, 800), fixed(2, 3, 800)])), (800, None));
}

#[test]
fn prices_of_another_moment_of_no_cart_and_of_nothing_asked_are_their_own() {
    let kite = kite();
    let of = |rules: Vec<PriceRule>, plans: Vec<Plan>| {
        Prices::new(Arc::new(PriceBook { rules, plans, ..PriceBook::default() }), Zone::default(), Moment(0))
    };
    let unit = |prices: &Prices| prices.quote(&kite, &kite.variants[0], 1).unwrap().quote.unit.minor;
    // Half the price from the second day on.
    let half = vec![Step { from: 1, effect: Effect::Percent { hundredths: 5_000 } }];
    let prices =
        of(vec![PriceRule { steps: half.clone(), from: local("1970-01-02T00:00"), ..rule(1) }], vec![]);
    let next_day = prices.at(Moment(86_400));
    assert_eq!((unit(&prices), unit(&next_day)), (1_000, 500));
    assert_eq!(
        (prices.today().to_string(), next_day.today().to_string()),
        ("1970-01-01".into(), "1970-01-02".into())
    );
    assert_eq!(unit(&next_day.at(Moment(86_399))), 1_000, "and back");

    // A tenth less by a plan, and by what is in the cart: alone neither counts.
    let prices = of(vec![PriceRule { steps: vec![Step { from: 3, ..half[0] }], ..rule(1) }], vec![plan(1)]);
    let by_plan = prices.with_extras(Extras { plan: Some(PlanId(1)), written: true });
    assert_eq!((unit(&prices), unit(&by_plan), unit(&by_plan.alone())), (1_000, 900, 1_000));
    let two_more = prices.clone().with_cart([(&kite, &kite.variants[0], 2)]).unwrap();
    assert_eq!((unit(&two_more), unit(&two_more.alone())), (500, 1_000));
    assert!(prices.look_at_the_cart(), "pieces that lie there count");
    assert!(!of(vec![PriceRule { steps: half.clone(), ..rule(1) }], vec![plan(1)]).look_at_the_cart());
    // A ladder is for whoever has nothing yet.
    let ladder = |prices: &Prices| -> Vec<(u32, i64)> {
        prices.ladder(&kite, &kite.variants[0]).into_iter().map(|(from, unit)| (from, unit.minor)).collect()
    };
    assert_eq!(ladder(&two_more), [(1, 1_000), (3, 500)]);
    assert_eq!(ladder(&two_more), ladder(&prices));
}

#[test]
fn steps_and_promises_are_of_rules_that_reach_and_nothing_is_made_of_nothing() {
    let mut kite = kite();
    let of = |rules: Vec<PriceRule>, plans: Vec<Plan>| {
        let card = compagina_core::price::Policy::AtOnce;
        let places = compagina_core::price::Places { card, ..compagina_core::price::Places::default() };
        let rounding = Rounding { step: 50, ..Rounding::default() };
        let book = PriceBook { rules, plans, places, rounding, ..PriceBook::default() };
        Prices::new(Arc::new(book), Zone::default(), Moment(0))
    };
    let from = |from, hundredths| Step { from, effect: Effect::Percent { hundredths } };
    let mine = |steps| PriceRule { steps, ..rule(1) };
    let ladder = of(vec![mine(vec![from(3, 1_000), from(5, 1_000), from(8, 2_000)])], vec![]);
    let rungs: Vec<_> =
        ladder.ladder(&kite, &kite.variants[0]).iter().map(|rung| (rung.0, rung.1.minor)).collect();
    assert_eq!(rungs, [(1, 1_000), (3, 900), (8, 800)], "each is lower than the one before");
    assert_eq!(ladder.steps(&kite), [1, 3, 5, 8].into());
    assert_eq!(of(vec![mine(vec![from(3, 1_000)])], vec![]).steps(&kite), [1, 3].into());
    assert_eq!(of(vec![mine(vec![from(1, 1_000)])], vec![]).steps(&kite), [1].into());

    let another = RuleReach::Products { products: handles(&["another"]) };
    let elsewhere = PriceRule { reach: another, steps: vec![from(2, 5_000)], ..rule(2) };
    let prices = of(vec![mine(vec![from(6, 1_000)]), elsewhere], vec![]);
    let shown = prices.shown(&kite, &kite.variants[0], 1, Surface::Card).unwrap();
    assert_eq!(shown.promise, Some(Promise { pieces: Some(6), total: None }));

    // More pieces that cost as little promise nothing.
    let best = mine(vec![from(1, 2_000)]);
    let less = PriceRule { steps: vec![from(3, 1_000)], ..rule(2) };
    let next = |rules| of(rules, vec![]).quote(&kite, &kite.variants[0], 1).unwrap().next;
    assert_eq!(next(vec![less.clone()]).unwrap().more, 2);
    assert_eq!(next(vec![best, less]), None);

    // A plan that takes nothing off rounds nothing either, and a text that costs nothing adds nothing.
    kite.price = Money::new(1_010, kite.price.currency);
    let text = TextTerms {
        label: "Name".into(),
        lines: 1,
        most: 20,
        signs: Signs::Any,
        surcharge: 0,
        needed: false,
    };
    kite.terms.text = Some(text);
    let free = of(vec![], vec![Plan { hundredths: 0, ..plan(1) }]);
    let free = free.with_extras(Extras { plan: Some(PlanId(1)), written: true });
    let quote = free.quote(&kite, &kite.variants[0], 1).unwrap().quote;
    assert_eq!(quote.unit.minor, 1_010);
    assert_eq!(free.effects(&kite, &kite.variants[0], 1).unwrap().surcharge, None);
}

#[test]
fn what_lowered_a_line_is_told_and_what_did_not_is_left_out() {
    let kite = kite();
    let half = Step { from: 1, effect: Effect::Percent { hundredths: 5_000 } };
    let book = PriceBook {
        rules: vec![PriceRule { steps: vec![half], ..rule(1) }],
        plans: vec![plan(1)],
        ..PriceBook::default()
    };
    let once = Prices::new(Arc::new(book), Zone::default(), Moment(0));
    let told = |prices: &Prices| {
        let prices = prices.clone().with_cart([(&kite, &kite.variants[0], 2)]).unwrap();
        let told = prices.effects(&kite, &kite.variants[0], 2).unwrap();
        let rules: Vec<_> = told.rules.into_iter().map(|(name, off)| (name, off.minor)).collect();
        (rules, told.plan.map(|off| off.minor), told.surcharge)
    };
    let halved = vec![("Rule 1".to_owned(), 1_000)];
    assert_eq!(told(&once), (halved.clone(), None, None), "no plan was chosen");
    let by_plan = once.with_extras(Extras { plan: Some(PlanId(1)), written: false });
    assert_eq!(told(&by_plan), (halved, Some(100), None));

    // Of several that make the same price the first is the one that made it.
    let ways = [Effect::Percent { hundredths: 1_000 }, half.effect, Effect::Fixed { minor: 500 }];
    let rules = ways
        .into_iter()
        .zip(1..)
        .map(|(effect, id)| PriceRule { steps: vec![Step { from: 1, effect }], ..rule(id) });
    let book = PriceBook { rules: rules.collect(), together: Together::BestOne, ..PriceBook::default() };
    let best = Prices::new(Arc::new(book), Zone::default(), Moment(0));
    assert_eq!(told(&best).0, [("Rule 2".to_owned(), 1_000)]);
}

#[test]
fn pieces_about_prices_stand_only_where_prices_give_them_something_to_say() {
    use compagina_core::page::Kind;
    let kite = kite();
    let of = |rules, plans| {
        Prices::new(Arc::new(PriceBook { rules, plans, ..PriceBook::default() }), Zone::default(), Moment(0))
    };
    let lacks = |kind: Kind, prices: &Prices| kind.nothing_to_show_at(&kite, prices);
    let none = of(vec![], vec![]);
    assert_eq!(lacks(Kind::PriceLadder, &none), Some("no rule makes steps for this product"));
    assert_eq!(lacks(Kind::Plans, &none), Some("no plan is for this product"));
    let some = of(vec![PriceRule { steps: steps(3), ..rule(1) }], vec![plan(1)]);
    assert_eq!((lacks(Kind::PriceLadder, &some), lacks(Kind::Plans, &some)), (None, None));
}
