use super::*;
use crate::catalog::samples::{product, with_variants};
use crate::catalog::{Product, Stock};
use crate::choice::{UnknownChoice, is_made};
use crate::ids::Handle;
use ValueState::{NotMade, Open, SoldOut};
use proptest::prelude::*;
use std::collections::{BTreeMap, BTreeSet};

/// Colour (ember, slate) by Sail (1.6, 2.1, 2.4): slate isn't made in 2.4, ember in 2.4 is sold out.
fn kite() -> Product {
    with_variants(
        product(&[("colour", 2), ("sail", 3)]),
        &[
            (&[Some(0), Some(0)], Stock::Counted(4)),
            (&[Some(0), Some(1)], Stock::Counted(1)),
            (&[Some(0), Some(2)], Stock::Counted(0)),
            (&[Some(1), Some(0)], Stock::Counted(0)),
            (&[Some(1), Some(1)], Stock::Counted(2)),
        ],
    )
}

fn chosen(values: &[Option<u16>]) -> Selection {
    Selection::from_values(values.to_vec())
}

#[test]
fn with_nothing_chosen_a_value_is_open_when_any_variant_has_it_in_stock() {
    assert_eq!(states(&kite(), &chosen(&[None, None])), [vec![Open, Open], vec![Open, Open, SoldOut]]);
}

#[test]
fn a_chosen_colour_judges_the_sails_and_not_the_other_colours() {
    let table = states(&kite(), &chosen(&[Some(1), None]));
    assert_eq!(table[1], [SoldOut, Open, NotMade]);
    assert_eq!(table[0], [Open, Open]);
}

#[test]
fn each_option_is_judged_under_the_others_only() {
    let table = states(&kite(), &chosen(&[Some(0), Some(2)]));
    assert_eq!(table, [vec![SoldOut, NotMade], vec![Open, Open, SoldOut]]);
}

#[test]
fn a_pick_that_fits_leaves_the_other_choices_alone() {
    assert_eq!(pick(&kite(), &chosen(&[Some(0), Some(1)]), 0, 1), chosen(&[Some(1), Some(1)]));
    assert_eq!(
        pick(&kite(), &chosen(&[Some(0), None]), 1, 2),
        chosen(&[Some(0), Some(2)]),
        "sold out is still a fit"
    );
}

#[test]
fn a_pick_that_is_not_made_keeps_the_newest_and_moves_the_other_to_what_is_in_stock() {
    assert_eq!(pick(&kite(), &chosen(&[Some(0), Some(2)]), 0, 1), chosen(&[Some(1), Some(1)]));
    assert_eq!(pick(&kite(), &chosen(&[Some(1), Some(1)]), 1, 2), chosen(&[Some(0), Some(2)]));
}

#[test]
fn of_two_equally_near_variants_the_earlier_option_is_kept() {
    let product = with_variants(
        product(&[("a", 2), ("b", 2), ("c", 2)]),
        &[
            (&[Some(1), Some(0), Some(1)], Stock::Counted(1)),
            (&[Some(0), Some(1), Some(1)], Stock::Counted(0)),
        ],
    );
    let picked = pick(&product, &chosen(&[Some(0), Some(0), Some(0)]), 2, 1);
    assert_eq!(
        picked,
        chosen(&[Some(0), Some(1), Some(1)]),
        "a is kept although the other variant has stock"
    );
}

#[test]
fn any_counts_as_each_value_and_the_exact_variant_is_preferred() {
    let product = with_variants(
        product(&[("diameter", 2), ("finish", 3)]),
        &[
            (&[Some(0), None], Stock::Counted(3)),
            (&[Some(0), Some(1)], Stock::Counted(0)),
            (&[Some(1), Some(2)], Stock::NotCounted),
        ],
    );
    assert_eq!(states(&product, &chosen(&[Some(0), None]))[1], [Open, Open, Open]);
    assert_eq!(states(&product, &chosen(&[Some(1), None]))[1], [NotMade, NotMade, Open]);
    assert_eq!(variant_of(&product, &chosen(&[Some(0), Some(0)])).unwrap().id.0, 1);
    assert_eq!(variant_of(&product, &chosen(&[Some(0), Some(1)])).unwrap().id.0, 2);
    assert_eq!(variant_of(&product, &chosen(&[Some(0), None])), None);
}

#[test]
fn when_all_is_sold_out_every_value_that_is_made_says_so_and_can_still_be_looked_at() {
    let mut kite = kite();
    kite.variants.iter_mut().for_each(|variant| variant.stock = Stock::Counted(0));
    let all: Vec<ValueState> = states(&kite, &Selection::none(2)).concat();
    assert!(all.iter().all(|state| *state != ValueState::Open));
    assert!(variant_of(&kite, &first_to_buy(&kite)).is_some(), "the page opens with something that is made");
}

#[test]
fn one_variant_is_chosen_by_itself_and_stays_whatever_is_picked() {
    let only =
        with_variants(product(&[("colour", 2), ("sail", 2)]), &[(&[Some(1), Some(0)], Stock::Counted(1))]);
    let start = first_to_buy(&only);
    assert_eq!(start, chosen(&[Some(1), Some(0)]));
    assert_eq!(
        states(&only, &start),
        [[ValueState::NotMade, ValueState::Open], [ValueState::Open, ValueState::NotMade]]
    );
    // What isn't made at all changes nothing else.
    assert_eq!(pick(&only, &start, 0, 0), chosen(&[Some(0), Some(0)]));
}

/// Four options with gaps: the newest pick stays, and of the others the earlier ones.
#[test]
fn among_four_options_as_few_as_possible_move() {
    let rows: &[(&[Option<u16>], Stock)] = &[
        (&[Some(0), Some(0), Some(0), Some(0)], Stock::Counted(1)),
        (&[Some(0), Some(1), Some(0), Some(1)], Stock::Counted(1)),
        (&[Some(1), Some(0), Some(1), Some(1)], Stock::Counted(1)),
        (&[Some(1), Some(1), None, Some(1)], Stock::Counted(0)),
    ];
    let spar = with_variants(product(&[("a", 2), ("b", 2), ("c", 2), ("d", 2)]), rows);
    let start = first_to_buy(&spar);
    // d=1: the second variant moves b alone, the third a and c.
    assert_eq!(pick(&spar, &start, 3, 1), chosen(&[Some(0), Some(1), Some(0), Some(1)]));
    // a=1: the third moves c and d, the fourth, sold out, b and d; both move two, and b, the earlier, is kept.
    assert_eq!(pick(&spar, &start, 0, 1), chosen(&[Some(1), Some(0), Some(1), Some(1)]));
    assert_eq!(states(&spar, &start)[3], [ValueState::Open, ValueState::NotMade]);
    let fourth = chosen(&[Some(1), Some(1), None, Some(1)]);
    assert_eq!(states(&spar, &fourth)[2], [ValueState::SoldOut, ValueState::SoldOut], "any counts as each");
}

#[test]
fn a_product_without_options_is_bought_as_it_is() {
    let product = with_variants(product(&[]), &[(&[], Stock::Counted(1))]);
    assert!(states(&product, &Selection::none(0)).is_empty());
    assert_eq!(variant_of(&product, &first_to_buy(&product)).unwrap().id.0, 1);
}

#[test]
fn the_first_that_can_be_bought_is_offered_first() {
    let mut product = kite();
    product.variants[0].stock = Stock::Counted(0);
    assert_eq!(first_to_buy(&product), chosen(&[Some(0), Some(1)]));
    product.variants.clear();
    assert_eq!(first_to_buy(&product), chosen(&[None, None]));
}

#[test]
fn an_address_names_choices_by_handle_and_a_strange_value_is_reported() {
    let product = kite();
    let (selection, unknown) = Selection::from_pairs(
        &product,
        [("colour", "colour-1"), ("sail", "<b>"), ("utm", "x"), ("sail", "")],
    );
    assert_eq!(selection, chosen(&[Some(1), None]));
    assert_eq!(unknown, [UnknownChoice { option: "sail".into(), value: "<b>".into() }]);
    assert_eq!(selection.to_query(&product), "colour=colour-1");
}

#[test]
fn what_is_still_to_be_chosen_is_told_by_its_place() {
    assert_eq!(chosen(&[Some(1), None, None]).open_options(), [1, 2]);
    assert!(chosen(&[Some(0), Some(2)]).open_options().is_empty());
    assert_eq!(chosen(&[Some(0), None]).values(), [Some(0), None]);
}

#[test]
fn a_value_is_offered_where_some_variant_has_it() {
    let mut kite = kite();
    assert!(is_made(&kite, 0, 1) && is_made(&kite, 1, 2), "a sold out one is one");
    kite.variants.retain(|variant| variant.values[0] != Some(1));
    assert!(!is_made(&kite, 0, 1) && is_made(&kite, 0, 0));
    kite.variants[0].values[0] = None;
    assert!(is_made(&kite, 0, 1), "any is each");
    assert!(!is_made(&kite, 0, 70_000) && !is_made(&kite, 5, 0));
}

prop_compose! {
    fn any_product()(cells in proptest::collection::vec((0u16..4, 0u16..3, 0u16..3, 0u32..2), 0..12)) -> Product {
        let rows: Vec<_> = cells.iter().map(|(a, b, c, stock)| {
            let value = |v: &u16| (*v < 2).then_some(*v);
            (vec![(*a < 3).then_some(*a), value(b), value(c)], Stock::Counted(*stock))
        }).collect();
        let borrowed: Vec<(&[Option<u16>], Stock)> = rows.iter().map(|(v, s)| (v.as_slice(), *s)).collect();
        with_variants(product(&[("a", 3), ("b", 2), ("c", 2)]), &borrowed)
    }
}

proptest! {
    /// The definition, worked out the slow way: put the value in and look which variants remain.
    #[test]
    fn states_agree_with_their_definition(product in any_product(), a in proptest::option::of(0u16..3), b in proptest::option::of(0u16..2), c in proptest::option::of(0u16..2)) {
        let selection = chosen(&[a, b, c]);
        for (option, row) in states(&product, &selection).iter().enumerate() {
            for (value, state) in row.iter().enumerate() {
                let mut tried = selection.clone();
                tried.set(option, u16::try_from(value).ok());
                let left: Vec<_> = fitting(&product.variants, &tried).collect();
                let expected = if left.is_empty() { NotMade } else if left.iter().any(|v| v.stock.is_in()) { Open } else { SoldOut };
                prop_assert_eq!(*state, expected);
            }
        }
    }

    #[test]
    fn a_pick_stands_and_leads_to_something_that_is_made(product in any_product(), a in 0u16..3, b in 0u16..2, c in 0u16..2, value in 0u16..3) {
        let picked = pick(&product, &chosen(&[Some(a), Some(b), Some(c)]), 0, value);
        prop_assert_eq!(picked.get(0), Some(value));
        let made_at_all = product.variants.iter().any(|v| has(v, 0, value));
        prop_assert_eq!(fitting(&product.variants, &picked).next().is_some(), made_at_all);
    }
}

#[test]
fn of_a_choice_another_product_keeps_what_it_has_and_nothing_else() {
    let product = product(&[("colour", 3), ("sail", 2)]);
    let handle = |text: &str| Handle::try_from(text).unwrap();
    let other = BTreeMap::from([
        (handle("colour"), BTreeSet::from([handle("colour-0"), handle("colour-2")])),
        (handle("reel"), BTreeSet::from([handle("sail-1")])),
    ]);
    for colour in [None, Some(0), Some(1), Some(2)] {
        for sail in [None, Some(0), Some(1)] {
            let selection = Selection::from_values(vec![colour, sail]);
            let wanted = match colour {
                Some(at @ (0 | 2)) => format!("colour=colour-{at}"),
                _ => String::new(),
            };
            assert_eq!(selection.kept_by(&product, &other), wanted, "{selection:?}");
        }
    }
}
