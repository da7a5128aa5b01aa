use compagina_core::ids::{BandId, ColumnId, PieceId, TemplateId};
use compagina_core::page::{Band, Column, Device, Kind, Layout, Op, Piece, Place, SetValue, Target, Values};
use compagina_core::template::Reach;
use compagina_storage::{Change, DraftId, StorageError, Store};
use sqlx::MySqlPool;

async fn template(pool: MySqlPool) -> (Store, TemplateId) {
    let store = Store::from_pool(pool).await.unwrap();
    let column = Column { id: ColumnId::try_from("c").unwrap(), width: 12, pieces: vec![] };
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

fn add(name: &str, kind: Kind) -> Change<'_> {
    let piece = Piece { id: PieceId::try_from(name).unwrap(), kind, values: Values::default() };
    Change::Edit(Op::AddPiece { piece, at: Place { column: ColumnId::try_from("c").unwrap(), index: 0 } })
}

#[sqlx::test(migrations = false)]
async fn an_edit_is_kept_with_its_document_and_revision(pool: MySqlPool) {
    let (store, id) = template(pool).await;
    let draft = store.change_draft(id, 1, 1, add("title", Kind::Title)).await.unwrap();
    assert_eq!(draft.revision, 2);
    let kept = store.template(id).await.unwrap();
    assert_eq!((kept.revision, &kept.draft), (2, &draft.layout));
    assert_eq!(kept.published.unwrap().pieces().count(), 0, "shoppers don't see it yet");
    store.publish(DraftId::Template(id), 1, 2, "").await.unwrap();
    assert_eq!(store.template(id).await.unwrap().published.unwrap(), draft.layout);
}

#[sqlx::test(migrations = false)]
async fn a_step_on_an_older_revision_that_touches_the_same_is_refused_and_nothing_is_kept(pool: MySqlPool) {
    let (store, id) = template(pool).await;
    store.change_draft(id, 1, 1, add("title", Kind::Title)).await.unwrap();
    let late = store.change_draft(id, 2, 1, add("title", Kind::Price)).await;
    assert!(matches!(late, Err(StorageError::Clash { current: 2, .. })));
    assert!(matches!(
        store.publish(DraftId::Template(id), 1, 1, "").await,
        Err(StorageError::RevisionMismatch { .. })
    ));
    assert_eq!(store.template(id).await.unwrap().draft.pieces().count(), 1);
}

#[sqlx::test(migrations = false)]
async fn a_refused_operation_keeps_nothing(pool: MySqlPool) {
    let (store, id) = template(pool).await;
    let op = Op::RemovePiece { piece: PieceId::try_from("ghost").unwrap() };
    let refused = store.change_draft(id, 1, 1, Change::Edit(op)).await;
    assert!(matches!(refused, Err(StorageError::Op(_))));
    assert_eq!(store.template(id).await.unwrap().revision, 1);
    assert_eq!(store.history(id).await.unwrap().undo, 0);
}

#[sqlx::test(migrations = false)]
async fn undo_and_redo_go_through_every_step_and_a_new_edit_ends_redo(pool: MySqlPool) {
    let (store, id) = template(pool).await;
    let target = Target::Piece(PieceId::try_from("price").unwrap());
    let value = Some(SetValue::Text("none".into()));
    let set = Op::Set { target, setting: "saving".into(), device: Device::Phone, value };
    let steps = [add("price", Kind::Price), Change::Edit(set), add("title", Kind::Title)];
    let mut layouts = vec![store.template(id).await.unwrap().draft];
    for (revision, step) in (1..).zip(steps) {
        layouts.push(store.change_draft(id, 1, revision, step).await.unwrap().layout);
    }
    for (revision, layout) in (4..).zip(layouts.iter().rev().skip(1)) {
        assert_eq!(&store.change_draft(id, 1, revision, Change::Undo).await.unwrap().layout, layout);
    }
    let nothing = store.change_draft(id, 1, 7, Change::Undo).await;
    assert!(matches!(nothing, Err(StorageError::NoStep { step: "undo" })));
    for (revision, layout) in (7..).zip(&layouts[1..]) {
        assert_eq!(&store.change_draft(id, 1, revision, Change::Redo).await.unwrap().layout, layout);
    }
    store.change_draft(id, 1, 10, Change::Undo).await.unwrap();
    store.change_draft(id, 1, 11, add("other", Kind::Summary)).await.unwrap();
    let history = store.history(id).await.unwrap();
    assert_eq!((history.undo, history.redo), (3, 0));
}

#[sqlx::test(migrations = false)]
async fn of_many_edits_of_the_same_at_once_on_one_revision_exactly_one_is_kept(pool: MySqlPool) {
    let (store, id) = template(pool).await;
    let edits = (0..8).map(|_| store.change_draft(id, 1, 1, add("title", Kind::Title)));
    let done = futures_util::future::join_all(edits).await;
    assert_eq!(done.iter().filter(|d| d.is_ok()).count(), 1);
    assert_eq!(store.template(id).await.unwrap().revision, 2);
}
