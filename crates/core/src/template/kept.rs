//! Kept bands: a band saved under a name that stands in several templates. A linked one is the same in all of them, by
//! the names of its parts too, so that whatever changes it in one template changes it in all; a copy goes its own way.

use crate::ids::{BandId, ColumnId, KeptId, NameError, PieceId};
use crate::page::op::Names;
use crate::page::{Band, Layout, Op, OpError, Target};
use std::collections::BTreeSet;

/// Makes a band of a layout the linked one of this number: its parts get names that nothing else has. What is kept
/// different of them goes along.
///
/// # Errors
/// [`OpError`] where it doesn’t fit the layout, which is unchanged then.
pub fn keep(layout: &Layout, band: &BandId, kept: KeptId) -> Result<Op, OpError> {
    let here = found(layout, band)?;
    let (mut linked, names) = renamed(here, &format!("kept{}", kept.0)).map_err(|_| missing(band))?;
    linked.kept = Some(kept);
    Ok(Op::Many { ops: vec![Op::Rename { names }, Op::ReplaceBand { band: linked }] })
}

/// Makes a linked band the layout's own again, under names that begin with `prefix`.
///
/// # Errors
/// [`OpError`] where it doesn’t fit the layout, which is unchanged then.
pub fn unlink(layout: &Layout, band: &BandId, prefix: &BandId) -> Result<Op, OpError> {
    let (own, names) = renamed(found(layout, band)?, prefix.as_str()).map_err(|_| missing(band))?;
    Ok(Op::Many { ops: vec![Op::Rename { names }, Op::ReplaceBand { band: own }] })
}

/// Puts a kept band into a layout: linked as it is, or as a copy under names that begin with `prefix`. Pieces that once
/// belonged to it and stand elsewhere by now get other names.
///
/// # Errors
/// [`OpError`] where it doesn’t fit the layout, which is unchanged then.
pub fn place(layout: &Layout, band: &Band, index: usize, copy: Option<&BandId>) -> Result<Op, OpError> {
    let band = match copy {
        None => band.clone(),
        Some(prefix) => renamed(band, prefix.as_str()).map_err(|_| missing(prefix))?.0,
    };
    let mut ops: Vec<Op> = make_way(layout, &band).into_iter().collect();
    ops.push(Op::AddBand { band, index });
    Ok(one_or_many(ops))
}

/// What makes a layout's linked band what it is elsewhere; nothing where it isn't linked here, or is the same.
#[must_use]
pub fn follow(layout: &Layout, band: &Band) -> Option<Op> {
    let here = layout.bands.iter().find(|one| one.kept.is_some() && one.kept == band.kept)?;
    if here == band || here.id != band.id {
        return None;
    }
    let mut ops: Vec<Op> = make_way(layout, band).into_iter().collect();
    ops.push(Op::ReplaceBand { band: band.clone() });
    Some(one_or_many(ops))
}

fn one_or_many(mut ops: Vec<Op>) -> Op {
    if ops.len() == 1 { ops.remove(0) } else { Op::Many { ops } }
}

/// Other names for pieces outside a band that bear names of its pieces: they were its own before they were moved out of
/// it, or before the page was laid anew.
fn make_way(layout: &Layout, band: &Band) -> Option<Op> {
    let its: BTreeSet<&PieceId> =
        band.columns.iter().flat_map(|c| &c.pieces).map(|piece| &piece.id).collect();
    let outside = layout.bands.iter().filter(|other| other.id != band.id);
    let strays = outside.flat_map(|other| &other.columns).flat_map(|column| &column.pieces);
    let lost = |id: &PieceId| layout.lost_departures().any(|one| one.target == Target::Piece(id.clone()));
    let mut names = Names::default();
    let mut number = 1;
    for stray in strays.filter(|piece| its.contains(&piece.id)) {
        let free = loop {
            let name = PieceId::try_from(format!("own{number}")).ok()?;
            number += 1;
            if layout.piece(&name).is_none() && !its.contains(&name) && !lost(&name) {
                break name;
            }
        };
        names.pieces.insert(stray.id.clone(), free);
    }
    (!names.pieces.is_empty()).then_some(Op::Rename { names })
}

fn missing(band: &BandId) -> OpError {
    OpError::NoSuchBand(band.clone())
}

fn found<'a>(layout: &'a Layout, band: &BandId) -> Result<&'a Band, OpError> {
    layout.band(band).ok_or_else(|| missing(band))
}

/// The linked bands of a layout.
pub fn linked(layout: &Layout) -> impl Iterator<Item = (KeptId, &Band)> {
    layout.bands.iter().filter_map(|band| Some((band.kept?, band)))
}

/// The same band, linked to nothing, with all its parts under other names, and which name became which.
fn renamed(band: &Band, prefix: &str) -> Result<(Band, Names), NameError> {
    let mut new = Band { id: BandId::try_from(prefix)?, kept: None, ..band.clone() };
    let mut names = Names::default();
    names.bands.insert(band.id.clone(), new.id.clone());
    for (c, column) in new.columns.iter_mut().enumerate() {
        let name = ColumnId::try_from(format!("{prefix}-c{c}"))?;
        names.columns.insert(std::mem::replace(&mut column.id, name.clone()), name);
        for (p, piece) in column.pieces.iter_mut().enumerate() {
            let name = PieceId::try_from(format!("{prefix}-{c}-{p}"))?;
            names.pieces.insert(std::mem::replace(&mut piece.id, name.clone()), name);
        }
    }
    Ok((new, names))
}
