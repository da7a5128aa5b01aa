//! Orders. Stock is taken in the transaction that makes the order; a refused payment gives it back.

use crate::change::Changed;
use crate::message::{Message, put_into_outbox};
use crate::{CartRow, Result, StorageError, Store, cart};
use compagina_core::cart::{Line, Reckoning};
use compagina_core::ids::ProductId;
use compagina_core::money::{Currency, Money};
use compagina_core::price::Plan;
use compagina_core::time::Moment;
use serde::{Deserialize, Serialize};
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// Characters that are kept of what was bought.
const LONGEST_WHAT: usize = 400;

/// To whom an order goes.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Contact {
    /// The address that mail goes to.
    pub email: String,
    /// Whom it is for.
    pub name: String,
    /// Street and number.
    pub street: String,
    /// The town.
    pub town: String,
    /// The postcode.
    pub postcode: String,
}

/// How far an order has come.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum OrderState {
    /// It isn’t paid yet.
    Waiting,
    /// It is paid.
    Paid,
    /// It wasn’t paid.
    Refused,
}

/// What was bought.
#[derive(Debug, Clone)]
pub struct OrderLine {
    /// What it was called.
    pub what: String,
    /// How many pieces.
    pub quantity: u32,
    /// What all its pieces cost.
    pub line: Money,
    /// As it was when it was bought.
    pub plan: Option<Plan>,
    /// What is written onto it.
    pub text: String,
}

/// What a shopper bought.
#[derive(Debug, Clone)]
pub struct Order {
    /// Its number.
    pub id: u64,
    /// How far it has come.
    pub state: OrderState,
    /// Where it goes, and whom to write to.
    pub contact: Contact,
    /// By whom it is paid.
    pub provider: String,
    /// Its lines, in their order.
    pub lines: Vec<OrderLine>,
    /// What all of it comes to.
    pub total: Money,
    /// The tax in it.
    pub vat: Money,
}

/// Who orders, and how it is paid.
#[derive(Debug, Clone, Copy)]
pub struct Paying<'a> {
    /// Where it goes, and whom to write to.
    pub contact: &'a Contact,
    /// By whom it is paid.
    pub provider: &'a str,
    /// What the form carries, so that sending it twice makes one order; empty where it carries nothing.
    pub once: &'a str,
}

/// What came of an attempt to order a cart.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Placed {
    /// Stock is taken; payment comes next.
    Waiting(u64),
    /// The same form was sent before.
    Before(u64),
    /// There was nothing to buy.
    Empty,
    /// A price or a stock isn't as the shopper saw it; nothing was taken.
    NotAsSeen,
}

impl Store {
    /// Orders what a cart holds, all of it or nothing.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn place_order(&self, cart: CartRow, paying: &Paying<'_>, now: Moment) -> Result<Placed> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            // Locking reads come first, so that everything read after them is as it stands under the locks.
            lock_stock(tx, cart).await?;
            if let Some(before) = same_form(tx, cart, paying.once).await? {
                return unit.done(Placed::Before(before)).await;
            }
            let Some((items, reckoning)) = cart::reckoned(tx, cart, now).await? else {
                return unit.done(Placed::Empty).await;
            };
            if !reckoning.stands() {
                return unit.done(Placed::NotAsSeen).await;
            }
            let order = insert_order(tx, cart, paying, &reckoning).await?;
            for (item, line) in items.iter().zip(&reckoning.lines) {
                insert_line(tx, order, item, line).await?;
                if !take_stock(tx, item.product.variants[item.variant].id.0, item.quantity).await? {
                    return unit.given_up(Placed::NotAsSeen).await;
                }
            }
            sqlx::query!("DELETE FROM cart_line WHERE cart_id = ?", cart.id).execute(&mut *tx).await?;
            for item in &items {
                unit.changed_soon(Changed::Product(item.product.id));
            }
            unit.done(Placed::Waiting(order)).await
        })
        .await
    }

    /// Ends a waiting order: paid, or refused, which gives the stock back and fills the cart again.
    ///
    /// With the end of a paid one its confirmation is written, in the same transaction.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn settle_order(&self, id: u64, paid: bool, confirmation: Option<&Message>) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            let state = sqlx::query_scalar!("SELECT state FROM shop_order WHERE id = ? FOR UPDATE", id)
                .fetch_optional(&mut *tx)
                .await?
                .ok_or(StorageError::NotFound { what: "order" })?;
            if state != "waiting" {
                return unit.done(()).await;
            }
            let next = if paid { "paid" } else { "refused" };
            sqlx::query!("UPDATE shop_order SET state = ? WHERE id = ?", next, id).execute(&mut *tx).await?;
            if !paid {
                for product in give_back(tx, id).await? {
                    unit.changed_soon(Changed::Product(product));
                }
            } else if let Some(message) = confirmation {
                put_into_outbox(tx, message).await?;
            }
            unit.done(()).await
        })
        .await
    }

    /// Orders whose payment was under way when a server went down, and has been for long.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn stale_orders(&self) -> Result<Vec<u64>> {
        let ids = sqlx::query_scalar!(
            "SELECT id FROM shop_order WHERE state = 'waiting' AND placed_at < CURRENT_TIMESTAMP - INTERVAL 15 MINUTE"
        );
        Ok(ids.fetch_all(&self.pool).await?)
    }

    /// An order, for the shopper whose cart it came from.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn order(&self, id: u64, cart: CartRow) -> Result<Option<Order>> {
        let row = sqlx::query!(
            r#"SELECT state, contact AS "contact: Json<Contact>", provider, total_minor, vat_minor, currency FROM shop_order
               WHERE id = ? AND cart_id = ?"#,
            id,
            cart.id
        )
        .fetch_optional(&self.pool)
        .await?;
        let Some(row) = row else { return Ok(None) };
        let currency = Currency::from_code(&row.currency)?;
        let lines = sqlx::query!(
            r#"SELECT what, quantity, line_minor, plan AS "plan: Json<Plan>", text FROM order_line
               WHERE order_id = ? ORDER BY id"#,
            id
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(Some(Order {
            id,
            state: match row.state.as_str() {
                "paid" => OrderState::Paid,
                "refused" => OrderState::Refused,
                _ => OrderState::Waiting,
            },
            contact: row.contact.0,
            provider: row.provider,
            lines: lines
                .into_iter()
                .map(|line| OrderLine {
                    what: line.what,
                    quantity: line.quantity,
                    line: Money::new(line.line_minor, currency),
                    plan: line.plan.map(|plan| plan.0),
                    text: line.text,
                })
                .collect(),
            total: Money::new(row.total_minor, currency),
            vat: Money::new(row.vat_minor, currency),
        }))
    }
}

/// Locks the cart and the variants it wants, always in the same order.
async fn lock_stock(tx: &mut MySqlConnection, cart: CartRow) -> Result<()> {
    sqlx::query!("SELECT id FROM cart WHERE id = ? FOR UPDATE", cart.id).fetch_all(&mut *tx).await?;
    sqlx::query!(
        "SELECT v.id FROM cart_line l JOIN variant v ON v.id = l.variant_id WHERE l.cart_id = ? ORDER BY v.id FOR UPDATE",
        cart.id
    )
    .fetch_all(&mut *tx)
    .await?;
    Ok(())
}

/// The order that a form has made already.
async fn same_form(tx: &mut MySqlConnection, cart: CartRow, once: &str) -> Result<Option<u64>> {
    if once.is_empty() {
        return Ok(None);
    }
    let id = sqlx::query_scalar!("SELECT id FROM shop_order WHERE cart_id = ? AND once = ?", cart.id, once);
    Ok(id.fetch_optional(&mut *tx).await?)
}

async fn insert_order(
    tx: &mut MySqlConnection,
    cart: CartRow,
    paying: &Paying<'_>,
    reckoning: &Reckoning,
) -> Result<u64> {
    let done = sqlx::query!(
        "INSERT INTO shop_order (cart_id, state, contact, provider, once, total_minor, vat_minor, currency)
         VALUES (?, 'waiting', ?, ?, NULLIF(?, ''), ?, ?, ?)",
        cart.id,
        Json(paying.contact) as _,
        paying.provider,
        paying.once,
        reckoning.total.minor,
        reckoning.vat.minor,
        reckoning.total.currency.code()
    )
    .execute(&mut *tx)
    .await?;
    Ok(done.last_insert_id())
}

async fn insert_line(tx: &mut MySqlConnection, order: u64, item: &cart::CartItem, line: &Line) -> Result<()> {
    let variant = &item.product.variants[item.variant];
    let what: String = item.product.described(variant).chars().take(LONGEST_WHAT).collect();
    sqlx::query!(
        "INSERT INTO order_line (order_id, variant_id, sku, what, quantity, unit_minor, line_minor, plan, text) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
        order,
        variant.id.0,
        variant.sku,
        what,
        item.quantity,
        line.quote.unit.minor,
        line.quote.line.minor,
        line.plan.as_ref().map(Json) as _,
        item.extra.written()
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// Takes stock where it is counted; false where there isn't enough.
async fn take_stock(tx: &mut MySqlConnection, variant: u64, quantity: u32) -> Result<bool> {
    let done = sqlx::query!(
        "UPDATE variant SET stock = stock - ? WHERE id = ? AND stock >= ?",
        quantity,
        variant,
        quantity
    )
    .execute(&mut *tx)
    .await?;
    if done.rows_affected() == 1 {
        return Ok(true);
    }
    let stock = sqlx::query_scalar!("SELECT stock FROM variant WHERE id = ? FOR UPDATE", variant)
        .fetch_one(&mut *tx)
        .await?;
    Ok(stock.is_none())
}

/// Gives the stock of an order back and fills the cart again; tells of which products. Several lines may have held one
/// variant, with other texts or by other plans: an update that joins them would change it once only.
async fn give_back(tx: &mut MySqlConnection, order: u64) -> Result<Vec<ProductId>> {
    sqlx::query!(
        "UPDATE variant v JOIN (SELECT variant_id, SUM(quantity) AS held FROM order_line WHERE order_id = ? GROUP BY variant_id) l
         ON l.variant_id = v.id SET v.stock = v.stock + l.held WHERE v.stock IS NOT NULL",
        order
    )
    .execute(&mut *tx)
    .await?;
    sqlx::query!(
        "INSERT IGNORE INTO cart_line (cart_id, variant_id, plan_id, text, quantity, seen_minor)
         SELECT o.cart_id, l.variant_id, COALESCE(JSON_VALUE(l.plan, '$.id'), 0), l.text, l.quantity, l.unit_minor FROM order_line l JOIN shop_order o ON o.id = l.order_id
         WHERE l.order_id = ?",
        order
    )
    .execute(&mut *tx)
    .await?;
    let products = sqlx::query_scalar!(
        "SELECT DISTINCT v.product_id FROM order_line l JOIN variant v ON v.id = l.variant_id WHERE l.order_id = ?",
        order
    )
    .fetch_all(&mut *tx)
    .await?;
    Ok(products.into_iter().map(ProductId).collect())
}
