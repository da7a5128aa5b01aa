//! What was published of a draft, and when it is to be.

use crate::{DocumentName, Result};
use compagina_core::ids::TemplateId;
use serde_json::Value;
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::fmt;

/// Which draft.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum DraftId {
    /// A template.
    Template(TemplateId),
    /// One of the shop's own.
    Shop(DocumentName),
}

impl fmt::Display for DraftId {
    /// As it is kept and as an address names it: `template-12`, `house`.
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Template(id) => write!(f, "template-{id}"),
            Self::Shop(name) => f.write_str(name.text()),
        }
    }
}

impl DraftId {
    /// Reads what [`Display`](fmt::Display) wrote; none where it isn't that.
    #[must_use]
    pub fn read(text: &str) -> Option<Self> {
        if let Some(id) = text.strip_prefix("template-") {
            return id.parse().ok().map(|id| Self::Template(TemplateId(id)));
        }
        let all = [DocumentName::House, DocumentName::Wording, DocumentName::Prices, DocumentName::Listings];
        all.into_iter().find(|name| name.text() == text).map(Self::Shop)
    }
}

/// Keeps in the history what is shown of a draft from now on.
pub(crate) async fn note(
    tx: &mut MySqlConnection,
    draft: DraftId,
    revision: u64,
    name: &str,
    owner: Option<u64>,
    document: &Value,
) -> Result<()> {
    sqlx::query!(
        "INSERT INTO publication (draft, revision, name, owner_id, document) VALUES (?, ?, ?, ?, ?)",
        draft.to_string(),
        revision,
        name,
        owner,
        Json(document) as _
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// Forgets what was planned.
pub(crate) async fn unplan(db: &mut MySqlConnection, draft: DraftId) -> Result<()> {
    sqlx::query!("DELETE FROM planned_publication WHERE draft = ?", draft.to_string())
        .execute(&mut *db)
        .await?;
    Ok(())
}
