//! Who is at a desk, situations kept by name, and links by which others may look at a draft.

use crate::{Result, StorageError, Store, Thing};
use chrono::{DateTime, Utc};
use compagina_core::ids::TemplateId;
use sqlx::types::Json;

/// An owner at an open desk.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Present {
    /// Its name.
    pub name: String,
    /// Where they are.
    pub place: String,
    /// What is chosen there.
    pub chosen: String,
}

/// After so many seconds without a sign someone is taken to have left.
const GONE_AFTER_SECONDS: i64 = 12;

/// A situation kept by its name.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct KeptSituation {
    /// Its number.
    pub id: u64,
    /// Its name.
    pub name: String,
    /// The situation, as the desk sends it.
    pub look: serde_json::Value,
}

const MOST_KEPT: i64 = 100;

impl Store {
    /// Notes that someone is here, and what is chosen there.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn be_present(
        &self,
        template: TemplateId,
        place: &str,
        owner: u64,
        chosen: &str,
    ) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let as_before = sqlx::query_scalar!(
                r#"SELECT chosen = ? AND seen_at > UTC_TIMESTAMP(3) - INTERVAL ? SECOND AS "same!: bool" FROM presence
                   WHERE template_id = ? AND place = ?"#,
                chosen,
                GONE_AFTER_SECONDS,
                template.0,
                place
            )
            .fetch_optional(unit.db())
            .await?;
            sqlx::query!(
                "REPLACE INTO presence (template_id, place, owner_id, chosen, seen_at) VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3))",
                template.0,
                place,
                owner,
                chosen
            )
            .execute(unit.db())
            .await?;
            if as_before != Some(true) {
                unit.tell(Thing::Here(template), None);
            }
            unit.done(()).await
        })
        .await
    }

    /// Everybody who is at a template's desk, by name.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn present(&self, template: TemplateId) -> Result<Vec<Present>> {
        let rows = sqlx::query_as!(
            Present,
            "SELECT o.name, p.place, p.chosen FROM presence p JOIN owner o ON o.id = p.owner_id
             WHERE p.template_id = ? AND p.seen_at > UTC_TIMESTAMP(3) - INTERVAL ? SECOND ORDER BY o.name, p.place",
            template.0,
            GONE_AFTER_SECONDS
        );
        Ok(rows.fetch_all(&self.pool).await?)
    }

    /// Notes that whoever is at these places is still there.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn still_present(&self, places: &[String]) -> Result<()> {
        sqlx::query!(
            "UPDATE presence SET seen_at = UTC_TIMESTAMP(3) WHERE JSON_CONTAINS(?, JSON_QUOTE(place))",
            Json(places) as _
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }

    /// Notes that someone has left the desk of a template.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn leave(&self, template: TemplateId, place: &str) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            sqlx::query!("DELETE FROM presence WHERE template_id = ? AND place = ?", template.0, place)
                .execute(unit.db())
                .await?;
            unit.tell(Thing::Here(template), None);
            unit.done(()).await
        })
        .await
    }

    /// Takes everybody to have left who is at this place, or gave no sign for long.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn clear_presence(&self, place: Option<&str>) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let gone = sqlx::query!(
                "SELECT DISTINCT template_id FROM presence WHERE place = ? OR seen_at < UTC_TIMESTAMP(3) - INTERVAL ? SECOND",
                place,
                GONE_AFTER_SECONDS
            )
            .fetch_all(unit.db())
            .await?;
            if gone.is_empty() {
                return unit.given_up(()).await;
            }
            sqlx::query!(
                "DELETE FROM presence WHERE place = ? OR seen_at < UTC_TIMESTAMP(3) - INTERVAL ? SECOND",
                place,
                GONE_AFTER_SECONDS
            )
            .execute(unit.db())
            .await?;
            gone.iter().for_each(|row| unit.tell(Thing::Here(TemplateId(row.template_id)), None));
            unit.done(()).await
        })
        .await
    }

    /// Every situation that was kept.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn kept_situations(&self) -> Result<Vec<KeptSituation>> {
        let rows = sqlx::query!(
            r#"SELECT id, name, look AS "look: Json<serde_json::Value>" FROM kept_situation ORDER BY name"#
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(rows.into_iter().map(|r| KeptSituation { id: r.id, name: r.name, look: r.look.0 }).collect())
    }

    /// Keeps a situation; one of the same name is replaced.
    ///
    /// # Errors
    /// [`StorageError::Full`](crate::StorageError::Full) where there are as many as there can be.
    /// Else those of the database.
    pub async fn keep_situation(&self, name: &str, look: &serde_json::Value) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let others = sqlx::query_scalar!(
                "SELECT COUNT(*) FROM (SELECT id FROM kept_situation WHERE name <> ? FOR UPDATE) others",
                name
            )
            .fetch_one(&mut *tx)
            .await?;
            if others >= MOST_KEPT {
                return Err(StorageError::Full { what: "situations", most: MOST_KEPT });
            }
            sqlx::query!(
                "INSERT INTO kept_situation (name, look) VALUES (?, ?) ON DUPLICATE KEY UPDATE look = VALUES(look)",
                name,
                Json(look) as _
            )
            .execute(&mut *tx)
            .await?;
            unit.done(()).await
        })
        .await
    }

    /// Forgets a kept situation.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn drop_situation(&self, id: u64) -> Result<()> {
        sqlx::query!("DELETE FROM kept_situation WHERE id = ?", id).execute(&self.pool).await?;
        Ok(())
    }

    /// Keeps a link under the hash of its token; links that have run out are dropped a month later.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_preview(
        &self,
        token_hash: &[u8; 32],
        template: TemplateId,
        owner: u64,
        until: DateTime<Utc>,
    ) -> Result<()> {
        sqlx::query!("DELETE FROM preview_link WHERE expires_at < UTC_TIMESTAMP() - INTERVAL 30 DAY")
            .execute(&self.pool)
            .await?;
        sqlx::query!(
            "INSERT INTO preview_link (token_hash, template_id, owner_id, expires_at) VALUES (?, ?, ?, ?)",
            &token_hash[..],
            template.0,
            owner,
            until
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }

    /// The template that a link shows and until when, also where that is past.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn preview(&self, token_hash: &[u8; 32]) -> Result<Option<(TemplateId, DateTime<Utc>)>> {
        let row = sqlx::query!(
            r#"SELECT template_id, expires_at AS "expires_at: DateTime<Utc>" FROM preview_link WHERE token_hash = ?"#,
            &token_hash[..]
        )
        .fetch_optional(&self.pool)
        .await?;
        Ok(row.map(|r| (TemplateId(r.template_id), r.expires_at)))
    }

    /// Ends every link to a template at once.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn end_previews(&self, template: TemplateId) -> Result<u64> {
        let done = sqlx::query!("DELETE FROM preview_link WHERE template_id = ?", template.0);
        Ok(done.execute(&self.pool).await?.rows_affected())
    }
}
