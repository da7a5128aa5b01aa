//! Products by what a shopper types.

use crate::{Result, Store};
use compagina_core::ids::ProductId;
use compagina_core::listing::Sought;
use std::collections::HashSet;

/// Products that are found at the most.
const MOST_FOUND: u32 = 20_000;

impl Store {
    /// The products that have what is sought in their names, summaries, tags or SKUs; those that fit best first.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn products_sought(&self, sought: &Sought) -> Result<Vec<ProductId>> {
        if sought.is_empty() {
            return Ok(vec![]);
        }
        let mut ids = match &sought.sku {
            Some(sku) => self.of_sku(sku).await?,
            None => vec![],
        };
        let mut named = match &sought.part {
            Some(part) => self.with_part(part).await?,
            None => self.with_words(&sought.words).await?,
        };
        named.sort_by_cached_key(|(_, name)| sought.rank(name));
        ids.extend(named.into_iter().map(|(id, _)| id));
        let mut seen = HashSet::new();
        Ok(ids.into_iter().filter(|id| seen.insert(*id)).map(ProductId).collect())
    }

    async fn of_sku(&self, sku: &str) -> Result<Vec<u64>> {
        let begins = format!("{}%", escaped(sku));
        Ok(sqlx::query_scalar!(
            "SELECT DISTINCT product_id FROM variant WHERE sku LIKE ? LIMIT ?",
            begins,
            MOST_FOUND
        )
        .fetch_all(&self.pool)
        .await?)
    }

    /// By the full-text index: each word, or one that begins with it.
    async fn with_words(&self, words: &[String]) -> Result<Vec<(u64, String)>> {
        let all: Vec<String> = words.iter().map(|word| format!("+{word}*")).collect();
        let all = all.join(" ");
        let rows = sqlx::query!(
            "SELECT id, name FROM product WHERE MATCH (words) AGAINST (? IN BOOLEAN MODE) ORDER BY MATCH (words) AGAINST (? IN BOOLEAN MODE) DESC, id LIMIT ?",
            all,
            all,
            MOST_FOUND
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(rows.into_iter().map(|row| (row.id, row.name)).collect())
    }

    async fn with_part(&self, part: &str) -> Result<Vec<(u64, String)>> {
        let holds = format!("%{}%", escaped(part));
        let rows = sqlx::query!(
            "SELECT id, name FROM product WHERE words LIKE ? ORDER BY id LIMIT ?",
            holds,
            MOST_FOUND
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(rows.into_iter().map(|row| (row.id, row.name)).collect())
    }
}

/// A text in which nothing stands for anything else.
fn escaped(text: &str) -> String {
    text.chars().flat_map(|c| matches!(c, '%' | '_' | '\\').then_some('\\').into_iter().chain([c])).collect()
}
