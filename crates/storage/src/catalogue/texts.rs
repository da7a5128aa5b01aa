//! Keeps what is told of a product in words.

use crate::journal::{Hand, Scope};
use crate::{Result, StorageError};
use compagina_core::catalog::journal::merged;
use compagina_core::catalog::{Detail, Fact, Tag, Texts};
use compagina_core::ids::ProductId;
use sqlx::types::Json;

impl Hand<'_> {
    /// Sets texts: what was changed of `was`, of which `texts` were made, is taken.
    ///
    /// # Errors
    /// [`StorageError::Overtaken`] where somebody else changed the same meanwhile, to something else.
    pub async fn set_texts(&self, product: ProductId, was: &Texts, texts: &Texts) -> Result<()> {
        self.step(&Scope::product(product), async |tx, _| {
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
            let texts = merged(was, &now, texts).map_err(|what| StorageError::Overtaken { what })?;
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
            Ok(())
        })
        .await
    }
}
