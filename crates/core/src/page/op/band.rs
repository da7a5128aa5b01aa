use super::piece::check_new;
use super::set::check_values;
use super::{ColumnShape, MOST_COLUMNS, Op, OpError};
use crate::ids::BandId;
use crate::page::{Band, Column, Layout, piece};
use std::collections::BTreeSet;

pub(super) fn add(layout: &mut Layout, band: Band, index: usize) -> Result<Op, OpError> {
    check_index(index, layout.bands.len())?;
    if layout.band(&band.id).is_some() {
        return Err(OpError::NameTaken(band.id.to_string()));
    }
    check_columns(layout, &band)?;
    check_values("Band", piece::band::SETTINGS, &band.values)?;
    check_pieces(layout, &band)?;
    let id = band.id.clone();
    layout.bands.insert(index, band);
    Ok(Op::RemoveBand { band: id })
}

pub(super) fn remove(layout: &mut Layout, id: &BandId) -> Result<Op, OpError> {
    let index = index_of(layout, id)?;
    Ok(Op::AddBand { band: layout.bands.remove(index), index })
}

pub(super) fn shift(layout: &mut Layout, id: &BandId, index: usize) -> Result<Op, OpError> {
    let from = index_of(layout, id)?;
    check_index(index, layout.bands.len() - 1)?;
    let band = layout.bands.remove(from);
    layout.bands.insert(index, band);
    Ok(Op::MoveBand { band: id.clone(), index: from })
}

pub(super) fn set_columns(layout: &mut Layout, id: &BandId, shapes: Vec<ColumnShape>) -> Result<Op, OpError> {
    let mut band = layout.bands[index_of(layout, id)?].clone();
    let mut old = std::mem::take(&mut band.columns);
    for shape in shapes {
        let kept = old.iter().position(|c| c.id == shape.id).map(|place| old.remove(place));
        let pieces = kept.map_or_else(Vec::new, |column| column.pieces);
        band.columns.push(Column { id: shape.id, width: shape.width, pieces });
    }
    let left_over = old.into_iter().flat_map(|column| column.pieces);
    match band.columns.last_mut() {
        Some(last) => last.pieces.extend(left_over),
        None => return Err(OpError::BadColumns),
    }
    replace(layout, band)
}

pub(super) fn replace(layout: &mut Layout, band: Band) -> Result<Op, OpError> {
    let index = index_of(layout, &band.id)?;
    let before = layout.bands.remove(index);
    match add(layout, band, index) {
        Ok(_) => Ok(Op::ReplaceBand { band: before }),
        Err(reason) => {
            layout.bands.insert(index, before);
            Err(reason)
        }
    }
}

fn index_of(layout: &Layout, id: &BandId) -> Result<usize, OpError> {
    layout.bands.iter().position(|b| b.id == *id).ok_or_else(|| OpError::NoSuchBand(id.clone()))
}

fn check_index(index: usize, length: usize) -> Result<(), OpError> {
    if index > length { Err(OpError::BeyondTheEnd { index, length }) } else { Ok(()) }
}

fn check_columns(layout: &Layout, band: &Band) -> Result<(), OpError> {
    let widths: u32 = band.columns.iter().map(|c| u32::from(c.width)).sum();
    let sound = (1..=MOST_COLUMNS).contains(&band.columns.len())
        && band.columns.iter().all(|c| (1..=12).contains(&c.width))
        && widths == 12;
    if !sound {
        return Err(OpError::BadColumns);
    }
    let mut names: BTreeSet<_> = layout.columns().map(|c| &c.id).collect();
    match band.columns.iter().find(|c| !names.insert(&c.id)) {
        Some(column) => Err(OpError::NameTaken(column.id.to_string())),
        None => Ok(()),
    }
}

/// The pieces that a band brings along are checked one after another, as if each were added.
fn check_pieces(layout: &Layout, band: &Band) -> Result<(), OpError> {
    let mut tried = layout.clone();
    let mut empty = band.clone();
    empty.columns.iter_mut().for_each(|c| c.pieces.clear());
    tried.bands.push(empty);
    for column in &band.columns {
        for piece in &column.pieces {
            check_new(&tried, piece)?;
            if let Some(place) = tried.column_mut(&column.id) {
                place.pieces.push(piece.clone());
            }
        }
    }
    Ok(())
}
