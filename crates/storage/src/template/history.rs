//! What a template was: every edit that stands, and everything that was published.

use super::step::locked_draft;
use crate::publication::DraftId;
use crate::{Result, StorageError, Store};
use chrono::{DateTime, Utc};
use compagina_core::ids::TemplateId;
use compagina_core::page::{Layout, Op, apply};
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// An edit that stands.
#[derive(Debug, Clone)]
pub struct EditRow {
    /// Its number.
    pub id: u64,
    /// Who it was; none where nobody is known.
    pub who: Option<String>,
    /// When it was.
    pub at: DateTime<Utc>,
    /// The operation.
    pub op: Op,
}

/// A moment of a template's history.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Moment {
    /// The draft as it is.
    Now,
    /// After this edit.
    Edit(u64),
    /// What was published.
    Publication(u64),
}

impl Store {
    /// The last edits that stand, the newest first.
    ///
    /// # Errors
    /// Those of the database.
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

    /// The layout as it was at a moment. An edit's is found by taking back everything after it.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
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
    let mut layout = locked_draft(tx, id).await?.layout;
    match moment {
        Moment::Now => Ok(layout),
        Moment::Publication(publication) => {
            let row = sqlx::query_scalar!(
                r#"SELECT document AS "document: Json<Layout>" FROM publication WHERE draft = ? AND id = ?"#,
                DraftId::Template(id).to_string(),
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
