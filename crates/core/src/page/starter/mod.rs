//! Starters: ready arrangements of a whole page. Taking one keeps every piece with its settings and lays it anew by
//! what it is; what the arrangement has no place for goes to the end and is named.

mod arrangement;
mod card;

pub use arrangement::{STARTERS, Starter};
pub use card::{CARD_STARTERS, empty_card, quiet_card};

use super::piece::{band, promises, questions};
use super::{Band, Column, Device, FORMAT, Kind, Layout, Piece, Purpose, SetValue, Values};
use crate::ids::{BandId, ColumnId, NameError, PieceId};
use Kind as K;
use arrangement::Plan;
use serde::{Deserialize, Serialize};

/// With how much an empty page is filled.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Filling {
    /// What a page usually has.
    #[default]
    Usual,
    /// No more than what a thing needs to be looked at and bought.
    Essentials,
}

impl Filling {
    const fn kinds(self) -> &'static [Kind] {
        match self {
            Self::Usual => FILL,
            Self::Essentials => ESSENTIALS,
        }
    }
}

const ESSENTIALS: &[Kind] = &[
    K::Breadcrumb,
    K::Gallery,
    K::Title,
    K::RatingLine,
    K::Price,
    K::Summary,
    K::StockLine,
    K::Options,
    K::Quantity,
    K::BuyButton,
    K::Details,
    K::Related,
];

/// What a page usually has.
const FILL: &[Kind] = &[
    K::Breadcrumb,
    K::Gallery,
    K::Title,
    K::RatingLine,
    K::Price,
    K::Summary,
    K::StockLine,
    K::Options,
    K::Plans,
    K::PersonalText,
    K::Quantity,
    K::BuyButton,
    K::PayShortcuts,
    K::WishButton,
    K::Promises,
    K::Details,
    K::Facts,
    K::Questions,
    K::Reviews,
    K::Related,
    K::StickyBar,
];

/// A page laid anew.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Laid {
    /// The layout.
    pub layout: Layout,
    /// Pieces that the arrangement has no place for; they stand in a band of their own at the end.
    pub left_over: Vec<PieceId>,
}

/// The starting layout of a name.
#[must_use]
pub fn starter(purpose: Purpose, key: &str) -> Option<&'static Starter> {
    starters(purpose).iter().find(|s| s.key == key)
}

/// A layout that holds nothing yet.
#[must_use]
pub fn empty(purpose: Purpose) -> Layout {
    match purpose {
        Purpose::Page => Layout::default(),
        Purpose::Card => empty_card(),
    }
}

/// The starting layouts of a page, or of a card.
#[must_use]
pub fn starters(purpose: Purpose) -> &'static [Starter] {
    match purpose {
        Purpose::Page => STARTERS,
        Purpose::Card => CARD_STARTERS,
    }
}

impl Starter {
    /// Lays the pieces of a page anew; a page that has none of its own is filled with what a page usually has. Bands keep
    /// nothing: their values belonged to the old arrangement. Linked bands stay whole, since they aren't this page's
    /// alone: above the others those that stood above them, the rest below.
    #[must_use]
    pub fn lay(&self, page: &Layout) -> Laid {
        self.lay_with(page, Filling::Usual)
    }

    /// [`Self::lay`], with so much on a page that has nothing of its own.
    #[must_use]
    pub fn lay_with(&self, page: &Layout, filling: Filling) -> Laid {
        if self.purpose == Purpose::Card {
            return card::lay(self, page);
        }
        let (mut bands, own, below) = linked_apart(page);
        let linked: Vec<Kind> =
            bands.iter().chain(&below).flat_map(Band::pieces).map(|piece| piece.kind).collect();
        let mut waiting: Vec<Piece> = own.iter().flat_map(Band::pieces).cloned().collect();
        if waiting.is_empty() {
            waiting = fill(page, filling, &linked);
        }
        let laid = self.plans.iter().zip(1..).map(|(plan, number)| lay_band(plan, number, &mut waiting));
        bands.extend(laid.filter(|band| band.pieces().next().is_some()));
        bands.extend(below);
        let left_over = waiting.iter().map(|piece| piece.id.clone()).collect();
        if !waiting.is_empty() {
            bands.push(rest(waiting));
        }
        let departures = page.departures.clone();
        let layout = Layout { format: FORMAT, purpose: page.purpose, frame: self.frame, bands, departures };
        Laid { layout, left_over }
    }
}

/// The linked bands that stand above the page's own, its own, and the other linked ones.
fn linked_apart(page: &Layout) -> (Vec<Band>, Vec<Band>, Vec<Band>) {
    let first_own = page.bands.iter().position(|band| band.kept.is_none()).unwrap_or(page.bands.len());
    let above = page.bands[..first_own].to_vec();
    let (below, own) = page.bands[first_own..].iter().cloned().partition(|band| band.kept.is_some());
    (above, own, below)
}

/// What an empty page gets, but for what there can be only one of and linked bands have already.
fn fill(page: &Layout, filling: Filling, linked: &[Kind]) -> Vec<Piece> {
    let wanted = filling.kinds().iter().filter(|kind| !(kind.only_one() && linked.contains(kind)));
    let free = (1..).filter(|number| page.piece(&filled(K::Text, *number).id).is_none());
    wanted.zip(free).map(|(kind, number)| filled(*kind, number)).collect()
}

#[expect(clippy::expect_used, reason = "only texts of this file come here")]
fn name<T: for<'a> TryFrom<&'a str, Error = NameError>>(text: &str) -> T {
    T::try_from(text).expect("a sound name")
}

fn text(words: &str) -> SetValue {
    SetValue::Text(words.into())
}

fn lay_band(plan: &Plan, number: usize, waiting: &mut Vec<Piece>) -> Band {
    let mut values = Values::default();
    for (setting, value, plain) in [(&band::GROUND, plan.ground, "plain"), (&band::STAYS, plan.stays, "none")]
    {
        if value != plain {
            values = values.with(Device::Wide, setting, text(value));
        }
    }
    if plan.tight {
        values = values.with(Device::Wide, &band::SPACE_ABOVE, SetValue::Number(3)).with(
            Device::Wide,
            &band::SPACE_BELOW,
            SetValue::Number(0),
        );
    }
    let columns = plan.columns.iter().zip(1..).map(|((width, kinds), place)| Column {
        id: name::<ColumnId>(&format!("s{number}-{place}")),
        width: *width,
        pieces: kinds.iter().flat_map(|kind| take(*kind, waiting)).collect(),
    });
    Band { id: name::<BandId>(&format!("s{number}")), kept: None, values, columns: columns.collect() }
}

/// All pieces of a kind, in the order of the page.
fn take(kind: Kind, waiting: &mut Vec<Piece>) -> Vec<Piece> {
    let (taken, rest) = std::mem::take(waiting).into_iter().partition(|piece| piece.kind == kind);
    *waiting = rest;
    taken
}

fn rest(pieces: Vec<Piece>) -> Band {
    let values = Values::default().with(Device::Wide, &band::NAME, text("Had no place"));
    let column = Column { id: name::<ColumnId>("s-rest-1"), width: 12, pieces };
    Band { id: name::<BandId>("s-rest"), kept: None, values, columns: vec![column] }
}

/// What a new list begins with, so that the piece can be seen; an owner is reminded of it when publishing.
fn prompt(kind: Kind) -> Values {
    match kind {
        K::Promises => Values::default().with(
            Device::Wide,
            &promises::LINES,
            SetValue::Lines(vec!["Say here what you promise".into()]),
        ),
        K::Questions => {
            let row = vec!["What do people ask first?".to_owned(), "Answer it here.".to_owned()];
            Values::default().with(Device::Wide, &questions::QUESTIONS, SetValue::Rows(vec![row]))
        }
        _ => Values::default(),
    }
}

fn filled(kind: Kind, number: usize) -> Piece {
    Piece { id: name::<PieceId>(&format!("n{number}")), kind, values: prompt(kind) }
}

/// The pieces that still say what a starter wrote into them.
#[must_use]
pub fn prompting(page: &Layout) -> Vec<PieceId> {
    let still = |piece: &&Piece| {
        let prompt = prompt(piece.kind);
        prompt.wide.iter().any(|(key, value)| piece.values.wide.get(key) == Some(value))
    };
    page.pieces().filter(still).map(|piece| piece.id.clone()).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::page::op::{check, samples};
    use std::collections::{BTreeMap, BTreeSet};

    fn settings(page: &Layout) -> BTreeMap<PieceId, (Kind, Values)> {
        page.pieces().map(|p| (p.id.clone(), (p.kind, p.values.clone()))).collect()
    }

    fn page_of_everything() -> Layout {
        let pieces = Kind::of(Purpose::Page).zip(1..).map(|(kind, n)| {
            let mut piece = samples::piece(&format!("x{n}"), kind);
            piece.values =
                piece.values.with(Device::Phone, &crate::page::piece::shared::SHOWN, SetValue::Flag(false));
            piece
        });
        Layout { bands: vec![samples::band("b", vec![("c", 12, pieces.collect())])], ..Layout::default() }
    }

    #[test]
    fn there_are_at_least_six_and_each_makes_a_sound_page() {
        assert!(STARTERS.len() >= 6);
        let names: BTreeSet<_> = STARTERS.iter().map(|s| s.key).collect();
        assert_eq!(names.len(), STARTERS.len());
        for starter in STARTERS {
            for page in [Layout::default(), samples::layout(), page_of_everything()] {
                assert_eq!(check(&starter.lay(&page).layout), Ok(()), "{}", starter.key);
            }
        }
    }

    #[test]
    fn an_empty_page_is_filled_with_all_that_a_page_needs() {
        for starter in STARTERS {
            let laid = starter.lay(&Layout::default());
            assert!(laid.left_over.is_empty(), "{}: {:?}", starter.key, laid.left_over);
            let kinds: BTreeSet<_> = laid.layout.pieces().map(|p| p.kind).collect();
            for kind in [K::Breadcrumb, K::Gallery, K::BuyButton, K::Questions, K::Reviews, K::Related] {
                assert!(kinds.contains(&kind), "{}: {}", starter.key, kind.label());
            }
        }
    }

    #[test]
    fn an_empty_page_gets_no_more_than_the_essentials_where_these_are_asked_for() {
        for starter in STARTERS {
            let laid = starter.lay_with(&Layout::default(), Filling::Essentials);
            let kinds: BTreeSet<_> = laid.layout.pieces().map(|piece| piece.kind.label()).collect();
            let wanted: BTreeSet<_> = ESSENTIALS.iter().map(|kind| kind.label()).collect();
            assert_eq!(kinds, wanted, "{}", starter.key);
            assert!(laid.left_over.is_empty() && prompting(&laid.layout).is_empty(), "{}", starter.key);
            // A page that has something keeps that and gets nothing.
            let page = page_of_everything();
            assert_eq!(starter.lay_with(&page, Filling::Essentials), starter.lay(&page));
        }
    }

    #[test]
    fn pieces_that_still_say_what_the_starter_wrote_are_named() {
        let mut page = STARTERS[0].lay(&Layout::default()).layout;
        let kinds: Vec<_> = prompting(&page).iter().filter_map(|id| page.piece(id)).map(|p| p.kind).collect();
        assert_eq!(kinds, [K::Promises, K::Questions]);
        let piece = page.first_of(K::Promises).unwrap().id.clone();
        let value = Some(SetValue::Lines(vec!["Sent in two days".into()]));
        let target = crate::page::Target::Piece(piece);
        let set = crate::page::Op::Set { target, setting: "lines".into(), device: Device::Wide, value };
        crate::page::apply(&mut page, set).unwrap();
        assert_eq!(prompting(&page).len(), 1);
        assert!(prompting(&samples::layout()).is_empty());
    }

    #[test]
    fn switching_keeps_every_piece_and_its_settings_and_names_what_has_no_place() {
        let page = page_of_everything();
        for starter in STARTERS {
            let laid = starter.lay(&page);
            assert_eq!(settings(&laid.layout), settings(&page), "{}", starter.key);
            let kinds: Vec<_> =
                laid.left_over.iter().filter_map(|id| page.piece(id)).map(|p| p.kind).collect();
            assert_eq!(kinds, [K::Space, K::Rule], "{}", starter.key);
        }
    }

    #[test]
    fn going_on_to_another_starter_and_back_gives_the_same_page() {
        let first = STARTERS[0].lay(&page_of_everything()).layout;
        let back = STARTERS[0].lay(&STARTERS[3].lay(&first).layout).layout;
        assert_eq!(back, first);
    }
}
