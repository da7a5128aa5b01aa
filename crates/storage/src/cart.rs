//! Carts: what a shopper wants, with the price last seen.

use crate::prices::prices_of;
use crate::{Result, StorageError, Store, Which, catalogue};
use compagina_core::cart::{MOST_LINES, MOST_OF_ONE, Reckoning, Wanted, reckon};
use compagina_core::catalog::Product;
use compagina_core::ids::{ProductId, VariantId};
use compagina_core::money::Money;
use compagina_core::price::PlanId;
use compagina_core::time::Moment;
use sqlx::MySqlConnection;
use std::collections::{BTreeMap, BTreeSet};

/// A cart's number; its token is known to the shopper alone.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct CartRow {
    /// Its number.
    pub id: u64,
}

/// A change that a shopper makes.
#[derive(Debug, Clone, Copy)]
pub enum CartChange<'a> {
    /// So many more of a variant, at the price seen now.
    Put {
        /// The variant.
        variant: VariantId,
        /// What was said besides.
        extra: &'a LineExtra,
        /// How many pieces.
        quantity: u32,
        /// What the shopper saw it cost.
        seen: Money,
    },
    /// So many of a line; none takes it out.
    Set {
        /// The line’s number.
        line: u64,
        /// How many pieces.
        quantity: u32,
    },
}

/// A line with the product it is of.
#[derive(Debug, Clone)]
pub struct CartItem {
    /// The line's number.
    pub line_id: u64,
    /// The product.
    pub product: Product,
    /// Place of the variant in the product.
    pub variant: usize,
    /// How many pieces.
    pub quantity: u32,
    /// What the shopper saw it cost.
    pub seen: Money,
    /// What was said besides.
    pub extra: LineExtra,
}

/// What a line holds besides variant and number.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct LineExtra {
    /// The plan by which it is bought.
    pub plan: Option<PlanId>,
    /// What is written onto it.
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
    /// As it is reckoned.
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
    /// The cart of a token.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn cart(&self, token_hash: &[u8; 32]) -> Result<Option<CartRow>> {
        let row = sqlx::query_as!(CartRow, "SELECT id FROM cart WHERE token_hash = ?", &token_hash[..]);
        Ok(row.fetch_optional(&self.pool).await?)
    }

    /// Begins a cart.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_cart(&self, token_hash: &[u8; 32]) -> Result<CartRow> {
        let done = sqlx::query!("INSERT INTO cart (token_hash) VALUES (?)", &token_hash[..])
            .execute(&self.pool)
            .await?;
        Ok(CartRow { id: done.last_insert_id() })
    }

    /// Makes a change of the shopper's own. What it does to the prices of other lines isn't news: lines that stood before
    /// it are taken as seen at what they cost after it. What is put in was seen at the price that is named; where it
    /// costs something else by now, that is news.
    ///
    /// # Errors
    /// [`StorageError::CartFull`](crate::StorageError::CartFull) where the cart is full.
    /// Else those of the database.
    pub async fn change_cart(&self, cart: CartRow, change: &CartChange<'_>, now: Moment) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            lock(tx, cart).await?;
            let news: BTreeSet<u64> = lines_with_news(tx, cart, now).await?.into_keys().collect();
            let put_in = match *change {
                CartChange::Put { variant, extra, quantity, seen } => {
                    Some(put(tx, cart, variant, extra, quantity, seen).await?)
                }
                CartChange::Set { line, quantity } => {
                    set_line(tx, cart, line, quantity).await?;
                    None
                }
            };
            for (line, price) in lines_with_news(tx, cart, now).await? {
                if !news.contains(&line) && put_in != Some(line) {
                    see_price(tx, cart, line, price).await?;
                }
            }
            unit.done(()).await
        })
        .await
    }

    /// Takes a cart as it is now: new prices, what is left, without what is gone.
    ///
    /// # Errors
    /// [`StorageError::CartFull`](crate::StorageError::CartFull) where the cart is full.
    /// Else those of the database.
    pub async fn accept_cart(&self, cart: CartRow, now: Moment) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            lock(tx, cart).await?;
            if let Some((items, reckoning)) = reckoned(tx, cart, now).await? {
                for (item, line) in items.iter().zip(&reckoning.lines).filter(|(_, l)| l.hindrance.is_some())
                {
                    set_line(tx, cart, item.line_id, line.can_be).await?;
                }
            }
            // With other quantities other prices may hold.
            for (line, price) in lines_with_news(tx, cart, now).await? {
                see_price(tx, cart, line, price).await?;
            }
            unit.done(()).await
        })
        .await
    }

    /// What lies in a cart.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn cart_items(&self, cart: CartRow) -> Result<Vec<CartItem>> {
        items(&mut *self.pool.acquire().await?, cart).await
    }

    /// How many pieces a cart holds.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn cart_count(&self, cart: CartRow) -> Result<u64> {
        let sum = sqlx::query_scalar!(
            r#"SELECT CAST(COALESCE(SUM(quantity), 0) AS UNSIGNED) AS "sum!: u64" FROM cart_line WHERE cart_id = ?"#,
            cart.id
        );
        Ok(sum.fetch_one(&self.pool).await?)
    }
}

/// Holds a cart for the rest of a transaction.
async fn lock(tx: &mut MySqlConnection, cart: CartRow) -> Result<()> {
    sqlx::query!("SELECT id FROM cart WHERE id = ? FOR UPDATE", cart.id).fetch_all(&mut *tx).await?;
    Ok(())
}

async fn put(
    tx: &mut MySqlConnection,
    cart: CartRow,
    variant: VariantId,
    extra: &LineExtra,
    quantity: u32,
    seen: Money,
) -> Result<u64> {
    let (plan, text) = (extra.plan_number(), extra.written());
    let lines = sqlx::query!("SELECT variant_id, plan_id, text FROM cart_line WHERE cart_id = ?", cart.id)
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
    let id = sqlx::query_scalar!(
        "SELECT id FROM cart_line WHERE cart_id = ? AND variant_id = ? AND plan_id = ? AND text = ?",
        cart.id,
        variant.0,
        plan,
        text
    );
    Ok(id.fetch_one(&mut *tx).await?)
}

/// Sets how many of a line; none takes it out.
async fn set_line(tx: &mut MySqlConnection, cart: CartRow, line: u64, quantity: u32) -> Result<()> {
    if quantity == 0 {
        sqlx::query!("DELETE FROM cart_line WHERE id = ? AND cart_id = ?", line, cart.id)
            .execute(&mut *tx)
            .await?;
        return Ok(());
    }
    let quantity = quantity.min(MOST_OF_ONE);
    sqlx::query!("UPDATE cart_line SET quantity = ? WHERE id = ? AND cart_id = ?", quantity, line, cart.id)
        .execute(&mut *tx)
        .await?;
    Ok(())
}

/// Takes a price as the one that the shopper has seen.
async fn see_price(tx: &mut MySqlConnection, cart: CartRow, line: u64, price: Money) -> Result<()> {
    sqlx::query!(
        "UPDATE cart_line SET seen_minor = ? WHERE id = ? AND cart_id = ?",
        price.minor,
        line,
        cart.id
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// What a cart comes to; none where it is empty.
pub(crate) async fn reckoned(
    db: &mut MySqlConnection,
    cart: CartRow,
    now: Moment,
) -> Result<Option<(Vec<CartItem>, Reckoning)>> {
    let items = items(db, cart).await?;
    let Some(currency) = items.first().map(|item| item.product.price.currency) else { return Ok(None) };
    let wanted: Vec<_> = items.iter().map(CartItem::wanted).collect();
    let reckoning = reckon(&wanted, currency, &prices_of(db, now).await?)?;
    Ok(Some((items, reckoning)))
}

/// Lines whose price isn't the one that was seen, with what they cost.
async fn lines_with_news(
    db: &mut MySqlConnection,
    cart: CartRow,
    now: Moment,
) -> Result<BTreeMap<u64, Money>> {
    let Some((items, reckoning)) = reckoned(db, cart, now).await? else { return Ok(BTreeMap::new()) };
    let lines = items.iter().zip(reckoning.lines).filter(|(_, line)| line.was.is_some());
    Ok(lines.map(|(item, line)| (item.line_id, line.quote.unit)).collect())
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
