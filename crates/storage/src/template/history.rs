//! What a template was: every edit that stands, and everything that was published.

use super::step::locked_draft;
use crate::{Result, StorageError, Store};
use chrono::{DateTime, Utc};
use compagina_core::ids::TemplateId;
use compagina_core::page::{Layout, Op, apply};
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// An edit that stands.
#[derive(Debug, Clone)]
pub struct EditRow {
    pub id: u64,
    pub who: Option<String>,
    pub at: DateTime<Utc>,
    pub op: Op,
}

/// What was published.
#[derive(Debug, Clone)]
pub struct PublicationRow {
    pub id: u64,
    pub revision: u64,
    pub name: String,
    pub who: Option<String>,
    pub at: DateTime<Utc>,
}

/// A moment of a template's history.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Moment {
    /// The draft as it is.
    Now,
    /// After this edit.
    Edit(u64),
    Publication(u64),
}

pub(super) async fn note_publication(
    tx: &mut MySqlConnection,
    id: TemplateId,
    revision: u64,
    name: &str,
    owner: Option<u64>,
    layout: &Layout,
) -> Result<()> {
    sqlx::query!(
        "INSERT INTO publication (template_id, revision, name, owner_id, layout) VALUES (?, ?, ?, ?, ?)",
        id.0,
        revision,
        name,
        owner,
        Json(layout) as _
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

impl Store {
    /// The last edits that stand, the newest first.
    pub async fn edits(&self, id: TemplateId, most: u32) -> Result<Vec<EditRow>> {
        let rows = sqlx::query!(
            r#"SELECT e.id, o.name AS "who?", e.at AS "at: DateTime<Utc>", e.op AS "op: Json<Op>" FROM operation e
               LEFT JOIN owner o ON o.id = e.owner_id WHERE e.template_id = ? AND NOT e.undone ORDER BY e.id DESC LIMIT ?"#,
            id.0,
            most
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(rows.into_iter().map(|r| EditRow { id: r.id, who: r.who, at: r.at, op: r.op.0 }).collect())
    }

    /// Everything that was published, the newest first.
    pub async fn publications(&self, id: TemplateId) -> Result<Vec<PublicationRow>> {
        let rows = sqlx::query_as!(
            PublicationRow,
            r#"SELECT p.id, p.revision, p.name, o.name AS "who?", p.at AS "at: DateTime<Utc>" FROM publication p
               LEFT JOIN owner o ON o.id = p.owner_id WHERE p.template_id = ? ORDER BY p.id DESC LIMIT 200"#,
            id.0
        );
        Ok(rows.fetch_all(&self.pool).await?)
    }

    /// The layout as it was at a moment. An edit's is found by taking back everything after it.
    pub async fn layout_at(&self, id: TemplateId, moment: Moment) -> Result<Layout> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let layout = layout_then(unit.db(), id, moment).await?;
            unit.done(layout).await
        })
        .await
    }
}

async fn layout_then(tx: &mut MySqlConnection, id: TemplateId, moment: Moment) -> Result<Layout> {
    let (mut layout, _) = locked_draft(tx, id).await?;
    match moment {
        Moment::Now => Ok(layout),
        Moment::Publication(publication) => {
            let row = sqlx::query_scalar!(
                    r#"SELECT layout AS "layout: Json<Layout>" FROM publication WHERE template_id = ? AND id = ?"#,
                    id.0,
                    publication
                )
                .fetch_optional(&mut *tx)
                .await?;
            Ok(row.ok_or(StorageError::NotFound { what: "publication" })?.0)
        }
        Moment::Edit(edit) => {
            let rows = sqlx::query!(
                r#"SELECT id, inverse AS "inverse: Json<Op>" FROM operation
                       WHERE template_id = ? AND id >= ? AND NOT undone ORDER BY id DESC"#,
                id.0,
                edit
            )
            .fetch_all(&mut *tx)
            .await?;
            if rows.last().is_none_or(|row| row.id != edit) {
                return Err(StorageError::NotFound { what: "edit" });
            }
            for row in rows.into_iter().filter(|row| row.id != edit) {
                apply(&mut layout, row.inverse.0)?;
            }
            Ok(layout)
        }
    }
}
