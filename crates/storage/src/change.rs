//! Notes of what changed, so that every server process drops the pages that it keeps ready.

use crate::{Result, Store};
use compagina_core::ids::ProductId;
use sqlx::MySqlConnection;

/// How far back a reader looks: longer than any transaction may take, since notes become visible when their
/// transaction ends and not in the order of their numbers.
const LOOK_BACK_SECONDS: i64 = 30;

/// Notes within a transaction that a product, or everything, has changed.
pub(crate) async fn note(tx: &mut MySqlConnection, product: Option<ProductId>) -> Result<()> {
    sqlx::query!("INSERT INTO change_note (product_id) VALUES (?)", product.map(|p| p.0))
        .execute(&mut *tx)
        .await?;
    Ok(())
}

impl Store {
    /// The notes of the last half minute: number, and the product (everything where there is none).
    pub async fn recent_changes(&self) -> Result<Vec<(u64, Option<ProductId>)>> {
        let rows = sqlx::query!(
            "SELECT id, product_id FROM change_note WHERE at > CURRENT_TIMESTAMP(3) - INTERVAL ? SECOND ORDER BY id",
            LOOK_BACK_SECONDS
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(rows.into_iter().map(|r| (r.id, r.product_id.map(ProductId))).collect())
    }

    /// Drops notes that every reader has long seen.
    pub async fn forget_old_changes(&self) -> Result<()> {
        sqlx::query!("DELETE FROM change_note WHERE at < CURRENT_TIMESTAMP(3) - INTERVAL 1 HOUR LIMIT 10000")
            .execute(&self.pool)
            .await?;
        Ok(())
    }
}
