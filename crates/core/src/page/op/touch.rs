//! What an operation touches. Two people's operations that touch different things both land, whatever their order;
//! where they touch the same thing, the later person is asked.

use super::Op;
use crate::ids::{BandId, PieceId};
use crate::page::{Device, Target, Whom};
use std::collections::BTreeSet;

/// A thing that only one person can have changed.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord)]
pub enum Touch {
    /// One value on one screen.
    Value(Target, String, Device),
    /// One value that a product or a type keeps on one screen.
    Kept(Whom, Target, String, Device),
    /// Whether a piece is there.
    Piece(PieceId),
    /// Where a piece stands.
    Place(PieceId),
    /// Where a band stands, its columns, or whether it is there.
    Band(BandId),
    Frame,
    Everything,
}

impl Touch {
    fn meets(&self, other: &Self) -> bool {
        match (self, other) {
            (Self::Everything, _) | (_, Self::Everything) => true,
            (Self::Piece(piece), Self::Value(Target::Piece(of), ..) | Self::Place(of))
            | (Self::Value(Target::Piece(of), ..) | Self::Place(of), Self::Piece(piece)) => piece == of,
            (Self::Band(band), Self::Value(Target::Band(of), ..))
            | (Self::Value(Target::Band(of), ..), Self::Band(band)) => band == of,
            _ => self == other,
        }
    }

    /// The first thing that both touch.
    #[must_use]
    pub fn common<'a>(mine: &'a BTreeSet<Self>, theirs: &BTreeSet<Self>) -> Option<&'a Self> {
        mine.iter().find(|touch| theirs.iter().any(|other| touch.meets(other)))
    }
}

/// Everything that an operation touches.
#[must_use]
pub fn touches(op: &Op) -> BTreeSet<Touch> {
    match op {
        Op::AddPiece { piece, .. } => BTreeSet::from([Touch::Piece(piece.id.clone())]),
        Op::RemovePiece { piece } => BTreeSet::from([Touch::Piece(piece.clone())]),
        Op::MovePiece { piece, .. } => BTreeSet::from([Touch::Place(piece.clone())]),
        Op::CopyPiece { copy, .. } => BTreeSet::from([Touch::Piece(copy.clone())]),
        Op::AddBand { band, .. } | Op::ReplaceBand { band } => BTreeSet::from([Touch::Band(band.id.clone())]),
        Op::RemoveBand { band } | Op::MoveBand { band, .. } | Op::SetColumns { band, .. } => {
            BTreeSet::from([Touch::Band(band.clone())])
        }
        Op::Set { target, setting, device, .. } => {
            BTreeSet::from([Touch::Value(target.clone(), setting.clone(), *device)])
        }
        Op::Depart { whom, target, setting, device, .. } => {
            BTreeSet::from([Touch::Kept(whom.clone(), target.clone(), setting.clone(), *device)])
        }
        Op::SetFrame { .. } => BTreeSet::from([Touch::Frame]),
        Op::Many { ops } => ops.iter().flat_map(touches).collect(),
        Op::Lay { .. } => BTreeSet::from([Touch::Everything]),
    }
}

#[cfg(test)]
mod tests {
    use super::super::samples::{id, piece};
    use super::*;
    use crate::page::{Kind, Place, SetValue};

    fn words(piece: &str, device: Device) -> Op {
        let value = Some(SetValue::Text("x".into()));
        Op::Set { target: Target::Piece(id(piece)), setting: "words".into(), device, value }
    }

    fn meet(a: &Op, b: &Op) -> bool {
        Touch::common(&touches(a), &touches(b)).is_some()
    }

    #[test]
    fn different_pieces_values_and_screens_do_not_meet() {
        assert!(meet(&words("buy", Device::Wide), &words("buy", Device::Wide)));
        assert!(!meet(&words("buy", Device::Wide), &words("buy", Device::Phone)));
        assert!(!meet(&words("buy", Device::Wide), &words("bar", Device::Wide)));
    }

    #[test]
    fn a_value_meets_the_removal_of_its_piece_and_everything_meets_all() {
        let gone = Op::RemovePiece { piece: id("buy") };
        let column = || crate::ids::ColumnId::try_from("left").unwrap();
        let moved = Op::MovePiece { piece: id("buy"), to: Place { column: column(), index: 0 } };
        assert!(meet(&gone, &moved) && meet(&moved, &moved) && !meet(&moved, &words("buy", Device::Wide)));
        assert!(meet(&gone, &words("buy", Device::Wide)) && meet(&words("buy", Device::Wide), &gone));
        let new = Op::AddPiece { piece: piece("new", Kind::Price), at: Place { column: column(), index: 0 } };
        assert!(!meet(&new, &gone));
        assert!(meet(&Op::Lay { layout: super::super::samples::layout() }, &new));
        assert!(meet(&Op::Many { ops: vec![new.clone(), gone.clone()] }, &gone));
    }
}
