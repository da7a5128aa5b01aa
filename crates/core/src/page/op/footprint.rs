//! The footprint of an operation: all that it touches on the layout on which it is made. Two people's operations that
//! touch different things both land, whatever their order; where they touch the same thing, the later person is asked.

use super::{ColumnShape, Names, Op, apply};
use crate::ids::{BandId, PieceId};
use crate::page::{Band, Column, Device, Layout, Piece, Target, Values, Whom};
use serde::{Deserialize, Serialize};
use std::collections::{BTreeMap, BTreeSet};

/// A thing that only one person can have changed.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
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
    /// The frame of the page.
    Frame,
    /// All of it.
    Everything,
}

impl Touch {
    fn meets(&self, other: &Self) -> bool {
        match (self, other) {
            (Self::Everything, _) | (_, Self::Everything) => true,
            (Self::Piece(_) | Self::Band(_), _) if other.is_of(self) => true,
            (_, Self::Piece(_) | Self::Band(_)) if self.is_of(other) => true,
            _ => self == other,
        }
    }

    /// Whether it is there only as long as a piece or a band is.
    fn is_of(&self, whole: &Self) -> bool {
        match (self, whole) {
            (
                Self::Value(Target::Piece(of), ..) | Self::Kept(_, Target::Piece(of), ..),
                Self::Piece(piece),
            ) => of == piece,
            (Self::Place(of), Self::Piece(piece)) => of == piece,
            (Self::Value(Target::Band(of), ..) | Self::Kept(_, Target::Band(of), ..), Self::Band(band)) => {
                of == band
            }
            _ => false,
        }
    }
}

/// All that an operation touches.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(transparent)]
pub struct Footprint(BTreeSet<Touch>);

impl Footprint {
    /// What an operation touches on a layout as it is before it. What comes or goes with a band is touched piece by piece.
    #[must_use]
    pub fn of(layout: &Layout, op: &Op) -> Self {
        let one = |touch| Self(BTreeSet::from([touch]));
        match op {
            Op::AddPiece { piece, .. } => one(Touch::Piece(piece.id.clone())),
            Op::RemovePiece { piece } => one(Touch::Piece(piece.clone())),
            Op::MovePiece { piece, .. } => one(Touch::Place(piece.clone())),
            Op::MovePieces { pieces, .. } => Self(pieces.iter().cloned().map(Touch::Place).collect()),
            Op::CopyPiece { copy, .. } => one(Touch::Piece(copy.clone())),
            Op::AddBand { band, .. } => Self(whole_band(band)),
            Op::RemoveBand { band } => Self(
                layout.band(band).map_or_else(|| BTreeSet::from([Touch::Band(band.clone())]), whole_band),
            ),
            Op::ReplaceBand { band } => Self(replaced(layout, band)),
            Op::MoveBand { band, .. } => one(Touch::Band(band.clone())),
            Op::SetColumns { band, columns } => Self(new_columns(layout, band, columns)),
            Op::Set { target, setting, device, .. } => {
                one(Touch::Value(target.clone(), setting.clone(), *device))
            }
            Op::Depart { whom, target, setting, device, .. } => {
                one(Touch::Kept(whom.clone(), target.clone(), setting.clone(), *device))
            }
            Op::SetFrame { .. } => one(Touch::Frame),
            Op::Rename { names } => Self(renamed(names)),
            Op::Many { ops } => many(layout, ops),
            Op::Lay { .. } => one(Touch::Everything),
        }
    }

    /// What both touch, where they do.
    #[must_use]
    pub fn common(&self, other: &Self) -> Option<&Touch> {
        self.0.iter().find(|touch| other.0.iter().any(|theirs| touch.meets(theirs)))
    }

    /// What either touches.
    #[must_use]
    pub fn and(mut self, other: Self) -> Self {
        self.0.extend(other.0);
        self
    }
}

fn pieces(band: &Band) -> impl Iterator<Item = (&Column, &Piece)> {
    band.columns.iter().flat_map(|column| column.pieces.iter().map(move |piece| (column, piece)))
}

fn whole_band(band: &Band) -> BTreeSet<Touch> {
    let parts = pieces(band).map(|(_, piece)| Touch::Piece(piece.id.clone()));
    parts.chain([Touch::Band(band.id.clone())]).collect()
}

/// Pieces of columns that go are moved by it.
fn new_columns(layout: &Layout, id: &BandId, columns: &[ColumnShape]) -> BTreeSet<Touch> {
    let gone = |column: &Column| columns.iter().all(|shape| shape.id != column.id);
    let moved = layout.band(id).into_iter().flat_map(pieces).filter(|(column, _)| gone(column));
    moved.map(|(_, piece)| Touch::Place(piece.id.clone())).chain([Touch::Band(id.clone())]).collect()
}

/// Only what differs between the band that is there and the one that takes its place.
fn replaced(layout: &Layout, new: &Band) -> BTreeSet<Touch> {
    let Some(old) = layout.band(&new.id) else { return whole_band(new) };
    let shape = |band: &Band| {
        (band.kept, band.columns.iter().map(|column| (column.id.clone(), column.width)).collect::<Vec<_>>())
    };
    let mut touched = values_touched(&Target::Band(new.id.clone()), &old.values, &new.values);
    if shape(old) != shape(new) {
        touched.insert(Touch::Band(new.id.clone()));
    }
    let by_name = |band| pieces(band).map(|(column, piece)| (&piece.id, (&column.id, piece))).collect();
    let (before, after): (BTreeMap<_, _>, BTreeMap<_, _>) = (by_name(old), by_name(new));
    for (id, (column, was)) in &before {
        match after.get(id) {
            Some((_, now)) if now.kind != was.kind => {
                touched.insert(Touch::Piece((*id).clone()));
            }
            None => {
                touched.insert(Touch::Piece((*id).clone()));
            }
            Some((at, now)) => {
                touched.extend(values_touched(&Target::Piece((*id).clone()), &was.values, &now.values));
                if at != column {
                    touched.insert(Touch::Place((*id).clone()));
                }
            }
        }
    }
    let came = after.keys().filter(|id| !before.contains_key(*id));
    touched.extend(came.map(|id| Touch::Piece((*id).clone())));
    touched.extend(out_of_order(old, new).map(|id| Touch::Place(id.clone())));
    touched
}

/// The pieces of columns in which those that stay have changed places.
fn out_of_order<'a>(old: &'a Band, new: &'a Band) -> impl Iterator<Item = &'a PieceId> {
    old.columns.iter().flat_map(move |column| {
        let after = new.columns.iter().find(|other| other.id == column.id);
        let names = |column: &'a Column| column.pieces.iter().map(|piece| &piece.id).collect::<Vec<_>>();
        let (was, now) = (names(column), after.map(names).unwrap_or_default());
        let still: Vec<_> = was.iter().copied().filter(|id| now.contains(id)).collect();
        let there: Vec<_> = now.iter().copied().filter(|id| was.contains(id)).collect();
        if still == there { vec![] } else { still }
    })
}

fn renamed(names: &Names) -> BTreeSet<Touch> {
    let pieces = names.pieces.iter().flat_map(|(from, to)| [from, to]).map(|id| Touch::Piece(id.clone()));
    let bands = names.bands.iter().flat_map(|(from, to)| [from, to]).map(|id| Touch::Band(id.clone()));
    pieces.chain(bands).collect()
}

fn values_touched(target: &Target, old: &Values, new: &Values) -> BTreeSet<Touch> {
    let differs = |device: Device| {
        let (old, new) = (old.of(device), new.of(device));
        let keys: BTreeSet<&String> = old.keys().chain(new.keys()).collect();
        keys.into_iter().filter(|key| old.get(*key) != new.get(*key)).cloned().collect::<Vec<_>>()
    };
    let all =
        Device::ALL.into_iter().flat_map(|device| differs(device).into_iter().map(move |key| (key, device)));
    all.map(|(key, device)| Touch::Value(target.clone(), key, device)).collect()
}

/// Each is looked at on the layout that those before it leave.
fn many(layout: &Layout, ops: &[Op]) -> Footprint {
    let mut now = layout.clone();
    ops.iter().fold(Footprint::default(), |all, op| {
        let touched = Footprint::of(&now, op);
        // One that is refused changes nothing; the whole is then refused by `apply`.
        let _ = apply(&mut now, op.clone());
        all.and(touched)
    })
}

#[cfg(test)]
mod tests {
    use super::super::samples::{band, id, layout, piece};
    use super::*;
    use crate::ids::ColumnId;
    use crate::page::{Kind, Place, SetValue};

    fn words(piece: &str, device: Device) -> Op {
        let value = Some(SetValue::Text("x".into()));
        Op::Set { target: Target::Piece(id(piece)), setting: "words".into(), device, value }
    }

    fn column(name: &str) -> ColumnId {
        ColumnId::try_from(name).unwrap()
    }

    fn band_id(name: &str) -> BandId {
        BandId::try_from(name).unwrap()
    }

    fn meet(a: &Op, b: &Op) -> bool {
        Footprint::of(&layout(), a).common(&Footprint::of(&layout(), b)).is_some()
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
        let moved = Op::MovePiece { piece: id("buy"), to: Place { column: column("left"), index: 0 } };
        assert!(meet(&gone, &moved) && meet(&moved, &moved) && !meet(&moved, &words("buy", Device::Wide)));
        assert!(meet(&gone, &words("buy", Device::Wide)) && meet(&words("buy", Device::Wide), &gone));
        let new =
            Op::AddPiece { piece: piece("new", Kind::Price), at: Place { column: column("left"), index: 0 } };
        assert!(!meet(&new, &gone));
        assert!(meet(&Op::Lay { layout: layout() }, &new));
        assert!(meet(&Op::Many { ops: vec![new.clone(), gone.clone()] }, &gone));
    }

    #[test]
    fn a_band_that_goes_takes_the_edits_of_its_pieces_with_it() {
        let gone = Op::RemoveBand { band: band_id("main") };
        let typed = words("buy", Device::Phone);
        assert!(meet(&gone, &typed) && meet(&typed, &gone));
        assert!(!meet(&gone, &words("crumbs", Device::Wide)));
        let slim = ColumnShape { id: column("right"), width: 12 };
        let narrow = Op::SetColumns { band: band_id("main"), columns: vec![slim] };
        let moved = |name| Op::MovePiece { piece: id(name), to: Place { column: column("only"), index: 0 } };
        assert!(meet(&narrow, &moved("gallery")), "it moves what stood in the column that goes");
        assert!(!meet(&narrow, &moved("buy")) && !meet(&narrow, &typed));
    }

    #[test]
    fn what_is_set_on_a_band_meets_that_it_goes_and_not_that_another_goes() {
        let target = Target::Band(band_id("main"));
        let set = Op::Set {
            target: target.clone(),
            setting: "ground".into(),
            device: Device::Wide,
            value: Some(SetValue::Text("x".into())),
        };
        let kept = Op::Depart {
            whom: crate::page::Whom::Type(crate::catalog::samples::handle("kites")),
            target,
            setting: "ground".into(),
            device: Device::Wide,
            value: None,
            kind: None,
        };
        for one in [set, kept] {
            let gone = |name: &str| Op::RemoveBand { band: band_id(name) };
            assert!(meet(&one, &gone("main")) && meet(&gone("main"), &one), "{one:?}");
            assert!(!meet(&one, &gone("top")) && !meet(&gone("top"), &one), "{one:?}");
            // Where its band moves it is still the same value.
            let moved = Op::MoveBand { band: band_id("top"), index: 1 };
            assert!(!meet(&one, &moved), "{one:?}");
        }
    }

    #[test]
    fn a_piece_of_another_kind_under_the_same_name_is_another_piece() {
        let mut new = layout().band(&band_id("main")).unwrap().clone();
        new.columns[1].pieces[2] = piece("buy", Kind::Quotes);
        let exchanged = Op::ReplaceBand { band: new };
        assert!(meet(&exchanged, &words("buy", Device::Phone)));
        assert!(!meet(&exchanged, &words("title", Device::Phone)));
    }

    #[test]
    fn a_band_that_is_exchanged_touches_only_what_differs() {
        let mut new = layout().band(&band_id("main")).unwrap().clone();
        let same = Op::ReplaceBand { band: new.clone() };
        assert_eq!(Footprint::of(&layout(), &same), Footprint::default());
        let title = &mut new.columns[1].pieces[0];
        title.values.phone.insert("words".into(), SetValue::Text("x".into()));
        new.columns[1].pieces.remove(2);
        let changed = Op::ReplaceBand { band: new };
        assert!(
            meet(&changed, &words("title", Device::Phone)) && !meet(&changed, &words("title", Device::Wide))
        );
        assert!(meet(&changed, &words("buy", Device::Wide)), "the button is gone");
        assert!(!meet(&changed, &words("price", Device::Wide)));
        let turned = band(
            "main",
            vec![
                ("left", 7, vec![piece("gallery", Kind::Gallery)]),
                (
                    "right",
                    5,
                    vec![
                        piece("price", Kind::Price),
                        piece("title", Kind::Title),
                        piece("buy", Kind::BuyButton),
                    ],
                ),
            ],
        );
        let moved = Op::MovePiece { piece: id("title"), to: Place { column: column("left"), index: 0 } };
        assert!(meet(&Op::ReplaceBand { band: turned }, &moved));
    }
}
