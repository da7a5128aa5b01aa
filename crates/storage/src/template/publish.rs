//! Publishing: what shoppers see becomes another layout in one step, at once or at a time, and can be taken back.

use super::{Arrangement, history, kept, step};
use crate::change::Changed;
use crate::{Result, StorageError, Store};
use chrono::{DateTime, Utc};
use compagina_core::ids::TemplateId;
use compagina_core::page::Layout;
use compagina_core::template::Reach;
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// A publication that is planned.
#[derive(Debug, Clone)]
pub struct PlannedRow {
    pub at: DateTime<Utc>,
    pub name: String,
    pub revision: u64,
}

/// After a failed try a planned publication is left alone for so many seconds.
const TRY_AGAIN_SECONDS: i64 = 60;

impl Store {
    /// Lets shoppers see the draft as it was at revision `expected`, under a name. What was planned is dropped.
    pub async fn publish(&self, id: TemplateId, owner: u64, expected: u64, name: &str) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let layout = draft_at(tx, id, expected).await?;
            show(tx, id, expected, (name, owner), &layout).await?;
            unplan(tx, id).await?;
            unit.changed(Changed::Looks);
            unit.done(()).await
        })
        .await
    }

    /// Keeps the draft as it is at revision `expected` to be published at a moment, in place of what was planned.
    pub async fn plan_publication(
        &self,
        id: TemplateId,
        owner: u64,
        expected: u64,
        (name, at): (&str, DateTime<Utc>),
    ) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let layout = draft_at(tx, id, expected).await?;
            sqlx::query!(
                "REPLACE INTO planned_publication (template_id, owner_id, at, name, revision, layout) VALUES (?, ?, ?, ?, ?, ?)",
                id.0,
                owner,
                at.naive_utc(),
                name,
                expected,
                Json(&layout) as _
            )
            .execute(&mut *tx)
            .await?;
            unit.done(()).await
        })
        .await
    }

    pub async fn drop_planned(&self, id: TemplateId) -> Result<()> {
        unplan(&mut *self.pool.acquire().await?, id).await
    }

    pub async fn planned_publication(&self, id: TemplateId) -> Result<Option<PlannedRow>> {
        let row = sqlx::query!(
            r#"SELECT at AS "at: DateTime<Utc>", name, revision FROM planned_publication WHERE template_id = ?"#,
            id.0
        )
        .fetch_optional(&self.pool)
        .await?;
        Ok(row.map(|r| PlannedRow { at: r.at, name: r.name, revision: r.revision }))
    }

    /// Publishes what has come due, each in a transaction of its own so that one that can't be published keeps no other
    /// waiting; tells which could not, and why. Those are tried again a minute later. More processes may ask at once: each
    /// is published once.
    pub async fn publish_due(&self) -> Result<Vec<(TemplateId, StorageError)>> {
        let due = sqlx::query_scalar!(
            "SELECT template_id FROM planned_publication WHERE at <= UTC_TIMESTAMP()
             AND (next_try IS NULL OR next_try <= UTC_TIMESTAMP()) ORDER BY at, template_id"
        )
        .fetch_all(&self.pool)
        .await?;
        let mut failed = Vec::new();
        for id in due.into_iter().map(TemplateId) {
            if let Err(error) = self.publish_planned(id).await {
                sqlx::query!(
                    "UPDATE planned_publication SET next_try = UTC_TIMESTAMP() + INTERVAL ? SECOND WHERE template_id = ?",
                    TRY_AGAIN_SECONDS,
                    id.0
                )
                .execute(&self.pool)
                .await?;
                failed.push((id, error));
            }
        }
        Ok(failed)
    }

    async fn publish_planned(&self, id: TemplateId) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let row = sqlx::query!(
                r#"SELECT owner_id, name, revision, layout AS "layout: Json<serde_json::Value>" FROM planned_publication
                   WHERE template_id = ? AND at <= UTC_TIMESTAMP() FOR UPDATE SKIP LOCKED"#,
                id.0
            )
            .fetch_optional(&mut *tx)
            .await?;
            // Another process may have been faster.
            let Some(row) = row else { return unit.given_up(()).await };
            let layout: Layout = serde_json::from_value(row.layout.0)
                .map_err(|why| StorageError::damaged("planned page")(&why))?;
            show(tx, id, row.revision, (&row.name, row.owner_id), &layout).await?;
            unplan(tx, id).await?;
            unit.changed(Changed::Looks);
            unit.done(()).await
        })
        .await
    }

    /// Publishes the draft as it was at revision `expected` as a template of its own with a reach of its own, and gives
    /// other templates the reach that goes with it: one step. Gives the new template's number.
    pub async fn publish_apart(
        &self,
        id: TemplateId,
        owner: u64,
        expected: u64,
        (name, reach): (&str, &Reach),
        others: &Arrangement,
    ) -> Result<TemplateId> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let layout = draft_at(tx, id, expected).await?;
            super::arrangement::write(tx, others).await?;
            let new = super::insert_template(tx, name, reach, &layout).await?;
            show(tx, new, 1, ("As it began", owner), &layout).await?;
            unit.changed(Changed::Looks);
            unit.done(new).await
        })
        .await
    }

    /// Lets shoppers see again what they saw before the last publication; where there was nothing before, nothing.
    pub async fn take_back_publication(&self, id: TemplateId, owner: u64) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            step::locked_draft(tx, id).await?;
            let rows = sqlx::query!(
                r#"SELECT revision, layout AS "layout: Json<Layout>" FROM publication WHERE template_id = ? ORDER BY id DESC LIMIT 2"#,
                id.0
            )
            .fetch_all(&mut *tx)
            .await?;
            let before = rows.get(1).ok_or(StorageError::NotFound { what: "earlier publication" })?;
            show(tx, id, before.revision, ("Taken back", owner), &before.layout).await?;
            unit.changed(Changed::Looks);
            unit.done(()).await
        })
        .await
    }
}

async fn draft_at(tx: &mut MySqlConnection, id: TemplateId, expected: u64) -> Result<Layout> {
    let (layout, current) = step::locked_draft(tx, id).await?;
    if current != expected {
        return Err(StorageError::RevisionMismatch { expected, current });
    }
    Ok(layout)
}

async fn show(
    tx: &mut MySqlConnection,
    id: TemplateId,
    revision: u64,
    (name, owner): (&str, u64),
    layout: &Layout,
) -> Result<()> {
    sqlx::query!(
        "UPDATE template SET published = ?, published_revision = ? WHERE id = ?",
        Json(layout) as _,
        revision,
        id.0
    )
    .execute(&mut *tx)
    .await?;
    history::note_publication(tx, id, revision, name, Some(owner), layout).await?;
    kept::publish_linked(tx, id, owner, layout).await
}

async fn unplan(db: &mut MySqlConnection, id: TemplateId) -> Result<()> {
    sqlx::query!("DELETE FROM planned_publication WHERE template_id = ?", id.0).execute(&mut *db).await?;
    Ok(())
}
