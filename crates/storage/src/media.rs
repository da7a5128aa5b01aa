//! The shop's free pictures and films.

use crate::{Result, Store, change};
use compagina_core::media::{Film, Picture, ShopMedia};
use sqlx::types::Json;

impl Store {
    /// Keeps a picture, or a film with its poster, under a name. One of the same name is replaced.
    pub async fn put_media(&self, name: &str, picture: &Picture, film: Option<&Film>) -> Result<()> {
        let mut tx = self.pool.begin().await?;
        let place = sqlx::query_scalar!("SELECT COUNT(*) FROM shop_media").fetch_one(&mut *tx).await?;
        sqlx::query!(
            "REPLACE INTO shop_media (name, position, picture, film) VALUES (?, ?, ?, ?)",
            name,
            place,
            Json(picture) as _,
            film.map(Json) as _
        )
        .execute(&mut *tx)
        .await?;
        change::note(&mut tx, None).await?;
        tx.commit().await?;
        Ok(())
    }

    pub async fn shop_media(&self) -> Result<ShopMedia> {
        let rows = sqlx::query!(
            r#"SELECT name, picture AS "picture: Json<Picture>", film AS "film: Json<Film>" FROM shop_media ORDER BY position"#
        )
        .fetch_all(&self.pool)
        .await?;
        let mut media = ShopMedia::default();
        for row in rows {
            match row.film {
                Some(film) => {
                    media.films.insert(row.name, film.0);
                }
                None => {
                    media.pictures.insert(row.name, row.picture.0);
                }
            }
        }
        Ok(media)
    }
}
