//! Keeps what is told of a product in words.

use crate::change::Changed;
use crate::{Result, StorageError, Store};
use compagina_core::catalog::{Detail, Fact, Tag, Texts};
use compagina_core::ids::ProductId;
use sqlx::types::Json;

impl Store {
    /// Puts texts in the place of those that they were made of; none where these are others by now.
    pub async fn set_texts(&self, product: ProductId, was: &Texts, texts: &Texts) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let row = sqlx::query!(
                r#"SELECT name, brand, summary, details AS "details: Json<Vec<Detail>>",
                 facts AS "facts: Json<Vec<Fact>>", tags AS "tags: Json<Vec<Tag>>"
                 FROM product WHERE id = ? FOR UPDATE"#,
                product.0
            )
            .fetch_optional(&mut *tx)
            .await?
            .ok_or(StorageError::NotFound { what: "product" })?;
            let (details, facts, tags) = (row.details.0, row.facts.0, row.tags.0);
            let now = Texts { name: row.name, brand: row.brand, summary: row.summary, details, facts, tags };
            if now != *was {
                return Err(StorageError::Overtaken { what: "the texts" });
            }
            sqlx::query!(
                "UPDATE product SET name = ?, brand = ?, summary = ?, details = ?, facts = ?, tags = ? WHERE id = ?",
                texts.name,
                texts.brand,
                texts.summary,
                Json(&texts.details) as _,
                Json(&texts.facts) as _,
                Json(&texts.tags) as _,
                product.0
            )
            .execute(&mut *tx)
            .await?;
            unit.changed(Changed::Product(product));
            unit.done(()).await
        })
        .await
    }
}
