//! Typed operations on a layout. [`apply`] changes the layout and returns the exact inverse, or refuses with the
//! reason and changes nothing.

mod along;
mod band;
mod depart;
mod footprint;
mod piece;
mod rename;
mod say;
mod set;
mod whole;

use super::{Band, Device, Frame, Kind, Layout, Piece, Place, Purpose, SetValue, Target, ValueError, Whom};
use crate::ids::{BandId, ColumnId, PieceId};
use serde::{Deserialize, Serialize};

/// A page with more pieces than this is refused: it could not be shown in good time.
pub const MOST_PIECES: usize = 300;
/// Columns of one band.
pub const MOST_COLUMNS: usize = 4;
/// Products and types that keep something, times the pieces of which they keep it.
pub const MOST_DEPARTURES: usize = 20_000;
/// Operations that are taken as one.
pub const MOST_AT_ONCE: usize = 1_000;

pub use along::along;
pub use footprint::{Footprint, Touch};
pub use rename::Names;
pub use say::say;
pub(crate) use set::check_one as check_value;

/// A column without its pieces.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ColumnShape {
    /// Its name on the page.
    pub id: ColumnId,
    /// Twelfths of the band.
    pub width: u8,
}

/// One change to a layout.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "op", deny_unknown_fields)]
pub enum Op {
    /// A piece comes.
    AddPiece {
        /// The piece.
        piece: Piece,
        /// Where it stands.
        at: Place,
    },
    /// A piece goes.
    RemovePiece {
        /// The piece.
        piece: PieceId,
    },
    /// `to` is counted in the column as it is without the piece.
    MovePiece {
        /// The piece.
        piece: PieceId,
        /// Where it goes.
        to: Place,
    },
    /// Several pieces come to stand one behind another, in this order, before the piece that stands at `to` now.
    MovePieces {
        /// The pieces.
        pieces: Vec<PieceId>,
        /// Where they go, counted in the column as it is with those of them that stand in it.
        to: Place,
    },
    /// A second piece of the same kind with the same values, under a new name.
    CopyPiece {
        /// What is copied.
        piece: PieceId,
        /// The name of the copy.
        copy: PieceId,
        /// Where it goes.
        to: Place,
    },
    /// A band comes.
    AddBand {
        /// The band.
        band: Band,
        /// Before which band, from 0.
        index: usize,
    },
    /// A band goes.
    RemoveBand {
        /// The band.
        band: BandId,
    },
    /// A band stands elsewhere.
    MoveBand {
        /// The band.
        band: BandId,
        /// Before which band, from 0.
        index: usize,
    },
    /// Sets one value on one screen; without a value it is inherited again.
    Set {
        /// The piece or band.
        target: Target,
        /// The key of the setting.
        setting: String,
        /// The screen.
        device: Device,
        /// The value; none to inherit it again.
        value: Option<SetValue>,
    },
    /// Lets a product or a type keep a value of its own; without a value it rejoins the template.
    Depart {
        /// Whose page it is.
        whom: Whom,
        /// The piece or band.
        target: Target,
        /// The key of the setting.
        setting: String,
        /// The screen.
        device: Device,
        /// The value; none to rejoin the template.
        value: Option<SetValue>,
        /// What the piece was, where it is gone.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        kind: Option<Kind>,
    },
    /// Gives a band other columns. Pieces of columns that are gone go to the end of the last one.
    SetColumns {
        /// The band.
        band: BandId,
        /// The columns, in their order.
        columns: Vec<ColumnShape>,
    },
    /// Puts a band in the place of the one with the same name.
    ReplaceBand {
        /// What takes its place.
        band: Band,
    },
    /// The frame of the page becomes another.
    SetFrame {
        /// The frame.
        frame: Frame,
    },
    /// Gives parts of the page other names; what is kept different of them goes along.
    Rename {
        /// The new names.
        names: Names,
    },
    /// Several as one: all of them, or none.
    Many {
        /// The operations, in their order.
        #[cfg_attr(feature = "schema", schema(no_recursion))]
        ops: Vec<Op>,
    },
    /// Puts another layout in the place of the whole one.
    Lay {
        /// The layout.
        layout: Layout,
    },
}

/// Why an operation was refused. The layout is unchanged.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum OpError {
    /// No piece has this name.
    #[error("this piece isn't on the page any more")]
    NoSuchPiece(PieceId),
    /// No band has this name.
    #[error("this band isn't on the page any more")]
    NoSuchBand(BandId),
    /// No column has this name.
    #[error("this column isn't on the page any more")]
    NoSuchColumn(ColumnId),
    /// Place {index} is beyond the end: there are {length}.
    #[error("place {index} is beyond the end: there are {length}")]
    BeyondTheEnd {
        /// The place that was meant.
        index: usize,
        /// How many there are.
        length: usize,
    },
    /// Something else has this name.
    #[error("the name “{0}” is taken on this page")]
    NameTaken(String),
    /// A band has one to four columns whose widths make twelve twelfths.
    #[error("a band has one to four columns whose widths make twelve twelfths")]
    BadColumns,
    /// A page holds at most {MOST_PIECES} pieces.
    #[error("a page holds at most {MOST_PIECES} pieces")]
    TooManyPieces,
    /// {kind} has no setting “{setting}”.
    #[error("{kind} has no setting “{setting}”")]
    NoSuchSetting {
        /// What it would be set on.
        kind: &'static str,
        /// The key.
        setting: String,
    },
    /// “{setting}” is the same on every screen.
    #[error("“{setting}” is the same on every screen")]
    NotPerDevice {
        /// The setting’s label.
        setting: &'static str,
    },
    /// There can be only one of these.
    #[error("there can be only one {} on a {}", .kind.label(), .kind.purpose().label())]
    OnlyOne {
        /// Which kind.
        kind: Kind,
    },
    /// {kind} stands on pages, or on cards, alone.
    #[error("{} stands on {}s only", .kind.label(), .kind.purpose().label())]
    OnlyOn {
        /// Which kind.
        kind: Kind,
    },
    /// A card is one column.
    #[error("a card is one column of pieces; it has no bands, columns or frame of its own")]
    CardIsOneColumn,
    /// A page can't take the place of a card, nor the other way.
    #[error("this is the layout of a {}; here stands a {}", .given.label(), .here.label())]
    OtherPurpose {
        /// What came.
        given: Purpose,
        /// What is there.
        here: Purpose,
    },
    /// A template keeps at most {MOST_DEPARTURES} departures.
    #[error("a template keeps at most {MOST_DEPARTURES} departures")]
    TooManyDepartures,
    /// Departures stand in order, one for each product or type and piece, and none is empty.
    #[error("departures stand in order, one for each product or type and piece, and none is empty")]
    DeparturesInDisorder,
    /// At most {MOST_AT_ONCE} operations are taken as one, and none of them holds others.
    #[error("at most {MOST_AT_ONCE} operations are taken as one, and none of them holds others")]
    TooManyAtOnce,
    /// It is written in another format.
    #[error("a layout of format {given} can't be read; this is format {}", super::FORMAT)]
    BadFormat {
        /// Which one.
        given: u32,
    },
    /// The value doesn’t fit the setting.
    #[error(transparent)]
    BadValue(#[from] ValueError),
}

/// Changes the layout; returns the operation that changes it back.
///
/// # Errors
/// [`OpError`] where it doesn’t fit the layout, which is unchanged then.
pub fn apply(layout: &mut Layout, op: Op) -> Result<Op, OpError> {
    if layout.purpose == Purpose::Card && changes_bands(&op) {
        return Err(OpError::CardIsOneColumn);
    }
    match op {
        Op::AddPiece { piece, at } => piece::add(layout, piece, &at),
        Op::RemovePiece { piece } => piece::remove(layout, &piece),
        Op::MovePiece { piece, to } => piece::shift(layout, piece, &to),
        Op::MovePieces { pieces, to } => piece::shift_all(layout, &pieces, &to),
        Op::CopyPiece { piece, copy, to } => piece::copy(layout, &piece, copy, &to),
        Op::AddBand { band, index } => band::add(layout, band, index),
        Op::RemoveBand { band } => band::remove(layout, &band),
        Op::MoveBand { band, index } => band::shift(layout, &band, index),
        Op::Set { target, setting, device, value } => set::set(layout, target, &setting, device, value),
        Op::Depart { whom, target, setting, device, value, kind } => {
            depart::depart(layout, whom, target, (setting, device, value), kind)
        }
        Op::SetColumns { band, columns } => band::set_columns(layout, &band, columns),
        Op::ReplaceBand { band } => band::replace(layout, band),
        Op::SetFrame { frame } => Ok(whole::set_frame(layout, frame)),
        Op::Rename { names } => rename::rename(layout, names),
        Op::Many { ops } => whole::many(layout, ops),
        Op::Lay { layout: next } => whole::lay(layout, next),
    }
}

/// Whether it is about bands and what surrounds the page, which a card doesn't have.
fn changes_bands(op: &Op) -> bool {
    match op {
        Op::AddBand { .. }
        | Op::RemoveBand { .. }
        | Op::MoveBand { .. }
        | Op::SetColumns { .. }
        | Op::ReplaceBand { .. }
        | Op::SetFrame { .. } => true,
        Op::Set { target, .. } | Op::Depart { target, .. } => matches!(target, Target::Band(_)),
        _ => false,
    }
}

/// Checks a whole document that came from outside by building it up again, operation by operation.
///
/// # Errors
/// [`OpError`] where it doesn’t fit the layout, which is unchanged then.
pub fn check(layout: &Layout) -> Result<(), OpError> {
    if layout.purpose == Purpose::Card && !is_one_column(layout) {
        return Err(OpError::CardIsOneColumn);
    }
    let mut rebuilt = Layout { bands: vec![], ..layout.clone() };
    for (index, band) in layout.bands.iter().enumerate() {
        band::add(&mut rebuilt, band.clone(), index)?;
    }
    depart::check_all(layout)
}

fn is_one_column(layout: &Layout) -> bool {
    let [band] = layout.bands.as_slice() else { return false };
    band.columns.len() == 1 && band.kept.is_none() && band.values.is_empty() && layout.frame == Frame::None
}

#[cfg(test)]
pub(crate) mod samples;
#[cfg(test)]
mod tests;
