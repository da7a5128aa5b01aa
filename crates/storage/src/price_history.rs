//! What things cost before: every change of a price is recorded with what was before it.

use crate::{Result, Store};
use compagina_core::ids::{ProductId, VariantId};
use compagina_core::price::{PastBook, PriceBook};
use compagina_core::time::Moment;
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::sync::Arc;

/// A year and a month; what was in force before then says nothing of today's prices.
const KEPT_SECONDS: i64 = 400 * 86_400;

impl Store {
    /// The price rules that were in force before, oldest first.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn past_prices(&self) -> Result<Vec<PastBook>> {
        past_books(&mut *self.pool.acquire().await?).await
    }

    /// Records, for a shop that brings its history along, what a price was until a moment.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn record_past_price(&self, product: ProductId, at: Moment, was_minor: i64) -> Result<()> {
        sqlx::query!(
            "INSERT INTO price_change (product_id, at, was_minor) VALUES (?, ?, ?)",
            product.0,
            at.0,
            was_minor
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }
}

pub(crate) async fn past_books(db: &mut MySqlConnection) -> Result<Vec<PastBook>> {
    let rows = sqlx::query!(
        r#"SELECT until_at, book AS "book: Json<PriceBook>" FROM past_prices
           WHERE until_at > UNIX_TIMESTAMP() - ? ORDER BY until_at, id"#,
        KEPT_SECONDS
    )
    .fetch_all(&mut *db)
    .await?;
    let past = |until, book: Json<PriceBook>| PastBook { until: Moment(until), book: Arc::new(book.0) };
    Ok(rows.into_iter().map(|row| past(row.until_at, row.book)).collect())
}

/// Records what a product's price is, before it becomes another one.
pub(crate) async fn before_price(tx: &mut MySqlConnection, product: ProductId, next: i64) -> Result<()> {
    sqlx::query!(
        "INSERT INTO price_change (product_id, at, was_minor)
         SELECT id, UNIX_TIMESTAMP(), price_minor FROM product WHERE id = ? AND price_minor <> ?",
        product.0,
        next
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// The same for a variant's own price.
pub(crate) async fn before_own_price(
    tx: &mut MySqlConnection,
    variant: VariantId,
    next: Option<i64>,
) -> Result<()> {
    sqlx::query!(
        "INSERT INTO price_change (product_id, variant_id, at, was_minor)
         SELECT product_id, id, UNIX_TIMESTAMP(), price_minor FROM variant WHERE id = ? AND NOT (price_minor <=> ?)",
        variant.0,
        next
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// Keeps the rules in force, before these are.
pub(crate) async fn before_rules(tx: &mut MySqlConnection, next: &serde_json::Value) -> Result<()> {
    sqlx::query!(
        "INSERT INTO past_prices (until_at, book) SELECT UNIX_TIMESTAMP(), published FROM shop_document
         WHERE name = 'prices' AND NOT JSON_EQUALS(published, ?)",
        Json(next) as _
    )
    .execute(&mut *tx)
    .await?;
    sqlx::query!("DELETE FROM past_prices WHERE until_at < UNIX_TIMESTAMP() - ?", KEPT_SECONDS)
        .execute(&mut *tx)
        .await?;
    Ok(())
}
