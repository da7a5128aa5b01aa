//! Who wants to hear of what, and messages to shoppers as they are written. Nothing is sent from here.

use crate::{Result, Store, column};
use compagina_core::ids::{Handle, ProductId, VariantId};
use compagina_core::time::Moment;
use sqlx::MySqlConnection;
use std::collections::BTreeMap;

/// So many are told at once.
const MOST_AT_ONCE: u32 = 200;

/// A message as it lies in the outbox.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Message {
    /// Where it is sent.
    pub address: String,
    /// What it is about, in a line.
    pub subject: String,
    /// What is written.
    pub body: String,
}

/// Somebody who waited for something that can be bought now.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct News {
    /// The number of the wish to hear of it.
    pub interest: u64,
    /// The address that mail goes to.
    pub email: String,
    /// Where its page stands.
    pub address: Handle,
    /// Its name.
    pub name: String,
}

impl Store {
    /// Notes that somebody wants to hear when something can be bought; once, however often it is asked for.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn note_interest(
        &self,
        product: ProductId,
        variant: Option<VariantId>,
        email: &str,
    ) -> Result<()> {
        sqlx::query!(
            "INSERT INTO interest (product_id, variant_id, email) SELECT ?, ?, ? FROM DUAL WHERE NOT EXISTS
             (SELECT 1 FROM interest WHERE product_id = ? AND variant_id <=> ? AND email = ? AND told_at IS NULL)",
            product.0,
            variant.map(|id| id.0),
            email,
            product.0,
            variant.map(|id| id.0),
            email
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }

    /// How many wait for each variant of a product; none stands for the whole product.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn interest_in(&self, product: ProductId) -> Result<BTreeMap<Option<VariantId>, u32>> {
        let rows = sqlx::query!(
            r#"SELECT variant_id, COUNT(*) AS "count!: i64" FROM interest
               WHERE product_id = ? AND told_at IS NULL GROUP BY variant_id"#,
            product.0
        )
        .fetch_all(&self.pool)
        .await?;
        let count = |count| u32::try_from(count).unwrap_or(u32::MAX);
        Ok(rows.into_iter().map(|row| (row.variant_id.map(VariantId), count(row.count))).collect())
    }

    /// Those who wait for something that can be bought by now.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn news(&self) -> Result<Vec<News>> {
        let rows = sqlx::query!(
            r#"SELECT i.id, i.email, p.address, p.name FROM interest i JOIN product p ON p.id = i.product_id
               WHERE i.told_at IS NULL AND p.state = 'on_sale' AND EXISTS
                 (SELECT 1 FROM variant v WHERE v.product_id = p.id AND (i.variant_id IS NULL OR v.id = i.variant_id)
                  AND (v.stock IS NULL OR v.stock > 0))
               ORDER BY i.id LIMIT ?"#,
            MOST_AT_ONCE
        )
        .fetch_all(&self.pool)
        .await?;
        rows.into_iter()
            .map(|row| {
                let address = column::handle(row.address)?;
                Ok(News { interest: row.id, email: row.email, address, name: row.name })
            })
            .collect()
    }

    /// Writes to somebody who waited, once, whichever process comes first.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn tell(&self, interest: u64, message: &Message) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let done = sqlx::query!(
                "UPDATE interest SET told_at = CURRENT_TIMESTAMP WHERE id = ? AND told_at IS NULL",
                interest
            )
            .execute(&mut *tx)
            .await?;
            if done.rows_affected() == 1 {
                put_into_outbox(tx, message).await?;
            }
            unit.done(()).await
        })
        .await
    }

    /// The newest messages with when they were written, newest first.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn outbox(&self, most: u32) -> Result<Vec<(Message, Moment)>> {
        let rows = sqlx::query!(
            r#"SELECT address, subject, body, UNIX_TIMESTAMP(at) AS "at!: i64" FROM outbox ORDER BY id DESC LIMIT ?"#,
            most
        )
        .fetch_all(&self.pool)
        .await?;
        let message = |address, subject, body| Message { address, subject, body };
        Ok(rows.into_iter().map(|r| (message(r.address, r.subject, r.body), Moment(r.at))).collect())
    }
}

pub(crate) async fn put_into_outbox(tx: &mut MySqlConnection, message: &Message) -> Result<()> {
    sqlx::query!(
        "INSERT INTO outbox (address, subject, body) VALUES (?, ?, ?)",
        message.address,
        message.subject,
        message.body
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}
