//! The picture that stands for a product.

use crate::column::handle;
use crate::{Result, Store};
use compagina_core::ids::Handle;
use compagina_core::media::{Picture, PictureSize};
use sqlx::types::Json;
use std::collections::BTreeMap;

impl Store {
    /// The first picture of each of some products; those without any are left out.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn lead_pictures(&self, products: &[Handle]) -> Result<BTreeMap<Handle, Picture>> {
        let wanted = serde_json::to_string(products).unwrap_or_default();
        let rows = sqlx::query!(
            r#"SELECT STRAIGHT_JOIN p.handle, i.alt, i.sizes AS "sizes: Json<Vec<PictureSize>>"
               FROM JSON_TABLE(?, '$[*]' COLUMNS (handle VARCHAR(80) CHARACTER SET ascii COLLATE ascii_bin PATH '$')) w
               JOIN product p ON p.handle = w.handle
               JOIN picture i ON i.id = (
                 SELECT f.id FROM picture f WHERE f.product_id = p.id AND JSON_LENGTH(f.sizes) > 0
                 ORDER BY f.position, f.id LIMIT 1)"#,
            wanted
        )
        .fetch_all(&self.pool)
        .await?;
        let pictures = rows.into_iter().map(|row| {
            Ok((handle(row.handle)?, Picture { sizes: row.sizes.0, alt: row.alt, ..Picture::default() }))
        });
        pictures.collect()
    }
}
