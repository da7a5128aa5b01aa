//! Products that are sold on terms of their own: with a name on them, again and again, in pairs. And what some of the
//! shop's things cost before.

use crate::cloth::cloth;
use crate::draw;
use crate::handle;
use crate::product::{new, product};
use crate::{DemoProduct, PastPrice};
use compagina_core::catalog::{Signs, Stock, Terms, TextTerms};

pub(crate) fn all() -> Vec<DemoProduct> {
    vec![name_banner(), line_care_kit(), repair_kit_club(), connector_set()]
}

/// What was on the price list before: the third one has a typed old price that is too high.
pub(crate) fn past_prices() -> Vec<PastPrice> {
    let past =
        |product: &str, days_ago, was_minor| PastPrice { product: handle(product), days_ago, was_minor };
    vec![past("Whimbrel", 21, 8500), past("Dunlin", 64, 11_900), past("Line care kit", 17, 1650)]
}

/// With a name on it, for a surcharge.
fn name_banner() -> DemoProduct {
    let mut banner = product(
        "Windsocks and banners",
        "Name banner",
        3900,
        "Three metres of ripstop on a fibreglass pole, with a name sewn on in letters as tall as a hand.",
        &[
            (
                "How it is made",
                "We cut the letters from contrasting cloth and sew them on both sides. Allow a week.",
            ),
            ("Returns", "A banner with a name on it can't come back, unless we got it wrong."),
        ],
    );
    banner.terms.text = Some(TextTerms {
        label: "Name on the banner".into(),
        lines: 2,
        most: 12,
        signs: Signs::Letters,
        surcharge: 600,
        needed: false,
    });
    let mut made = new(banner).with_options(&[("Colour", &["Ember", "Dusk", "Tide"])]);
    for (c, (colour, left)) in (0u16..).zip([("Ember", 8), ("Dusk", 2), ("Tide", 5)]) {
        let sku = format!("BAN-{}", colour[..3].to_uppercase());
        made = made.variant(&sku, &[Some(c)], Stock::Counted(left), None).picture(
            draw::banner(cloth(colour), 120 + u32::from(c)),
            &format!("A {colour} banner in the wind"),
            Some(colour),
        );
    }
    made
}

/// Once, or every 8 or 12 weeks.
fn line_care_kit() -> DemoProduct {
    let mut kit = product(
        "Repeat orders",
        "Line care kit",
        1400,
        "Wax, a lint-free cloth and two spare sleeves: what a line needs for a season by the sea.",
        &[("How to use it", "Rinse, dry, draw the line through the cloth with a little wax. Ten minutes.")],
    );
    kit.old_price_minor = Some(1800);
    new(kit).variant("CARE-01", &[], Stock::Counted(48), None).picture(
        draw::care_kit(cloth("Tide")),
        "A tin of wax and a folded cloth beside a reel",
        None,
    )
}

/// Only by a plan.
fn repair_kit_club() -> DemoProduct {
    let club = product(
        "Repeat orders",
        "Repair kit club",
        2400,
        "A pouch of tape, patches, thread and one thing you didn't know you needed, sewn up by us each time.",
        &[(
            "How it works",
            "The first pouch leaves within two days. You can end it before any of the next ones.",
        )],
    );
    new(club).variant("CLUB-01", &[], Stock::NotCounted, None).picture(
        draw::care_kit(cloth("Ember")),
        "A pouch of repair tape and cloth patches",
        None,
    )
}

/// In pairs, two of them at least.
fn connector_set() -> DemoProduct {
    let mut set = product(
        "Spares",
        "Connector set",
        350,
        "Moulded ends that join two spars. They wear in pairs, so we sell them in pairs.",
        &[],
    );
    set.terms = Terms { least: 4, step: 2, text: None };
    new(set).variant("CON-01", &[], Stock::Counted(30), None).picture(
        draw::spars(true),
        "Spar ends with moulded connectors",
        None,
    )
}
