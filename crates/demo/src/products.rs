//! The products with which the demo shop opens.

use crate::cloth::cloth;
use crate::draw::{self, Make};
use crate::product::{SENDING, new, product};
use crate::{DemoProduct, facts, range, reviews, terms};
use compagina_core::catalog::{ProductState, Stock};

pub(crate) fn all() -> Vec<DemoProduct> {
    let mut all = vec![
        whimbrel(),
        whimbrel_mini(),
        dunlin(),
        plover(),
        avocet(),
        braided_line(),
        winder(),
        carbon_spar(),
        first_kite(),
        gift_card(),
        turnstone(),
        knot(),
    ];
    all.extend(terms::all());
    all.extend(range::all());
    facts::fill(&mut all);
    reviews::fill(&mut all);
    all
}

fn whimbrel() -> DemoProduct {
    let mut kite = product(
        "Sport kites",
        "Whimbrel",
        6800,
        "A forgiving two-line kite for steady winds, sewn in ripstop with a fibreglass frame that takes a crash.",
        &[
            (
                "What is in the bag",
                "Kite, two 25 m lines on a winder, wrist straps, sleeve and a flying card.",
            ),
            (
                "Wind and size",
                "Flies from 8 to 30 km/h. The 1.6 m sail is quick and noisy, the 2.1 m is the one we lend to beginners, the 2.4 m floats in light wind.\n\nFor ten years and older.",
            ),
            SENDING,
        ],
    );
    kite.old_price_minor = Some(8500);
    let colours = ["Ember", "Dusk", "Tide", "Fern", "Chalk"];
    // Stock by colour and sail; an empty place isn't made.
    let stock: [[Option<u32>; 3]; 5] = [
        [Some(14), Some(6), Some(0)],
        [Some(3), Some(9), Some(2)],
        [Some(8), Some(0), Some(4)],
        [Some(0), Some(0), None],
        [Some(5), Some(1), None],
    ];
    let mut made = new(kite).with_options(&[("Colour", &colours), ("Sail", &["1.6 m", "2.1 m", "2.4 m"])]);
    for (c, (row, colour)) in (0u16..).zip(stock.iter().zip(colours)) {
        for (s, (left, size)) in (0u16..).zip(row.iter().zip(["16", "21", "24"])) {
            let Some(left) = left else { continue };
            let price = (s == 2).then_some(7400);
            let sku = format!("WHI-{}-{size}", colour[..3].to_uppercase());
            made = made.variant(&sku, &[Some(c), Some(s)], Stock::Counted(*left), price);
        }
    }
    for (seed, colour) in (11..).zip(colours) {
        made = made.kite_pictures(Make::Sport, colour, seed);
    }
    made.picture(draw::packed(cloth("Slate")), "The Whimbrel rolled up in its sleeve", None)
}

fn whimbrel_mini() -> DemoProduct {
    let kite = product(
        "Sport kites",
        "Whimbrel Mini",
        4200,
        "The Whimbrel at two thirds: small enough for a rucksack, quick enough to keep you awake.",
        &[("What is in the bag", "Kite, two 20 m lines, sleeve."), SENDING],
    );
    let mut made = new(kite).with_options(&[("Colour", &["Tide", "Ember", "Saffron"]), ("Sail", &["1.2 m"])]);
    for (c, (colour, left)) in (0u16..).zip([("Tide", 12), ("Ember", 3), ("Saffron", 0)]) {
        let sku = format!("WHM-{}", colour[..3].to_uppercase());
        made = made.variant(&sku, &[Some(c), Some(0)], Stock::Counted(left), None);
        made = made.kite_pictures(Make::Sport, colour, 31 + u32::from(c)).picture(
            draw::cut_out(Make::Sport, cloth(colour)),
            &format!("Whimbrel Mini in {colour}, by itself"),
            Some(colour),
        );
    }
    made.picture(draw::beach(cloth("Tide"), 38), "A long empty beach with one small kite over it", None)
        .focus(820, 420)
}

fn dunlin() -> DemoProduct {
    let kite = product(
        "Sport kites",
        "Dunlin",
        12_900,
        "A team kite with a carbon frame. It turns where you look.",
        &[("Wind and size", "Flies from 6 to 35 km/h. One size, 2.4 m across."), SENDING],
    );
    let mut made = new(kite).with_options(&[("Colour", &["Slate", "Storm", "Heather"])]);
    for (c, (colour, left)) in (0u16..).zip([("Slate", 4), ("Storm", 2), ("Heather", 7)]) {
        let sku = format!("DUN-{}", colour[..3].to_uppercase());
        made = made.variant(&sku, &[Some(c)], Stock::Counted(left), None);
        made = made.kite_pictures(Make::Sport, colour, 41 + u32::from(c));
    }
    made
}

fn plover() -> DemoProduct {
    let kite = product(
        "Single-line kites",
        "Plover",
        3400,
        "The diamond that every child draws. Goes up in a breath of wind and stays there.",
        &[("What is in the bag", "Kite with tail, 50 m of line on a hand winder."), SENDING],
    );
    let mut made = new(kite).with_options(&[("Colour", &["Saffron", "Ember", "Tide", "Chalk"])]);
    for (c, (colour, left)) in (0u16..).zip([("Saffron", 20), ("Ember", 0), ("Tide", 11), ("Chalk", 2)]) {
        let sku = format!("PLO-{}", colour[..3].to_uppercase());
        made = made.variant(&sku, &[Some(c)], Stock::Counted(left), None);
        made = made.kite_pictures(Make::Diamond, colour, 51 + u32::from(c));
    }
    made
}

/// A long name and one variant.
fn avocet() -> DemoProduct {
    let kite = product(
        "Single-line kites",
        "Avocet long-tailed diamond for light evening winds and unhurried people",
        5200,
        "Eleven metres of tail, most of it unnecessary.",
        &[("What is in the bag", "Kite, tail in its own pouch, 100 m of line on a hand winder.")],
    );
    new(kite).variant("AVO-DUS", &[], Stock::Counted(3), None).picture(
        draw::flying(Make::Diamond, cloth("Dusk"), 61),
        "The Avocet in the evening, its tail in a long curve",
        None,
    )
}

fn braided_line() -> DemoProduct {
    let line = product(
        "Lines and winders",
        "Braided line",
        900,
        "Hollow braid that doesn't stretch or curl, 90 kg, sleeved at both ends.",
        &[("Care", "Rinse it after salt water and dry it on the reel, out of the sun.")],
    );
    let mut made = new(line).with_options(&[("Reel", &["25 m", "50 m", "100 m"])]);
    for (r, (reel, left, price)) in (0u16..).zip([("25", 60, 900), ("50", 42, 1650), ("100", 0, 2900)]) {
        made = made
            .variant(&format!("BRL-{reel}"), &[Some(r)], Stock::Counted(left), Some(price))
            .measure(&format!("{reel} m"));
    }
    made.picture(draw::reel(cloth("Saffron")), "A reel of yellow braided line", None).picture(
        draw::winder(cloth("Saffron")),
        "The line on a hand winder",
        None,
    )
}

fn winder() -> DemoProduct {
    let winder = product(
        "Lines and winders",
        "Hand winder",
        1200,
        "Turned from beech offcuts. Holds a hundred metres and fits a coat pocket.",
        &[],
    );
    new(winder).variant("WIN-01", &[], Stock::Counted(35), None).picture(
        draw::winder(cloth("Tide")),
        "A beech hand winder with blue line",
        None,
    )
}

fn carbon_spar() -> DemoProduct {
    let spar = product(
        "Spares",
        "Carbon spar",
        1100,
        "Cut to length in our loft. Wrapped ends split later.",
        &[(
            "Which one do I need?",
            "Whimbrel takes 5 mm, Dunlin 6 mm, the small kites 4 mm. Measure the old one before you order.",
        )],
    );
    let mut made = new(spar).with_options(&[
        ("Diameter", &["4 mm", "5 mm", "6 mm"]),
        ("Length", &["50 cm", "82.5 cm", "100 cm"]),
        ("Finish", &["Bare", "Wrapped"]),
    ]);
    for d in 0u16..3 {
        for l in 0u16..3 {
            // Thin spars come only bare, and the long thin one isn't made; the thick ones in any finish.
            let price = 700 + i64::from(d) * 200 + i64::from(l) * 300;
            let sku = format!("SPA-{}-{}", d + 4, ["050", "082", "100"][usize::from(l)]);
            let left = Stock::Counted(u32::from((d * 7 + l * 5) % 9));
            made = match (d, l) {
                (0, 2) => made,
                (0, _) => made.variant(&sku, &[Some(d), Some(l), Some(0)], left, Some(price)),
                (2, _) => made.variant(&sku, &[Some(d), Some(l), None], left, Some(price)),
                _ => made
                    .variant(&format!("{sku}-B"), &[Some(d), Some(l), Some(0)], left, Some(price))
                    .variant(
                        &format!("{sku}-W"),
                        &[Some(d), Some(l), Some(1)],
                        Stock::Counted(4),
                        Some(price + 250),
                    ),
            };
        }
    }
    made.picture(draw::spars(false), "Five carbon spars, thin to thick", None).picture(
        draw::spars(true),
        "Carbon spars with wrapped ends",
        None,
    )
}

fn first_kite() -> DemoProduct {
    let mut day = product(
        "Workshops",
        "Sew your first kite",
        9500,
        "A day at our long table. You cut, sew and fly a kite of your own, and you take it home.",
        &[
            ("The day", "Ten to five, with soup at one. Six people, two teachers, four sewing machines."),
            ("What to bring", "Nothing. If the wind allows we fly at four; bring a coat."),
        ],
    );
    day.most_per_order = Some(1);
    let dates = ["Saturday 12 December", "Saturday 9 January", "Sunday 7 February"];
    let mut made = new(day).with_options(&[("Date", &dates)]);
    for (d, left) in (0u16..).zip([0, 2, 6]) {
        made = made.variant(&format!("WRK-{}", d + 1), &[Some(d)], Stock::Counted(left), None);
    }
    let of_the_day: [(String, &str); 12] = [
        (draw::workshop(cloth("Ember"), cloth("Tide")), "Our long table with a sewing machine and cut cloth"),
        (draw::seam(cloth("Ember")), "The first double seam, from close by"),
        (draw::workshop(cloth("Saffron"), cloth("Fern")), "Yellow and green cloth, marked out for cutting"),
        (draw::on_sand(Make::Diamond, cloth("Saffron"), 91), "A finished diamond waiting for wind"),
        (draw::flying(Make::Diamond, cloth("Tide"), 92), "A first flight over the dunes"),
        (draw::seam(cloth("Dusk")), "Two colours joined"),
        (draw::reel(cloth("Tide")), "Everybody takes a reel of line home"),
        (draw::winder(cloth("Ember")), "Winding up at the end of the day"),
        (draw::flying(Make::Diamond, cloth("Ember"), 95), "Higher than the teacher's"),
        (draw::packed(cloth("Fern")), "Rolled up for the train"),
        (draw::beach(cloth("Saffron"), 96), "The beach at four o'clock, with one kite up"),
        (draw::on_sand(Make::Diamond, cloth("Heather"), 97), "The last one of the day on the sand"),
    ];
    of_the_day.into_iter().fold(made, |made, (svg, alt)| made.picture(svg, alt, None))
}

fn gift_card() -> DemoProduct {
    let card = product(
        "Gift cards",
        "Gift card",
        2500,
        "By email within minutes, or on card by post. It never runs out.",
        &[("How it works", "The code on the card takes its amount off any order, in parts if you like.")],
    );
    let mut made = new(card).with_options(&[("Amount", &["£25", "£50", "£100"])]);
    for (a, price) in (0u16..).zip([2500, 5000, 10_000]) {
        made = made.variant(&format!("GIFT-{}", price / 100), &[Some(a)], Stock::NotCounted, Some(price));
    }
    made.picture(draw::gift_card(cloth("Ember")), "A gift card with a red kite on it", None)
}

/// Seen, not yet sold.
fn turnstone() -> DemoProduct {
    let mut kite = product(
        "Sport kites",
        "Turnstone",
        9800,
        "A kite for strong wind, still on the drawing board's edge. Three are flying; yours comes in spring.",
        &[("Wind and size", "Flies from 10 to 40 km/h. One size, 2.0 m across."), SENDING],
    );
    kite.state = ProductState::ComingSoon;
    let made = new(kite).with_options(&[("Colour", &["Tide", "Heather"])]);
    made.film("The third Turnstone turning in a stiff wind")
        .variant("TUR-TID", &[Some(0)], Stock::Counted(0), None)
        .variant("TUR-HEA", &[Some(1)], Stock::Counted(0), None)
        .picture(
            draw::flying(Make::Sport, cloth("Tide"), 71),
            "Turnstone in Tide over the dunes",
            Some("Tide"),
        )
        .picture(
            draw::flying(Make::Sport, cloth("Heather"), 72),
            "Turnstone in Heather over the dunes",
            Some("Heather"),
        )
}

/// No picture at all, and sold out.
fn knot() -> DemoProduct {
    let kite = product(
        "Single-line kites",
        "Knot",
        2600,
        "The smallest we make. It folds into a sleeve no longer than a loaf.",
        &[],
    );
    new(kite).variant("KNO-01", &[], Stock::Counted(0), None)
}
