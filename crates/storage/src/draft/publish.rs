//! Publishing: what shoppers see becomes another document in one step, at once or at a time, and can be taken back.

use super::shown::{current, read, show};
use crate::change::Changed;
use crate::publication::{DraftId, unplan};
use crate::{DocumentName, Result, StorageError, Store, Thing};
use chrono::{DateTime, Utc};
use compagina_core::page::Layout;
use compagina_core::price::PriceBook;
use serde_json::Value;
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// A publication that is planned.
#[derive(Debug, Clone)]
pub struct PlannedRow {
    /// When it goes live.
    pub at: DateTime<Utc>,
    /// Its name.
    pub name: String,
    /// The draft as it was then is published, whatever is changed on it later.
    pub revision: u64,
}

/// What was published.
#[derive(Debug, Clone)]
pub struct PublicationRow {
    /// Its number.
    pub id: u64,
    /// Counts its changes.
    pub revision: u64,
    /// Its name.
    pub name: String,
    /// Who it was; none where nobody is known.
    pub who: Option<String>,
    /// When it was.
    pub at: DateTime<Utc>,
}

/// After a failed try a planned publication is left alone for so many seconds.
const TRY_AGAIN_SECONDS: i64 = 60;

impl Store {
    /// Lets shoppers see the draft as it was at revision `expected`, under a name. What was planned is dropped.
    ///
    /// # Errors
    /// [`StorageError::RevisionMismatch`](crate::StorageError::RevisionMismatch) where it is at another revision by now.
    /// Else those of the database.
    pub async fn publish(&self, draft: DraftId, owner: u64, expected: u64, name: &str) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let document = draft_at(tx, draft, expected).await?;
            show(tx, draft, expected, (name, owner), &document).await?;
            unplan(tx, draft).await?;
            unit.changed(Changed::Looks);
            unit.tell(Thing::Draft(draft), None);
            unit.done(()).await
        })
        .await
    }

    /// Keeps the draft as it is at revision `expected` to be published at a moment, in place of what was planned.
    ///
    /// # Errors
    /// [`StorageError::RevisionMismatch`](crate::StorageError::RevisionMismatch) where it is at another revision by now.
    /// Else those of the database.
    pub async fn plan_publication(
        &self,
        draft: DraftId,
        owner: u64,
        expected: u64,
        (name, at): (&str, DateTime<Utc>),
    ) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let document = draft_at(tx, draft, expected).await?;
            sqlx::query!(
                "REPLACE INTO planned_publication (draft, owner_id, at, name, revision, document) VALUES (?, ?, ?, ?, ?, ?)",
                draft.to_string(),
                owner,
                at.naive_utc(),
                name,
                expected,
                Json(&document) as _
            )
            .execute(&mut *tx)
            .await?;
            unit.tell(Thing::Draft(draft), None);
            unit.done(()).await
        })
        .await
    }

    /// Plans nothing any more.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn drop_planned(&self, draft: DraftId) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            unplan(unit.db(), draft).await?;
            unit.tell(Thing::Draft(draft), None);
            unit.done(()).await
        })
        .await
    }

    /// What is planned.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn planned_publication(&self, draft: DraftId) -> Result<Option<PlannedRow>> {
        let row = sqlx::query!(
            r#"SELECT at AS "at: DateTime<Utc>", name, revision FROM planned_publication WHERE draft = ?"#,
            draft.to_string()
        )
        .fetch_optional(&self.pool)
        .await?;
        Ok(row.map(|r| PlannedRow { at: r.at, name: r.name, revision: r.revision }))
    }

    /// Publishes what has come due, each in a transaction of its own so that one that can't be published keeps no other
    /// waiting; tells which could not, and why. Those are tried again a minute later. More processes may ask at once: each
    /// is published once.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn publish_due(&self) -> Result<Vec<(String, StorageError)>> {
        let due = sqlx::query_scalar!(
            "SELECT draft FROM planned_publication WHERE at <= UTC_TIMESTAMP()
             AND (next_try IS NULL OR next_try <= UTC_TIMESTAMP()) ORDER BY at, draft"
        )
        .fetch_all(&self.pool)
        .await?;
        let mut failed = Vec::new();
        for draft in due {
            if let Err(error) = self.publish_planned(&draft).await {
                sqlx::query!(
                    "UPDATE planned_publication SET next_try = UTC_TIMESTAMP() + INTERVAL ? SECOND WHERE draft = ?",
                    TRY_AGAIN_SECONDS,
                    draft
                )
                .execute(&self.pool)
                .await?;
                failed.push((draft, error));
            }
        }
        Ok(failed)
    }

    async fn publish_planned(&self, name: &str) -> Result<()> {
        let draft = DraftId::read(name).ok_or_else(|| StorageError::damaged("plan")(&name))?;
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let row = sqlx::query!(
                r#"SELECT owner_id, name, revision, document AS "document: Json<Value>" FROM planned_publication
                   WHERE draft = ? AND at <= UTC_TIMESTAMP() FOR UPDATE SKIP LOCKED"#,
                name
            )
            .fetch_optional(&mut *tx)
            .await?;
            // Another process may have been faster.
            let Some(row) = row else { return unit.given_up(()).await };
            check(draft, &row.document.0)?;
            show(tx, draft, row.revision, (&row.name, row.owner_id), &row.document.0).await?;
            unplan(tx, draft).await?;
            unit.changed(Changed::Looks);
            unit.tell(Thing::Draft(draft), None);
            unit.done(()).await
        })
        .await
    }

    /// Lets shoppers see again what they saw before the last publication; where there was nothing before, nothing.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn take_back_publication(&self, draft: DraftId, owner: u64) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            current(tx, draft).await?;
            let rows = sqlx::query!(
                r#"SELECT revision, document AS "document: Json<Value>" FROM publication WHERE draft = ? ORDER BY id DESC LIMIT 2"#,
                draft.to_string()
            )
            .fetch_all(&mut *tx)
            .await?;
            let before = rows.get(1).ok_or(StorageError::NotFound { what: "earlier publication" })?;
            show(tx, draft, before.revision, ("Taken back", owner), &before.document.0).await?;
            unit.changed(Changed::Looks);
            unit.tell(Thing::Draft(draft), None);
            unit.done(()).await
        })
        .await
    }

    /// Everything that was published of a draft, the newest first.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn publications(&self, draft: DraftId) -> Result<Vec<PublicationRow>> {
        let rows = sqlx::query_as!(
            PublicationRow,
            r#"SELECT p.id, p.revision, p.name, o.name AS "who?", p.at AS "at: DateTime<Utc>" FROM publication p
               LEFT JOIN owner o ON o.id = p.owner_id WHERE p.draft = ? ORDER BY p.id DESC LIMIT 200"#,
            draft.to_string()
        );
        Ok(rows.fetch_all(&self.pool).await?)
    }

    /// What was shown by a publication.
    ///
    /// # Errors
    /// [`StorageError::NotFound`] where the draft has no such publication.
    pub async fn publication(&self, draft: DraftId, id: u64) -> Result<Value> {
        let row = sqlx::query_scalar!(
            r#"SELECT document AS "document: Json<Value>" FROM publication WHERE draft = ? AND id = ?"#,
            draft.to_string(),
            id
        )
        .fetch_optional(&self.pool)
        .await?;
        Ok(row.ok_or(StorageError::NotFound { what: "publication" })?.0)
    }
}

/// What was planned may have been kept by an earlier version: what can't be read is shown to nobody.
fn check(draft: DraftId, document: &Value) -> Result<()> {
    match draft {
        DraftId::Template(_) => read::<Layout>(document).map(drop),
        DraftId::Shop(DocumentName::Prices) => read::<PriceBook>(document).map(drop),
        DraftId::Shop(DocumentName::House) => read::<compagina_core::house::House>(document).map(drop),
        DraftId::Shop(DocumentName::Listings) => {
            read::<compagina_core::listing::Listings>(document).map(drop)
        }
        DraftId::Shop(DocumentName::Wording) => read::<compagina_core::wording::Book>(document).map(drop),
    }
}

async fn draft_at(tx: &mut MySqlConnection, draft: DraftId, expected: u64) -> Result<Value> {
    let (document, current) = current(tx, draft).await?;
    if current != expected {
        return Err(StorageError::RevisionMismatch { expected, current });
    }
    Ok(document)
}
