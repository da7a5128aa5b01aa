//! Other names for parts of a page. What is kept different of them goes along.

use super::{MOST_AT_ONCE, Op, OpError};
use crate::ids::{BandId, ColumnId, PieceId};
use crate::page::{Layout, Target};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use std::hash::Hash;

/// Which names become which. All are exchanged at once, so that two parts may change names.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Names {
    /// Bands: from which name to which.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub bands: BTreeMap<BandId, BandId>,
    /// Columns: from which name to which.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub columns: BTreeMap<ColumnId, ColumnId>,
    /// Pieces: from which name to which.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub pieces: BTreeMap<PieceId, PieceId>,
}

impl Names {
    fn turned(&self) -> Self {
        fn turn<T: Ord + Clone>(names: &BTreeMap<T, T>) -> BTreeMap<T, T> {
            names.iter().map(|(from, to)| (to.clone(), from.clone())).collect()
        }
        Self { bands: turn(&self.bands), columns: turn(&self.columns), pieces: turn(&self.pieces) }
    }

    fn target(&self, target: &Target) -> Target {
        match target {
            Target::Piece(id) => Target::Piece(self.pieces.get(id).unwrap_or(id).clone()),
            Target::Band(id) => Target::Band(self.bands.get(id).unwrap_or(id).clone()),
        }
    }
}

pub(super) fn rename(layout: &mut Layout, names: Names) -> Result<Op, OpError> {
    if names.bands.len() + names.columns.len() + names.pieces.len() > MOST_AT_ONCE {
        return Err(OpError::TooManyAtOnce);
    }
    check_all(layout, &names)?;
    for band in &mut layout.bands {
        take(&names.bands, &mut band.id);
        for column in &mut band.columns {
            take(&names.columns, &mut column.id);
            column.pieces.iter_mut().for_each(|piece| take(&names.pieces, &mut piece.id));
        }
    }
    for one in &mut layout.departures {
        one.target = names.target(&one.target);
    }
    layout.departures.sort_by(|a, b| (&a.whom, &a.target).cmp(&(&b.whom, &b.target)));
    Ok(Op::Rename { names: names.turned() })
}

fn take<T: Ord + Clone>(names: &BTreeMap<T, T>, name: &mut T) {
    if let Some(new) = names.get(name) {
        *name = new.clone();
    }
}

fn check_all(layout: &Layout, names: &Names) -> Result<(), OpError> {
    let bands = layout.bands.iter().map(|band| &band.id);
    let columns = layout.columns().map(|column| &column.id);
    let pieces = layout.pieces().map(|piece| &piece.id);
    check(&names.bands, bands, OpError::NoSuchBand)?;
    check(&names.columns, columns, OpError::NoSuchColumn)?;
    check(&names.pieces, pieces, OpError::NoSuchPiece)?;
    // What is kept of something that is gone bears its name still.
    let kept = layout.lost_departures().map(|one| &one.target);
    let taken = kept.into_iter().find(|target| match target {
        Target::Piece(id) => names.pieces.values().any(|new| new == id),
        Target::Band(id) => names.bands.values().any(|new| new == id),
    });
    match taken {
        Some(Target::Piece(id)) => Err(OpError::NameTaken(id.to_string())),
        Some(Target::Band(id)) => Err(OpError::NameTaken(id.to_string())),
        None => Ok(()),
    }
}

/// Each old name must be there, and no new one may belong to a part that keeps its name, or come twice.
fn check<'a, T: Ord + Clone + Hash + std::fmt::Display + 'a>(
    names: &BTreeMap<T, T>,
    there: impl Iterator<Item = &'a T>,
    missing: fn(T) -> OpError,
) -> Result<(), OpError> {
    let there: std::collections::BTreeSet<&T> = there.collect();
    if let Some(gone) = names.keys().find(|name| !there.contains(*name)) {
        return Err(missing(gone.clone()));
    }
    let mut taken: std::collections::BTreeSet<&T> =
        there.into_iter().filter(|name| !names.contains_key(*name)).collect();
    match names.values().find(|name| !taken.insert(name)) {
        Some(twice) => Err(OpError::NameTaken(twice.to_string())),
        None => Ok(()),
    }
}

#[cfg(test)]
mod tests {
    use super::super::samples::{id, layout};
    use super::*;
    use crate::page::{Device, SetValue, Whom, apply};

    fn pieces(names: &[(&str, &str)]) -> Op {
        let pieces = names.iter().map(|(from, to)| (id(from), id(to))).collect();
        Op::Rename { names: Names { pieces, ..Names::default() } }
    }

    #[test]
    fn names_are_exchanged_at_once_with_what_is_kept_and_undone_exactly() {
        let mut page = layout();
        let whom = Whom::Product(crate::catalog::samples::handle("dunlin"));
        let keep = |piece: &str, words: &str| Op::Depart {
            whom: whom.clone(),
            target: Target::Piece(id(piece)),
            setting: "note".into(),
            device: Device::Wide,
            value: Some(SetValue::Text(words.into())),
            kind: None,
        };
        apply(&mut page, keep("price", "p")).unwrap();
        let before = page.clone();
        let back =
            apply(&mut page, pieces(&[("price", "title"), ("title", "price"), ("buy", "a-buy")])).unwrap();
        assert_eq!(page.piece(&id("title")).unwrap().kind, crate::page::Kind::Price);
        assert_eq!(page.lost_departures().count(), 0);
        assert!(page.departure(&whom, &Target::Piece(id("title"))).is_some());
        assert_eq!(super::super::check(&page), Ok(()));
        apply(&mut page, back).unwrap();
        assert_eq!(page, before);
    }

    #[test]
    fn what_is_kept_of_something_gone_holds_its_name() {
        let mut page = layout();
        let kinds = [Target::Piece(id("buy")), Target::Band(crate::ids::BandId::try_from("top").unwrap())];
        for (target, setting) in kinds.into_iter().zip(["note", "title"]) {
            let mut values = crate::page::Values::default();
            values.of_mut(Device::Wide).insert(setting.into(), SetValue::Text("x".into()));
            let whom = Whom::Product(crate::catalog::samples::handle("dunlin"));
            page.departures.push(crate::page::Departure { whom, target, values, kind: None });
        }
        page.bands.remove(0);
        page.bands[0].columns[1].pieces.pop();
        let refused = |page: &mut Layout, names| apply(page, Op::Rename { names }).map(drop);
        let piece = |to: &str| Names { pieces: [(id("price"), id(to))].into(), ..Names::default() };
        let band = |to: &str| {
            let name = |text| crate::ids::BandId::try_from(text).unwrap();
            Names { bands: [(name("main"), name(to))].into(), ..Names::default() }
        };
        assert_eq!(refused(&mut page, piece("buy")), Err(OpError::NameTaken("buy".into())));
        assert_eq!(refused(&mut page, band("top")), Err(OpError::NameTaken("top".into())));
        // A piece may bear the name of a band, and what is kept names nothing else.
        assert_eq!(refused(&mut page, piece("top")), Ok(()));
        assert_eq!(refused(&mut page, band("buy")), Ok(()));
    }

    #[test]
    fn as_many_parts_as_are_taken_at_once_are_renamed_and_no_more() {
        let of = |pieces: usize, columns: usize, bands: usize| {
            let all = |count: usize, start: char| (0..count).map(move |n| format!("{start}{n}"));
            Names {
                pieces: all(pieces, 'p').map(|name| (id(&name), id(&format!("{name}x")))).collect(),
                columns: all(columns, 'c')
                    .map(|name| {
                        (name.as_str().try_into().unwrap(), format!("{name}x").as_str().try_into().unwrap())
                    })
                    .collect(),
                bands: all(bands, 'b')
                    .map(|name| {
                        (name.as_str().try_into().unwrap(), format!("{name}x").as_str().try_into().unwrap())
                    })
                    .collect(),
            }
        };
        for (names, too_many) in [
            (of(MOST_AT_ONCE - 2, 1, 1), false),
            (of(MOST_AT_ONCE - 1, 1, 1), true),
            (of(3, 1, MOST_AT_ONCE), true),
        ] {
            // None of them is there, which is told only where they aren't too many.
            let refused = apply(&mut layout(), Op::Rename { names }).unwrap_err();
            assert_eq!(refused == OpError::TooManyAtOnce, too_many, "{refused}");
        }
    }

    #[test]
    fn a_name_that_is_taken_or_missing_is_refused() {
        let mut page = layout();
        for bad in [&[("price", "title")][..], &[("ghost", "x")], &[("price", "x"), ("title", "x")]] {
            assert!(apply(&mut page, pieces(bad)).is_err(), "{bad:?}");
        }
        assert_eq!(page, layout());
    }
}
