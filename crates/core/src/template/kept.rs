//! Kept bands: a band saved under a name that stands in several templates. A linked one is the same in all of them, by
//! the names of its parts too, so that whatever changes it in one template changes it in all; a copy goes its own way.

use crate::ids::{BandId, ColumnId, KeptId, NameError, PieceId};
use crate::page::{Band, Device, Layout, Op, OpError, Target};
use std::collections::BTreeMap;

/// Makes a band of a layout the linked one of this number: its parts get names that nothing else has. What is kept
/// different of them goes along.
pub fn keep(layout: &Layout, band: &BandId, kept: KeptId) -> Result<Op, OpError> {
    exchange(layout, band, &format!("kept{}", kept.0), Some(kept))
}

/// Makes a linked band the layout's own again, under names that begin with `prefix`.
pub fn unlink(layout: &Layout, band: &BandId, prefix: &BandId) -> Result<Op, OpError> {
    exchange(layout, band, prefix.as_str(), None)
}

/// The band as it comes into a layout: linked as it is, or as a copy under names that begin with `prefix`.
pub fn placed(band: &Band, copy: Option<&BandId>) -> Result<Band, OpError> {
    match copy {
        None => Ok(band.clone()),
        Some(prefix) => {
            Ok(renamed(band, prefix.as_str()).map_err(|_| OpError::NoSuchBand(prefix.clone()))?.0)
        }
    }
}

/// What makes a layout's linked band what it is elsewhere; nothing where it isn't linked here, or is the same.
#[must_use]
pub fn follow(layout: &Layout, band: &Band) -> Option<Op> {
    let here = layout.bands.iter().find(|one| one.kept.is_some() && one.kept == band.kept)?;
    (here != band && here.id == band.id).then(|| Op::ReplaceBand { band: band.clone() })
}

/// The linked bands of a layout.
pub fn linked(layout: &Layout) -> impl Iterator<Item = (KeptId, &Band)> {
    layout.bands.iter().filter_map(|band| Some((band.kept?, band)))
}

fn exchange(layout: &Layout, band: &BandId, prefix: &str, kept: Option<KeptId>) -> Result<Op, OpError> {
    let missing = || OpError::NoSuchBand(band.clone());
    let index = layout.bands.iter().position(|one| one.id == *band).ok_or_else(missing)?;
    let (mut new, names) = renamed(&layout.bands[index], prefix).map_err(|_| missing())?;
    new.kept = kept;
    let to = |target: &Target| match target {
        Target::Piece(id) => names.get(id).map(|new| Target::Piece(new.clone())),
        Target::Band(id) => (id == band).then(|| Target::Band(new.id.clone())),
    };
    let (mut taken, mut given) = (Vec::new(), Vec::new());
    for one in &layout.departures {
        let Some(target) = to(&one.target) else { continue };
        for device in Device::ALL {
            for (setting, value) in one.values.of(device) {
                let depart = |target, value, kind| Op::Depart {
                    whom: one.whom.clone(),
                    target,
                    setting: setting.clone(),
                    device,
                    value,
                    kind,
                };
                taken.push(depart(one.target.clone(), None, one.kind));
                given.push(depart(target.clone(), Some(value.clone()), one.kind));
            }
        }
    }
    let mut ops = taken;
    ops.push(Op::RemoveBand { band: band.clone() });
    ops.push(Op::AddBand { band: new, index });
    ops.append(&mut given);
    Ok(Op::Many { ops })
}

/// The same band with all its parts under other names, and which piece became which.
fn renamed(band: &Band, prefix: &str) -> Result<(Band, BTreeMap<PieceId, PieceId>), NameError> {
    let mut new = Band { id: BandId::try_from(prefix)?, kept: None, ..band.clone() };
    let mut names = BTreeMap::new();
    for (c, column) in new.columns.iter_mut().enumerate() {
        column.id = ColumnId::try_from(format!("{prefix}-c{c}"))?;
        for (p, piece) in column.pieces.iter_mut().enumerate() {
            let name = PieceId::try_from(format!("{prefix}-{c}-{p}"))?;
            names.insert(std::mem::replace(&mut piece.id, name.clone()), name);
        }
    }
    Ok((new, names))
}
