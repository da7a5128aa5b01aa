//! A draft against a model of it: whatever two owners do in whatever order, what is kept is what the model says.
use chrono::{TimeDelta, Utc};
use compagina_core::house::House;
use compagina_core::page::SetValue;
use compagina_storage::{DocumentName, DraftId, StorageError, Store, Turn};
use proptest::prelude::*;
use proptest::strategy::ValueTree;
use proptest::test_runner::TestRunner;
use sqlx::MySqlPool;

const NAME: DocumentName = DocumentName::House;
const DRAFT: DraftId = DraftId::Shop(NAME);

/// What one of them does.
#[derive(Debug, Clone, Copy)]
enum Act {
    Set(u8),
    /// On a look at it that is older.
    SetLate(u8),
    Undo,
    Redo,
    Publish,
    /// As it is now, at a time that has come when it is looked for next.
    Plan,
    Unplan,
    /// What is due is published.
    Due,
    TakeBack,
    /// What was published so long ago becomes the draft.
    BringBack(u8),
}

fn acts() -> impl Strategy<Value = Vec<(Act, bool)>> {
    let act = prop_oneof![
        5 => (0u8..200).prop_map(Act::Set),
        1 => (0u8..200).prop_map(Act::SetLate),
        3 => Just(Act::Undo),
        2 => Just(Act::Redo),
        3 => Just(Act::Publish),
        1 => Just(Act::Plan),
        1 => Just(Act::Unplan),
        1 => Just(Act::Due),
        2 => Just(Act::TakeBack),
        1 => (0u8..5).prop_map(Act::BringBack),
    ];
    prop::collection::vec((act, any::<bool>()), 12..40)
}

fn house(width: i64) -> House {
    let mut house = House::default();
    if width > 0 {
        house.set("page_width", Some(SetValue::Number(width))).unwrap();
    }
    house
}

/// A house style by the width of its page; 0 as it ships.
fn width(of: u8) -> i64 {
    800 + i64::from(of)
}

/// What there is, in plain words.
#[derive(Debug, Default)]
struct Model {
    draft: i64,
    live: i64,
    revision: u64,
    done: Vec<i64>,
    undone: Vec<i64>,
    planned: Option<i64>,
    /// What shoppers saw, oldest first.
    published: Vec<i64>,
}

impl Model {
    fn set(&mut self, to: i64) {
        // What changes nothing is no step.
        if to == self.draft {
            return;
        }
        self.done.push(std::mem::replace(&mut self.draft, to));
        self.undone.clear();
        self.revision += 1;
    }
    fn show(&mut self, what: i64) {
        if self.published.is_empty() {
            self.published.push(self.live);
        }
        self.published.push(what);
        self.live = what;
    }
    /// Whether it can be done, and does it.
    fn act(&mut self, act: Act) -> bool {
        match act {
            Act::Set(to) => self.set(width(to)),
            // Whatever came before touched the same.
            Act::SetLate(to) => return width(to) == self.draft,
            Act::Undo => match self.done.pop() {
                Some(was) => {
                    self.undone.push(std::mem::replace(&mut self.draft, was));
                    self.revision += 1;
                }
                None => return false,
            },
            Act::Redo => match self.undone.pop() {
                Some(was) => {
                    self.done.push(std::mem::replace(&mut self.draft, was));
                    self.revision += 1;
                }
                None => return false,
            },
            Act::Publish => {
                self.show(self.draft);
                self.planned = None;
            }
            Act::Plan => self.planned = Some(self.draft),
            Act::Unplan => self.planned = None,
            Act::Due => {
                if let Some(what) = self.planned.take() {
                    self.show(what);
                }
            }
            Act::TakeBack => match self.published.len().checked_sub(2) {
                Some(before) => self.show(self.published[before]),
                None => return false,
            },
            Act::BringBack(ago) => match self.published.iter().rev().nth(ago.into()) {
                Some(what) => self.set(*what),
                None => return false,
            },
        }
        true
    }
}

async fn act(store: &Store, owner: u64, revision: u64, act: Act) -> Result<(), StorageError> {
    let past = Utc::now() - TimeDelta::seconds(5);
    match act {
        Act::Set(to) => store.set_document(NAME, owner, revision, &house(width(to))).await,
        Act::SetLate(to) => {
            store.set_document(NAME, owner, revision.wrapping_sub(1), &house(width(to))).await
        }
        Act::Undo => store.turn_document(NAME, owner, revision, Turn::Undo).await,
        Act::Redo => store.turn_document(NAME, owner, revision, Turn::Redo).await,
        Act::Publish => store.publish(DRAFT, owner, revision, "").await,
        Act::Plan => store.plan_publication(DRAFT, owner, revision, ("Planned", past)).await,
        Act::Unplan => store.drop_planned(DRAFT).await,
        Act::Due => store.publish_due().await.map(|failed| assert!(failed.is_empty(), "{failed:?}")),
        Act::TakeBack => store.take_back_publication(DRAFT, owner).await,
        Act::BringBack(ago) => {
            let all = store.publications(DRAFT).await?;
            let Some(row) = all.get(usize::from(ago)) else {
                return Err(StorageError::NotFound { what: "publication" });
            };
            let document = store.publication(DRAFT, row.id).await?;
            let house: House = serde_json::from_value(document).unwrap();
            store.set_document(NAME, owner, revision, &house).await
        }
    }
}

fn width_of(house: &House) -> i64 {
    if *house == House::default() { 0 } else { house.number(&compagina_core::house::token::PAGE_WIDTH) }
}

async fn agrees(store: &Store, model: &Model) {
    let kept = store.document::<House>(NAME).await.unwrap();
    let seen = (width_of(&kept.draft), width_of(&kept.published), kept.revision);
    assert_eq!(seen, (model.draft, model.live, model.revision));
    assert_eq!((kept.can_undo, kept.can_redo), (!model.done.is_empty(), !model.undone.is_empty()));
    let planned = store.planned_publication(DRAFT).await.unwrap();
    assert_eq!(planned.is_some(), model.planned.is_some());
    let mut published = Vec::new();
    for row in store.publications(DRAFT).await.unwrap().iter().rev() {
        let document = store.publication(DRAFT, row.id).await.unwrap();
        published.push(width_of(&serde_json::from_value(document).unwrap()));
    }
    assert_eq!(published, model.published);
}

#[sqlx::test(migrations = false)]
async fn a_draft_is_what_was_done_to_it_and_shoppers_see_what_was_published(pool: MySqlPool) {
    let store = Store::from_pool(pool.clone()).await.unwrap();
    let owners = [
        store.add_owner("ada@example.org", "Ada", "x").await.unwrap(),
        store.add_owner("ben@example.org", "Ben", "x").await.unwrap(),
    ];
    let mut runner = TestRunner::deterministic();
    let mut met = std::collections::BTreeSet::new();
    for case in 0..12 {
        for table in [
            "shop_document",
            "shop_document_step",
            "shop_document_change",
            "publication",
            "planned_publication",
        ] {
            sqlx::query(sqlx::AssertSqlSafe(format!("DELETE FROM {table}"))).execute(&pool).await.unwrap();
        }
        let mut model = Model::default();
        for (step, (what, first)) in acts().new_tree(&mut runner).unwrap().current().into_iter().enumerate() {
            // Before anything is set there is no document: nothing is published of it.
            if model.revision == 0 && !matches!(what, Act::Set(_)) {
                continue;
            }
            let (revision, told) = (model.revision, format!("case {case}, step {step}: {what:?}"));
            let done = act(&store, owners[usize::from(first)], revision, what).await;
            assert_eq!(done.is_ok(), model.act(what), "{told}: {done:?}");
            agrees(&store, &model).await;
            let name = told.split(": ").nth(1).and_then(|name| name.split('(').next()).unwrap_or_default();
            met.extend(done.is_ok().then(|| name.to_owned()));
        }
    }
    assert_eq!(met.len(), 9, "all but what comes late was done at least once: {met:?}");
}
