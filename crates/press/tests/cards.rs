//! Cards: every kind of piece on a card of its own, as a golden file, and what choosing on a card comes to.
#![allow(clippy::unwrap_used)]

mod shop;

use compagina_core::catalog::{Product, Stock};
use compagina_core::choice::{Selection, ValueState, card_opening, is_made, pick, states};
use compagina_core::ids::PieceId;
use compagina_core::page::op::check;
use compagina_core::page::piece::card;
use compagina_core::page::starter::{CARD_STARTERS, empty_card};
use compagina_core::page::{Device, Kind, Layout, Piece, Purpose, SetValue, Setting, Values};
use compagina_core::situation::Situation;
use compagina_core::template::CardPlace;
use compagina_core::time::Day;
use compagina_press::shop::{Listing, Shelf, listing};
use compagina_press::{Cards, Lead, LookedAt, Nav, entry_for};
use shop::{demo, nav};
use std::sync::Arc;

/// The same card for every product.
#[derive(Debug)]
struct One(Arc<Layout>);

impl Cards for One {
    fn composed(&self, _: &Product, _: CardPlace) -> Option<Arc<Layout>> {
        Some(self.0.clone())
    }
}

fn text(words: &str) -> SetValue {
    SetValue::Text(words.into())
}

fn lines(all: &[&str]) -> SetValue {
    SetValue::Lines(all.iter().map(|one| (*one).to_owned()).collect())
}

fn card_of(kind: Kind, set: &[(&'static Setting, SetValue)]) -> Layout {
    let mut layout = empty_card();
    let values =
        set.iter().fold(Values::default(), |all, (one, value)| all.with(Device::Wide, one, value.clone()));
    let piece = Piece { id: PieceId::try_from("it").unwrap(), kind, values };
    layout.bands[0].columns[0].pieces.push(piece);
    layout
}

fn buying() -> Layout {
    CARD_STARTERS.iter().find(|one| one.key == "buying").unwrap().lay(&empty_card()).layout
}

fn with(layout: Layout) -> Nav {
    Nav { cards: Arc::new(One(Arc::new(layout))), ..nav() }
}

fn page(nav: &Nav, products: &[&Product], lead: Option<&Lead>) -> String {
    let shelves = [Shelf { kind: &products[0].kind, products: products.to_vec() }];
    listing(
        nav,
        &Listing {
            title: "Kites",
            words: &[],
            shelves: &shelves,
            leaf: None,
            sift: None,
            lead,
            sets: None,
            notice: None,
        },
    )
}

/// The cards and their rules, one element a line.
fn content(html: &str) -> String {
    let (_, rest) = html.split_once("<ul class=\"cards\">").unwrap();
    let (content, _) = rest.split_once("</main>").unwrap();
    let (_, css) = html.split_once("<style id=\"laid\">").unwrap();
    let (css, _) = css.split_once("</style>").unwrap();
    format!("{css}\n{content}").replace("><", ">\n<").replace('}', "}\n")
}

/// What a piece needs to have something to show, and to be seen with more than it begins with.
fn filled(kind: Kind) -> Vec<(&'static Setting, SetValue)> {
    match kind {
        Kind::CardPicture => vec![(&card::picture::POINTING, text("turn"))],
        Kind::CardPrice => vec![(&card::price::SAVING, text("percent"))],
        Kind::CardChoices => vec![
            (&card::choices::CHOOSING, text("card")),
            (&card::choices::OPTIONS, lines(&["Colour", "Sail"])),
            (&card::choices::LEADS, lines(&["Colour"])),
            (&card::choices::MOST, SetValue::Number(3)),
        ],
        Kind::CardSiblings => vec![(&card::siblings::EACH, SetValue::Flag(true))],
        Kind::CardFact => vec![(&card::fact::FACTS, lines(&["Frame"]))],
        _ => vec![],
    }
}

#[test]
fn every_kind_of_a_card_has_its_look() {
    let (products, _) = demo();
    for kind in Kind::of(Purpose::Card) {
        let layout = card_of(kind, &filled(kind));
        assert_eq!(check(&layout), Ok(()), "{}", kind.label());
        let page = content(&page(&with(layout), &[&products[0]], None));
        assert!(page.contains("c-it piece"), "{} is drawn", kind.label());
        insta::with_settings!({ snapshot_path => "golden", prepend_module_to_snapshot => false, omit_expression => true }, {
            insta::assert_snapshot!(format!("card_{}", kind.label().to_lowercase().replace(' ', "_")), page);
        });
    }
}

#[test]
fn what_a_card_offers_is_what_the_page_offers() {
    let (products, _) = demo();
    let layout = buying();
    let nav = with(layout.clone());
    for product in &products {
        let mut selection = card_opening(product, Some("Colour"));
        for (option, uses) in product.options.iter().enumerate() {
            let place = (0..uses.values.len()).find(|v| is_made(product, option, *v));
            selection = place
                .map_or(selection.clone(), |v| pick(product, &selection, option, u16::try_from(v).unwrap()));
            let plain =
                Situation::plain(product.options.len(), Day::try_from("2026-11-26".to_owned()).unwrap());
            let situation =
                Situation { selection: selection.clone(), quantity: product.terms.first(), ..plain };
            let entry = entry_for(&nav, product, &layout, &situation).unwrap();
            let of_card: Vec<Vec<ValueState>> =
                entry.values.iter().map(|row| row.iter().map(|(state, _)| *state).collect()).collect();
            if product.is_sold() {
                assert_eq!(of_card, states(product, &selection), "{}", product.name);
            }
            assert_eq!(entry.key, selection.to_query(product));
        }
    }
}

#[test]
fn a_card_opens_with_what_it_leads_with_and_with_what_there_is_only_one_of() {
    let (mut products, _) = demo();
    let whimbrel = &mut products[0];
    assert_eq!(card_opening(whimbrel, None), Selection::none(whimbrel.options.len()));
    let opened = card_opening(whimbrel, Some("colour"));
    let colour = whimbrel.options.iter().position(|option| option.name == "Colour").unwrap();
    assert_eq!(opened.chosen().map(|(option, _)| option).collect::<Vec<_>>(), [colour]);
    let first = opened.get(colour).unwrap();
    // Another one where the first is sold out.
    let of_first = |variant: &&mut compagina_core::catalog::Variant| variant.values[colour] == Some(first);
    whimbrel.variants.iter_mut().filter(of_first).for_each(|variant| variant.stock = Stock::Counted(0));
    assert_ne!(card_opening(whimbrel, Some("Colour")).get(colour), Some(first));
    // What only one value is made of is chosen without being asked for.
    whimbrel.variants.retain(|variant| variant.values[colour] != Some(first));
    let second = whimbrel.variants[0].values[colour];
    whimbrel.variants.retain(|variant| variant.values[colour] == second);
    assert_eq!(card_opening(whimbrel, None).get(colour), second);
}

#[test]
fn what_is_missing_is_asked_for_on_the_card_alone() {
    let (products, _) = demo();
    let (whimbrel, dunlin) = (&products[0], &products[2]);
    let nav = with(buying());
    let selection = Selection::from_pairs(whimbrel, [("colour", "dusk")]).0;
    let plain = Situation::plain(whimbrel.options.len(), nav.prices.today());
    let lead = Lead {
        product: whimbrel.id,
        situation: Situation { selection, ..plain },
        looked_at: LookedAt::Asked,
    };
    let html = page(&nav, &[whimbrel, dunlin], Some(&lead));
    let (first, second) = html.split_once("id=\"card-dunlin\"").unwrap();
    assert_eq!(first.matches("data-missing").count(), 1, "the sail");
    assert!(first.contains("value=\"dusk\" data-option=\"0\"") || first.contains("value=\"dusk\""));
    assert!(!second.contains("data-missing"));
}

#[test]
fn a_product_stands_twice_on_a_page_under_names_of_its_own() {
    let (products, _) = demo();
    let html = page(&with(buying()), &[&products[0], &products[0]], None);
    for name in ["id=\"card-whimbrel\"", "id=\"card-whimbrel-2\"", "id=\"card-whimbrel-2-form\""] {
        assert_eq!(html.matches(name).count(), 1, "{name}");
    }
    assert!(html.matches(".deck-0 .c-").count() > 5, "one set of rules for both");
    assert!(!html.contains(".deck-1 "));
}

#[test]
fn what_needs_a_text_or_a_plan_leads_to_its_page() {
    let (products, _) = demo();
    let banner = products.iter().find(|product| product.terms.text.is_some()).unwrap();
    let html = page(&with(buying()), &[banner], None);
    assert!(html.contains("Look at it") && !html.contains("data-buy"), "{html}");
}
