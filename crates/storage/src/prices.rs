//! The shop's price rules in force, and its clocks.

use crate::price_history::past_books;
use crate::{Result, StorageError, Store};
use compagina_core::price::{OldFrom, PriceBook, Prices};
use compagina_core::time::{Moment, Zone};
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::sync::Arc;

impl Store {
    /// The clocks by which the shop plans.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn zone(&self) -> Result<Zone> {
        zone_of(&mut *self.pool.acquire().await?).await
    }

    /// The published prices at a moment, for an empty cart.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn prices(&self, now: Moment) -> Result<Prices> {
        prices_of(&mut *self.pool.acquire().await?, now).await
    }
}

/// The same within a transaction, so that what is sold costs what the rules say when it is sold.
pub(crate) async fn prices_of(db: &mut MySqlConnection, now: Moment) -> Result<Prices> {
    let book = sqlx::query_scalar!(
        r#"SELECT published AS "published: Json<PriceBook>" FROM shop_document WHERE name = 'prices'"#
    )
    .fetch_optional(&mut *db)
    .await?;
    let (zone, book) = (zone_of(db).await?, book.map(|json| json.0).unwrap_or_default());
    // Only old prices by the history ask what was in force before.
    let past = if book.old == OldFrom::Lowest { past_books(db).await? } else { vec![] };
    Ok(Prices::new(Arc::new(book), zone, now).with_past(past))
}

async fn zone_of(db: &mut MySqlConnection) -> Result<Zone> {
    let name = sqlx::query_scalar!("SELECT zone FROM shop").fetch_optional(&mut *db).await?;
    name.map_or(Ok(Zone::default()), |name| {
        Zone::named(&name).map_err(|e| StorageError::damaged("time zone")(&e))
    })
}
