//! The rest of the range, with its awkward ones: nothing but a name, a value without a swatch, something withdrawn.

use crate::DemoProduct;
use crate::cloth::cloth;
use crate::draw::{self, Make};
use crate::product::{SENDING, new, product};
use compagina_core::catalog::{ProductState, Stock};

pub(crate) fn all() -> Vec<DemoProduct> {
    vec![
        sanderling(),
        godwit(),
        curlew(),
        little_stint(),
        long_reach_line(),
        wrist_straps(),
        fibreglass_spar(),
        sail_patch(),
        harbour_windsock(),
        garden_streamer(),
        flying_day(),
        sandpiper(),
    ]
}

/// A kite in some colours, with two pictures of each.
fn in_colours(made: DemoProduct, make: Make, code: &str, colours: &[(&'static str, u32)]) -> DemoProduct {
    let (names, name): (Vec<&str>, String) =
        (colours.iter().map(|(colour, _)| *colour).collect(), made.product.name.clone());
    let mut made = made.with_options(&[("Colour", &names)]);
    for (place, (colour, left)) in (0u16..).zip(colours) {
        let sku = format!("{code}-{}", colour[..3].to_uppercase());
        let seed = 200 + u32::from(place) + code.bytes().map(u32::from).sum::<u32>();
        made = made
            .variant(&sku, &[Some(place)], Stock::Counted(*left), None)
            .picture(
                draw::flying(make, cloth(colour), seed),
                &format!("{name} in {colour}, high over the dunes"),
                Some(colour),
            )
            .picture(
                draw::on_sand(make, cloth(colour), seed),
                &format!("{name} in {colour} on the sand"),
                Some(colour),
            );
    }
    made
}

/// One that is sold in Bracken, a colour that has no swatch.
fn sanderling() -> DemoProduct {
    let kite = product(
        "Sport kites",
        "Sanderling",
        5400,
        "Runs along the tide line like the bird. A small, quick kite for evenings and short arms.",
        &[("Wind and size", "Flies from 10 to 35 km/h. One size, 1.4 m across."), SENDING],
    );
    in_colours(new(kite), Make::Sport, "SAN", &[("Saffron", 9), ("Heather", 3), ("Bracken", 6)])
}

fn godwit() -> DemoProduct {
    let kite = product(
        "Sport kites",
        "Godwit",
        18_900,
        "Our long-distance kite: light carbon, a deep sail, and patience. It flies when flags hang down.",
        &[("Wind and size", "Flies from 4 to 20 km/h. One size, 2.7 m across."), SENDING],
    );
    in_colours(new(kite), Make::Sport, "GOD", &[("Dusk", 2), ("Chalk", 1)])
}

fn curlew() -> DemoProduct {
    let kite = product(
        "Single-line kites",
        "Curlew",
        4400,
        "A tall diamond with a long bill of a spar. It calls a little when the wind is right.",
        &[("What is in the bag", "Kite, 60 m of line on a hand winder.")],
    );
    in_colours(new(kite), Make::Diamond, "CUR", &[("Heather", 12), ("Fern", 7)])
}

/// One variant, one picture.
fn little_stint() -> DemoProduct {
    let kite = product(
        "Single-line kites",
        "Little Stint",
        1900,
        "A first kite for a very small hand.",
        &[("What is in the bag", "Kite, 20 m of line on a card.")],
    );
    new(kite).variant("LIT-SAF", &[], Stock::Counted(26), None).picture(
        draw::flying(Make::Diamond, cloth("Saffron"), 231),
        "A small yellow kite over the beach",
        None,
    )
}

fn long_reach_line() -> DemoProduct {
    let line = product(
        "Lines and winders",
        "Long-reach line",
        2400,
        "Thin, slick and strong, 70 kg. For kites that want to be far away.",
        &[("Care", "Keep it off barbed wire and off other people.")],
    );
    let mut made = new(line).with_options(&[("Reel", &["50 m", "100 m"])]);
    for (r, (reel, left, price)) in (0u16..).zip([("50", 18, 2400), ("100", 9, 4200)]) {
        made = made
            .variant(&format!("LRL-{reel}"), &[Some(r)], Stock::Counted(left), Some(price))
            .measure(&format!("{reel} m"));
    }
    made.picture(draw::reel(cloth("Tide")), "A reel of thin blue line", None)
}

fn wrist_straps() -> DemoProduct {
    let straps = product(
        "Lines and winders",
        "Wrist straps",
        1500,
        "A pair, sewn from webbing that we have left over from sails.",
        &[],
    );
    new(straps).variant("STR-01", &[], Stock::Counted(22), None).picture(
        draw::seam(cloth("Slate")),
        "The double seam of a strap, from close by",
        None,
    )
}

fn fibreglass_spar() -> DemoProduct {
    let spar = product(
        "Spares",
        "Fibreglass spar",
        500,
        "Bends before it breaks, and then it breaks. Cut to length.",
        &[],
    );
    let mut made =
        new(spar).with_options(&[("Diameter", &["4 mm", "5 mm"]), ("Length", &["50 cm", "100 cm"])]);
    for d in 0u16..2 {
        for l in 0u16..2 {
            let price = 500 + i64::from(d) * 100 + i64::from(l) * 250;
            let sku = format!("FIB-{}-{}", d + 4, ["050", "100"][usize::from(l)]);
            made = made.variant(
                &sku,
                &[Some(d), Some(l)],
                Stock::Counted(u32::from(7 - d * 3 - l)),
                Some(price),
            );
        }
    }
    made.picture(draw::spars(false), "Fibreglass spars side by side", None)
}

fn sail_patch() -> DemoProduct {
    let patch = product(
        "Spares",
        "Sail patch",
        600,
        "Self-adhesive ripstop, a hand's breadth square. It holds until you come by.",
        &[],
    );
    let colours = ["Ember", "Tide", "Chalk"];
    let mut made = new(patch).with_options(&[("Colour", &colours)]);
    for (c, (colour, left)) in (0u16..).zip(colours.into_iter().zip([30, 14, 0])) {
        made = made
            .variant(&format!("PAT-{}", colour[..3].to_uppercase()), &[Some(c)], Stock::Counted(left), None)
            .picture(draw::cloth_square(cloth(colour)), &format!("A patch of {colour} cloth"), Some(colour));
    }
    made
}

fn harbour_windsock() -> DemoProduct {
    let sock = product(
        "Windsocks and banners",
        "Harbour windsock",
        4800,
        "A metre and a half of cloth that tells you what the wind is doing. It is usually right.",
        &[("How it hangs", "A ring and a swivel. The pole is yours.")],
    );
    let colours = ["Ember", "Dusk"];
    let mut made = new(sock).with_options(&[("Colour", &colours)]);
    for (c, (colour, left)) in (0u16..).zip(colours.into_iter().zip([6, 4])) {
        made = made
            .variant(&format!("SOC-{}", colour[..3].to_uppercase()), &[Some(c)], Stock::Counted(left), None)
            .picture(
                draw::banner(cloth(colour), 240 + u32::from(c)),
                &format!("The windsock in {colour}, full of wind"),
                Some(colour),
            );
    }
    made
}

fn garden_streamer() -> DemoProduct {
    let streamer = product(
        "Windsocks and banners",
        "Garden streamer",
        1400,
        "Six ribbons on a ring, for a branch.",
        &[],
    );
    new(streamer).variant("GAR-01", &[], Stock::Counted(40), None).picture(
        draw::banner(cloth("Saffron"), 251),
        "A yellow streamer over the beach",
        None,
    )
}

fn flying_day() -> DemoProduct {
    let mut day = product(
        "Workshops",
        "Two-line flying day",
        6500,
        "From the first launch to the first figure, on the big beach at low water.",
        &[("The day", "Ten to four. Eight people, two teachers. We bring the kites.")],
    );
    day.most_per_order = Some(4);
    let dates = ["Saturday 9 January", "Sunday 7 February"];
    let mut made = new(day).with_options(&[("Date", &dates)]);
    for (d, left) in (0u16..).zip([1, 8]) {
        made = made.variant(&format!("FLY-{}", d + 1), &[Some(d)], Stock::Counted(left), None);
    }
    made.picture(draw::beach(cloth("Ember"), 261), "The big beach with one red kite over it", None)
}

/// No longer sold: its page stays, and says so.
fn sandpiper() -> DemoProduct {
    let mut kite = product(
        "Single-line kites",
        "Sandpiper",
        3200,
        "We sewed it for eleven years. The Curlew has taken its place.",
        &[],
    );
    kite.state = ProductState::Withdrawn;
    new(kite).variant("PIP-01", &[], Stock::Counted(0), None).picture(
        draw::flying(Make::Diamond, cloth("Slate"), 271),
        "The Sandpiper on its last day",
        None,
    )
}
