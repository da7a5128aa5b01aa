//! Two owners at one page: what lands beside each other, and what is asked about.
#![allow(clippy::unwrap_used)]

mod samples;

use compagina_core::ids::{ColumnId, PieceId};
use compagina_core::page::op::Footprint;
use compagina_core::page::{Kind, Layout, Op, Piece, SetValue, Target, Values, Whom, apply};
use proptest::prelude::*;
use samples::layout;
use samples::ops::any_op;
use std::collections::BTreeMap;

/// What a page holds, apart from the order in which things stand: of two who put something at one place, one comes first.
#[derive(Debug, PartialEq, Eq)]
struct Held {
    pieces: BTreeMap<PieceId, (Kind, Values, ColumnId)>,
    bands: BTreeMap<String, (Values, Vec<(ColumnId, u8)>)>,
    departures: Vec<String>,
    frame: String,
}

fn held(page: &Layout) -> Held {
    let pieces = page.columns().flat_map(|column| {
        let of = move |piece: &Piece| (piece.kind, piece.values.clone(), column.id.clone());
        column.pieces.iter().map(move |piece| (piece.id.clone(), of(piece)))
    });
    let bands = page.bands.iter().map(|band| {
        let columns = band.columns.iter().map(|column| (column.id.clone(), column.width)).collect();
        (band.id.to_string(), (band.values.clone(), columns))
    });
    Held {
        pieces: pieces.collect(),
        bands: bands.collect(),
        departures: page.departures.iter().map(|one| format!("{one:?}")).collect(),
        frame: format!("{:?}", page.frame),
    }
}

/// Whether the later of two edits lands, as a server decides: `mine` was made on `base`, `theirs` is there already.
fn lands(base: &Layout, mine: &Op, theirs: &Op) -> Option<Layout> {
    let touched = Footprint::of(base, theirs);
    let mut page = base.clone();
    apply(&mut page, theirs.clone()).ok()?;
    if Footprint::of(&page, mine).common(&touched).is_some() {
        return None;
    }
    apply(&mut page, mine.clone()).ok()?;
    Some(page)
}

fn kept_is_there(page: &Layout, whom: &Whom, target: &Target, setting: &str) -> Option<SetValue> {
    page.departure(whom, target).and_then(|one| one.values.wide.get(setting).cloned())
}

/// Whether what an edit of `base` was for is to be seen on a page.
fn stands(base: &Layout, page: &Layout, op: &Op) -> bool {
    match op {
        Op::Set { target, setting, device, value } => page
            .values_of(target)
            .is_some_and(|(values, _)| values.of(*device).get(setting) == value.as_ref()),
        Op::AddPiece { piece, .. } => page.piece(&piece.id).is_some(),
        Op::CopyPiece { copy, .. } => page.piece(copy).is_some(),
        Op::MovePiece { piece, to } => page.place_of(piece).is_some_and(|place| place.column == to.column),
        Op::MovePieces { pieces, to } => {
            let there = |piece| page.place_of(piece).is_some_and(|place| place.column == to.column);
            pieces.iter().all(there)
        }
        Op::RemovePiece { piece } => page.piece(piece).is_none(),
        Op::RemoveBand { band } => page.band(band).is_none(),
        Op::MoveBand { band, .. } => page.band(band).is_some(),
        Op::AddBand { band, .. } => page.band(&band.id).is_some(),
        Op::ReplaceBand { band } => {
            let new = |piece: &&Piece| base.piece(&piece.id).is_none();
            let mut came = band.columns.iter().flat_map(|column| &column.pieces).filter(new);
            came.all(|piece| page.piece(&piece.id).is_some())
        }
        Op::SetColumns { band, columns } => page.band(band).is_some_and(|band| {
            band.columns.iter().map(|c| (&c.id, c.width)).eq(columns.iter().map(|c| (&c.id, c.width)))
        }),
        Op::Depart { whom, target, setting, value, .. } => {
            kept_is_there(page, whom, target, setting).as_ref() == value.as_ref()
        }
        Op::SetFrame { frame } => page.frame == *frame,
        Op::Rename { names } => names.pieces.values().all(|name| page.piece(name).is_some()),
        Op::Many { .. } | Op::Lay { .. } => unreachable!("not made here"),
    }
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 3000, failure_persistence: None, ..ProptestConfig::default() })]

    /// What makes it right to let a late edit land: it comes to the same as if it had come first, and nothing that
    /// either owner did is gone.
    #[test]
    fn edits_that_touch_nothing_in_common_both_stay(before in any_op(), mine in any_op(), theirs in any_op()) {
        let mut base = layout();
        let _ = apply(&mut base, before);
        let (mut as_if_first, mut theirs_alone) = (base.clone(), base.clone());
        if apply(&mut as_if_first, mine.clone()).is_err() || apply(&mut theirs_alone, theirs.clone()).is_err() {
            return Ok(());
        }
        let Some(both) = lands(&base, &mine, &theirs) else { return Ok(()) };
        prop_assert!(stands(&theirs_alone, &both, &mine), "mine is there: {mine:?} after {theirs:?}");
        prop_assert!(stands(&base, &both, &theirs), "theirs is there: {theirs:?} before {mine:?}");
        if apply(&mut as_if_first, theirs.clone()).is_ok() && !brings_a_state(&mine) && !brings_a_state(&theirs) {
            prop_assert_eq!(held(&as_if_first), held(&both));
        }
    }

    #[test]
    fn touching_is_mutual(a in any_op(), b in any_op()) {
        let page = layout();
        let (mine, theirs) = (Footprint::of(&page, &a), Footprint::of(&page, &b));
        prop_assert_eq!(mine.common(&theirs).is_some(), theirs.common(&mine).is_some());
        prop_assert!(mine == Footprint::default() || mine.common(&mine).is_some(), "everything touches itself");
    }

    /// A footprint is large enough: what isn't in it is as it was.
    #[test]
    fn what_an_operation_does_not_touch_it_leaves_alone(op in any_op()) {
        let mut page = layout();
        let touched = Footprint::of(&page, &op);
        if apply(&mut page, op).is_err() {
            return Ok(());
        }
        let (before, after) = (held(&layout()), held(&page));
        for (id, was) in &before.pieces {
            let touches = touched.common(&Footprint::of(&layout(), &Op::RemovePiece { piece: id.clone() })).is_some();
            prop_assert!(touches || after.pieces.get(id) == Some(was), "{id}");
        }
    }
}

/// What brings along a state of things is no edit of the state that it meets: a copy takes what its model has when it
/// is made, and a band that is exchanged brings its own columns.
fn brings_a_state(op: &Op) -> bool {
    matches!(op, Op::CopyPiece { .. } | Op::ReplaceBand { .. })
}
