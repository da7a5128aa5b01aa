//! Two people on one template, its history, and what is kept beside it.

use chrono::{TimeDelta, Utc};
use compagina_core::house::House;
use compagina_core::ids::{BandId, ColumnId, PieceId, TemplateId};
use compagina_core::page::{Band, Column, Device, Kind, Layout, Op, Piece, Place, SetValue, Target, Values};
use compagina_core::template::{Reach, ReachRule};
use compagina_core::wording::{Book, Language};
use compagina_storage::{Change, DocumentName, DraftId, Moment, StepKey, StorageError, Store, Turn};
use sqlx::MySqlPool;

fn id(text: &str) -> PieceId {
    PieceId::try_from(text).unwrap()
}

/// A template with a title, a price and a buy button, and two owners: 1 and 2.
async fn template(pool: MySqlPool) -> (Store, TemplateId) {
    let store = Store::from_pool(pool).await.unwrap();
    for name in ["Isla", "Tomas"] {
        store.add_owner(&format!("{name}@example.org"), name, "x").await.unwrap();
    }
    let kinds = [("title", Kind::Title), ("price", Kind::Price), ("buy", Kind::BuyButton)];
    let piece = |(name, kind): (&str, Kind)| Piece { id: id(name), kind, values: Values::default() };
    let column = Column { id: ColumnId::try_from("c").unwrap(), width: 12, pieces: kinds.map(piece).into() };
    let band = Band {
        id: BandId::try_from("b").unwrap(),
        kept: None,
        values: Values::default(),
        columns: vec![column],
    };
    let layout = Layout { bands: vec![band], ..Layout::default() };
    let id = store.add_template("All", &Reach::fallback(), &layout, true).await.unwrap();
    (store, id)
}

fn set(piece: &str, setting: &str, value: &str) -> Change<'static> {
    let target = Target::Piece(id(piece));
    let value = Some(SetValue::Text(value.into()));
    Change::Edit(Op::Set { target, setting: setting.into(), device: Device::Wide, value })
}

fn to_front(piece: &str) -> Change<'static> {
    let to = Place { column: ColumnId::try_from("c").unwrap(), index: 0 };
    Change::Edit(Op::MovePiece { piece: id(piece), to })
}

#[sqlx::test(migrations = false)]
async fn edits_of_different_things_both_land_whoever_is_late(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    store.change_draft(at, 1, 1, set("buy", "words", "Fly it")).await.unwrap();
    store.change_draft(at, 1, 2, to_front("price")).await.unwrap();
    let late = store.change_draft(at, 2, 1, set("price", "note", "with VAT")).await.unwrap();
    assert_eq!(late.revision, 4);
    let order: Vec<_> = late.layout.pieces().map(|p| p.id.as_str()).collect();
    assert_eq!(order, ["price", "title", "buy"]);
    assert_eq!(late.layout.piece(&id("buy")).unwrap().values.wide["words"], SetValue::Text("Fly it".into()));
    assert_eq!(late.layout.piece(&id("price")).unwrap().values.len(), 1);
}

#[sqlx::test(migrations = false)]
async fn the_later_of_two_on_one_value_is_told_by_whom_and_nothing_is_kept(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    store.change_draft(at, 1, 1, set("buy", "words", "Fly it")).await.unwrap();
    let late = store.change_draft(at, 2, 1, set("buy", "words", "Buy it")).await;
    assert!(matches!(late, Err(StorageError::Clash { who: Some(ref who), current: 2, .. }) if who == "Isla"));
    let kept = store.template(at).await.unwrap();
    assert_eq!(kept.draft.piece(&id("buy")).unwrap().values.wide["words"], SetValue::Text("Fly it".into()));
    store.change_draft(at, 2, 2, set("buy", "words", "Buy it")).await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn what_somebody_took_away_can_not_be_set_any_more_and_an_undo_counts_as_a_step(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    store.change_draft(at, 1, 1, Change::Edit(Op::RemovePiece { piece: id("buy") })).await.unwrap();
    let late = store.change_draft(at, 2, 1, set("buy", "words", "Buy it")).await;
    assert!(matches!(late, Err(StorageError::Clash { .. })));
    store.change_draft(at, 1, 2, Change::Undo).await.unwrap();
    let late = store.change_draft(at, 2, 2, set("buy", "words", "Buy it")).await;
    assert!(matches!(late, Err(StorageError::Clash { .. })), "it came back since");
    let late = store.change_draft(at, 2, 1, Change::Undo).await;
    assert!(matches!(late, Err(StorageError::RevisionMismatch { .. })), "one goes back on what one sees");
    let ahead = store.change_draft(at, 2, 9, set("price", "note", "x")).await;
    assert!(matches!(ahead, Err(StorageError::RevisionMismatch { .. })));
}

#[sqlx::test(migrations = false)]
async fn many_edits_of_different_pieces_at_once_all_land(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    let edits =
        [set("buy", "words", "A"), set("price", "note", "B"), set("buy", "sold_out", "C"), to_front("buy")];
    let done = edits.map(|edit| store.change_draft(at, 1, 1, edit));
    let done = futures_util::future::join_all(done).await;
    assert!(done.iter().all(Result::is_ok), "{done:?}");
    assert_eq!(store.template(at).await.unwrap().revision, 5);
}

#[sqlx::test(migrations = false)]
async fn what_was_typed_in_one_go_is_one_step_back(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    for (revision, words) in (1..).zip(["F", "Fl", "Fly", "Fly it"]) {
        store.change_draft(at, 1, revision, set("buy", "words", words)).await.unwrap();
    }
    assert_eq!(store.history(at).await.unwrap().undo, 1);
    let back = store.change_draft(at, 1, 5, Change::Undo).await.unwrap();
    assert!(back.layout.piece(&id("buy")).unwrap().values.is_empty());
    let again = store.change_draft(at, 1, 6, Change::Redo).await.unwrap();
    assert_eq!(again.layout.piece(&id("buy")).unwrap().values.wide["words"], SetValue::Text("Fly it".into()));
    store.change_draft(at, 1, 7, set("price", "note", "x")).await.unwrap();
    store.change_draft(at, 1, 8, set("buy", "words", "Fly")).await.unwrap();
    assert_eq!(store.history(at).await.unwrap().undo, 3, "another value in between ends the typing");
    store.change_draft(at, 2, 9, set("buy", "words", "Fly!")).await.unwrap();
    assert_eq!(store.history(at).await.unwrap().undo, 4, "another hand is another step");
}

#[sqlx::test(migrations = false)]
async fn every_moment_of_the_history_can_be_looked_at(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    let mut layouts = vec![store.template(at).await.unwrap().draft];
    let steps = [
        to_front("buy"),
        set("price", "note", "with VAT"),
        Change::Edit(Op::RemovePiece { piece: id("title") }),
    ];
    for (revision, step) in (1..).zip(steps) {
        layouts.push(store.change_draft(at, 1, revision, step).await.unwrap().layout);
    }
    store.publish(DraftId::Template(at), 2, 4, "Button first").await.unwrap();
    let last = store.change_draft(at, 1, 4, to_front("price")).await.unwrap().layout;
    let edits = store.edits(at, 10).await.unwrap();
    assert_eq!(edits.len(), 4);
    assert_eq!(edits[0].who.as_deref(), Some("Isla"));
    for (edit, layout) in edits.iter().rev().zip(layouts[1..].iter().chain([&last])) {
        assert_eq!(&store.layout_at(at, Moment::Edit(edit.id)).await.unwrap(), layout);
    }
    let published = store.publications(DraftId::Template(at)).await.unwrap();
    assert_eq!((published[0].name.as_str(), published[0].who.as_deref()), ("Button first", Some("Tomas")));
    assert_eq!(store.layout_at(at, Moment::Publication(published[0].id)).await.unwrap(), layouts[3]);
    assert_eq!(store.layout_at(at, Moment::Publication(published[1].id)).await.unwrap(), layouts[0]);
    assert_eq!(store.layout_at(at, Moment::Now).await.unwrap(), last);
    for gone in [Moment::Edit(9_999), Moment::Publication(9_999)] {
        assert!(matches!(store.layout_at(at, gone).await, Err(StorageError::NotFound { .. })));
    }
}

#[sqlx::test(migrations = false)]
async fn a_document_has_a_draft_steps_back_and_what_is_live(pool: MySqlPool) {
    let store = Store::from_pool(pool).await.unwrap();
    let name = DocumentName::House;
    let empty = store.document::<House>(name).await.unwrap();
    assert_eq!((empty.revision, empty.can_undo), (0, false));
    let mut house = House::default();
    for (revision, colour) in (0..).zip(["#111111", "#222222"]) {
        house.set("ink", Some(SetValue::Text(colour.into()))).unwrap();
        store.set_document(name, 1, revision, &house).await.unwrap();
    }
    let late = store.set_document(name, 2, 1, &House::default()).await;
    assert!(matches!(late, Err(StorageError::OvertakenBy { .. })), "{late:?}");
    let now = store.document::<House>(name).await.unwrap();
    assert_eq!((now.draft, now.published, now.revision), (house.clone(), House::default(), 2));
    store.publish(DraftId::Shop(name), 1, 2, "").await.unwrap();
    store.publish(DraftId::Shop(name), 1, 2, "").await.unwrap();
    assert!(matches!(
        store.publish(DraftId::Shop(name), 1, 1, "").await,
        Err(StorageError::RevisionMismatch { .. })
    ));
    store.turn_document(name, 1, 2, Turn::Undo).await.unwrap();
    let back = store.document::<House>(name).await.unwrap();
    house.set("ink", Some(SetValue::Text("#111111".into()))).unwrap();
    assert_eq!((&back.draft, back.revision), (&house, 3));
    assert_ne!(back.published, house, "going back doesn't reach shoppers");
    store.turn_document(name, 1, 3, Turn::Undo).await.unwrap();
    assert!(matches!(store.turn_document(name, 1, 4, Turn::Undo).await, Err(StorageError::NoStep { .. })));
    assert!(
        store.document::<Book>(DocumentName::Wording).await.unwrap().draft.own(Language::En, None).is_empty()
    );
    assert_eq!(store.document_revisions().await.unwrap(), 4);
    // Forward again, step by step, up to where it was; another step ends that.
    let now = async || {
        let document = store.document::<House>(name).await.unwrap();
        (document.draft, document.can_undo, document.can_redo)
    };
    let inked = |colour: &str| {
        let mut house = House::default();
        house.set("ink", Some(SetValue::Text(colour.into()))).unwrap();
        house
    };
    assert_eq!(now().await, (House::default(), false, true));
    store.turn_document(name, 1, 4, Turn::Redo).await.unwrap();
    assert_eq!(now().await, (inked("#111111"), true, true));
    store.turn_document(name, 1, 5, Turn::Redo).await.unwrap();
    assert_eq!(now().await, (inked("#222222"), true, false));
    assert!(matches!(store.turn_document(name, 1, 6, Turn::Redo).await, Err(StorageError::NoStep { .. })));
    store.turn_document(name, 1, 6, Turn::Undo).await.unwrap();
    assert_eq!(now().await, (inked("#111111"), true, true));
    store.set_document(name, 1, 7, &House::default()).await.unwrap();
    assert_eq!(now().await, (House::default(), true, false));
    store.turn_document(name, 1, 8, Turn::Undo).await.unwrap();
    assert_eq!(now().await, (inked("#111111"), true, true));
}

/// A key of a step; up to its dot it names the line.
fn key(owner: u64, key: &str) -> StepKey {
    StepKey { owner, key: key.to_owned(), asked: [0; 32] }
}

#[sqlx::test(migrations = false)]
async fn steps_made_one_upon_another_before_the_first_is_answered_all_land(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    let steps =
        [set("buy", "words", "F"), set("buy", "words", "Fl"), to_front("buy"), Change::Undo, Change::Redo];
    for (nth, step) in steps.into_iter().enumerate() {
        let made = Store::taking(key(1, &format!("tab-one.{nth}")), store.change_draft(at, 1, 1, step)).await;
        assert_eq!(made.unwrap().revision, 2 + nth as u64, "all were made on revision 1 of what was seen");
    }
    // To everybody else, and to another tab of the same hand, they are strange.
    for (owner, of) in [(1, "tab-two.0"), (2, "tab-one.0"), (1, "noline-at-all")] {
        let late =
            Store::taking(key(owner, of), store.change_draft(at, owner, 1, set("buy", "words", "x"))).await;
        assert!(matches!(late, Err(StorageError::Clash { .. })), "{of} {late:?}");
    }
    // Somebody else's step came in between: one goes back on what one sees.
    store.change_draft(at, 2, 6, set("price", "note", "theirs")).await.unwrap();
    let undo = Store::taking(key(1, "tab-one.9"), store.change_draft(at, 1, 1, Change::Undo)).await;
    assert!(matches!(undo, Err(StorageError::RevisionMismatch { .. })), "{undo:?}");
}

fn token<'a>(name: &'a str, value: &'a str) -> impl Fn(&mut House) -> Result<(), StorageError> + 'a {
    move |house| house.set(name, Some(SetValue::Text(value.into()))).map_err(StorageError::refused)
}

#[sqlx::test(migrations = false)]
async fn two_who_change_different_things_of_a_document_both_stay_and_the_same_is_told(pool: MySqlPool) {
    let (store, _) = template(pool).await;
    let name = DocumentName::House;
    store.change_document(name, 1, 0, token("ink", "#111111")).await.unwrap();
    store.change_document(name, 2, 0, token("sale", "#222222")).await.unwrap();
    let late = store.change_document(name, 2, 0, token("ink", "#333333")).await;
    assert!(
        matches!(&late, Err(StorageError::OvertakenBy { who: Some(who), told }) if who == "Isla" && told == "“Ink”"),
        "{late:?}"
    );
    store.change_document(name, 2, 0, token("ink", "#111111")).await.unwrap();
    let other = store.change_document(name, 1, 0, token("ink", "#444444")).await;
    let mine = "You, in another window,";
    assert!(
        matches!(&other, Err(StorageError::OvertakenBy { who: Some(who), .. }) if who == mine),
        "{other:?}"
    );
    let house = store.document::<House>(name).await.unwrap();
    let mut both = House::default();
    token("ink", "#111111")(&mut both).unwrap();
    token("sale", "#222222")(&mut both).unwrap();
    assert_eq!((house.draft, house.revision), (both, 2), "what changes nothing is no step");
    let refused = store.change_document(name, 1, 2, token("no such token", "#111111")).await;
    assert!(matches!(refused, Err(StorageError::Refused(_))), "{refused:?}");
    let back = store.turn_document(name, 1, 1, Turn::Undo).await;
    assert!(
        matches!(back, Err(StorageError::RevisionMismatch { .. })),
        "one goes back on what one sees: {back:?}"
    );
    let ahead = store.change_document(name, 1, 9, token("ink", "#555555")).await;
    assert!(matches!(ahead, Err(StorageError::RevisionMismatch { .. })), "{ahead:?}");
}

#[sqlx::test(migrations = false)]
async fn steps_of_one_line_on_a_document_land_one_upon_another(pool: MySqlPool) {
    let (store, _) = template(pool).await;
    let name = DocumentName::House;
    for (nth, colour) in ["#111111", "#222222", "#333333"].into_iter().enumerate() {
        let step = store.change_document(name, 1, 0, token("ink", colour));
        Store::taking(key(1, &format!("tab-one.{nth}")), step).await.unwrap();
    }
    for nth in 3..5 {
        Store::taking(key(1, &format!("tab-one.{nth}")), store.turn_document(name, 1, 0, Turn::Undo))
            .await
            .unwrap();
    }
    let house = store.document::<House>(name).await.unwrap();
    let mut first = House::default();
    token("ink", "#111111")(&mut first).unwrap();
    assert_eq!((house.draft, house.revision), (first, 5));
    let strange =
        Store::taking(key(1, "tab-two.0"), store.change_document(name, 1, 4, token("ink", "#999999"))).await;
    assert!(
        matches!(strange, Err(StorageError::OvertakenBy { .. })),
        "going back touches the same: {strange:?}"
    );
}

/// What owners were told of since it was asked last.
struct Told<'a> {
    store: &'a Store,
    seen: u64,
}

impl Told<'_> {
    async fn news(&mut self) -> Vec<(String, Option<u64>)> {
        let notes = self.store.recent_notes().await.unwrap();
        let fresh = notes.iter().filter(|(id, _)| *id > self.seen);
        let told = fresh.map(|(_, note)| (note.thing.to_string(), note.revision)).collect();
        self.seen = notes.last().map_or(self.seen, |(id, _)| *id);
        told
    }
}

#[sqlx::test(migrations = false)]
async fn who_is_here_is_told_until_they_leave_or_give_no_sign(pool: MySqlPool) {
    let (store, at) = template(pool.clone()).await;
    let mut told = Told { store: &store, seen: 0 };
    let here = async || {
        let all = store.present(at).await.unwrap().into_iter();
        all.map(|one| format!("{} {} {}", one.name, one.place, one.chosen)).collect::<Vec<_>>()
    };
    let desk = || (format!("here/{at}"), None);
    store.be_present(at, "one", 1, "buy").await.unwrap();
    store.be_present(at, "two", 2, "price").await.unwrap();
    assert_eq!(here().await, ["Isla one buy", "Tomas two price"]);
    assert_eq!(told.news().await, [desk(), desk()]);
    store.be_present(at, "two", 2, "price").await.unwrap();
    assert_eq!(told.news().await, [], "still there");
    store.be_present(at, "two", 2, "").await.unwrap();
    assert_eq!(told.news().await, [desk()]);
    store.leave(at, "two").await.unwrap();
    assert_eq!((here().await, told.news().await), (vec!["Isla one buy".to_owned()], vec![desk()]));

    let long_ago = "UPDATE presence SET seen_at = UTC_TIMESTAMP(3) - INTERVAL 1 MINUTE";
    sqlx::query(long_ago).execute(&pool).await.unwrap();
    assert_eq!(here().await, [""; 0]);
    store.still_present(&["one".to_owned(), "elsewhere".to_owned()]).await.unwrap();
    assert_eq!(here().await, ["Isla one buy"]);
    store.clear_presence(None).await.unwrap();
    assert_eq!(told.news().await, [], "nobody has left");
    sqlx::query(long_ago).execute(&pool).await.unwrap();
    store.be_present(at, "two", 2, "").await.unwrap();
    store.clear_presence(None).await.unwrap();
    assert_eq!(here().await, ["Tomas two "]);
    store.clear_presence(Some("two")).await.unwrap();
    assert_eq!((here().await.len(), told.news().await), (0, vec![desk(), desk(), desk()]));
}

#[sqlx::test(migrations = false)]
async fn what_was_written_is_told_with_its_revision_and_what_was_refused_is_not(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    let mut told = Told { store: &store, seen: 0 };
    let (page, house) = (format!("template-{at}"), "house".to_owned());
    store.change_draft(at, 1, 1, set("buy", "words", "Fly it")).await.unwrap();
    assert!(store.change_draft(at, 1, 2, set("ghost", "words", "Fly it")).await.is_err());
    store.change_draft(at, 1, 2, Change::Undo).await.unwrap();
    store.publish(DraftId::Template(at), 1, 3, "").await.unwrap();
    let expected = [(page.clone(), Some(2)), (page.clone(), Some(3)), (page.clone(), None)];
    assert_eq!(told.news().await, expected);
    store.change_document(DocumentName::House, 1, 0, token("ink", "#111111")).await.unwrap();
    store.change_document(DocumentName::House, 1, 1, token("ink", "#111111")).await.unwrap();
    store.turn_document(DocumentName::House, 1, 1, Turn::Undo).await.unwrap();
    assert_eq!(
        told.news().await,
        [(house.clone(), Some(1)), (house, Some(2))],
        "what changes nothing isn't told"
    );

    // A band that is linked elsewhere changes there too.
    let band = BandId::try_from("b").unwrap();
    store.change_draft(at, 1, 3, Change::Keep { band: &band, name: "Buying" }).await.unwrap();
    let row = store.kept_bands().await.unwrap().remove(0);
    let (kept, buy) = (row.id, row.band.columns[0].pieces[2].id.clone());
    let other = store.add_template("Other", &Reach::fallback(), &Layout::default(), true).await.unwrap();
    store.change_draft(other, 1, 1, Change::Place { kept, index: 0, copy: None }).await.unwrap();
    told.news().await;
    store.change_draft(at, 1, 4, set(buy.as_str(), "words", "Buy it")).await.unwrap();
    let mut both = told.news().await;
    both.sort();
    assert_eq!(both, [(page, Some(5)), (format!("template-{other}"), Some(3))]);
}

#[sqlx::test(migrations = false)]
async fn situations_are_kept_replaced_and_forgotten_by_name(pool: MySqlPool) {
    let store = Store::from_pool(pool).await.unwrap();
    let look = |stock: &str| serde_json::json!({ "stock": stock });
    store.keep_situation("Nearly gone", &look("few")).await.unwrap();
    store.keep_situation("Nearly gone", &look("none")).await.unwrap();
    let kept = store.kept_situations().await.unwrap();
    assert_eq!((kept.len(), &kept[0].look), (1, &look("none")));
    store.drop_situation(kept[0].id).await.unwrap();
    assert!(store.kept_situations().await.unwrap().is_empty());
}

#[sqlx::test(migrations = false)]
async fn a_preview_is_found_by_its_hash_also_when_it_has_run_out_and_ends_when_told(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    let (past, future) = (Utc::now() - TimeDelta::hours(1), Utc::now() + TimeDelta::hours(1));
    store.add_preview(&[1; 32], at, 1, future).await.unwrap();
    store.add_preview(&[2; 32], at, 1, past).await.unwrap();
    assert_eq!(store.preview(&[1; 32]).await.unwrap().unwrap().0, at);
    assert!(store.preview(&[2; 32]).await.unwrap().unwrap().1 < Utc::now());
    assert!(store.preview(&[3; 32]).await.unwrap().is_none());
    assert_eq!(store.end_previews(at).await.unwrap(), 2);
    assert!(store.preview(&[1; 32]).await.unwrap().is_none());
}

#[sqlx::test(migrations = false)]
async fn a_products_page_gets_its_reviews_and_a_listing_only_their_sum(pool: MySqlPool) {
    let store = crate::common::shop(pool).await;
    let kite = store.product(&crate::common::handle("whimbrel")).await.unwrap().unwrap();
    assert_eq!(kite.rating.counts, [0, 0, 0, 1, 2]);
    let days: Vec<_> = kite.reviews.iter().map(|r| r.day.as_str()).collect();
    assert_eq!(days, ["2026-10-02", "2026-09-01", "2025-06-30"], "the newest first");
    assert_eq!((kite.facts[0].name.as_str(), kite.tags[0].as_str()), ("Span", "two-line"));
    let kind = store.types().await.unwrap()[0].id;
    let which = compagina_storage::Which::OfType { type_id: kind, most: 10, skip: 0 };
    let listed = store.products(which).await.unwrap().remove(0);
    assert_eq!((listed.rating, listed.reviews.len()), (kite.rating, 0));
    assert_eq!(store.tags().await.unwrap(), ["two-line"]);
}

#[sqlx::test(migrations = false)]
async fn what_is_typed_in_a_linked_band_is_one_step_back_in_the_others_too(pool: MySqlPool) {
    let (store, _) = template(pool).await;
    let mut layout = store.templates().await.unwrap()[0].draft.clone();
    layout.bands[0].kept = Some(store.add_kept_band("The end", &layout.bands[0]).await.unwrap());
    let mut add = Vec::new();
    for name in ["Here", "There"] {
        add.push(store.add_template(name, &ReachRule::Named.into(), &layout, false).await.unwrap());
    }
    let (here, there) = (add[0], add[1]);
    let said = async |at: TemplateId| {
        let draft = store.template(at).await.unwrap().draft;
        draft.piece(&id("buy")).unwrap().values.wide.get("words").cloned()
    };
    for (revision, words) in (1..).zip(["F", "Fl", "Fly"]) {
        store.change_draft(here, 1, revision, set("buy", "words", words)).await.unwrap();
    }
    assert_eq!(said(there).await, Some(SetValue::Text("Fly".into())));
    let kept = store.kept_bands().await.unwrap();
    let words = kept[0].band.columns[0]
        .pieces
        .iter()
        .find(|piece| piece.id == id("buy"))
        .unwrap()
        .values
        .wide["words"]
        .clone();
    assert_eq!((kept.len(), kept[0].name.as_str(), words), (1, "The end", SetValue::Text("Fly".into())));
    assert_eq!(store.history(there).await.unwrap().undo, 1);
    // A click is a step of its own, there too.
    store.change_draft(here, 1, 4, to_front("buy")).await.unwrap();
    assert_eq!(store.history(there).await.unwrap().undo, 2);
    store.change_draft(there, 2, 5, Change::Undo).await.unwrap();
    store.change_draft(there, 2, 6, Change::Undo).await.unwrap();
    assert_eq!((said(there).await, said(here).await), (None, None));
}

#[sqlx::test(migrations = false)]
async fn who_is_late_in_removing_a_band_is_asked_about_what_somebody_typed_in_it(pool: MySqlPool) {
    let (store, at) = template(pool).await;
    let band = || BandId::try_from("b").unwrap();
    store.change_draft(at, 1, 1, set("buy", "words", "Fly it")).await.unwrap();
    let late = store.change_draft(at, 2, 1, Change::Edit(Op::RemoveBand { band: band() })).await;
    assert!(matches!(late, Err(StorageError::Clash { who: Some(ref who), .. }) if who == "Isla"), "{late:?}");
    let mut other = store.template(at).await.unwrap().draft.band(&band()).unwrap().clone();
    other.columns[0].pieces.retain(|piece| piece.id != id("buy"));
    let late = store.change_draft(at, 2, 1, Change::Edit(Op::ReplaceBand { band: other })).await;
    assert!(matches!(late, Err(StorageError::Clash { .. })), "{late:?}");
    // And the other way round: who types is told that the band is gone.
    store.change_draft(at, 2, 2, Change::Edit(Op::RemoveBand { band: band() })).await.unwrap();
    let late = store.change_draft(at, 1, 2, set("price", "note", "with VAT")).await;
    assert!(
        matches!(late, Err(StorageError::Clash { who: Some(ref who), .. }) if who == "Tomas"),
        "{late:?}"
    );
}

#[sqlx::test(migrations = false)]
async fn one_planned_publication_that_fails_keeps_no_other_waiting(pool: MySqlPool) {
    let (store, first) = template(pool.clone()).await;
    let layout = store.template(first).await.unwrap().draft;
    let second = store.add_template("Kites", &ReachRule::Named.into(), &layout, true).await.unwrap();
    for id in [first, second] {
        let soon = Utc::now() + TimeDelta::milliseconds(10);
        store.plan_publication(DraftId::Template(id), 1, 1, ("Spring", soon)).await.unwrap();
    }
    // As an earlier version may have left it.
    sqlx::query("UPDATE planned_publication SET document = '{\"format\":\"odd\"}', at = UTC_TIMESTAMP() - INTERVAL 1 MINUTE WHERE draft = ?")
        .bind(DraftId::Template(first).to_string())
        .execute(&pool)
        .await
        .unwrap();
    sqlx::query("UPDATE planned_publication SET at = UTC_TIMESTAMP() WHERE draft = ?")
        .bind(DraftId::Template(second).to_string())
        .execute(&pool)
        .await
        .unwrap();
    // A document of the shop that can't be read is refused just so, before anybody sees it.
    let house = DraftId::Shop(DocumentName::House);
    store.change_document(DocumentName::House, 1, 0, token("ink", "#111111")).await.unwrap();
    let soon = Utc::now() + TimeDelta::milliseconds(10);
    store.plan_publication(house, 1, 1, ("Spring", soon)).await.unwrap();
    sqlx::query(
        "UPDATE planned_publication SET document = '[1]', at = UTC_TIMESTAMP() WHERE draft = 'house'",
    )
    .execute(&pool)
    .await
    .unwrap();
    let failed = store.publish_due().await.unwrap();
    let failed: Vec<String> = failed.into_iter().map(|(draft, _)| draft).collect();
    assert_eq!(failed, [DraftId::Template(first).to_string(), house.to_string()]);
    let seen: String = sqlx::query_scalar("SELECT published FROM shop_document WHERE name = 'house'")
        .fetch_one(&pool)
        .await
        .unwrap();
    assert_eq!(seen, "{}");
    let live: Vec<TemplateId> =
        store.live_templates().await.unwrap().into_iter().map(|(id, ..)| id).collect();
    assert_eq!(live, [first, second]);
    let names =
        |all: Vec<compagina_storage::PublicationRow>| all.into_iter().map(|one| one.name).collect::<Vec<_>>();
    assert_eq!(names(store.publications(DraftId::Template(second)).await.unwrap())[0], "Spring");
    assert!(
        store.planned_publication(DraftId::Template(first)).await.unwrap().is_some(),
        "the other waits for somebody to look"
    );
}

#[sqlx::test(migrations = false)]
async fn among_the_most_situations_that_there_can_be_one_can_still_be_replaced(pool: MySqlPool) {
    let store = Store::from_pool(pool).await.unwrap();
    for number in 0..100 {
        store
            .keep_situation(&format!("Sold out {number}"), &serde_json::json!({ "n": number }))
            .await
            .unwrap();
    }
    let other = serde_json::json!({ "n": "other" });
    store.keep_situation("Sold out 7", &other).await.unwrap();
    let kept = store.kept_situations().await.unwrap();
    assert_eq!(kept.len(), 100);
    assert_eq!(kept.iter().find(|one| one.name == "Sold out 7").unwrap().look, other);
    let refused = store.keep_situation("One more", &other).await;
    assert!(matches!(refused, Err(StorageError::Full { .. })));
}
