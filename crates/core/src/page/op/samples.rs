//! A small page for the worked cases of the tests.

use crate::ids::{BandId, ColumnId, PieceId};
use crate::page::{Band, Column, Kind, Layout, Piece, Values};

pub fn id(text: &str) -> PieceId {
    PieceId::try_from(text).unwrap()
}

pub fn piece(name: &str, kind: Kind) -> Piece {
    Piece { id: id(name), kind, values: Values::default() }
}

pub fn band(name: &str, columns: Vec<(&str, u8, Vec<Piece>)>) -> Band {
    let column =
        |(name, width, pieces)| Column { id: ColumnId::try_from(name as &str).unwrap(), width, pieces };
    Band {
        id: BandId::try_from(name).unwrap(),
        kept: None,
        values: Values::default(),
        columns: columns.into_iter().map(column).collect(),
    }
}

/// `top: crumbs | main: left(gallery) right(title, price, buy)`
pub fn layout() -> Layout {
    let right = vec![piece("title", Kind::Title), piece("price", Kind::Price), piece("buy", Kind::BuyButton)];
    Layout {
        bands: vec![
            band("top", vec![("only", 12, vec![piece("crumbs", Kind::Breadcrumb)])]),
            band("main", vec![("left", 7, vec![piece("gallery", Kind::Gallery)]), ("right", 5, right)]),
        ],
        ..Layout::default()
    }
}
