//! What was done to something, and by whom.

use super::Seen;
use crate::{Result, Store};
use chrono::{DateTime, Utc};
use compagina_core::catalog::journal::Subject;
use compagina_core::ids::{OptionId, ProductId};

/// Steps older than a year and a month are forgotten.
const KEPT_DAYS: i64 = 400;

/// A step in the history of something.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct StepRow {
    /// Its number.
    pub id: u64,
    /// None where nobody was asked.
    pub who: Option<String>,
    /// When it was.
    pub at: DateTime<Utc>,
    /// What it was, in words.
    pub told: String,
    /// Whether somebody took it back.
    pub taken_back: bool,
    /// Whether it took something back or made it again.
    pub turns: bool,
}

impl Store {
    /// The newest steps in the history of something, the newest first; before a step where one is named.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn steps(&self, subject: Subject, before: Option<u64>, most: u32) -> Result<Vec<StepRow>> {
        let rows = sqlx::query!(
            r#"SELECT s.id, o.name AS "who?", s.at AS "at: DateTime<Utc>", s.told, s.taken_back_by,
               s.takes_back AS "takes_back: bool", s.makes_again AS "makes_again: bool"
               FROM (SELECT step_id FROM catalogue_step_of WHERE subject = ? AND step_id < ? ORDER BY step_id DESC LIMIT ?) f
               JOIN catalogue_step s ON s.id = f.step_id LEFT JOIN owner o ON o.id = s.owner_id ORDER BY s.id DESC"#,
            subject.to_string(),
            before.unwrap_or(u64::MAX),
            most
        )
        .fetch_all(&self.pool)
        .await?;
        let step = rows.into_iter().map(|row| StepRow {
            id: row.id,
            who: row.who,
            at: row.at,
            told: row.told,
            taken_back: row.taken_back_by.is_some(),
            turns: row.takes_back || row.makes_again,
        });
        Ok(step.collect())
    }

    /// The revision of something: the number of the last step in its history, 0 before the first.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn revision_of(&self, subject: Subject) -> Result<u64> {
        let last = sqlx::query_scalar!(
            "SELECT MAX(step_id) FROM catalogue_step_of WHERE subject = ?",
            subject.to_string()
        )
        .fetch_one(&self.pool)
        .await?;
        Ok(last.unwrap_or(0))
    }

    /// A product as it is seen now: to be asked before it is read, so that it is never newer than what is read.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn seen_product(&self, handle: &str) -> Result<Option<Seen>> {
        match self.product_id(handle).await? {
            Some(id) => Ok(Some(self.seen(Subject::Product(id)).await?)),
            None => Ok(None),
        }
    }

    /// An option as it is seen now; as [`Self::seen_product`].
    ///
    /// # Errors
    /// Those of the database.
    pub async fn seen_option(&self, handle: &str) -> Result<Option<Seen>> {
        let id = sqlx::query_scalar!("SELECT id FROM shop_option WHERE handle = ?", handle)
            .fetch_optional(&self.pool)
            .await?;
        match id {
            Some(id) => Ok(Some(self.seen(Subject::Option(OptionId(id))).await?)),
            None => Ok(None),
        }
    }

    /// Something as it is seen now; as [`Self::seen_product`].
    ///
    /// # Errors
    /// Those of the database.
    pub async fn seen(&self, subject: Subject) -> Result<Seen> {
        Ok(Seen { subject, step: self.revision_of(subject).await? })
    }

    /// The number of the product at an address.
    async fn product_id(&self, handle: &str) -> Result<Option<ProductId>> {
        let id = sqlx::query_scalar!("SELECT id FROM product WHERE handle = ?", handle)
            .fetch_optional(&self.pool)
            .await?;
        Ok(id.map(ProductId))
    }

    /// Forgets steps that nobody will take back any more, and what still waits for products that are long gone.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn forget_old_steps(&self) -> Result<()> {
        let gone = sqlx::query!(
            "DELETE FROM catalogue_step WHERE at < CURRENT_TIMESTAMP(3) - INTERVAL ? DAY LIMIT 1000",
            KEPT_DAYS
        )
        .execute(&self.pool)
        .await?
        .rows_affected();
        if gone == 0 {
            return Ok(());
        }
        for table in ["review", "price_change", "interest", "wish"] {
            // A product that may come back has its going in the journal.
            let clear = format!(
                "DELETE FROM {table} WHERE NOT EXISTS (SELECT 1 FROM product p WHERE p.id = {table}.product_id)
                 AND NOT EXISTS (SELECT 1 FROM catalogue_step_of f WHERE f.subject = CONCAT('product/', {table}.product_id))
                 LIMIT 1000"
            );
            sqlx::query(sqlx::AssertSqlSafe(clear)).execute(&self.pool).await?;
        }
        Ok(())
    }
}
