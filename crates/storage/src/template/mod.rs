//! Templates and the steps taken on them. An edit, its document and its revision are one transaction.

pub(crate) mod arrangement;
mod history;
mod kept;
mod step;

pub use arrangement::Arrangement;
pub use history::{EditRow, Moment};
pub use kept::KeptRow;
pub(crate) use kept::publish_linked;
pub(crate) use step::locked_draft;
pub use step::{Change, Draft, History};

use crate::change::Changed;
use crate::publication::{self, DraftId};
use crate::{Result, StorageError, Store};
use compagina_core::ids::TemplateId;
use compagina_core::page::{Layout, Purpose, op};
use compagina_core::template::Reach;
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// A template with both of its layouts.
#[derive(Debug, Clone)]
pub struct TemplateRow {
    /// Its number.
    pub id: TemplateId,
    /// Its name.
    pub name: String,
    /// What it serves.
    pub reach: Reach,
    /// What is changed.
    pub draft: Layout,
    /// Counts its changes.
    pub revision: u64,
    /// What shoppers see; none before it was published.
    pub published: Option<Layout>,
    /// The revision that shoppers see.
    pub published_revision: Option<u64>,
}

impl TemplateRow {
    /// Whether it composes a page or a card; that stays.
    #[must_use]
    pub fn purpose(&self) -> Purpose {
        self.draft.purpose
    }
}

impl Store {
    /// All templates, of pages and of cards, in the order in which ties of reach are settled.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn templates(&self) -> Result<Vec<TemplateRow>> {
        self.template_rows(None).await
    }

    /// Those of pages, or of cards, in their order.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn templates_of(&self, purpose: Purpose) -> Result<Vec<TemplateRow>> {
        let mut rows = self.templates().await?;
        rows.retain(|row| row.purpose() == purpose);
        Ok(rows)
    }

    /// The template of a number.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn template(&self, id: TemplateId) -> Result<TemplateRow> {
        self.template_rows(Some(id)).await?.pop().ok_or(StorageError::NotFound { what: "template" })
    }

    /// One template, or all.
    async fn template_rows(&self, id: Option<TemplateId>) -> Result<Vec<TemplateRow>> {
        let rows = sqlx::query!(
            r#"SELECT id, name, reach AS "reach: Json<Reach>", draft AS "draft: Json<Layout>", revision,
               published AS "published: Json<Layout>", published_revision FROM template
               WHERE id = COALESCE(?, id) AND away_since IS NULL ORDER BY position, id"#,
            id.map(|id| id.0)
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

    /// The names of all templates.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn template_names(&self) -> Result<Vec<(TemplateId, String)>> {
        let rows =
            sqlx::query!("SELECT id, name FROM template WHERE away_since IS NULL ORDER BY position, id")
                .fetch_all(&self.pool)
                .await?;
        Ok(rows.into_iter().map(|r| (TemplateId(r.id), r.name)).collect())
    }

    /// What shoppers see of the templates that are live, in the order in which ties of reach are settled.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn live_templates(&self) -> Result<Vec<(TemplateId, Reach, Layout)>> {
        let rows = sqlx::query!(
            r#"SELECT id, reach AS "reach: Json<Reach>", published AS "published!: Json<Layout>" FROM template
               WHERE published IS NOT NULL AND away_since IS NULL ORDER BY position, id"#
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(rows.into_iter().map(|r| (TemplateId(r.id), r.reach.0, r.published.0)).collect())
    }

    /// Adds a template at the end of the order, after checking its layout whole.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_template(
        &self,
        name: &str,
        reach: &Reach,
        layout: &Layout,
        live: bool,
    ) -> Result<TemplateId> {
        op::check(layout)?;
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let id = insert_template(tx, name, reach, layout).await?;
            if live {
                sqlx::query!(
                    "UPDATE template SET published = draft, published_revision = 1 WHERE id = ?",
                    id.0
                )
                .execute(&mut *tx)
                .await?;
                let shown =
                    serde_json::to_value(layout).map_err(|why| StorageError::damaged("page")(&why))?;
                publication::note(tx, DraftId::Template(id), 1, "As it began", None, &shown).await?;
            }
            unit.changed(Changed::Looks);
            unit.done(id).await
        })
        .await
    }
}

/// A new template at the end of the order, with its first draft; nobody sees it yet.
pub(crate) async fn insert_template(
    tx: &mut MySqlConnection,
    name: &str,
    reach: &Reach,
    layout: &Layout,
) -> Result<TemplateId> {
    arrangement::next(tx, None).await?;
    let done = sqlx::query!(
        "INSERT INTO template (name, position, reach, draft, revision) SELECT ?, COUNT(*), ?, ?, 1 FROM template",
        name,
        Json(reach) as _,
        Json(layout) as _
    )
    .execute(&mut *tx)
    .await?;
    Ok(TemplateId(done.last_insert_id()))
}
