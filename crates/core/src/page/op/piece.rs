use super::set::check_values;
use super::whole::many;
use super::{MOST_PIECES, Op, OpError};
use crate::ids::PieceId;
use crate::page::{Layout, Piece, Place};
use std::collections::BTreeMap;

pub(super) fn add(layout: &mut Layout, piece: Piece, at: &Place) -> Result<Op, OpError> {
    check_new(layout, &piece)?;
    let id = piece.id.clone();
    insert(layout, piece, at)?;
    Ok(Op::RemovePiece { piece: id })
}

pub(super) fn remove(layout: &mut Layout, id: &PieceId) -> Result<Op, OpError> {
    let (piece, at) = take(layout, id)?;
    Ok(Op::AddPiece { piece, at })
}

pub(super) fn shift(layout: &mut Layout, id: PieceId, to: &Place) -> Result<Op, OpError> {
    let (piece, from) = take(layout, &id)?;
    if let Err(reason) = insert(layout, piece.clone(), to) {
        insert(layout, piece, &from)?;
        return Err(reason);
    }
    Ok(Op::MovePiece { piece: id, to: from })
}

pub(super) fn shift_all(layout: &mut Layout, ids: &[PieceId], to: &Place) -> Result<Op, OpError> {
    if ids.len() > MOST_PIECES {
        return Err(OpError::TooManyPieces);
    }
    let mut columns = layout.bands.iter().flat_map(|band| &band.columns);
    let column = columns.find(|column| column.id == to.column);
    let column = column.ok_or_else(|| OpError::NoSuchColumn(to.column.clone()))?;
    let length = column.pieces.len();
    let beyond = || OpError::BeyondTheEnd { index: to.index, length };
    let ahead: Vec<&PieceId> =
        column.pieces.get(..to.index).ok_or_else(beyond)?.iter().map(|piece| &piece.id).collect();
    let turns: BTreeMap<&PieceId, usize> = ids.iter().enumerate().map(|(turn, id)| (id, turn)).collect();
    let turns_ahead: Vec<usize> = ahead.iter().filter_map(|id| turns.get(id).copied()).collect();
    let stay = ahead.len() - turns_ahead.len();
    // Each is counted in the column as it is without it: those that are still to come stand in it too.
    let moves = ids.iter().enumerate().map(|(turn, id)| {
        let to_come = turns_ahead.iter().filter(|other| **other > turn).count();
        let to = Place { column: to.column.clone(), index: stay + turn + to_come };
        Op::MovePiece { piece: id.clone(), to }
    });
    many(layout, moves.collect())
}

pub(super) fn copy(layout: &mut Layout, id: &PieceId, copy: PieceId, to: &Place) -> Result<Op, OpError> {
    let piece = layout.piece(id).ok_or_else(|| OpError::NoSuchPiece(id.clone()))?;
    let piece = Piece { id: copy, ..piece.clone() };
    add(layout, piece, to)
}

/// What must hold for a piece that comes onto the page, apart from its place.
pub(super) fn check_new(layout: &Layout, piece: &Piece) -> Result<(), OpError> {
    if layout.piece(&piece.id).is_some() {
        return Err(OpError::NameTaken(piece.id.to_string()));
    }
    if piece.kind.purpose() != layout.purpose {
        return Err(OpError::OnlyOn { kind: piece.kind });
    }
    if piece.kind.only_one() && layout.first_of(piece.kind).is_some() {
        return Err(OpError::OnlyOne { kind: piece.kind });
    }
    if layout.pieces().count() >= MOST_PIECES {
        return Err(OpError::TooManyPieces);
    }
    check_values(piece.kind.label(), piece.kind.settings(), &piece.values)
}

fn insert(layout: &mut Layout, piece: Piece, at: &Place) -> Result<(), OpError> {
    let column = layout.column_mut(&at.column).ok_or_else(|| OpError::NoSuchColumn(at.column.clone()))?;
    let length = column.pieces.len();
    if at.index > length {
        return Err(OpError::BeyondTheEnd { index: at.index, length });
    }
    column.pieces.insert(at.index, piece);
    Ok(())
}

fn take(layout: &mut Layout, id: &PieceId) -> Result<(Piece, Place), OpError> {
    let place = layout.place_of(id).ok_or_else(|| OpError::NoSuchPiece(id.clone()))?;
    let column = layout.column_mut(&place.column).ok_or_else(|| OpError::NoSuchPiece(id.clone()))?;
    let piece = column.pieces.remove(place.index);
    Ok((piece, place))
}
