//! Kept bands. A linked band is the same in every template: what changes it in one draft changes the others in the same
//! transaction, and what publishes it there shows it in all.

use super::step;
use crate::publication::{self, DraftId};
use crate::unit::Unit;
use crate::{Result, StorageError, Store};
use compagina_core::ids::{BandId, KeptId, TemplateId};
use compagina_core::page::op::Footprint;
use compagina_core::page::{Band, Layout, Op, apply};
use compagina_core::template::{
    self,
    kept::{follow, linked},
};
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::time::Duration;

/// A kept band as it is now.
#[derive(Debug, Clone)]
pub struct KeptRow {
    /// Its number.
    pub id: KeptId,
    /// Its name.
    pub name: String,
    /// The band.
    pub band: Band,
}

impl Store {
    /// Every kept band.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn kept_bands(&self) -> Result<Vec<KeptRow>> {
        let rows =
            sqlx::query!(r#"SELECT id, name, band AS "band: Json<Band>" FROM kept_band ORDER BY name, id"#)
                .fetch_all(&self.pool)
                .await?;
        Ok(rows.into_iter().map(|r| KeptRow { id: KeptId(r.id), name: r.name, band: r.band.0 }).collect())
    }

    /// Saves a band under a name that is linked nowhere yet, for a shop that brings it along.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_kept_band(&self, name: &str, band: &Band) -> Result<KeptId> {
        let done = sqlx::query!("INSERT INTO kept_band (name, band) VALUES (?, ?)", name, Json(band) as _)
            .execute(&self.pool)
            .await?;
        Ok(KeptId(done.last_insert_id()))
    }

    /// Forgets a kept band that is linked in no draft.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// [`StorageError::StillLinked`](crate::StorageError::StillLinked) where templates link to it.
    /// Else those of the database.
    pub async fn forget_kept_band(&self, id: KeptId) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let name = sqlx::query_scalar!("SELECT name FROM kept_band WHERE id = ? FOR UPDATE", id.0)
                .fetch_optional(&mut *tx)
                .await?
                .ok_or(StorageError::NotFound { what: "kept band" })?;
            let templates = sqlx::query!(
                r#"SELECT name, draft AS "draft: Json<Layout>" FROM template ORDER BY position, id FOR UPDATE"#
            )
            .fetch_all(&mut *tx)
            .await?;
            let uses = |draft: &Layout| linked(draft).any(|(kept, _)| kept == id);
            let used: Vec<String> =
                templates.into_iter().filter(|row| uses(&row.draft.0)).map(|row| row.name).collect();
            if !used.is_empty() {
                return Err(StorageError::StillLinked { name, templates: used.join(", ") });
            }
            sqlx::query!("DELETE FROM kept_band WHERE id = ?", id.0).execute(&mut *tx).await?;
            unit.done(()).await
        })
        .await
    }
}

/// Keeps a band under a name; gives what makes it the first that is linked to it.
pub(super) async fn keep_band(
    tx: &mut MySqlConnection,
    layout: &Layout,
    band: &BandId,
    name: &str,
) -> Result<Op> {
    let found = layout.band(band).ok_or(StorageError::NotFound { what: "band" })?;
    if found.kept.is_some() {
        return Err(StorageError::KeptAlready);
    }
    let done = sqlx::query!("INSERT INTO kept_band (name, band) VALUES (?, ?)", name, Json(found) as _)
        .execute(&mut *tx)
        .await?;
    Ok(template::kept::keep(layout, band, KeptId(done.last_insert_id()))?)
}

/// A kept band as it is now.
pub(super) async fn kept_band(tx: &mut MySqlConnection, id: KeptId) -> Result<Band> {
    let band = sqlx::query_scalar!(
        r#"SELECT band AS "band: Json<Band>" FROM kept_band WHERE id = ? FOR UPDATE"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?;
    Ok(band.ok_or(StorageError::NotFound { what: "kept band" })?.0)
}

/// After a step on a draft: a linked band that came into it is as it is elsewhere, and one that the step changed is
/// changed elsewhere too. What goes on with the typing of a moment ago does so elsewhere. Gives what it touched here.
pub(super) async fn keep_linked(
    unit: &mut Unit,
    (id, owner, typing): (TemplateId, u64, Option<Duration>),
    before: &Layout,
    after: &mut Layout,
) -> Result<Footprint> {
    let mut touched = Footprint::default();
    let now: Vec<(KeptId, Band)> = linked(after).map(|(kept, band)| (kept, band.clone())).collect();
    for (kept, band) in now {
        let was = linked(before).find(|(one, _)| *one == kept).map(|(_, band)| band);
        if was == Some(&band) {
            continue;
        }
        let known = sqlx::query_scalar!(
            r#"SELECT band AS "band: Json<Band>" FROM kept_band WHERE id = ? FOR UPDATE"#,
            kept.0
        )
        .fetch_optional(unit.db())
        .await?;
        let Some(known) = known else { continue };
        if was.is_none() && known.0.kept.is_some() {
            // It comes in anew, perhaps by undoing: as it is by now, not as it was when it left.
            if let Some(op) = follow(after, &known.0) {
                touched = touched.and(Footprint::of(after, &op));
                apply(after, op)?;
            }
            continue;
        }
        sqlx::query!("UPDATE kept_band SET band = ? WHERE id = ?", Json(&band) as _, kept.0)
            .execute(unit.db())
            .await?;
        for other in drafts_with(unit.db(), kept, id).await? {
            change_other(unit, other, (owner, typing), &band).await?;
        }
    }
    Ok(touched)
}

async fn drafts_with(tx: &mut MySqlConnection, kept: KeptId, but: TemplateId) -> Result<Vec<TemplateId>> {
    let like = format!("%\"kept\":{}%", kept.0);
    let rows = sqlx::query_scalar!(
        "SELECT id FROM template WHERE id <> ? AND draft LIKE ? ORDER BY id",
        but.0,
        like
    )
    .fetch_all(&mut *tx)
    .await?;
    Ok(rows.into_iter().map(TemplateId).collect())
}

async fn change_other(
    unit: &mut Unit,
    id: TemplateId,
    (owner, typing): (u64, Option<Duration>),
    band: &Band,
) -> Result<()> {
    let step::Draft { mut layout, revision: current, .. } = step::locked_draft(unit.db(), id).await?;
    let Some(op) = follow(&layout, band) else { return Ok(()) };
    let revision = current + 1;
    let touched = Footprint::of(&layout, &op);
    let inverse = apply(&mut layout, op.clone())?;
    let is_linked = |last: &Op| matches!(last, Op::ReplaceBand { band: other } if other.id == band.id);
    let goes_on = match typing {
        Some(within) => step::goes_on(unit.db(), (id, owner, revision), within, &op, is_linked).await?,
        None => false,
    };
    if !goes_on {
        step::note_edit(unit.db(), id, owner, revision, (&op, &inverse)).await?;
    }
    step::note_step(unit.db(), (id, owner, revision), &op, &touched).await?;
    step::write_draft(unit, id, revision, &layout).await
}

/// What a publication shows of linked bands is shown by all templates that are live.
pub(crate) async fn publish_linked(
    tx: &mut MySqlConnection,
    id: TemplateId,
    owner: u64,
    layout: &Layout,
) -> Result<()> {
    for (kept, band) in linked(layout) {
        let like = format!("%\"kept\":{}%", kept.0);
        let rows = sqlx::query!(
            r#"SELECT id, published AS "published!: Json<Layout>", published_revision AS "revision!" FROM template
               WHERE id <> ? AND published IS NOT NULL AND published LIKE ? ORDER BY id FOR UPDATE"#,
            id.0,
            like
        )
        .fetch_all(&mut *tx)
        .await?;
        for row in rows {
            let (other, mut shown) = (TemplateId(row.id), row.published.0);
            let Some(op) = follow(&shown, band) else { continue };
            apply(&mut shown, op)?;
            sqlx::query!("UPDATE template SET published = ? WHERE id = ?", Json(&shown) as _, other.0)
                .execute(&mut *tx)
                .await?;
            let name = "A kept band changed with another template";
            let document = serde_json::to_value(&shown).map_err(|why| StorageError::damaged("page")(&why))?;
            publication::note(tx, DraftId::Template(other), row.revision, name, Some(owner), &document)
                .await?;
        }
    }
    Ok(())
}
