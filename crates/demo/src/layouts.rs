//! The two templates with which the demo shop opens.

use crate::{DemoTemplate, handle};
use compagina_core::ids::{BandId, ColumnId, NameError, PieceId};
use compagina_core::page::piece::{band, details, facts, promises, related, reviews, stock_line};
use compagina_core::page::{Band, Column, Device, Kind, Layout, Piece, SetValue, Setting, Values};
use compagina_core::template::Reach;

pub(crate) fn all() -> Vec<DemoTemplate> {
    let kites = vec![handle("Sport kites"), handle("Single-line kites")];
    vec![
        DemoTemplate { name: "All products", reach: Reach::fallback(), layout: plain() },
        DemoTemplate { name: "Sport kites", reach: Reach::types(kites), layout: kite() },
    ]
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
        self.bands.push(Band { id: name::<BandId>(&format!("b{number}")), values: values(wide), columns });
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
