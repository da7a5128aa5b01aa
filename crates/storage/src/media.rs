//! The shop's own pictures and films, as pieces refer to them.

use crate::catalogue::insert_picture;
use crate::change::Changed;
use crate::{Result, Store};
use compagina_core::catalog::NewPicture;
use compagina_core::media::{Film, FilmFile, Focus, Picture, PictureSize, ShopMedia};
use sqlx::types::Json;

impl Store {
    /// Adds a picture whose sizes are made already, or a film with its poster, under a name of its own.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_media(&self, name: &str, picture: &NewPicture) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let place = sqlx::query_scalar!("SELECT COUNT(*) FROM picture WHERE product_id IS NULL")
                .fetch_one(&mut *tx)
                .await?;
            let id = insert_picture(tx, None, usize::try_from(place).unwrap_or(0), picture).await?;
            sqlx::query!("UPDATE picture SET name = ? WHERE id = ?", name, id).execute(&mut *tx).await?;
            unit.changed(Changed::Looks);
            unit.done(()).await
        })
        .await
    }

    /// Those of which sizes are made.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn shop_media(&self) -> Result<ShopMedia> {
        let rows = sqlx::query!(
            r#"SELECT name AS "name!: String", alt, sizes AS "sizes: Json<Vec<PictureSize>>", focus AS "focus: Json<Focus>",
               cut_out AS "cut_out: bool", film AS "film: Json<FilmFile>" FROM picture
               WHERE product_id IS NULL AND name IS NOT NULL AND JSON_LENGTH(sizes) > 0"#
        )
        .fetch_all(&self.pool)
        .await?;
        let mut media = ShopMedia::default();
        for row in rows {
            let picture = Picture {
                sizes: row.sizes.0,
                alt: row.alt,
                focus: row.focus.0,
                cut_out: row.cut_out,
                ..Picture::default()
            };
            match row.film {
                Some(Json(FilmFile { hash, width, height })) => {
                    media.films.insert(row.name, Film { hash, width, height, poster: picture });
                }
                None => {
                    media.pictures.insert(row.name, picture);
                }
            }
        }
        Ok(media)
    }
}
