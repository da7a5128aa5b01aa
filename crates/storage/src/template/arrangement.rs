//! Which template serves what: the reach of all templates and their order. Whoever changes it says on which one that is
//! based, so that nobody undoes what somebody else did meanwhile.

use crate::change::Changed;
use crate::publication::{self, DraftId};
use crate::{Result, StorageError, Store};
use compagina_core::ids::TemplateId;
use compagina_core::page::{Layout, Purpose};
use compagina_core::template::Reach;
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// All templates with their reach, in the order in which ties are settled.
#[derive(Debug, Clone)]
pub struct Arrangement {
    /// What it was read as, or what a changed one is based on.
    pub revision: u64,
    /// The templates with their reach, the most important first.
    pub all: Vec<(TemplateId, Reach)>,
}

impl Store {
    /// Counts the changes of the arrangement.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn arrangement_revision(&self) -> Result<u64> {
        Ok(sqlx::query_scalar!("SELECT revision FROM arrangement").fetch_one(&self.pool).await?)
    }

    /// Which template serves what.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn arrangement(&self) -> Result<Arrangement> {
        // Read before the rest: a change between the two is then noticed.
        let revision = self.arrangement_revision().await?;
        let rows =
            sqlx::query!(r#"SELECT id, reach AS "reach: Json<Reach>" FROM template WHERE away_since IS NULL ORDER BY position, id"#)
                .fetch_all(&self.pool)
                .await?;
        Ok(Arrangement { revision, all: rows.into_iter().map(|r| (TemplateId(r.id), r.reach.0)).collect() })
    }

    /// Gives a template another name and reach.
    ///
    /// # Errors
    /// [`StorageError::Rearranged`](crate::StorageError::Rearranged) where somebody else changed since which template serves what.
    /// Else those of the database.
    pub async fn set_template(&self, id: TemplateId, based_on: u64, name: &str, reach: &Reach) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            next(tx, Some(based_on)).await?;
            sqlx::query!(
                "UPDATE template SET name = ?, reach = ? WHERE id = ?",
                name,
                Json(reach) as _,
                id.0
            )
            .execute(&mut *tx)
            .await?;
            unit.changed(Changed::Looks);
            unit.done(()).await
        })
        .await
    }

    /// Takes a template away: it serves nothing any more, and nothing of it is published by itself. It keeps all that it has.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn take_template_away(&self, id: TemplateId, based_on: u64) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            next(tx, Some(based_on)).await?;
            let done = sqlx::query!(
                "UPDATE template SET away_since = CURRENT_TIMESTAMP(3) WHERE id = ? AND away_since IS NULL",
                id.0
            )
            .execute(&mut *tx)
            .await?;
            if done.rows_affected() == 0 {
                return Err(StorageError::NotFound { what: "template" });
            }
            publication::unplan(tx, DraftId::Template(id)).await?;
            unit.changed(Changed::Looks);
            unit.done(()).await
        })
        .await
    }

    /// Brings a template back that was taken away: with its reach, in its place.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn bring_template_back(&self, id: TemplateId, based_on: u64) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            next(tx, Some(based_on)).await?;
            let done = sqlx::query!(
                "UPDATE template SET away_since = NULL WHERE id = ? AND away_since IS NOT NULL",
                id.0
            )
            .execute(&mut *tx)
            .await?;
            if done.rows_affected() == 0 {
                return Err(StorageError::NotFound { what: "template that was removed" });
            }
            unit.changed(Changed::Looks);
            unit.done(()).await
        })
        .await
    }

    /// The templates that were taken away, by their names and whether they are pages or cards, the last one first.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn templates_away(&self) -> Result<Vec<(TemplateId, String, Purpose)>> {
        let rows = sqlx::query!(
            r#"SELECT id, name, draft AS "draft: Json<Layout>" FROM template WHERE away_since IS NOT NULL ORDER BY away_since DESC, id DESC LIMIT 50"#
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(rows.into_iter().map(|row| (TemplateId(row.id), row.name, row.draft.0.purpose)).collect())
    }

    /// Arranges the templates anew, as one step.
    ///
    /// # Errors
    /// [`StorageError::Rearranged`](crate::StorageError::Rearranged) where somebody else changed since which template serves what.
    /// Else those of the database.
    pub async fn arrange(&self, arrangement: &Arrangement) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            write(tx, arrangement).await?;
            unit.changed(Changed::Looks);
            unit.done(()).await
        })
        .await
    }
}

/// Counts on. Refuses what is based on another arrangement than the present one.
pub(super) async fn next(tx: &mut MySqlConnection, based_on: Option<u64>) -> Result<()> {
    let done = sqlx::query!(
        "UPDATE arrangement SET revision = revision + 1 WHERE revision = COALESCE(?, revision)",
        based_on
    )
    .execute(&mut *tx)
    .await?;
    if done.rows_affected() == 0 { Err(StorageError::Rearranged) } else { Ok(()) }
}

pub(crate) async fn write(tx: &mut MySqlConnection, arrangement: &Arrangement) -> Result<()> {
    next(tx, Some(arrangement.revision)).await?;
    for (position, (id, reach)) in (0u32..).zip(&arrangement.all) {
        sqlx::query!(
            "UPDATE template SET reach = ?, position = ? WHERE id = ?",
            Json(reach) as _,
            position,
            id.0
        )
        .execute(&mut *tx)
        .await?;
    }
    Ok(())
}
