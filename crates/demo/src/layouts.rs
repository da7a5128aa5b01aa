//! The templates with which the demo shop opens, and what single products and types keep different from them.

use crate::{DemoTemplate, handle};
use compagina_core::ids::{BandId, ColumnId, KeptId, NameError, PieceId};
use compagina_core::page::piece::{
    band, buy_button, details, facts, gallery, promises, related, reviews, stock_line, text as page_text,
};
use compagina_core::page::{
    Band, Column, Departure, Device, Kind, Layout, Op, Piece, SetValue, Setting, Target, Values, Whom,
};
use compagina_core::template::Reach;

pub(crate) fn all() -> Vec<DemoTemplate> {
    let kites = vec![handle("Sport kites"), handle("Single-line kites")];
    let of_type = |name: &str| Reach::types(vec![handle(name)]);
    vec![
        DemoTemplate { name: "All products", reach: Reach::fallback(), layout: plain(), later: vec![] },
        DemoTemplate { name: "Sport kites", reach: Reach::types(kites), layout: kite(), later: vec![] },
        DemoTemplate {
            name: "By the metre",
            reach: of_type("Lines and winders"),
            layout: by_the_metre(),
            later: vec![],
        },
        DemoTemplate {
            name: "Workshops",
            reach: of_type("Workshops"),
            layout: workshop(),
            later: vec![set(
                "promise",
                &promises::LINES,
                lines(&["Tea and cake in the loft", "Moved free of charge when it storms"]),
            )],
        },
    ]
}

/// A band that is linked in two templates.
pub(crate) fn how_we_sew() -> Band {
    let body = "<h2>How we sew</h2><p>Every panel is cut with a hot blade, so that no edge can fray. Seams are sewn twice, \
        flat and folded, and every point that carries a line is backed with cloth of the sail before.</p>";
    let said =
        Piece { id: name("kept1-0-0"), kind: Kind::Text, values: values(&[(&page_text::BODY, text(body))]) };
    Band {
        id: name::<BandId>("kept1"),
        kept: Some(KeptId(1)),
        values: values(&[(&band::GROUND, text("tinted")), (&band::NAME, text("How we sew"))]),
        columns: vec![Column { id: name::<ColumnId>("kept1-c0"), width: 12, pieces: vec![said] }],
    }
}

/// A step that is taken on a template after it was published: its draft isn't live.
fn set(piece: &str, setting: &Setting, value: SetValue) -> Op {
    let (target, setting) = (Target::Piece(name(piece)), setting.key.to_owned());
    Op::Set { target, setting, device: Device::Wide, value: Some(value) }
}

/// What somebody keeps different.
fn keeps(whom: Whom, (piece, kind): (&str, Kind), wide: &[Set<'_>]) -> Departure {
    Departure { whom, target: Target::Piece(name(piece)), values: values(wide), kind: Some(kind) }
}

/// Names are numbered in the order of the page.
#[derive(Default)]
struct Builder {
    bands: Vec<Band>,
    pieces: u32,
}

type Set<'a> = (&'a Setting, SetValue);

#[expect(clippy::expect_used, reason = "only texts of this file come here")]
fn name<T: for<'a> TryFrom<&'a str, Error = NameError>>(text: &str) -> T {
    T::try_from(text).expect("a sound name")
}

fn text(words: &str) -> SetValue {
    SetValue::Text(words.into())
}

impl Builder {
    /// A page that begins with a breadcrumb right under the head.
    fn with_breadcrumb() -> Self {
        let mut b = Self::default();
        let crumbs = vec![b.piece(Kind::Breadcrumb, &[])];
        b.band(
            &[(&band::SPACE_ABOVE, SetValue::Number(3)), (&band::SPACE_BELOW, SetValue::Number(0))],
            vec![(12, crumbs)],
        );
        b
    }

    fn piece(&mut self, kind: Kind, wide: &[Set<'_>]) -> Piece {
        self.pieces += 1;
        Piece { id: name::<PieceId>(&format!("p{}", self.pieces)), kind, values: values(wide) }
    }

    fn band(&mut self, wide: &[Set<'_>], columns: Vec<(u8, Vec<Piece>)>) {
        let number = self.bands.len() + 1;
        let column = |(i, (width, pieces)): (usize, (u8, Vec<Piece>))| Column {
            id: name::<ColumnId>(&format!("c{number}-{}", i + 1)),
            width,
            pieces,
        };
        let columns = columns.into_iter().enumerate().map(column).collect();
        self.bands.push(Band {
            id: name::<BandId>(&format!("b{number}")),
            kept: None,
            values: values(wide),
            columns,
        });
    }

    fn finish(self) -> Layout {
        Layout { bands: self.bands, ..Layout::default() }
    }
}

fn values(wide: &[Set<'_>]) -> Values {
    wide.iter()
        .fold(Values::default(), |all, (setting, value)| all.with(Device::Wide, setting, value.clone()))
}

fn lines(all: &[&str]) -> SetValue {
    SetValue::Lines(all.iter().map(|l| (*l).to_owned()).collect())
}

fn kite() -> Layout {
    let mut b = Builder::with_breadcrumb();
    let left = vec![b.piece(Kind::Gallery, &[])];
    let promised = lines(&[
        "Sent from our loft in two days",
        "Spare spars kept for ten years",
        "Sixty days to send it back",
    ]);
    let right = vec![
        b.piece(Kind::Title, &[]),
        b.piece(Kind::Summary, &[]),
        b.piece(Kind::Price, &[]),
        Piece { id: name("siblings"), kind: Kind::Siblings, values: Values::default() },
        b.piece(Kind::Options, &[]),
        b.piece(
            Kind::StockLine,
            &[(&stock_line::OUT, text("Sold out in this size; another colour may be here"))],
        ),
        b.piece(Kind::Quantity, &[]),
        b.piece(Kind::BuyButton, &[]),
        b.piece(Kind::Promises, &[(&promises::LINES, promised)]),
    ];
    b.band(&[], vec![(7, left), (5, right)]);
    let details = vec![b.piece(Kind::Details, &[])];
    b.band(&[(&band::GROUND, text("tinted"))], vec![(12, details)]);
    let more = vec![
        b.piece(Kind::Related, &[(&related::HEADING, text("More from the loft"))]),
        b.piece(Kind::StickyBar, &[]),
    ];
    let said = vec![b.piece(Kind::Reviews, &[(&reviews::HEADING, text("From people who fly it"))])];
    let facts = vec![b.piece(Kind::Facts, &[(&facts::HEADING, text("In figures"))])];
    b.band(&[], vec![(8, said), (4, facts)]);
    b.band(&[], vec![(12, more)]);
    let departures = vec![
        keeps(
            Whom::Type(handle("Single-line kites")),
            ("p2", Kind::Gallery),
            &[(&gallery::THUMBNAILS, text("under")), (&gallery::THUMB_COUNT, SetValue::Number(3))],
        ),
        keeps(
            Whom::Product(handle("Curlew")),
            ("p9", Kind::BuyButton),
            &[(&buy_button::WORDS, text("Take the Curlew out"))],
        ),
        keeps(
            Whom::Product(handle("Little Stint")),
            ("p15", Kind::Facts),
            &[(&facts::HEADING, text("Small, in figures"))],
        ),
    ];
    Layout { departures, ..b.finish() }
}

/// Lines: what a metre costs and what more of it costs stand first.
fn by_the_metre() -> Layout {
    let mut b = Builder::with_breadcrumb();
    let named = |id: &str, kind| Piece { id: name(id), kind, values: Values::default() };
    let left = vec![b.piece(Kind::Gallery, &[])];
    let right = vec![
        b.piece(Kind::Title, &[]),
        b.piece(Kind::Price, &[]),
        b.piece(Kind::Options, &[]),
        b.piece(Kind::Quantity, &[]),
        named("ladder", Kind::PriceLadder),
        b.piece(Kind::StockLine, &[]),
        b.piece(Kind::BuyButton, &[]),
        named("straight", Kind::PayShortcuts),
        named("later", Kind::WishButton),
        b.piece(
            Kind::Promises,
            &[(&promises::LINES, lines(&["Cut to length on the day", "Sent from our loft in two days"]))],
        ),
    ];
    b.band(&[], vec![(6, left), (6, right)]);
    let details =
        vec![b.piece(Kind::Summary, &[]), b.piece(Kind::Details, &[(&details::AS, text("folding"))])];
    let facts = vec![b.piece(Kind::Facts, &[(&facts::HEADING, text("In figures"))])];
    b.band(&[(&band::GROUND, text("tinted"))], vec![(7, details), (5, facts)]);
    b.bands.push(how_we_sew());
    let more = vec![b.piece(Kind::Related, &[])];
    b.band(&[], vec![(12, more)]);
    b.finish()
}

/// Workshops: a place is booked, one an order, and the click leads straight to the checkout.
fn workshop() -> Layout {
    let mut b = Builder::with_breadcrumb();
    let left = vec![b.piece(Kind::Gallery, &[])];
    let promise = Piece {
        id: name("promise"),
        kind: Kind::Promises,
        values: values(&[(&promises::LINES, lines(&["Tea and cake in the loft"]))]),
    };
    let right = vec![
        b.piece(Kind::Title, &[]),
        b.piece(Kind::Summary, &[]),
        b.piece(Kind::Price, &[]),
        b.piece(Kind::Options, &[]),
        b.piece(Kind::StockLine, &[]),
        b.piece(
            Kind::BuyButton,
            &[(&buy_button::WORDS, text("Book a place")), (&buy_button::AFTER, text("checkout"))],
        ),
        promise,
        b.piece(Kind::Details, &[(&details::AS, text("folding"))]),
    ];
    b.band(&[], vec![(6, left), (6, right)]);
    b.bands.push(how_we_sew());
    let more = vec![b.piece(Kind::Related, &[])];
    b.band(&[], vec![(12, more)]);
    b.finish()
}

fn plain() -> Layout {
    let mut b = Builder::with_breadcrumb();
    let named = |id: &str, kind| Piece { id: name(id), kind, values: Values::default() };
    let left = vec![b.piece(Kind::Gallery, &[])];
    let right = vec![
        b.piece(Kind::Title, &[]),
        b.piece(Kind::Price, &[]),
        b.piece(Kind::Summary, &[]),
        b.piece(Kind::Options, &[]),
        named("plans", Kind::Plans),
        named("onto", Kind::PersonalText),
        b.piece(Kind::Quantity, &[]),
        named("ladder", Kind::PriceLadder),
        b.piece(Kind::StockLine, &[]),
        b.piece(Kind::BuyButton, &[]),
        named("straight", Kind::PayShortcuts),
        named("later", Kind::WishButton),
        b.piece(Kind::Promises, &[(&promises::LINES, lines(&["Sent from our loft in two days"]))]),
        b.piece(Kind::Details, &[(&details::AS, text("folding"))]),
    ];
    b.band(&[], vec![(6, left), (6, right)]);
    let more = vec![b.piece(Kind::Related, &[])];
    b.band(&[], vec![(12, more)]);
    b.finish()
}
