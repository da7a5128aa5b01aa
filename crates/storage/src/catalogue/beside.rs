//! What decides which products stand beside another one.

use crate::column::handle;
use crate::{Result, Store};
use compagina_core::catalog::Tag;
use compagina_core::ids::ProductId;
use compagina_core::listing::{Along, Beside, Bought, LEAST_ORDERS};
use sqlx::types::Json;

impl Store {
    /// All products that stand in listings, as the owner has arranged them.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn beside(&self) -> Result<Vec<Beside>> {
        let rows = sqlx::query!(
            r#"SELECT p.id, p.handle, t.handle AS kind, p.price_minor, p.tags AS "tags: Json<Vec<Tag>>"
               FROM product p JOIN product_type t ON t.id = p.type_id
               WHERE p.state IN ('on_sale', 'coming_soon') ORDER BY t.position, t.id, p.position, p.id"#
        )
        .fetch_all(&self.pool)
        .await?;
        let mut all = Vec::with_capacity(rows.len());
        for row in rows {
            let (id, price) = (ProductId(row.id), row.price_minor);
            let (handle, kind) = (handle(row.handle)?, handle(row.kind)?);
            all.push(Beside { id, handle, kind, price, tags: row.tags.0 });
        }
        Ok(all)
    }

    /// How often other products were paid for along with this one.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn bought_along(&self, product: ProductId) -> Result<Bought> {
        let rows = sqlx::query!(
            r#"WITH sold AS (
                 SELECT DISTINCT l.order_id, v.product_id FROM order_line l JOIN variant v ON v.id = l.variant_id
                 JOIN shop_order o ON o.id = l.order_id WHERE o.state = 'paid')
               SELECT w.product_id, w.together AS "both!: i64",
                 (SELECT COUNT(*) FROM sold a WHERE a.product_id = w.product_id) AS "orders!: i64",
                 (SELECT COUNT(*) FROM sold a WHERE a.product_id = ?) AS "own!: i64",
                 (SELECT COUNT(DISTINCT a.order_id) FROM sold a) AS "all!: i64"
               FROM (SELECT b.product_id, COUNT(*) AS together FROM sold a JOIN sold b ON b.order_id = a.order_id
                 AND b.product_id <> a.product_id WHERE a.product_id = ? GROUP BY b.product_id HAVING together >= ?) w"#,
            product.0,
            product.0,
            LEAST_ORDERS
        )
        .fetch_all(&self.pool)
        .await?;
        let count = |number: i64| u64::try_from(number).unwrap_or(0);
        let mut bought = Bought::default();
        for row in rows {
            (bought.orders, bought.own) = (count(row.all), count(row.own));
            let (id, both) = (ProductId(row.product_id), count(row.both));
            bought.along.push(Along { id, both, orders: count(row.orders) });
        }
        Ok(bought)
    }
}
