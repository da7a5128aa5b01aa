//! What shoppers keep for later.

use crate::{CartRow, Result, Store, Which, catalogue};
use compagina_core::catalog::Product;
use compagina_core::ids::ProductId;

/// A shopper keeps at most so many.
const MOST_WISHES: u32 = 100;

/// Something that is kept for later, with the choice as an address names it.
#[derive(Debug, Clone)]
pub struct Wish {
    /// The product.
    pub product: Product,
    /// What was chosen, as in an address.
    pub choice: String,
}

impl Store {
    /// Keeps a product for later; the last choice of it counts.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn keep_wish(&self, cart: CartRow, product: ProductId, choice: &str) -> Result<()> {
        sqlx::query!(
            "INSERT INTO wish (cart_id, product_id, choice) SELECT ?, ?, ? FROM DUAL
             WHERE (SELECT COUNT(*) FROM wish WHERE cart_id = ?) < ?
             ON DUPLICATE KEY UPDATE choice = VALUES(choice)",
            cart.id,
            product.0,
            choice.chars().take(400).collect::<String>(),
            cart.id,
            MOST_WISHES
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }

    /// Keeps a product for later no longer.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn drop_wish(&self, cart: CartRow, product: ProductId) -> Result<()> {
        sqlx::query!("DELETE FROM wish WHERE cart_id = ? AND product_id = ?", cart.id, product.0)
            .execute(&self.pool)
            .await?;
        Ok(())
    }

    /// What a shopper keeps, the newest first.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn wishes(&self, cart: CartRow) -> Result<Vec<Wish>> {
        let rows = sqlx::query!(
            "SELECT product_id, choice FROM wish WHERE cart_id = ? ORDER BY at DESC, product_id",
            cart.id
        )
        .fetch_all(&self.pool)
        .await?;
        let mut db = self.pool.acquire().await?;
        let mut wishes = Vec::new();
        for row in rows {
            let product = catalogue::load(&mut db, Which::One(ProductId(row.product_id))).await?.pop();
            wishes.extend(product.map(|product| Wish { product, choice: row.choice }));
        }
        Ok(wishes)
    }

    /// The numbers of the products that a shopper keeps.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn wished(&self, cart: CartRow) -> Result<Vec<u64>> {
        let ids = sqlx::query_scalar!("SELECT product_id FROM wish WHERE cart_id = ?", cart.id);
        Ok(ids.fetch_all(&self.pool).await?)
    }
}
