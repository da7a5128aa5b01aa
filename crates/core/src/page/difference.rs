use super::piece::band;
use super::{Band, Departure, Device, Kind, Layout, Piece, Setting, Target, Values, Whom};
use crate::ids::{BandId, ColumnId, PieceId};
use serde::Serialize;
use std::borrow::Cow;
use std::collections::{BTreeMap, BTreeSet};

/// One way in which two layouts differ. A setting is called as an owner reads it.
#[derive(Debug, Clone, PartialEq, Eq, Hash, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "kind")]
pub enum Difference {
    /// A piece came.
    PieceAdded {
        /// The piece.
        piece: PieceId,
    },
    /// A piece went.
    PieceRemoved {
        /// The piece.
        piece: PieceId,
        /// What it was.
        was: Kind,
    },
    /// A piece stands elsewhere.
    PieceMoved {
        /// The piece.
        piece: PieceId,
    },
    /// A value of a piece differs.
    PieceSet {
        /// The piece.
        piece: PieceId,
        /// The key of the setting.
        setting: String,
    },
    /// A band came.
    BandAdded {
        /// The band.
        band: BandId,
    },
    /// A band went.
    BandRemoved {
        /// The band.
        band: BandId,
    },
    /// A band stands elsewhere.
    BandMoved {
        /// The band.
        band: BandId,
    },
    /// A value of a band differs.
    BandSet {
        /// The band.
        band: BandId,
        /// The key of the setting.
        setting: String,
    },
    /// The frame differs.
    FrameSet,
    /// A product or a type keeps a value that it didn't, another one, or no longer does.
    Departed {
        /// Whose page it is.
        whom: Whom,
        /// The piece or band.
        target: Target,
        /// The key of the setting.
        setting: String,
    },
}

/// Everything that is different in `after`, in the order of `after`, what is gone last.
///
/// Of the things that stand in both, the longest run still in its old order counts as unmoved, so moving one piece is
/// one difference and not one for each piece that it passed.
#[must_use]
pub fn differences(before: &Layout, after: &Layout) -> Vec<Difference> {
    let mut found = Vec::new();
    if before.frame != after.frame {
        found.push(Difference::FrameSet);
    }
    compare_bands(before, after, &mut found);
    compare_pieces(before, after, &mut found);
    compare_departures(before, after, &mut found);
    found
}

fn compare_departures(before: &Layout, after: &Layout, found: &mut Vec<Difference>) {
    let none = Values::default();
    let mut tell = |one: &Departure, old: &Values, new: &Values| {
        let (whom, target) = (&one.whom, &one.target);
        let settings = [after, before].into_iter().find_map(|layout| layout.values_of(target));
        let changed = changed_settings(settings.map_or(&[], |(_, settings)| settings), old, new);
        found.extend(changed.into_iter().map(|setting| Difference::Departed {
            whom: whom.clone(),
            target: target.clone(),
            setting,
        }));
    };
    for one in &after.departures {
        let old = before.departure(&one.whom, &one.target).map_or(&none, |was| &was.values);
        tell(one, old, &one.values);
    }
    for one in before.departures.iter().filter(|one| after.departure(&one.whom, &one.target).is_none()) {
        tell(one, &one.values, &none);
    }
}

fn compare_bands(before: &Layout, after: &Layout, found: &mut Vec<Difference>) {
    let old: Vec<&BandId> = before.bands.iter().map(|b| &b.id).collect();
    let new: Vec<&BandId> = after.bands.iter().map(|b| &b.id).collect();
    let moved = moved(&old, &new);
    for band in &after.bands {
        let id = band.id.clone();
        let Some(was) = before.band(&band.id).filter(|was| same_columns(was, band)) else {
            found.push(Difference::BandAdded { band: id });
            continue;
        };
        if moved.contains(&&band.id) {
            found.push(Difference::BandMoved { band: id.clone() });
        }
        for setting in changed_settings(band::SETTINGS, &was.values, &band.values) {
            found.push(Difference::BandSet { band: id.clone(), setting });
        }
    }
    let gone = before.bands.iter().filter(|b| after.band(&b.id).is_none_or(|now| !same_columns(b, now)));
    found.extend(gone.map(|b| Difference::BandRemoved { band: b.id.clone() }));
}

/// A band under the same name with other columns is another band.
fn same_columns(a: &Band, b: &Band) -> bool {
    let shape = |band: &Band| band.columns.iter().map(|c| (c.id.clone(), c.width)).collect::<Vec<_>>();
    shape(a) == shape(b)
}

fn compare_pieces(before: &Layout, after: &Layout, found: &mut Vec<Difference>) {
    let old_places = places(before);
    let moved = moved_pieces(before, after);
    for piece in after.pieces() {
        let id = piece.id.clone();
        // A name may come back as another kind; that is another piece.
        let Some((was, _)) = old_places.get(&piece.id).filter(|(was, _)| was.kind == piece.kind) else {
            found.push(Difference::PieceAdded { piece: id });
            continue;
        };
        if moved.contains(&piece.id) {
            found.push(Difference::PieceMoved { piece: id.clone() });
        }
        for setting in changed_settings(piece.kind.settings(), &was.values, &piece.values) {
            found.push(Difference::PieceSet { piece: id.clone(), setting });
        }
    }
    let gone = before.pieces().filter(|p| after.piece(&p.id).is_none_or(|now| now.kind != p.kind));
    found.extend(gone.map(|p| Difference::PieceRemoved { piece: p.id.clone(), was: p.kind }));
}

/// Pieces that came from another column, and those that changed their order among the ones that stayed in theirs. A
/// piece that goes along with its band hasn't moved.
fn moved_pieces<'a>(before: &'a Layout, after: &'a Layout) -> BTreeSet<&'a PieceId> {
    let (old_places, new_places) = (places(before), places(after));
    let stays = |id: &PieceId| match (old_places.get(id), new_places.get(id)) {
        (Some((_, old)), Some((_, new))) => old == new,
        _ => false,
    };
    let in_both = new_places.keys().filter(|id| old_places.contains_key(*id));
    let mut all: BTreeSet<&PieceId> = in_both.filter(|id| !stays(id)).copied().collect();
    for column in after.columns() {
        let old = before.columns().find(|c| c.id == column.id).map_or(&[][..], |c| &c.pieces);
        let staying =
            |pieces: &'a [Piece]| pieces.iter().map(|p| &p.id).filter(|id| stays(id)).collect::<Vec<_>>();
        all.extend(moved(&staying(old), &staying(&column.pieces)));
    }
    all
}

fn in_columns(layout: &Layout) -> impl Iterator<Item = (&Piece, &ColumnId)> {
    layout.columns().flat_map(|c| c.pieces.iter().map(move |p| (p, &c.id)))
}

fn places(layout: &Layout) -> BTreeMap<&PieceId, (&Piece, &ColumnId)> {
    in_columns(layout).map(|(piece, column)| (&piece.id, (piece, column))).collect()
}

/// What differs of the values, in the order in which the settings stand on the slip.
fn changed_settings(settings: &[&Setting], before: &Values, after: &Values) -> Vec<String> {
    let mut keys: BTreeSet<&str> = BTreeSet::new();
    for (old, new) in Device::ALL.map(|device| (before.of(device), after.of(device))) {
        let differs = old.keys().chain(new.keys()).filter(|key| old.get(*key) != new.get(*key));
        keys.extend(differs.map(String::as_str));
    }
    let known = settings.iter().filter(|setting| keys.contains(setting.key));
    let unknown = keys.iter().filter(|key| settings.iter().all(|setting| setting.key != **key));
    known.map(|setting| setting.name()).chain(unknown.map(|key| (*key).into())).map(Cow::into_owned).collect()
}

/// The things of both lists that don't belong to their longest common run (a longest increasing subsequence).
fn moved<'a, T: Ord>(before: &[&'a T], after: &[&'a T]) -> BTreeSet<&'a T> {
    let rank: BTreeMap<&T, usize> = before.iter().enumerate().map(|(i, id)| (*id, i)).collect();
    let both: Vec<(&T, usize)> = after.iter().filter_map(|id| rank.get(*id).map(|r| (*id, *r))).collect();
    let mut best: Vec<Vec<usize>> = Vec::with_capacity(both.len());
    for (i, (_, r)) in both.iter().enumerate() {
        let mut run =
            (0..i).filter(|j| both[*j].1 < *r).map(|j| &best[j]).max_by_key(|run| run.len()).cloned();
        run.get_or_insert_default().push(i);
        best.push(run.unwrap_or_default());
    }
    let still = best.into_iter().max_by_key(Vec::len).unwrap_or_default();
    both.iter().enumerate().filter(|(i, _)| !still.contains(i)).map(|(_, (id, _))| *id).collect()
}

#[cfg(test)]
mod tests {
    use super::super::op::samples::{id, layout};
    use super::super::{Op, Place, SetValue, Target, apply};
    use super::*;
    use crate::ids::ColumnId;

    #[test]
    fn moving_one_piece_past_two_others_is_one_difference() {
        let before = layout();
        let mut after = before.clone();
        let to = Place { column: ColumnId::try_from("right").unwrap(), index: 2 };
        apply(&mut after, Op::MovePiece { piece: id("title"), to }).unwrap();
        assert_eq!(differences(&before, &after), [Difference::PieceMoved { piece: id("title") }]);
    }

    #[test]
    fn a_piece_that_leaves_its_column_does_not_make_its_neighbour_look_moved() {
        let before = layout();
        let mut after = before.clone();
        let to = Place { column: ColumnId::try_from("right").unwrap(), index: 0 };
        apply(&mut after, Op::MovePiece { piece: id("crumbs"), to }).unwrap();
        assert_eq!(differences(&before, &after), [Difference::PieceMoved { piece: id("crumbs") }]);
    }

    #[test]
    fn a_band_moves_with_its_pieces_and_is_one_difference() {
        let before = layout();
        let mut after = before.clone();
        let band = before.bands[0].id.clone();
        apply(&mut after, Op::MoveBand { band: band.clone(), index: 1 }).unwrap();
        assert_eq!(differences(&before, &after).len(), 1);
    }

    #[test]
    fn a_value_set_on_both_screens_is_one_difference_and_undone_none() {
        let before = layout();
        let mut after = before.clone();
        for device in Device::ALL {
            let (target, setting) = (Target::Piece(id("buy")), "words".to_owned());
            apply(
                &mut after,
                Op::Set { target, setting, device, value: Some(SetValue::Text("Take it".into())) },
            )
            .unwrap();
        }
        let expected = Difference::PieceSet { piece: id("buy"), setting: "Words".into() };
        assert_eq!(differences(&before, &after), [expected]);
        assert!(differences(&before, &before.clone()).is_empty());
    }

    #[test]
    fn what_came_and_what_went_is_told() {
        let before = layout();
        let mut after = before.clone();
        apply(&mut after, Op::RemovePiece { piece: id("crumbs") }).unwrap();
        assert_eq!(
            differences(&before, &after),
            [Difference::PieceRemoved { piece: id("crumbs"), was: Kind::Breadcrumb }]
        );
        assert_eq!(differences(&after, &before), [Difference::PieceAdded { piece: id("crumbs") }]);
    }
}
