//! Laws that hold for every layout, selection, cart and cascade, tried on generated ones.
#![allow(clippy::unwrap_used)]

mod samples;

use compagina_core::cart::{Wanted, reckon};
use compagina_core::catalog::{Product, Stock};
use compagina_core::choice::{Selection, ValueState, pick, states, variant_of};
use compagina_core::house::contrast;
use compagina_core::money::Locale;
use compagina_core::page::op::check;
use compagina_core::page::piece::price;
use compagina_core::page::starter::STARTERS;
use compagina_core::page::{
    CartFacts, Device, Facts, Layout, Op, Rule, SetValue, Values, apply, differences, judge,
};
use compagina_core::price::{Hindrance, PriceTag, Prices, offer};
use compagina_core::style::{Chain, Level};
use compagina_core::time::Day;
use proptest::prelude::*;
use samples::ops::any_piece_op as any_op;
use samples::{layout, pounds, product};
use std::collections::BTreeMap;

fn after(ops: Vec<Op>) -> Layout {
    let mut page = layout();
    for op in ops {
        let _ = apply(&mut page, op);
    }
    page
}

fn any_product() -> impl Strategy<Value = Product> {
    let row =
        (prop::option::of(0u16..3), prop::option::of(0u16..2), 0u32..4, prop::option::of(1000i64..9000));
    prop::collection::vec(row, 0..8).prop_map(|rows| product(&[3, 2], &rows))
}

fn any_selection() -> impl Strategy<Value = Selection> {
    (prop::option::of(0u16..3), prop::option::of(0u16..2))
        .prop_map(|(a, b)| Selection::from_values(vec![a, b]))
}

fn any_saving() -> impl Strategy<Value = Values> {
    let one = || prop::option::of(prop::sample::select(vec!["percent", "amount", "none"]));
    (one(), one(), one()).prop_map(|(wide, tablet, phone)| {
        let set = |values: Values, device, saving: Option<&str>| match saving {
            Some(saving) => values.with(device, &price::SAVING, SetValue::Text(saving.into())),
            None => values,
        };
        set(set(set(Values::default(), Device::Wide, wide), Device::Tablet, tablet), Device::Phone, phone)
    })
}

fn any_rule() -> impl Strategy<Value = Rule> {
    let plain = prop_oneof![
        Just(Rule::OnSale),
        Just(Rule::SoldOut),
        Just(Rule::HasOptions),
        Just(Rule::CartHolds),
        (0u32..6).prop_map(|count| Rule::StockUnder { count }),
        (0i64..9000).prop_map(|minor| Rule::PriceOver { minor }),
    ];
    plain.prop_recursive(3, 12, 3, |inner| {
        prop_oneof![
            prop::collection::vec(inner.clone(), 0..3).prop_map(|of| Rule::All { of }),
            prop::collection::vec(inner.clone(), 0..3).prop_map(|of| Rule::Any { of }),
            inner.prop_map(|of| Rule::Not { of: Box::new(of) }),
        ]
    })
}

fn not(rule: &Rule) -> Rule {
    Rule::Not { of: Box::new(rule.clone()) }
}

fn holds(rule: &Rule, product: &Product) -> bool {
    let (cart, day) = (CartFacts::default(), Day::try_from("2026-11-24".to_owned()).unwrap());
    judge(rule, &Facts { product, cart: &cart, day: &day, prices: &Prices::default(), locale: Locale::EnGb })
        .holds
}

proptest! {
    #[test]
    fn conditions_follow_the_laws_of_logic(a in any_rule(), b in any_rule(), product in any_product()) {
        let of = |rule: &Rule| holds(rule, &product);
        prop_assert_eq!(of(&not(&a)), !of(&a));
        let all = Rule::All { of: vec![a.clone(), b.clone()] };
        let any = Rule::Any { of: vec![a.clone(), b.clone()] };
        prop_assert_eq!(of(&all), of(&a) && of(&b));
        prop_assert_eq!(of(&any), of(&a) || of(&b));
        prop_assert_eq!(of(&not(&all)), of(&Rule::Any { of: vec![not(&a), not(&b)] }));
    }

    #[test]
    fn a_condition_survives_the_document(rule in any_rule()) {
        let value = SetValue::Rule(rule);
        let written = serde_json::to_string(&value).unwrap();
        prop_assert_eq!(serde_json::from_str::<SetValue>(&written).unwrap(), value);
    }

    /// Whatever was done to a page, each starter lays it anew with every piece and every value that it had.
    #[test]
    fn starters_lose_nothing(ops in prop::collection::vec(any_op(), 0..12), which in 0..STARTERS.len()) {
        let page = after(ops);
        prop_assume!(page.pieces().count() > 0);
        let laid = STARTERS[which].lay(&page);
        let pieces = |page: &Layout| page.pieces().map(|p| (p.id.clone(), p.clone())).collect::<BTreeMap<_, _>>();
        prop_assert_eq!(check(&laid.layout), Ok(()));
        prop_assert_eq!(pieces(&laid.layout), pieces(&page));
        let again = STARTERS[which].lay(&laid.layout);
        prop_assert_eq!(again.layout, laid.layout, "laying twice is laying once");
    }

    #[test]
    fn contrast_is_mutual_and_between_1_and_21(a in "#[0-9A-F]{6}", b in "#[0-9A-F]{6}") {
        let found = contrast(&a, &b);
        prop_assert_eq!(found, contrast(&b, &a));
        prop_assert!((100..=2100).contains(&found));
        prop_assert_eq!(contrast(&a, &a), 100);
    }

    #[test]
    fn layouts_differ_exactly_where_differences_are_told(ops in prop::collection::vec(any_op(), 0..12)) {
        let (before, after) = (layout(), after(ops));
        prop_assert_eq!(differences(&before, &after).is_empty(), before == after);
        prop_assert_eq!(differences(&after, &before).is_empty(), before == after);
        prop_assert!(differences(&after, &after).is_empty());
    }

    #[test]
    fn one_operation_is_at_most_one_difference_of_each_piece(op in any_op()) {
        let most = if let Op::MovePieces { pieces, .. } = &op { pieces.len() } else { 1 };
        let mut page = layout();
        if apply(&mut page, op).is_ok() {
            prop_assert!(differences(&layout(), &page).len() <= most);
        }
    }

    #[test]
    fn a_layout_comes_back_from_its_document(ops in prop::collection::vec(any_op(), 0..12)) {
        let page = after(ops);
        let text = serde_json::to_string(&page).unwrap();
        let read: Layout = serde_json::from_str(&text).unwrap();
        prop_assert_eq!(check(&read), Ok(()));
        prop_assert_eq!(read, page);
    }

    #[test]
    fn a_selection_comes_back_from_its_address(selection in any_selection()) {
        let product = product(&[3, 2], &[]);
        let query = selection.to_query(&product);
        let pairs = query.split('&').filter_map(|pair| pair.split_once('='));
        prop_assert_eq!(Selection::from_pairs(&product, pairs), (selection, vec![]));
    }

    /// Picking what is already chosen, where something fits, moves nothing; picking twice is picking once.
    #[test]
    fn picking_again_changes_nothing(product in any_product(), selection in any_selection(), value in 0u16..3) {
        let once = pick(&product, &selection, 0, value);
        prop_assert_eq!(pick(&product, &once, 0, value), once);
    }

    /// A value told to be open leads, once picked, to something with stock as long as the rest stays.
    #[test]
    fn an_open_value_can_be_picked_without_moving_the_others(product in any_product(), selection in any_selection()) {
        for (option, row) in states(&product, &selection).iter().enumerate() {
            for (value, state) in (0u16..).zip(row) {
                let picked = pick(&product, &selection, option, value);
                let mut kept = selection.clone();
                kept.set(option, Some(value));
                if *state != ValueState::NotMade {
                    prop_assert_eq!(&picked, &kept);
                }
            }
        }
    }

    #[test]
    fn what_can_be_bought_has_a_price_a_variant_and_enough_stock(product in any_product(), selection in any_selection(), quantity in 1u32..5) {
        let offer = offer(&product, &selection, quantity).unwrap();
        if offer.hindrance.is_none() {
            let variant = variant_of(&product, &selection).unwrap();
            prop_assert_eq!(offer.variant, Some(variant.id));
            prop_assert!(variant.stock.covers(quantity));
            prop_assert!(matches!(offer.tag, PriceTag::Exact(q) if q.quantity == quantity));
        } else if selection.is_complete() {
            prop_assert!(!matches!(offer.hindrance, Some(Hindrance::ChooseFirst(_))));
        }
        if let PriceTag::Span { from, to } = offer.tag {
            prop_assert!(from.minor <= to.minor);
        }
    }

    #[test]
    fn a_cart_costs_what_its_lines_cost_and_stands_only_as_it_was_seen(product in any_product(), picks in prop::collection::vec((0usize..8, 1u32..4, any::<bool>()), 0..6)) {
        let wanted: Vec<Wanted<'_>> = picks.iter().filter_map(|(index, quantity, seen_right)| {
            let variant = product.variants.get(*index)?;
            let price = variant.price.unwrap_or(product.price);
            let seen = if *seen_right { price } else { pounds(price.minor + 1) };
            Some(Wanted { product: &product, variant, quantity: *quantity, seen, plan: None, text: None })
        }).collect();
        let cart = reckon(&wanted, product.price.currency, &Prices::default()).unwrap();
        prop_assert_eq!(cart.total.minor, cart.lines.iter().map(|l| l.quote.line.minor).sum::<i64>());
        let as_seen = wanted.iter().all(|w| w.seen == w.variant.price.unwrap_or(product.price));
        // Lines of one variant share its stock.
        let of = |variant: compagina_core::ids::VariantId| wanted.iter().filter(|w| w.variant.id == variant).map(|w| w.quantity).sum();
        let to_be_had = wanted.iter().all(|w| w.variant.stock.covers(of(w.variant.id)));
        prop_assert_eq!(cart.stands(), as_seen && to_be_had);
    }

    /// The definition, worked out the slow way: from the innermost level outwards, the phone's own value first.
    #[test]
    fn the_cascade_agrees_with_its_definition(template in any_saving(), kind in any_saving(), own in any_saving()) {
        let chain = Chain::of_template(&template).then(Level::Type, &kind).then(Level::Product, &own);
        let setting = &price::SAVING;
        for device in Device::ALL {
            let mut expected = None;
            for values in [&own, &kind, &template] {
                let phone = (device == Device::Phone).then(|| values.phone.get(setting.key)).flatten();
                let tablet = (device != Device::Wide).then(|| values.tablet.get(setting.key)).flatten();
                expected = expected.or(phone).or(tablet).or(values.wide.get(setting.key));
            }
            let expected = expected.cloned().unwrap_or(SetValue::Text("percent".into()));
            prop_assert_eq!(chain.value(setting, device), expected.clone());
            let explained = chain.explain(setting, device);
            prop_assert_eq!(explained.value, expected);
            prop_assert_eq!(explained.hides.last().map_or(explained.source.level, |h| h.source.level), Level::House);
        }
    }
}

#[test]
fn stock_that_is_not_counted_covers_any_quantity() {
    assert!(Stock::NotCounted.covers(u32::MAX) && Stock::NotCounted.is_in());
    assert!(Stock::Counted(3).covers(3) && !Stock::Counted(3).covers(4) && !Stock::Counted(0).is_in());
}
