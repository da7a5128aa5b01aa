//! The shop's own documents, such as house style and wording: a draft that owners change step by step, and what shoppers
//! see.

mod late;

use crate::{DraftId, Result, StorageError, Store, Thing};
use compagina_core::document::{self, touched};
use serde::Serialize;
use serde::de::DeserializeOwned;
use serde_json::Value;
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// Which document.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum DocumentName {
    /// The house style.
    House,
    /// The wording.
    Wording,
    /// Prices.
    Prices,
    /// What owners make of their listings.
    Listings,
}

impl DocumentName {
    pub(crate) fn text(self) -> &'static str {
        match self {
            Self::House => "house",
            Self::Wording => "wording",
            Self::Prices => "prices",
            Self::Listings => "listings",
        }
    }
}

/// A document as owners and as shoppers see it.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Document<T> {
    /// What is changed.
    pub draft: T,
    /// What shoppers see.
    pub published: T,
    /// Counts its changes.
    pub revision: u64,
    /// Whether a step can be taken back.
    pub can_undo: bool,
    /// Whether a step can be made again.
    pub can_redo: bool,
}

/// Along the steps that were taken.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Turn {
    /// The last one is taken back.
    Undo,
    /// It is made again.
    Redo,
}

/// Steps that can be taken back.
const MOST_STEPS: u64 = 500;

impl Store {
    /// A document; empty until something was set.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn document<T: DeserializeOwned + Default>(&self, name: DocumentName) -> Result<Document<T>> {
        let row = sqlx::query!(
            r#"SELECT draft AS "draft: Json<serde_json::Value>", published AS "published: Json<serde_json::Value>", revision,
               EXISTS (SELECT 1 FROM shop_document_step s WHERE s.name = d.name AND NOT s.undone) AS "can_undo!: bool",
               EXISTS (SELECT 1 FROM shop_document_step s WHERE s.name = d.name AND s.undone) AS "can_redo!: bool"
               FROM shop_document d WHERE name = ?"#,
            name.text()
        )
        .fetch_optional(&self.pool)
        .await?;
        let Some(row) = row else { return Ok(Document::default()) };
        Ok(Document {
            draft: read(row.draft.0)?,
            published: read(row.published.0)?,
            revision: row.revision,
            can_undo: row.can_undo,
            can_redo: row.can_redo,
        })
    }

    /// The revisions of all documents together: it grows with each change of any of them.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn document_revisions(&self) -> Result<u64> {
        let rows = sqlx::query_scalar!("SELECT revision FROM shop_document").fetch_all(&self.pool).await?;
        Ok(rows.into_iter().sum())
    }

    /// Takes a step on a draft that its maker saw at revision `expected`; a late one too, unless it touches what somebody
    /// else has changed since. What changes nothing is no step.
    ///
    /// # Errors
    /// [`StorageError::OvertakenBy`](crate::StorageError::OvertakenBy) where somebody else changed the same since.
    /// [`StorageError::RevisionMismatch`](crate::StorageError::RevisionMismatch) where what was done since isn't known.
    /// What `change` answers; then nothing is changed. Else those of the database.
    pub async fn change_document<T: document::Document + Sync>(
        &self,
        name: DocumentName,
        owner: u64,
        expected: u64,
        change: impl Fn(&mut T) -> Result<()>,
    ) -> Result<()> {
        let empty = T::default();
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            sqlx::query!(
                "INSERT IGNORE INTO shop_document (name, draft, revision, published) VALUES (?, ?, 0, ?)",
                name.text(),
                Json(&empty) as _,
                Json(&empty) as _
            )
            .execute(&mut *tx)
            .await?;
            let (was, current) = held_document(tx, name).await?;
            let mut draft: T = read(was.clone())?;
            change(&mut draft)?;
            let is = serde_json::to_value(&draft).map_err(|why| StorageError::damaged("document")(&why))?;
            let touched = touched(&was, &is);
            if touched.is_empty() {
                return unit.given_up(()).await;
            }
            let called = |place: &str| draft.called(place);
            late::check(tx, (name, owner), (expected, current), Some((&touched, &called))).await?;
            late::note(tx, (name, owner), current + 1, &touched).await?;
            keep_step(tx, (name, owner), &was).await?;
            write(tx, name, &is).await?;
            unit.tell(Thing::Draft(DraftId::Shop(name)), Some(current + 1));
            unit.done(()).await
        })
        .await
    }

    /// Puts another draft in the place of the one that its maker saw at revision `expected`; see
    /// [`Self::change_document`].
    ///
    /// # Errors
    /// Those of [`Self::change_document`].
    pub async fn set_document<T: document::Document + Clone + Sync>(
        &self,
        name: DocumentName,
        owner: u64,
        expected: u64,
        draft: &T,
    ) -> Result<()> {
        let put = |now: &mut T| {
            *now = draft.clone();
            Ok(())
        };
        self.change_document(name, owner, expected, put).await
    }

    /// Keeps a document that nobody has worked on yet, in force at once.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn begin_document<T: Serialize + Sync>(&self, name: DocumentName, document: &T) -> Result<()> {
        sqlx::query!(
            "INSERT INTO shop_document (name, draft, revision, published) VALUES (?, ?, 0, ?)",
            name.text(),
            Json(document) as _,
            Json(document) as _
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }

    /// Takes the last step on a document back, or makes again what was taken back last. It is made on what one sees: only
    /// one's own steps of the same line may have come since revision `expected`.
    ///
    /// # Errors
    /// [`StorageError::RevisionMismatch`](crate::StorageError::RevisionMismatch) where somebody else has changed it since.
    /// [`StorageError::NoStep`](crate::StorageError::NoStep) where there is none. Else those of the database.
    pub async fn turn_document(
        &self,
        name: DocumentName,
        owner: u64,
        expected: u64,
        turn: Turn,
    ) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let none = || StorageError::NoStep { step: if turn == Turn::Undo { "undo" } else { "do again" } };
            let (now, current) = held_document(tx, name).await?;
            late::check(tx, (name, owner), (expected, current), None).await?;
            let again = turn == Turn::Redo;
            let step = sqlx::query!(
                r#"SELECT id, was AS "was: Json<Value>" FROM shop_document_step WHERE name = ? AND undone = ?
                 ORDER BY IF(undone, id, -CAST(id AS SIGNED)) LIMIT 1"#,
                name.text(),
                again
            )
            .fetch_optional(&mut *tx)
            .await?
            .ok_or_else(none)?;
            // The step and the document change places: what it was is the draft, what the draft was is kept in the step.
            late::note(tx, (name, owner), current + 1, &touched(&now, &step.was.0)).await?;
            write(tx, name, &step.was.0).await?;
            sqlx::query!(
                "UPDATE shop_document_step SET was = ?, undone = ? WHERE id = ?",
                Json(&now) as _,
                !again,
                step.id
            )
            .execute(&mut *tx)
            .await?;
            unit.tell(Thing::Draft(DraftId::Shop(name)), Some(current + 1));
            unit.done(()).await
        })
        .await
    }
}

/// Keeps what a document was before a step, for the way back. What was undone before it can't be done again.
async fn keep_step(tx: &mut MySqlConnection, (name, owner): (DocumentName, u64), was: &Value) -> Result<()> {
    sqlx::query!("DELETE FROM shop_document_step WHERE name = ? AND undone", name.text())
        .execute(&mut *tx)
        .await?;
    sqlx::query!(
        "INSERT INTO shop_document_step (name, owner_id, was) VALUES (?, ?, ?)",
        name.text(),
        owner,
        Json(was) as _
    )
    .execute(&mut *tx)
    .await?;
    sqlx::query!(
        "DELETE FROM shop_document_step WHERE name = ? AND id + ? < LAST_INSERT_ID()",
        name.text(),
        MOST_STEPS
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

async fn write(tx: &mut MySqlConnection, name: DocumentName, draft: &Value) -> Result<()> {
    sqlx::query!(
        "UPDATE shop_document SET draft = ?, revision = revision + 1 WHERE name = ?",
        Json(draft) as _,
        name.text()
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

fn read<T: DeserializeOwned>(document: Value) -> Result<T> {
    serde_json::from_value(document).map_err(|why| StorageError::damaged("document")(&why))
}

/// A document's draft as it is and its revision, held; one that nobody worked on yet is empty.
pub(crate) async fn held_document(tx: &mut MySqlConnection, name: DocumentName) -> Result<(Value, u64)> {
    let row = sqlx::query!(
        r#"SELECT draft AS "draft: Json<Value>", revision FROM shop_document WHERE name = ? FOR UPDATE"#,
        name.text()
    )
    .fetch_optional(&mut *tx)
    .await?;
    Ok(row.map_or((Value::Object(serde_json::Map::new()), 0), |row| (row.draft.0, row.revision)))
}

/// What shoppers see of a document.
pub(crate) async fn published_document(tx: &mut MySqlConnection, name: DocumentName) -> Result<Value> {
    let row = sqlx::query_scalar!(
        r#"SELECT published AS "published: Json<Value>" FROM shop_document WHERE name = ?"#,
        name.text()
    )
    .fetch_optional(&mut *tx)
    .await?;
    Ok(row.map_or(Value::Object(serde_json::Map::new()), |published| published.0))
}
