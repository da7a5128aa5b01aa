//! Operations of every kind on the small page, most of which can be done.

use super::{at, id, layout, piece};
use compagina_core::ids::{BandId, ColumnId};
use compagina_core::page::op::{ColumnShape, Names};
use compagina_core::page::{Band, Column, Device, Frame, Kind, Op, Purpose, SetValue, Target, Values, Whom};
use proptest::prelude::*;

pub fn any_piece_op() -> impl Strategy<Value = Op> {
    let names = prop::sample::select(vec!["crumbs", "gallery", "title", "price", "buy", "new-1", "new-2"]);
    let column = prop::sample::select(vec!["only", "left", "right"]);
    let kind = prop::sample::select(Kind::of(Purpose::Page).collect::<Vec<_>>());
    let saving = prop::option::of(prop::sample::select(vec!["percent", "amount", "none"]));
    let device = prop::sample::select(Device::ALL.to_vec());
    let both = prop::sample::select(vec![["price", "crumbs"], ["buy", "title"], ["gallery", "new-1"]]);
    (0..6u8, names, column, 0usize..4, (kind, both), saving, device).prop_map(
        |(which, name, column, index, (kind, both), saving, device)| match which {
            0 => Op::AddPiece { piece: piece(name, kind), at: at(column, index) },
            1 => Op::RemovePiece { piece: id(name) },
            2 => Op::MovePiece { piece: id(name), to: at(column, index) },
            4 => Op::MovePieces { pieces: both.map(id).into(), to: at(column, index) },
            3 => Op::CopyPiece { piece: id(name), copy: id("new-2"), to: at(column, index) },
            _ => Op::Set {
                target: Target::Piece(id("price")),
                setting: "saving".into(),
                device,
                value: saving.map(|s| SetValue::Text(s.into())),
            },
        },
    )
}

fn band_id(name: &str) -> BandId {
    BandId::try_from(name).unwrap()
}

/// A band of the page with two of its own names, or with names of others.
fn any_band(name: &'static str) -> impl Strategy<Value = Band> {
    let names = ["crumbs", "gallery", "title", "price", "buy", "new-1", "new-2"];
    let pieces = prop::sample::subsequence(names.to_vec(), 0..4).prop_shuffle();
    let columns = prop::sample::select(vec![["left", "right"], ["only", "right"], ["new-left", "new-right"]]);
    (pieces, columns, 0usize..3, prop::bool::ANY).prop_map(move |(pieces, columns, cut, said)| {
        let kind = |name: &str| layout().piece(&id(name)).map_or(Kind::Text, |piece| piece.kind);
        let mut values = Values::default();
        if said {
            values.wide.insert("behind".into(), SetValue::Text("tint".into()));
        }
        let mut left: Vec<_> = pieces.iter().map(|name| piece(name, kind(name))).collect();
        let right = left.split_off(cut.min(left.len()));
        let column =
            |name, width, pieces| Column { id: ColumnId::try_from(name as &str).unwrap(), width, pieces };
        let columns = vec![column(columns[0], 7, left), column(columns[1], 5, right)];
        Band { id: band_id(name), kept: None, values, columns }
    })
}

fn any_depart() -> impl Strategy<Value = Op> {
    let piece = prop::sample::select(vec!["price", "buy"]);
    (piece, prop::option::of(prop::sample::select(vec!["a", "b"])), prop::bool::ANY).prop_map(
        |(piece, note, kind)| {
            let name = super::handle("kites");
            Op::Depart {
                whom: if kind { Whom::Type(name) } else { Whom::Product(name) },
                target: Target::Piece(id(piece)),
                setting: "note".into(),
                device: Device::Wide,
                value: note.map(|text| SetValue::Text(text.into())),
                kind: None,
            }
        },
    )
}

/// An operation of any kind but those that hold others and those that lay the whole page anew.
pub fn any_op() -> impl Strategy<Value = Op> {
    let band = || prop::sample::select(vec!["top", "main"]);
    let columns = prop::sample::select(vec![
        vec![("left", 12)],
        vec![("right", 4), ("left", 8)],
        vec![("only", 6), ("new-right", 6)],
    ]);
    let shape = |(name, width)| ColumnShape { id: ColumnId::try_from(name).unwrap(), width };
    prop_oneof![
        5 => any_piece_op(),
        1 => any_band("top").prop_map(|band| Op::ReplaceBand { band }),
        2 => any_band("main").prop_map(|band| Op::ReplaceBand { band }),
        1 => (any_band("new-band"), 0usize..3).prop_map(|(band, index)| Op::AddBand { band, index }),
        1 => band().prop_map(|name| Op::RemoveBand { band: band_id(name) }),
        1 => (band(), 0usize..2).prop_map(|(name, index)| Op::MoveBand { band: band_id(name), index }),
        2 => (band(), columns).prop_map(move |(name, columns)| Op::SetColumns {
            band: band_id(name),
            columns: columns.into_iter().map(shape).collect(),
        }),
        1 => any_depart(),
        1 => prop::sample::select(vec![("price", "new-1"), ("buy", "new-2"), ("title", "price")]).prop_map(|(from, to)| {
            Op::Rename { names: Names { pieces: [(id(from), id(to))].into(), ..Names::default() } }
        }),
        1 => prop::sample::select(vec![Frame::Whole, Frame::Slim, Frame::None])
            .prop_map(|frame| Op::SetFrame { frame }),
    ]
}
