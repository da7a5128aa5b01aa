//! Notes of what changed, so that every server process drops the pages that it keeps ready.

use crate::{Result, Store};
use compagina_core::ids::ProductId;

/// How far back a reader looks: longer than any transaction may take, since notes become visible when their
/// transaction ends and not in the order of their numbers.
pub(crate) const LOOK_BACK_SECONDS: i64 = 30;

/// What may be otherwise since a note.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Changed {
    /// A single product.
    Product(ProductId),
    /// How all pages look and what they say; the products are as they were.
    Looks,
    /// All of it.
    Everything,
}

impl From<Option<ProductId>> for Changed {
    fn from(product: Option<ProductId>) -> Self {
        product.map_or(Self::Everything, Self::Product)
    }
}

impl Store {
    /// The notes of the last half minute, with their numbers.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn recent_changes(&self) -> Result<Vec<(u64, Changed)>> {
        let rows = sqlx::query!(
            r#"SELECT id, product_id, goods AS "goods: bool" FROM change_note
               WHERE at > CURRENT_TIMESTAMP(3) - INTERVAL ? SECOND ORDER BY id"#,
            LOOK_BACK_SECONDS
        )
        .fetch_all(&self.pool)
        .await?;
        let changed = |product: Option<u64>, goods: bool| match product {
            Some(product) => Changed::Product(ProductId(product)),
            None if goods => Changed::Everything,
            None => Changed::Looks,
        };
        Ok(rows.into_iter().map(|r| (r.id, changed(r.product_id, r.goods))).collect())
    }

    /// Drops notes that every reader has long seen.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn forget_old_changes(&self) -> Result<()> {
        sqlx::query!("DELETE FROM change_note WHERE at < CURRENT_TIMESTAMP(3) - INTERVAL 1 HOUR LIMIT 10000")
            .execute(&self.pool)
            .await?;
        Ok(())
    }
}
