//! Templates and the steps taken on them. An edit, its document and its revision are one transaction.

use crate::error::with_retries;
use crate::{Result, StorageError, Store, change};
use compagina_core::ids::TemplateId;
use compagina_core::page::{Layout, Op, apply, op};
use compagina_core::template::Reach;
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// A template with both of its layouts.
#[derive(Debug, Clone)]
pub struct TemplateRow {
    pub id: TemplateId,
    pub name: String,
    pub reach: Reach,
    pub draft: Layout,
    pub revision: u64,
    pub published: Option<Layout>,
    pub published_revision: Option<u64>,
}

/// A draft after a step.
#[derive(Debug, Clone)]
pub struct Draft {
    pub layout: Layout,
    pub revision: u64,
}

/// How far one can go back, and forward again.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct History {
    pub undo: u64,
    pub redo: u64,
}

/// A step on a draft.
#[derive(Debug, Clone)]
pub enum Change {
    Edit(Op),
    Undo,
    Redo,
}

impl Store {
    /// All templates in the order in which ties of reach are settled.
    pub async fn templates(&self) -> Result<Vec<TemplateRow>> {
        let rows = sqlx::query!(
            r#"SELECT id, name, reach AS "reach: Json<Reach>", draft AS "draft: Json<Layout>", revision,
               published AS "published: Json<Layout>", published_revision FROM template ORDER BY position, id"#
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(rows
            .into_iter()
            .map(|r| TemplateRow {
                id: TemplateId(r.id),
                name: r.name,
                reach: r.reach.0,
                draft: r.draft.0,
                revision: r.revision,
                published: r.published.map(|p| p.0),
                published_revision: r.published_revision,
            })
            .collect())
    }

    pub async fn template(&self, id: TemplateId) -> Result<TemplateRow> {
        let all = self.templates().await?;
        all.into_iter().find(|t| t.id == id).ok_or(StorageError::NotFound { what: "template" })
    }

    /// Adds a template at the end of the order, after checking its layout whole.
    pub async fn add_template(
        &self,
        name: &str,
        reach: &Reach,
        layout: &Layout,
        live: bool,
    ) -> Result<TemplateId> {
        op::check(layout)?;
        let published = live.then_some(Json(layout));
        let done = sqlx::query!(
            "INSERT INTO template (name, position, reach, draft, revision, published, published_revision)
             SELECT ?, COUNT(*), ?, ?, 1, ?, ? FROM template",
            name,
            Json(reach) as _,
            Json(layout) as _,
            published as _,
            live.then_some(1u64)
        )
        .execute(&self.pool)
        .await?;
        change::note(&mut *self.pool.acquire().await?, None).await?;
        Ok(TemplateId(done.last_insert_id()))
    }

    /// Gives a template another name and reach.
    pub async fn set_template(&self, id: TemplateId, name: &str, reach: &Reach) -> Result<()> {
        let mut tx = self.pool.begin().await?;
        sqlx::query!("UPDATE template SET name = ?, reach = ? WHERE id = ?", name, Json(reach) as _, id.0)
            .execute(&mut *tx)
            .await?;
        change::note(&mut tx, None).await?;
        tx.commit().await?;
        Ok(())
    }

    /// Takes a step on a draft that its maker saw at revision `expected`.
    pub async fn change_draft(
        &self,
        id: TemplateId,
        owner: u64,
        expected: u64,
        change: Change,
    ) -> Result<Draft> {
        with_retries(|| async {
            let mut tx = self.pool.begin().await?;
            let mut layout = locked_draft(&mut tx, id, expected).await?;
            let revision = expected + 1;
            match change.clone() {
                Change::Edit(op) => record(&mut tx, id, owner, revision, &mut layout, op).await?,
                Change::Undo => step_back(&mut tx, id, &mut layout).await?,
                Change::Redo => step_forward(&mut tx, id, &mut layout).await?,
            }
            sqlx::query!(
                "UPDATE template SET draft = ?, revision = ? WHERE id = ?",
                Json(&layout) as _,
                revision,
                id.0
            )
            .execute(&mut *tx)
            .await?;
            tx.commit().await?;
            Ok(Draft { layout, revision })
        })
        .await
    }

    pub async fn history(&self, id: TemplateId) -> Result<History> {
        let row = sqlx::query!(
            r#"SELECT COUNT(CASE WHEN NOT undone THEN 1 END) AS "undo!: i64", COUNT(CASE WHEN undone THEN 1 END) AS "redo!: i64"
               FROM operation WHERE template_id = ?"#,
            id.0
        )
        .fetch_one(&self.pool)
        .await?;
        Ok(History { undo: u64::try_from(row.undo).unwrap_or(0), redo: u64::try_from(row.redo).unwrap_or(0) })
    }

    /// Lets shoppers see the draft as it was at revision `expected`.
    pub async fn publish(&self, id: TemplateId, expected: u64) -> Result<()> {
        with_retries(|| async {
            let mut tx = self.pool.begin().await?;
            locked_draft(&mut tx, id, expected).await?;
            sqlx::query!(
                "UPDATE template SET published = draft, published_revision = revision WHERE id = ?",
                id.0
            )
            .execute(&mut *tx)
            .await?;
            change::note(&mut tx, None).await?;
            tx.commit().await?;
            Ok(())
        })
        .await
    }
}

async fn locked_draft(tx: &mut MySqlConnection, id: TemplateId, expected: u64) -> Result<Layout> {
    let row = sqlx::query!(
        r#"SELECT draft AS "draft: Json<Layout>", revision FROM template WHERE id = ? FOR UPDATE"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NotFound { what: "template" })?;
    if row.revision != expected {
        return Err(StorageError::RevisionMismatch { expected, current: row.revision });
    }
    Ok(row.draft.0)
}

/// A new edit; what was undone before it can't be done again.
async fn record(
    tx: &mut MySqlConnection,
    id: TemplateId,
    owner: u64,
    revision: u64,
    layout: &mut Layout,
    op: Op,
) -> Result<()> {
    let inverse = apply(layout, op.clone())?;
    sqlx::query!("DELETE FROM operation WHERE template_id = ? AND undone", id.0).execute(&mut *tx).await?;
    sqlx::query!(
        "INSERT INTO operation (template_id, revision, owner_id, op, inverse) VALUES (?, ?, ?, ?, ?)",
        id.0,
        revision,
        owner,
        Json(&op) as _,
        Json(&inverse) as _
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

async fn step_back(tx: &mut MySqlConnection, id: TemplateId, layout: &mut Layout) -> Result<()> {
    let row = sqlx::query!(
        r#"SELECT id, inverse AS "inverse: Json<Op>" FROM operation WHERE template_id = ? AND NOT undone
           ORDER BY id DESC LIMIT 1"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NoStep { step: "undo" })?;
    apply(layout, row.inverse.0)?;
    sqlx::query!("UPDATE operation SET undone = TRUE WHERE id = ?", row.id).execute(&mut *tx).await?;
    Ok(())
}

async fn step_forward(tx: &mut MySqlConnection, id: TemplateId, layout: &mut Layout) -> Result<()> {
    let row = sqlx::query!(
        r#"SELECT id, op AS "op: Json<Op>" FROM operation WHERE template_id = ? AND undone ORDER BY id LIMIT 1"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NoStep { step: "do again" })?;
    apply(layout, row.op.0)?;
    sqlx::query!("UPDATE operation SET undone = FALSE WHERE id = ?", row.id).execute(&mut *tx).await?;
    Ok(())
}
