//! Carts: what a shopper wants, with the price last seen.

use crate::error::with_retries;
use crate::{Result, StorageError, Store, Which, catalogue};
use compagina_core::cart::{MOST_LINES, MOST_OF_ONE, Wanted};
use compagina_core::catalog::Product;
use compagina_core::ids::{ProductId, VariantId};
use compagina_core::money::Money;
use compagina_core::price::PlanId;
use sqlx::MySqlConnection;

/// A cart's number; its token is known to the shopper alone.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct CartRow {
    pub id: u64,
}

/// A line with the product it is of.
#[derive(Debug, Clone)]
pub struct CartItem {
    pub line_id: u64,
    pub product: Product,
    /// Place of the variant in the product.
    pub variant: usize,
    pub quantity: u32,
    pub seen: Money,
    pub extra: LineExtra,
}

/// What a line holds besides variant and number.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct LineExtra {
    pub plan: Option<PlanId>,
    pub text: Option<String>,
}

impl LineExtra {
    pub(crate) fn of(plan: u64, text: String) -> Self {
        let text = if text.is_empty() { None } else { Some(text) };
        Self { plan: (plan > 0).then_some(PlanId(plan)), text }
    }
    pub(crate) fn plan_number(&self) -> u64 {
        self.plan.map_or(0, |plan| plan.0)
    }
    pub(crate) fn written(&self) -> &str {
        self.text.as_deref().unwrap_or_default()
    }
}

impl CartItem {
    #[must_use]
    pub fn wanted(&self) -> Wanted<'_> {
        let variant = &self.product.variants[self.variant];
        Wanted {
            product: &self.product,
            variant,
            quantity: self.quantity,
            seen: self.seen,
            plan: self.extra.plan,
            text: self.extra.text.as_deref(),
        }
    }
}

impl Store {
    pub async fn cart(&self, token_hash: &[u8; 32]) -> Result<Option<CartRow>> {
        let row = sqlx::query_as!(CartRow, "SELECT id FROM cart WHERE token_hash = ?", &token_hash[..]);
        Ok(row.fetch_optional(&self.pool).await?)
    }

    pub async fn add_cart(&self, token_hash: &[u8; 32]) -> Result<CartRow> {
        let done = sqlx::query!("INSERT INTO cart (token_hash) VALUES (?)", &token_hash[..])
            .execute(&self.pool)
            .await?;
        Ok(CartRow { id: done.last_insert_id() })
    }

    /// Puts so many more of a variant into a cart, at the price seen now.
    pub async fn put_into_cart(
        &self,
        cart: CartRow,
        variant: VariantId,
        extra: &LineExtra,
        quantity: u32,
        seen: Money,
    ) -> Result<()> {
        let (plan, text) = (extra.plan_number(), extra.written());
        with_retries(|| async {
            let mut tx = self.pool.begin().await?;
            let lines = sqlx::query!(
                "SELECT variant_id, plan_id, text FROM cart_line WHERE cart_id = ? FOR UPDATE",
                cart.id
            )
            .fetch_all(&mut *tx)
            .await?;
            let same = lines.iter().any(|l| l.variant_id == variant.0 && l.plan_id == plan && l.text == text);
            if lines.len() >= MOST_LINES && !same {
                return Err(StorageError::CartFull { most: MOST_LINES });
            }
            sqlx::query!(
                "INSERT INTO cart_line (cart_id, variant_id, plan_id, text, quantity, seen_minor) VALUES (?, ?, ?, ?, ?, ?)
                 ON DUPLICATE KEY UPDATE quantity = LEAST(quantity + VALUES(quantity), ?), seen_minor = VALUES(seen_minor)",
                cart.id,
                variant.0,
                plan,
                text,
                quantity.min(MOST_OF_ONE),
                seen.minor,
                MOST_OF_ONE
            )
            .execute(&mut *tx)
            .await?;
            tx.commit().await?;
            Ok(())
        })
        .await
    }

    /// Sets how many of a line; none takes it out.
    pub async fn set_cart_line(&self, cart: CartRow, line: u64, quantity: u32) -> Result<()> {
        if quantity == 0 {
            sqlx::query!("DELETE FROM cart_line WHERE id = ? AND cart_id = ?", line, cart.id)
                .execute(&self.pool)
                .await?;
        } else {
            let quantity = quantity.min(MOST_OF_ONE);
            sqlx::query!(
                "UPDATE cart_line SET quantity = ? WHERE id = ? AND cart_id = ?",
                quantity,
                line,
                cart.id
            )
            .execute(&self.pool)
            .await?;
        }
        Ok(())
    }

    /// Takes the price now in force as the one that the shopper has seen.
    pub async fn see_price(&self, cart: CartRow, line: u64, price: Money) -> Result<()> {
        sqlx::query!(
            "UPDATE cart_line SET seen_minor = ? WHERE id = ? AND cart_id = ?",
            price.minor,
            line,
            cart.id
        )
        .execute(&self.pool)
        .await?;
        Ok(())
    }

    pub async fn cart_items(&self, cart: CartRow) -> Result<Vec<CartItem>> {
        items(&mut *self.pool.acquire().await?, cart).await
    }

    /// How many pieces a cart holds.
    pub async fn cart_count(&self, cart: CartRow) -> Result<u64> {
        let sum = sqlx::query_scalar!(
            r#"SELECT CAST(COALESCE(SUM(quantity), 0) AS UNSIGNED) AS "sum!: u64" FROM cart_line WHERE cart_id = ?"#,
            cart.id
        );
        Ok(sum.fetch_one(&self.pool).await?)
    }
}

/// The lines of a cart with their products as they stand now.
pub(crate) async fn items(db: &mut MySqlConnection, cart: CartRow) -> Result<Vec<CartItem>> {
    let rows = sqlx::query!(
        "SELECT l.id, l.variant_id, l.plan_id, l.text, l.quantity, l.seen_minor, v.product_id FROM cart_line l
         JOIN variant v ON v.id = l.variant_id WHERE l.cart_id = ? ORDER BY l.id",
        cart.id
    )
    .fetch_all(&mut *db)
    .await?;
    let mut found = Vec::with_capacity(rows.len());
    for row in rows {
        let product = catalogue::load(db, Which::One(ProductId(row.product_id))).await?.pop();
        let Some(product) = product else { continue };
        let Some(variant) = product.variants.iter().position(|v| v.id.0 == row.variant_id) else { continue };
        let seen = Money::new(row.seen_minor, product.price.currency);
        let extra = LineExtra::of(row.plan_id, row.text);
        found.push(CartItem { line_id: row.id, product, variant, quantity: row.quantity, seen, extra });
    }
    Ok(found)
}
