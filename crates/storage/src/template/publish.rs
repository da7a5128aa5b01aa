//! Publishing: what shoppers see becomes another layout in one step, at once or at a time, and can be taken back.

use super::{Arrangement, history, kept, step};
use crate::change::Changed;
use crate::error::with_retries;
use crate::{Result, StorageError, Store, change};
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

impl Store {
    /// Lets shoppers see the draft as it was at revision `expected`, under a name. What was planned is dropped.
    pub async fn publish(&self, id: TemplateId, owner: u64, expected: u64, name: &str) -> Result<()> {
        with_retries(|| async {
            let mut tx = self.pool.begin().await?;
            let layout = draft_at(&mut tx, id, expected).await?;
            show(&mut tx, id, expected, (name, owner), &layout).await?;
            unplan(&mut tx, id).await?;
            change::note(&mut tx, Changed::Looks).await?;
            tx.commit().await?;
            Ok(())
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
        with_retries(|| async {
            let mut tx = self.pool.begin().await?;
            let layout = draft_at(&mut tx, id, expected).await?;
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
            tx.commit().await?;
            Ok(())
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

    /// Publishes everything whose time has come; tells how many. More processes may ask at once: each is published once.
    pub async fn publish_due(&self) -> Result<usize> {
        let waiting =
            sqlx::query_scalar!("SELECT COUNT(*) FROM planned_publication WHERE at <= UTC_TIMESTAMP()")
                .fetch_one(&self.pool)
                .await?;
        if waiting == 0 {
            return Ok(0);
        }
        let mut tx = self.pool.begin().await?;
        let due = sqlx::query!(
            r#"SELECT template_id, owner_id, name, revision, layout AS "layout: Json<Layout>" FROM planned_publication
               WHERE at <= UTC_TIMESTAMP() FOR UPDATE SKIP LOCKED"#
        )
        .fetch_all(&mut *tx)
        .await?;
        for row in &due {
            let id = TemplateId(row.template_id);
            show(&mut tx, id, row.revision, (&row.name, row.owner_id), &row.layout).await?;
            unplan(&mut tx, id).await?;
        }
        change::note(&mut tx, Changed::Looks).await?;
        tx.commit().await?;
        Ok(due.len())
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
        with_retries(|| async {
            let mut tx = self.pool.begin().await?;
            let layout = draft_at(&mut tx, id, expected).await?;
            super::arrangement::write(&mut tx, others).await?;
            let new = super::insert_template(&mut tx, name, reach, &layout).await?;
            show(&mut tx, new, 1, ("As it began", owner), &layout).await?;
            change::note(&mut tx, Changed::Looks).await?;
            tx.commit().await?;
            Ok(new)
        })
        .await
    }

    /// Lets shoppers see again what they saw before the last publication; where there was nothing before, nothing.
    pub async fn take_back_publication(&self, id: TemplateId, owner: u64) -> Result<()> {
        with_retries(|| async {
            let mut tx = self.pool.begin().await?;
            step::locked_draft(&mut tx, id).await?;
            let rows = sqlx::query!(
                r#"SELECT revision, layout AS "layout: Json<Layout>" FROM publication WHERE template_id = ? ORDER BY id DESC LIMIT 2"#,
                id.0
            )
            .fetch_all(&mut *tx)
            .await?;
            let before = rows.get(1).ok_or(StorageError::NotFound { what: "earlier publication" })?;
            show(&mut tx, id, before.revision, ("Taken back", owner), &before.layout).await?;
            change::note(&mut tx, Changed::Looks).await?;
            tx.commit().await?;
            Ok(())
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
