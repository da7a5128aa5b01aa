//! What changes where: how the page of each product would change, and what it would lack then.

use super::compose;
use crate::catalog::Product;
use crate::ids::{BandId, Handle, PieceId};
use crate::page::piece::shared::SHOWN;
use crate::page::{Device, Difference, Kind, Layout, Purpose, Target, Whom, differences};
use crate::price::Prices;
use crate::style::Chain;
use serde::Serialize;
use std::collections::HashMap;

/// Something without which a page can't sell its product.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Lack {
    /// Nothing buys it.
    BuyButton,
    /// A product with several variants can't be chosen from.
    Options,
    /// Nothing tells its price.
    Price,
    /// Nothing tells its name.
    Title,
    /// Nothing shows it.
    Pictures,
}

/// What a page lacks on which screen.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Gap {
    /// What is missing.
    pub lack: Lack,
    /// The screen.
    pub screen: Device,
}

/// What a page lacks in words; what it lacks on both screens is said once.
#[must_use]
pub fn tell_gaps(gaps: &[Gap]) -> Vec<String> {
    let words = |lack| match lack {
        Lack::BuyButton => "no buy button",
        Lack::Options => "no way to choose a variant",
        Lack::Price => "no price",
        Lack::Title => "no title",
        Lack::Pictures => "no pictures",
    };
    let first = |at: usize, gap: &Gap| gaps[..at].iter().all(|other| other.lack != gap.lack);
    let told = gaps.iter().enumerate().filter(|(at, gap)| first(*at, gap)).map(|(_, gap)| {
        let everywhere = gaps.iter().filter(|other| other.lack == gap.lack).count() > 1;
        let screen = match gap.screen {
            _ if everywhere => "",
            Device::Phone => " on phones",
            Device::Tablet => " on tablets",
            Device::Wide => " on wide screens",
        };
        format!("{}{screen}", words(gap.lack))
    });
    told.collect()
}

/// How one product's page changes.
#[derive(Debug, Clone, PartialEq, Eq, Hash, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Impact {
    /// What differs.
    pub changes: Vec<Difference>,
    /// What it lacks that it didn't lack before.
    pub lacks: Vec<Gap>,
}

/// Everything that a product's page, or its card, lacks, the worst first.
#[must_use]
pub fn gaps(page: &Layout, product: &Product) -> Vec<Gap> {
    let pictures = !product.pictures.is_empty();
    // A card leads to the page, where the rest is.
    let asked: &[(Lack, &[Kind], bool)] = match page.purpose {
        Purpose::Page => &[
            (Lack::BuyButton, &[Kind::BuyButton], true),
            (Lack::Options, &[Kind::Options], product.variants.len() > 1),
            (Lack::Price, &[Kind::Price], true),
            (Lack::Title, &[Kind::Title], true),
            (Lack::Pictures, &[Kind::Gallery, Kind::PictureRow], pictures),
        ],
        Purpose::Card => &[
            (Lack::Price, &[Kind::CardPrice], true),
            (Lack::Title, &[Kind::CardName], true),
            (Lack::Pictures, &[Kind::CardPicture], pictures),
        ],
    };
    let asked = asked.iter().copied().filter(|(_, _, wanted)| *wanted);
    let on_screens = asked.flat_map(|(lack, kinds, _)| {
        [Device::Wide, Device::Phone].map(|screen| (Gap { lack, screen }, kinds))
    });
    on_screens.filter(|(gap, kinds)| !stands(page, kinds, gap.screen)).map(|(gap, _)| gap).collect()
}

/// Whether a piece of some kinds is shown on a screen, in a band that is.
fn stands(page: &Layout, kinds: &[Kind], screen: Device) -> bool {
    page.bands.iter().filter(|band| Chain::of_template(&band.values).flag(&SHOWN, screen)).any(|band| {
        let mut pieces = band.columns.iter().flat_map(|column| &column.pieces);
        pieces.any(|p| kinds.contains(&p.kind) && Chain::of_template(&p.values).flag(&SHOWN, screen))
    })
}

/// Compares the pages that two templates make, product by product. What is the same for all products of a type is worked
/// out once.
pub struct Comparison<'a> {
    prices: &'a Prices,
    before: &'a Layout,
    after: &'a Layout,
    of_types: HashMap<Handle, Vec<Difference>>,
}

impl<'a> Comparison<'a> {
    /// Compares two layouts under the shop’s prices.
    #[must_use]
    pub fn new(before: &'a Layout, after: &'a Layout, prices: &'a Prices) -> Self {
        Self { prices, before, after, of_types: HashMap::new() }
    }

    /// How a product's page changes; none where a shopper sees the same page. What is changed about pieces that have
    /// nothing to show for it is no change.
    pub fn of(&mut self, product: &Product) -> Option<Impact> {
        let (kind, handle) = (&product.kind.handle, &product.handle);
        let own = Whom::Product(handle.clone());
        let has_own =
            !self.before.departures_of(&own).is_empty() || !self.after.departures_of(&own).is_empty();
        let compared = |handle: &Handle| {
            differences(&compose(self.before, kind, handle), &compose(self.after, kind, handle))
        };
        let all = if has_own {
            compared(handle)
        } else {
            self.of_types.entry(kind.clone()).or_insert_with(|| compared(handle)).clone()
        };
        let changes: Vec<_> = all.into_iter().filter(|one| self.is_seen(one, product)).collect();
        if changes.is_empty() {
            return None;
        }
        let had = gaps(&compose(self.before, kind, handle), product);
        let mut lacks = gaps(&compose(self.after, kind, handle), product);
        lacks.retain(|gap| !had.contains(gap));
        Some(Impact { changes, lacks })
    }

    fn is_seen(&self, change: &Difference, product: &Product) -> bool {
        let shows = |kind: Kind| kind.nothing_to_show_at(product, self.prices).is_none();
        let piece = |id: &PieceId| {
            let known = [self.after, self.before].into_iter().filter_map(|layout| layout.piece(id));
            known.map(|piece| piece.kind).any(shows)
        };
        let band = |id: &BandId| {
            let known = [self.after, self.before].into_iter().filter_map(|layout| layout.band(id));
            known.flat_map(|band| &band.columns).flat_map(|column| &column.pieces).any(|p| shows(p.kind))
        };
        match change {
            Difference::PieceAdded { piece: id }
            | Difference::PieceRemoved { piece: id, .. }
            | Difference::PieceMoved { piece: id }
            | Difference::PieceSet { piece: id, .. } => piece(id),
            Difference::BandAdded { band: id }
            | Difference::BandRemoved { band: id }
            | Difference::BandMoved { band: id }
            | Difference::BandSet { band: id, .. } => band(id),
            Difference::Departed { target: Target::Piece(id), .. } => piece(id),
            Difference::Departed { target: Target::Band(id), .. } => band(id),
            Difference::FrameSet => true,
        }
    }
}
