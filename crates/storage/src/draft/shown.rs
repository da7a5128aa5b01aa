//! How each kind of draft is read, and how what shoppers see of it is kept.

use crate::document::{held_document, published_document};
use crate::price_history::before_rules;
use crate::publication::{DraftId, note};
use crate::template::{Draft, locked_draft, publish_linked};
use crate::{DocumentName, Result, StorageError};
use compagina_core::ids::TemplateId;
use compagina_core::page::Layout;
use serde_json::Value;
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// The draft as it is and its revision, held.
pub(super) async fn current(tx: &mut MySqlConnection, draft: DraftId) -> Result<(Value, u64)> {
    match draft {
        DraftId::Template(id) => {
            let Draft { layout, revision, .. } = locked_draft(tx, id).await?;
            Ok((as_value(&layout)?, revision))
        }
        DraftId::Shop(name) => held_document(tx, name).await,
    }
}

/// Lets shoppers see a document: what a draft was at a revision.
pub(super) async fn show(
    tx: &mut MySqlConnection,
    draft: DraftId,
    revision: u64,
    (name, owner): (&str, u64),
    document: &Value,
) -> Result<()> {
    match draft {
        DraftId::Template(id) => {
            let layout: Layout = read(document)?;
            show_page(tx, id, revision, &layout).await?;
            note(tx, draft, revision, name, Some(owner), document).await?;
            publish_linked(tx, id, owner, &layout).await
        }
        DraftId::Shop(which) => {
            begin_history(tx, draft, which).await?;
            show_shop(tx, which, document).await?;
            note(tx, draft, revision, name, Some(owner), document).await
        }
    }
}

async fn show_page(tx: &mut MySqlConnection, id: TemplateId, revision: u64, layout: &Layout) -> Result<()> {
    sqlx::query!(
        "UPDATE template SET published = ?, published_revision = ? WHERE id = ?",
        Json(layout) as _,
        revision,
        id.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

async fn show_shop(tx: &mut MySqlConnection, name: DocumentName, document: &Value) -> Result<()> {
    if name == DocumentName::Prices {
        before_rules(tx, document).await?;
    }
    sqlx::query!("UPDATE shop_document SET published = ? WHERE name = ?", Json(document) as _, name.text())
        .execute(&mut *tx)
        .await?;
    Ok(())
}

/// What shoppers saw before anything was published is the first in the history, so that it can be had again.
async fn begin_history(tx: &mut MySqlConnection, draft: DraftId, name: DocumentName) -> Result<()> {
    let known = sqlx::query_scalar!("SELECT COUNT(*) FROM publication WHERE draft = ?", draft.to_string())
        .fetch_one(&mut *tx)
        .await?;
    if known > 0 {
        return Ok(());
    }
    let before = published_document(tx, name).await?;
    note(tx, draft, 0, "As it began", None, &before).await
}

pub(super) fn read<T: serde::de::DeserializeOwned>(document: &Value) -> Result<T> {
    serde_json::from_value(document.clone()).map_err(|why| StorageError::damaged("draft")(&why))
}

fn as_value(layout: &Layout) -> Result<Value> {
    serde_json::to_value(layout).map_err(|why| StorageError::damaged("page")(&why))
}
