//! Whole pages as golden files, and the laws that every page keeps.
#![allow(clippy::unwrap_used)]

mod shop;

use compagina_core::catalog::{Product, Stock};
use compagina_core::choice::Selection;
use compagina_core::money::MoneyError;
use compagina_core::page::{Device, Kind, Layout, Op, SetValue, Target, apply};
use compagina_core::situation::{Situation, StockMood};
use compagina_press::{Around, Mode, Notice, Page, entry_for, render, render_bare};
use shop::{demo, media, nav, plain};
use std::sync::Arc;

struct Look<'a> {
    product: &'a Product,
    layout: &'a Layout,
    situation: Situation,
    mode: Mode,
    related: &'a [Product],
}

fn look<'a>(product: &'a Product, layout: &'a Layout) -> Look<'a> {
    let situation = plain(product, layout);
    Look { product, layout, situation, mode: Mode::Shop, related: &[] }
}

fn html(look: &Look<'_>) -> String {
    made(look, render)
}

fn made(look: &Look<'_>, make: fn(&Page<'_>) -> Result<String, MoneyError>) -> String {
    let nav = nav();
    let Look { product, layout, situation, mode, related } = look;
    let around = Around { related: related.iter().cloned().map(Arc::new).collect(), ..Around::default() };
    let (media, mode) = (media(), *mode);
    let page = Page {
        nav: &nav,
        product,
        layout,
        around: &around,
        media: &media,
        situation,
        mode,
        notice: None,
        only: None,
    };
    make(&page).unwrap()
}

/// One element a line, so that a golden file can be read and compared.
fn readable(html: &str) -> String {
    // The house style stands on every page and has tests of its own.
    let (before, rest) = html.split_once("<style id=\"house\">").unwrap();
    let (_, after) = rest.split_once("</style>").unwrap();
    format!("{before}{after}").replace("><", ">\n<").replace('}', "}\n")
}

macro_rules! golden {
    ($name:literal, $html:expr) => {
        insta::with_settings!({ snapshot_path => "golden", prepend_module_to_snapshot => false, omit_expression => true }, {
            insta::assert_snapshot!($name, readable(&$html));
        });
    };
}

#[test]
fn a_kite_with_two_options_on_sale() {
    let (products, layouts) = demo();
    let mut look = look(&products[0], &layouts[1]);
    look.related = &products[1..3];
    golden!("whimbrel", html(&look));
}

#[test]
fn a_sold_out_choice_of_the_same_kite_as_a_proof() {
    let (products, layouts) = demo();
    let mut look = look(&products[0], &layouts[1]);
    look.situation.stock = StockMood::None;
    look.mode = Mode::Proof;
    golden!("whimbrel_sold_out_proof", html(&look));
}

#[test]
fn a_product_with_one_variant_and_a_long_name() {
    let (products, layouts) = demo();
    golden!("avocet", html(&look(&products[4], &layouts[1])));
}

#[test]
fn spares_with_three_options_and_any_finish() {
    let (products, layouts) = demo();
    golden!("carbon_spar", html(&look(&products[7], &layouts[0])));
}

#[test]
fn pieces_with_nothing_to_show_are_not_drawn() {
    let (products, layouts) = demo();
    let page = html(&look(&products[4], &layouts[1]));
    assert!(!page.contains("k-options") && !page.contains("k-related") && page.contains("k-gallery"));
    let mut bare = products[4].clone();
    bare.pictures.clear();
    bare.summary = " ".into();
    bare.details.clear();
    for mode in [Mode::Shop, Mode::Proof] {
        let page = html(&Look { mode, ..look(&bare, &layouts[1]) });
        for kind in ["k-gallery", "k-summary", "k-details"] {
            assert!(!page.contains(&format!("class=\"piece {kind}\"")), "{kind}");
        }
        assert!(!page.contains("ground-tinted"), "a band with nothing to show isn't drawn either");
    }
}

#[test]
fn a_band_that_nothing_was_put_into_yet_has_its_place_on_the_desk() {
    let (products, layouts) = demo();
    let mut layout = layouts[1].clone();
    let tinted = layout
        .bands
        .iter_mut()
        .find(|b| b.values.wide.values().any(|v| *v == SetValue::Text("tinted".into())))
        .unwrap();
    tinted.columns.iter_mut().for_each(|column| column.pieces.clear());
    let page = |mode| html(&Look { mode, ..look(&products[4], &layout) });
    assert!(page(Mode::Proof).contains("ground-tinted") && !page(Mode::Shop).contains("ground-tinted"));
}

#[test]
fn a_page_that_is_drawn_small_runs_nothing_and_takes_small_pictures() {
    let (products, layouts) = demo();
    let whole = html(&look(&products[0], &layouts[1]));
    let small = html(&Look { mode: Mode::Small, ..look(&products[0], &layouts[1]) });
    assert!(whole.contains("<script") && !small.contains("<script"));
    assert!(small.contains("sizes=\"216px\"") && small.len() < whole.len());
    let slides = |page: &str| page.matches("class=\"slide\"").count();
    assert_eq!(slides(&small), slides(&whole), "all else is as it is");
}

#[test]
fn only_proofs_carry_the_names_of_pieces() {
    let (products, layouts) = demo();
    let mut look = look(&products[0], &layouts[1]);
    assert!(!html(&look).contains("data-piece"));
    look.mode = Mode::Proof;
    let proof = html(&look);
    assert_eq!(
        proof.matches("data-piece=").count(),
        15,
        "all but the related products, which there are none of"
    );
    assert!(proof.contains("agent.js") && !proof.contains("shop.js"));
}

fn set(layout: &mut Layout, kind: Kind, setting: &str, device: Device, value: SetValue) {
    let target = Target::Piece(layout.first_of(kind).unwrap().id.clone());
    apply(layout, Op::Set { target, setting: setting.into(), device, value: Some(value) }).unwrap();
}

#[test]
fn what_is_hidden_on_phones_is_hidden_there_only() {
    let (products, mut layouts) = demo();
    set(&mut layouts[1], Kind::Breadcrumb, "shown", Device::Phone, SetValue::Flag(false));
    let page = html(&look(&products[0], &layouts[1]));
    let (wide, phone) = page.split_once("@media (max-width:640px)").unwrap();
    assert!(phone.contains("#p-p1{display:none}") && !wide.contains("#p-p1{display:none}"));
    set(&mut layouts[1], Kind::Breadcrumb, "shown", Device::Wide, SetValue::Flag(false));
    assert!(
        !html(&look(&products[0], &layouts[1])).contains("k-breadcrumb\""),
        "hidden on both it isn't sent at all"
    );
}

#[test]
fn words_of_their_own_for_phones_stand_beside_those_for_wide_screens() {
    let (products, mut layouts) = demo();
    set(&mut layouts[1], Kind::BuyButton, "words", Device::Phone, SetValue::Text("Buy <now>".into()));
    let page = html(&look(&products[0], &layouts[1]));
    assert!(page.contains(r#"data-say="buy.p9.wide">Add to cart<"#), "{page}");
    assert!(page.contains(r#"data-say="buy.p9.phone">Buy &lt;now&gt;<"#));
}

#[test]
fn the_embedded_entries_say_what_the_server_says() {
    let (products, layouts) = demo();
    for (product, layout) in [(&products[0], &layouts[1]), (&products[7], &layouts[0])] {
        let page = html(&look(product, layout));
        let (_, rest) = page.split_once(r#"id="offers">"#).unwrap();
        let json = rest.split_once("</script>").unwrap().0;
        let table: serde_json::Value = serde_json::from_str(json).unwrap();
        let entries = table["entries"].as_object().unwrap();
        assert!(entries.contains_key(table["start"].as_str().unwrap()));
        for (key, entry) in entries {
            let pairs = key.split('&').filter_map(|pair| pair.split_once('='));
            let selection = Selection::from_pairs(product, pairs).0;
            let situation = Situation { selection, ..plain(product, layout) };
            let asked = entry_for(&nav(), product, layout, &situation).unwrap();
            assert_eq!(entry, &serde_json::to_value(asked).unwrap(), "{key}");
            for (_, to) in entry["values"].as_array().unwrap().iter().flat_map(|row| {
                row.as_array()
                    .unwrap()
                    .iter()
                    .map(|cell| (cell[0].clone(), cell[1].as_str().unwrap().to_owned()))
            }) {
                assert!(entries.contains_key(&to), "{key} leads to {to}, which the page doesn't carry");
            }
        }
    }
}

#[test]
fn hostile_text_stays_text_everywhere() {
    const EVIL: &str = "</script><script>alert(1)</script>\"'><img src=x onerror=alert(1)>&";
    let (mut products, mut layouts) = demo();
    let product = &mut products[0];
    product.name = EVIL.into();
    product.summary = EVIL.into();
    product.kind.name = EVIL.into();
    product.options[0].name = EVIL.into();
    product.options[0].values[0].name = EVIL.into();
    product.pictures[0].alt = EVIL.into();
    product.details[0].title = EVIL.into();
    product.details[0].text = EVIL.into();
    set(&mut layouts[1], Kind::BuyButton, "words", Device::Wide, SetValue::Text("<script>alert(2)".into()));
    let nav = nav();
    let notice = Notice { text: EVIL.into(), leads: None };
    let look = look(&products[0], &layouts[1]);
    let page = render(&Page {
        nav: &nav,
        product: look.product,
        layout: look.layout,
        around: &Around { related: vec![Arc::new(products[0].clone())], ..Around::default() },
        media: &media(),
        situation: &look.situation,
        mode: Mode::Proof,
        notice: Some(&notice),
        only: None,
    })
    .unwrap();
    assert!(!page.contains("<script>alert") && !page.contains("<img src=x"));
    assert_eq!(page.matches("</script>").count(), 2, "the data and the script that the page has");
}

#[test]
fn a_line_of_stock_tells_the_last_ones() {
    let (mut products, layouts) = demo();
    products[4].variants[0].stock = Stock::Counted(1);
    assert!(html(&look(&products[4], &layouts[1])).contains("Only 1 left"));
    products[4].variants[0].stock = Stock::NotCounted;
    assert!(html(&look(&products[4], &layouts[1])).contains("In stock"));
}

#[test]
fn a_bare_page_lacks_the_rules_of_its_pieces_and_nothing_else() {
    let (products, layouts) = demo();
    for (product, layout) in products.iter().flat_map(|p| layouts.iter().map(move |l| (p, l))) {
        let [whole, bare] = [render, render_bare].map(|make| made(&look(product, layout), make));
        let from = whole.bytes().zip(bare.bytes()).take_while(|(a, b)| a == b).count();
        let (begin, rest) = whole.split_at(from);
        let (rules, end) = rest.split_at(whole.len() - bare.len());
        assert_eq!(format!("{begin}{end}"), bare, "{}", product.handle);
        assert!(rules.contains("#p-") && !rules.contains("</style"), "{rules}");
    }
}
