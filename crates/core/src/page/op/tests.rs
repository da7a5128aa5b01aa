use super::samples::{band, id, layout, piece};
use super::*;
use crate::page::Values;
use proptest::prelude::*;

fn at(column: &str, index: usize) -> Place {
    Place { column: ColumnId::try_from(column).unwrap(), index }
}

fn band_id(text: &str) -> BandId {
    BandId::try_from(text).unwrap()
}

fn order(layout: &Layout) -> Vec<&str> {
    layout.pieces().map(|p| p.id.as_str()).collect()
}

fn set(piece: &str, setting: &str, device: Device, value: Option<SetValue>) -> Op {
    Op::Set { target: Target::Piece(id(piece)), setting: setting.into(), device, value }
}

/// Saves, edits, rolls back, compares.
fn undone_exactly(op: Op) -> Layout {
    let before = layout();
    let mut page = before.clone();
    let inverse = apply(&mut page, op.clone()).unwrap();
    let after = page.clone();
    assert_ne!(after, before);
    let again = apply(&mut page, inverse).unwrap();
    assert_eq!(page, before, "undo is exact");
    apply(&mut page, again).unwrap();
    assert_eq!(page, after, "redo is exact");
    after
}

fn refused(op: Op) -> OpError {
    let before = layout();
    let mut page = before.clone();
    let reason = apply(&mut page, op).unwrap_err();
    assert_eq!(page, before, "a refused operation changes nothing");
    reason
}

#[test]
fn adding_a_piece() {
    let after = undone_exactly(Op::AddPiece { piece: piece("promises", Kind::Promises), at: at("right", 3) });
    assert_eq!(order(&after), ["crumbs", "gallery", "title", "price", "buy", "promises"]);
}

/// `to` is where one of those that stay stands, whatever of the others stands ahead of it.
#[test]
fn several_pieces_are_put_one_behind_another_before_what_stands_there() {
    let moved = |pieces: &[&str], column: &str, index: usize| {
        let pieces = pieces.iter().map(|name| id(name)).collect();
        let after = undone_exactly(Op::MovePieces { pieces, to: at(column, index) });
        order(&after).join(" ")
    };
    assert_eq!(moved(&["price", "buy"], "left", 0), "crumbs price buy gallery title");
    assert_eq!(moved(&["buy", "title"], "right", 1), "crumbs gallery buy title price");
    assert_eq!(moved(&["title", "price"], "right", 3), "crumbs gallery buy title price");
    assert_eq!(moved(&["price", "crumbs"], "right", 2), "gallery title price crumbs buy");
    assert_eq!(moved(&["gallery", "crumbs"], "right", 3), "title price buy gallery crumbs");
    for (pieces, to) in [
        (["buy", "price"], at("right", 4)),
        (["buy", "ghost"], at("left", 0)),
        (["buy", "price"], at("nowhere", 0)),
    ] {
        refused(Op::MovePieces { pieces: pieces.map(id).into(), to });
    }
    let endless = Op::MovePieces { pieces: vec![id("ghost"); 100_000], to: at("left", 0) };
    assert_eq!(refused(endless), OpError::TooManyPieces);
}

#[test]
fn several_at_once_are_taken_back_as_part_of_more() {
    let moves = Op::MovePieces { pieces: vec![id("buy"), id("title")], to: at("left", 0) };
    let after = undone_exactly(Op::Many { ops: vec![moves, Op::RemovePiece { piece: id("title") }] });
    assert_eq!(order(&after), ["crumbs", "buy", "gallery", "price"]);
}

#[test]
fn removing_a_piece_and_bringing_it_back_keeps_its_values() {
    let mut page = layout();
    apply(&mut page, set("buy", "words", Device::Wide, Some(SetValue::Text("Take it".into())))).unwrap();
    let with_words = page.clone();
    let inverse = apply(&mut page, Op::RemovePiece { piece: id("buy") }).unwrap();
    apply(&mut page, inverse).unwrap();
    assert_eq!(page, with_words);
}

#[test]
fn moving_a_piece_within_and_across_columns() {
    let after = undone_exactly(Op::MovePiece { piece: id("price"), to: at("right", 0) });
    assert_eq!(order(&after), ["crumbs", "gallery", "price", "title", "buy"]);
    let after = undone_exactly(Op::MovePiece { piece: id("title"), to: at("only", 0) });
    assert_eq!(order(&after), ["title", "crumbs", "gallery", "price", "buy"]);
}

#[test]
fn copying_a_piece_copies_what_is_set_on_it() {
    let mut page = layout();
    apply(&mut page, set("buy", "words", Device::Phone, Some(SetValue::Text("Buy".into())))).unwrap();
    let op = Op::CopyPiece { piece: id("buy"), copy: id("buy-2"), to: at("only", 1) };
    apply(&mut page, op).unwrap();
    assert_eq!(page.piece(&id("buy-2")).unwrap().values, page.piece(&id("buy")).unwrap().values);
    undone_exactly(Op::CopyPiece { piece: id("price"), copy: id("p2"), to: at("left", 0) });
}

#[test]
fn setting_a_value_and_letting_it_be_inherited_again() {
    let set_words = set("buy", "words", Device::Wide, Some(SetValue::Text("Take it".into())));
    undone_exactly(set_words.clone());
    let mut page = layout();
    apply(&mut page, set_words).unwrap();
    apply(&mut page, set("buy", "words", Device::Wide, None)).unwrap();
    assert_eq!(page, layout());
}

#[test]
fn bands_come_move_and_go_with_all_their_pieces() {
    let new = band("extra", vec![("e1", 6, vec![piece("details", Kind::Details)]), ("e2", 6, vec![])]);
    undone_exactly(Op::AddBand { band: new, index: 1 });
    undone_exactly(Op::MoveBand { band: band_id("top"), index: 1 });
    let after = undone_exactly(Op::RemoveBand { band: band_id("main") });
    assert_eq!(order(&after), ["crumbs"]);
    let tinted = Op::Set {
        target: Target::Band(band_id("main")),
        setting: "ground".into(),
        device: Device::Wide,
        value: Some(SetValue::Text("tinted".into())),
    };
    undone_exactly(tinted);
}

#[test]
fn what_is_not_there_is_refused_by_name() {
    assert_eq!(refused(Op::RemovePiece { piece: id("ghost") }), OpError::NoSuchPiece(id("ghost")));
    assert_eq!(refused(Op::RemoveBand { band: band_id("ghost") }), OpError::NoSuchBand(band_id("ghost")));
    let reason = refused(Op::MovePiece { piece: id("buy"), to: at("ghost", 0) });
    assert!(matches!(reason, OpError::NoSuchColumn(_)));
    assert_eq!(
        reason.to_string(),
        "this column isn't on the page any more",
        "its code tells an owner nothing"
    );
    let reason = refused(Op::MovePiece { piece: id("buy"), to: at("right", 3) });
    assert_eq!(reason, OpError::BeyondTheEnd { index: 3, length: 2 });
    let reason = refused(Op::MoveBand { band: band_id("top"), index: 2 });
    assert_eq!(reason, OpError::BeyondTheEnd { index: 2, length: 1 });
}

#[test]
fn a_name_can_be_used_once() {
    let reason = refused(Op::AddPiece { piece: piece("buy", Kind::Price), at: at("left", 0) });
    assert_eq!(reason, OpError::NameTaken("buy".into()));
    let twice = band("extra", vec![("e", 12, vec![piece("x", Kind::Price), piece("x", Kind::Price)])]);
    assert_eq!(refused(Op::AddBand { band: twice, index: 0 }), OpError::NameTaken("x".into()));
    let column = band("extra", vec![("left", 12, vec![])]);
    assert_eq!(refused(Op::AddBand { band: column, index: 0 }), OpError::NameTaken("left".into()));
}

#[test]
fn columns_make_twelve_twelfths() {
    for widths in [&[7, 6][..], &[], &[3, 3, 2, 2, 2], &[12, 0]] {
        let names = ["a", "b", "c", "d", "e"];
        let columns = widths.iter().zip(names).map(|(w, n)| (n, *w, vec![])).collect();
        assert_eq!(refused(Op::AddBand { band: band("extra", columns), index: 0 }), OpError::BadColumns);
    }
}

#[test]
fn a_value_must_fit_its_setting() {
    let long = SetValue::Text("x".repeat(2000));
    assert!(matches!(
        refused(set("buy", "words", Device::Wide, Some(long))),
        OpError::BadValue(ValueError::TooLong { .. })
    ));
    let reason = refused(set("price", "saving", Device::Wide, Some(SetValue::Text("loud".into()))));
    assert!(matches!(reason, OpError::BadValue(ValueError::NoSuchChoice { .. })));
    let reason = refused(set("price", "saving", Device::Wide, Some(SetValue::Flag(true))));
    assert!(matches!(reason, OpError::BadValue(ValueError::WrongShape { .. })));
    let reason = refused(set("price", "glow", Device::Wide, Some(SetValue::Flag(true))));
    assert_eq!(reason, OpError::NoSuchSetting { kind: "Price", setting: "glow".into() });
    let broken = set("buy", "words", Device::Wide, Some(SetValue::Text("two\nlines".into())));
    assert!(matches!(refused(broken), OpError::BadValue(ValueError::ControlCharacter { .. })));
}

#[test]
fn a_piece_that_brings_a_bad_value_is_refused() {
    let mut bad = piece("new", Kind::Price);
    bad.values.wide.insert("saving".into(), SetValue::Number(3));
    let reason = refused(Op::AddPiece { piece: bad, at: at("left", 0) });
    assert!(matches!(reason, OpError::BadValue(_)));
}

#[test]
fn a_page_has_one_sticky_bar() {
    let bar = |name: &str| Op::AddPiece { piece: piece(name, Kind::StickyBar), at: at("left", 0) };
    let mut page = layout();
    apply(&mut page, bar("bar")).unwrap();
    assert_eq!(apply(&mut page, bar("bar-2")), Err(OpError::OnlyOne { kind: Kind::StickyBar }));
}

#[test]
fn an_operation_from_outside_may_hold_nothing_unknown() {
    let good = r#"{"op":"remove_piece","piece":"buy"}"#;
    assert_eq!(serde_json::from_str::<Op>(good).unwrap(), Op::RemovePiece { piece: id("buy") });
    for bad in [
        r#"{"op":"remove_piece","piece":"buy","x":1}"#,
        r#"{"op":"eval"}"#,
        r#"{"op":"remove_piece","piece":"../x"}"#,
    ] {
        assert!(serde_json::from_str::<Op>(bad).is_err(), "{bad}");
    }
}

fn plain_op() -> impl Strategy<Value = Op> {
    let piece_id = prop::sample::select(vec!["crumbs", "gallery", "title", "price", "buy", "new-1", "new-2"]);
    let column = prop::sample::select(vec!["only", "left", "right", "ghost"]);
    let bands = prop::sample::select(vec!["top", "main", "ghost"]);
    let kind = prop::sample::select(Kind::of(Purpose::Page).collect::<Vec<_>>());
    let text = prop::option::of(prop::sample::select(vec!["percent", "none", "x"]));
    (0..11u8, piece_id, column, 0usize..4, bands, kind, text).prop_map(
        |(which, p, c, index, b, kind, text)| {
            let device = Device::ALL[index % 3];
            match which {
                0 => Op::AddPiece {
                    piece: Piece { id: id(p), kind, values: Values::default() },
                    at: at(c, index),
                },
                1 => Op::RemovePiece { piece: id(p) },
                2 => Op::MovePiece { piece: id(p), to: at(c, index) },
                3 => Op::CopyPiece { piece: id(p), copy: id("new-2"), to: at(c, index) },
                4 => Op::RemoveBand { band: band_id(b) },
                5 => Op::MoveBand { band: band_id(b), index },
                6 => Op::AddBand { band: band("fresh", vec![("f", 12, vec![piece(p, kind)])]), index },
                7 => Op::SetColumns {
                    band: band_id(b),
                    columns: shapes(&[("left", 12 - index as u8), (c, index as u8)]),
                },
                8 => Op::SetFrame { frame: if index == 0 { Frame::Slim } else { Frame::None } },
                9 => Op::ReplaceBand { band: band(b, vec![("left", 12, vec![piece(p, kind)])]) },
                _ => set(p, "saving", device, text.map(|t| SetValue::Text(t.into()))),
            }
        },
    )
}

fn any_op() -> impl Strategy<Value = Op> {
    prop_oneof![
        8 => plain_op(),
        1 => prop::collection::vec(plain_op(), 0..4).prop_map(|ops| Op::Many { ops }),
        1 => prop::sample::select(vec![0usize, 3]).prop_map(|which| Op::Lay {
            layout: crate::page::starter::STARTERS[which].lay(&layout()).layout,
        }),
    ]
}

fn shapes(columns: &[(&str, u8)]) -> Vec<ColumnShape> {
    let shape =
        |(name, width): &(&str, u8)| ColumnShape { id: ColumnId::try_from(*name).unwrap(), width: *width };
    columns.iter().map(shape).collect()
}

#[test]
fn a_band_takes_other_columns_and_keeps_its_pieces() {
    let columns = shapes(&[("right", 4), ("third", 8)]);
    let after = undone_exactly(Op::SetColumns { band: band_id("main"), columns });
    let main = after.band(&band_id("main")).unwrap();
    let names = |c: &crate::page::Column| c.pieces.iter().map(|p| p.id.to_string()).collect::<Vec<_>>();
    assert_eq!(names(&main.columns[0]), ["title", "price", "buy"]);
    assert_eq!(names(&main.columns[1]), ["gallery"], "what lost its column goes to the end of the last one");
    assert_eq!(refused(Op::SetColumns { band: band_id("main"), columns: vec![] }), OpError::BadColumns);
    let taken = shapes(&[("only", 12)]);
    assert_eq!(
        refused(Op::SetColumns { band: band_id("main"), columns: taken }),
        OpError::NameTaken("only".into())
    );
}

#[test]
fn several_operations_are_one_step_or_none() {
    let words = |text: &str| set("buy", "words", Device::Wide, Some(SetValue::Text(text.into())));
    let both = Op::Many { ops: vec![words("One"), Op::RemovePiece { piece: id("title") }, words("Two")] };
    assert_eq!(order(&undone_exactly(both)), ["crumbs", "gallery", "price", "buy"]);
    let half = Op::Many { ops: vec![words("One"), Op::RemovePiece { piece: id("ghost") }] };
    assert_eq!(refused(half), OpError::NoSuchPiece(id("ghost")));
    assert_eq!(refused(Op::Many { ops: vec![Op::Many { ops: vec![] }] }), OpError::TooManyAtOnce);
    let many = |count| Op::Many { ops: vec![Op::SetFrame { frame: Frame::None }; count] };
    undone_exactly(many(MOST_AT_ONCE));
    assert_eq!(refused(many(MOST_AT_ONCE + 1)), OpError::TooManyAtOnce);
}

#[test]
fn a_template_keeps_so_many_departures_and_no_more() {
    let of = |count: usize| {
        let mut values = Values::default();
        values.of_mut(Device::Wide).insert("note".into(), SetValue::Text("x".into()));
        let mut departures: Vec<_> = (0..count)
            .map(|number| crate::page::Departure {
                whom: crate::page::Whom::Product(crate::catalog::samples::handle(&format!("p{number}"))),
                target: Target::Piece(id("price")),
                values: values.clone(),
                kind: None,
            })
            .collect();
        departures.sort_by(|a, b| a.whom.cmp(&b.whom));
        Layout { departures, ..layout() }
    };
    let full = of(MOST_DEPARTURES);
    assert_eq!(check(&full), Ok(()));
    assert_eq!(check(&of(MOST_DEPARTURES + 1)), Err(OpError::TooManyDepartures));
    let mut page = full.clone();
    let more = |whom: &str| Op::Depart {
        whom: crate::page::Whom::Product(crate::catalog::samples::handle(whom)),
        target: Target::Piece(id("price")),
        setting: "note".into(),
        device: Device::Wide,
        value: Some(SetValue::Text("y".into())),
        kind: None,
    };
    assert_eq!(apply(&mut page, more("one-more")), Err(OpError::TooManyDepartures));
    assert_eq!(page, full);
    apply(&mut page, more("p1")).unwrap();
}

#[test]
fn a_whole_page_is_laid_and_frames_change() {
    let next = crate::page::starter::STARTERS[1].lay(&layout()).layout;
    undone_exactly(Op::Lay { layout: next.clone() });
    undone_exactly(Op::SetFrame { frame: Frame::None });
    assert_eq!(refused(Op::Lay { layout: Layout { format: 99, ..next } }), OpError::BadFormat { given: 99 });
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(96))]
    /// Any run of operations can be rolled back to the very same document, and every document on the way is sound.
    #[test]
    fn a_run_of_operations_rolls_back_exactly(ops in prop::collection::vec(any_op(), 1..200)) {
        let start = layout();
        let bytes = serde_json::to_string(&start).unwrap();
        let mut page = start.clone();
        let mut back = Vec::new();
        for op in ops {
            let before = page.clone();
            match apply(&mut page, op) {
                Ok(inverse) => back.push(inverse),
                Err(_) => prop_assert_eq!(&page, &before),
            }
        }
        prop_assert_eq!(check(&page), Ok(()));
        for inverse in back.into_iter().rev() {
            apply(&mut page, inverse).unwrap();
        }
        prop_assert_eq!(serde_json::to_string(&page).unwrap(), bytes);
    }
}
