//! The shop's own documents, house style and wording: a draft that owners change step by step, and what shoppers see.

use crate::{Result, StorageError, Store};
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
}

impl DocumentName {
    pub(crate) fn text(self) -> &'static str {
        match self {
            Self::House => "house",
            Self::Wording => "wording",
            Self::Prices => "prices",
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
#[derive(Clone, Copy, PartialEq, Eq)]
enum Way {
    Back,
    Again,
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
        let read = |json| serde_json::from_value(json).map_err(|e| StorageError::damaged("document")(&e));
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

    /// Puts another draft in the place of the one that its maker saw at revision `expected`.
    ///
    /// # Errors
    /// [`StorageError::RevisionMismatch`](crate::StorageError::RevisionMismatch) where it is at another revision by now.
    /// Else those of the database.
    pub async fn set_document<T: Serialize + Default + Sync>(
        &self,
        name: DocumentName,
        owner: u64,
        expected: u64,
        draft: &T,
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
            let row = sqlx::query!(
                "SELECT revision, draft FROM shop_document WHERE name = ? FOR UPDATE",
                name.text()
            )
            .fetch_one(&mut *tx)
            .await?;
            if row.revision != expected {
                return Err(StorageError::RevisionMismatch { expected, current: row.revision });
            }
            // What was undone before it can't be done again.
            sqlx::query!("DELETE FROM shop_document_step WHERE name = ? AND undone", name.text())
                .execute(&mut *tx)
                .await?;
            sqlx::query!(
                "INSERT INTO shop_document_step (name, owner_id, was) VALUES (?, ?, ?)",
                name.text(),
                owner,
                row.draft
            )
            .execute(&mut *tx)
            .await?;
            sqlx::query!(
                "UPDATE shop_document SET draft = ?, revision = revision + 1 WHERE name = ?",
                Json(draft) as _,
                name.text()
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
            unit.done(()).await
        })
        .await
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

    /// Takes the last step on a document back.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn undo_document(&self, name: DocumentName, expected: u64) -> Result<()> {
        self.step(name, expected, Way::Back).await
    }

    /// Does again what was taken back last.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn redo_document(&self, name: DocumentName, expected: u64) -> Result<()> {
        self.step(name, expected, Way::Again).await
    }

    /// The step and the document change places: what it was is the draft, and what the draft was is kept in the step.
    async fn step(&self, name: DocumentName, expected: u64, way: Way) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let none = || StorageError::NoStep { step: if way == Way::Back { "undo" } else { "do again" } };
            let row = sqlx::query!(
                "SELECT revision, draft FROM shop_document WHERE name = ? FOR UPDATE",
                name.text()
            )
            .fetch_optional(&mut *tx)
            .await?
            .ok_or_else(none)?;
            if row.revision != expected {
                return Err(StorageError::RevisionMismatch { expected, current: row.revision });
            }
            let again = way == Way::Again;
            let step = sqlx::query!(
                "SELECT id, was FROM shop_document_step WHERE name = ? AND undone = ?
                 ORDER BY IF(undone, id, -CAST(id AS SIGNED)) LIMIT 1",
                name.text(),
                again
            )
            .fetch_optional(&mut *tx)
            .await?
            .ok_or_else(none)?;
            sqlx::query!(
                "UPDATE shop_document SET draft = ?, revision = revision + 1 WHERE name = ?",
                step.was,
                name.text()
            )
            .execute(&mut *tx)
            .await?;
            sqlx::query!(
                "UPDATE shop_document_step SET was = ?, undone = ? WHERE id = ?",
                row.draft,
                !again,
                step.id
            )
            .execute(&mut *tx)
            .await?;
            unit.done(()).await
        })
        .await
    }
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
