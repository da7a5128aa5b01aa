//! The products that stand before and after one.

use crate::column::handle;
use crate::{Result, Store};
use compagina_core::ids::{Handle, ProductId};
use compagina_core::media::{Focus, Picture, PictureSize};
use sqlx::types::Json;

/// As much of a product as a link to it shows.
#[derive(Debug, Clone, PartialEq)]
pub struct NeighbourRow {
    /// Its number.
    pub id: ProductId,
    /// Where its page stands.
    pub address: Handle,
    /// Its name.
    pub name: String,
    /// The one that stands for it.
    pub picture: Option<Picture>,
}

impl Store {
    /// The products of its type before and after one that a shopper can visit.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn neighbours(
        &self,
        product: ProductId,
    ) -> Result<(Option<NeighbourRow>, Option<NeighbourRow>)> {
        let rows = sqlx::query!(
            r#"SELECT w.comes_after AS "comes_after: bool", q.id, q.address, q.name, i.alt AS "alt?",
                 i.sizes AS "sizes: Json<Vec<PictureSize>>", i.focus AS "focus: Json<Focus>", i.cut_out AS "cut_out?: bool"
               FROM (
                 (SELECT FALSE AS comes_after, q.id FROM product p
                  JOIN product q ON q.type_id = p.type_id AND q.state IN ('on_sale', 'coming_soon')
                    AND (q.position < p.position OR (q.position = p.position AND q.id < p.id))
                  WHERE p.id = ? ORDER BY q.position DESC, q.id DESC LIMIT 1)
                 UNION ALL
                 (SELECT TRUE, q.id FROM product p
                  JOIN product q ON q.type_id = p.type_id AND q.state IN ('on_sale', 'coming_soon')
                    AND (q.position > p.position OR (q.position = p.position AND q.id > p.id))
                  WHERE p.id = ? ORDER BY q.position, q.id LIMIT 1)
               ) w
               JOIN product q ON q.id = w.id
               LEFT JOIN picture i ON i.id = (
                 SELECT f.id FROM picture f WHERE f.product_id = q.id AND JSON_LENGTH(f.sizes) > 0
                 ORDER BY f.position, f.id LIMIT 1)"#,
            product.0,
            product.0
        )
        .fetch_all(&self.pool)
        .await?;
        let (mut before, mut after) = (None, None);
        for row in rows {
            let picture = row.sizes.map(|sizes| Picture {
                sizes: sizes.0,
                alt: row.alt.unwrap_or_default(),
                focus: row.focus.map(|focus| focus.0).unwrap_or_default(),
                cut_out: row.cut_out.unwrap_or_default(),
                ..Picture::default()
            });
            let found = NeighbourRow {
                id: ProductId(row.id),
                address: handle(row.address)?,
                name: row.name,
                picture,
            };
            *(if row.comes_after { &mut after } else { &mut before }) = Some(found);
        }
        Ok((before, after))
    }
}
