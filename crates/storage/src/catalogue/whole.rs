//! Products, options and values as wholes: taken away, copied, moved.

use super::variants::sku_owners;
use crate::journal::{Hand, Scope};
use crate::{Result, StorageError, Store};
use compagina_core::catalog::journal::{Row, RowId, without_option, without_product, without_value};
use compagina_core::catalog::{LONGEST_SKU, put_after};
use compagina_core::ids::{Handle, OptionId, ProductId, SiblingsId, ValueId};
use sqlx::MySqlConnection;
use std::collections::BTreeMap;

/// What hangs on a product.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub struct Hanging {
    /// How many variants.
    pub variants: u64,
    /// How many pictures.
    pub pictures: u64,
    /// How many reviews.
    pub reviews: u64,
    /// Carts in which it lies.
    pub carts: u64,
    /// Shoppers who keep it for later or want to hear of it.
    pub waiting: u64,
    /// Orders that sold it; they keep what they sold.
    pub orders: u64,
}

impl Store {
    /// What hangs on a product.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn hanging_on(&self, product: ProductId) -> Result<Hanging> {
        let id = product.0;
        let row = sqlx::query!(
            r#"SELECT (SELECT COUNT(*) FROM variant WHERE product_id = ?) AS "variants!: i64",
               (SELECT COUNT(*) FROM picture WHERE product_id = ?) AS "pictures!: i64",
               (SELECT COUNT(*) FROM review WHERE product_id = ?) AS "reviews!: i64",
               (SELECT COUNT(DISTINCT l.cart_id) FROM cart_line l JOIN variant v ON v.id = l.variant_id WHERE v.product_id = ?) AS "carts!: i64",
               (SELECT COUNT(*) FROM wish WHERE product_id = ?)
                 + (SELECT COUNT(*) FROM interest WHERE product_id = ? AND told_at IS NULL) AS "waiting!: i64",
               (SELECT COUNT(DISTINCT l.order_id) FROM order_line l JOIN variant v ON v.id = l.variant_id WHERE v.product_id = ?) AS "orders!: i64""#,
            id,
            id,
            id,
            id,
            id,
            id,
            id
        )
        .fetch_one(&self.pool)
        .await?;
        let count = |number| u64::try_from(number).unwrap_or(0);
        Ok(Hanging {
            variants: count(row.variants),
            pictures: count(row.pictures),
            reviews: count(row.reviews),
            carts: count(row.carts),
            waiting: count(row.waiting),
            orders: count(row.orders),
        })
    }

    /// How many products offer a value, and how many variants have it.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn hanging_on_value(&self, value: ValueId) -> Result<(u64, u64)> {
        let row = sqlx::query!(
            r#"SELECT COUNT(DISTINCT w.product_id) AS "products!: i64", COUNT(c.id) AS "variants!: i64"
               FROM product_value w LEFT JOIN variant v ON v.product_id = w.product_id
               LEFT JOIN JSON_TABLE(v.chosen, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) c ON c.id = w.value_id
               WHERE w.value_id = ?"#,
            value.0
        )
        .fetch_one(&self.pool)
        .await?;
        let count = |number| u64::try_from(number).unwrap_or(0);
        Ok((count(row.products), count(row.variants)))
    }
}

impl Hand<'_> {
    /// Takes a product away, with the options that only it may use. Reviews, prices that were, and those who wait for it
    /// wait until it is brought back.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn remove_product(&self, product: ProductId) -> Result<()> {
        let own = sqlx::query_scalar!("SELECT id FROM shop_option WHERE product_id = ?", product.0)
            .fetch_all(&self.store.pool)
            .await?;
        let options = own.into_iter().map(OptionId).collect();
        let sets = sqlx::query_scalar!("SELECT set_id FROM sibling WHERE product_id = ?", product.0)
            .fetch_all(&self.store.pool)
            .await?;
        let siblings = sets.into_iter().map(SiblingsId).collect();
        let scope = Scope { options, siblings, ..Scope::product(product) };
        self.edit(&scope, |rows| {
            without_product(rows, product);
            Ok(())
        })
        .await
    }

    /// Takes an option away, and out of all products that are chosen by it.
    ///
    /// # Errors
    /// [`StorageError::Refused`] where variants of a product differ by it alone.
    pub async fn remove_option(&self, option: OptionId) -> Result<()> {
        let scope = Scope { users: true, ..Scope::options([option]) };
        self.edit(&scope, |rows| without_option(rows, option).map_err(refused)).await
    }

    /// Takes a value away, with the variants that have it.
    ///
    /// # Errors
    /// [`StorageError::Refused`] where a product would have no variant left.
    pub async fn remove_value(&self, option: OptionId, value: ValueId) -> Result<()> {
        let scope = Scope { users: true, ..Scope::options([option]) };
        self.edit(&scope, |rows| without_value(rows, value).map_err(refused)).await
    }

    /// Makes another product that begins as a copy: texts, terms, options, variants and pictures are the same. It is not on
    /// sale yet, what is counted of it is none, and its SKUs end in a number of their own.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// [`StorageError::Refused`](crate::StorageError::Refused) with the reason, where it can’t be.
    /// Else those of the database.
    pub async fn copy_product(&self, from: ProductId, handle: &Handle, name: &str) -> Result<ProductId> {
        self.step(&Scope::default(), async |tx, scope| {
            let id = copy_row(tx, from, handle, name).await?;
            scope.products.insert(id);
            copy_uses(tx, from, id).await?;
            let pictures = copy_pictures(tx, from, id).await?;
            copy_variants(tx, from, id, &pictures).await?;
            Ok(id)
        })
        .await
    }

    /// Puts a product behind another one of its type, or first.
    ///
    /// # Errors
    /// [`StorageError::Overtaken`] where the order became another one meanwhile.
    pub async fn place_product(&self, product: ProductId, behind: Option<ProductId>) -> Result<()> {
        let rows = sqlx::query!(
            "SELECT q.id, q.position FROM product p JOIN product q ON q.type_id = p.type_id WHERE p.id = ?
             ORDER BY q.position, q.id",
            product.0
        )
        .fetch_all(&self.store.pool)
        .await?;
        let all: Vec<_> = rows.into_iter().map(|row| (ProductId(row.id), row.position)).collect();
        let placed = put_after(&all, product, behind);
        let as_read = |id: ProductId, place: u32| all.contains(&(id, place));
        self.edit(&Scope::products(placed.iter().map(|(id, _)| *id)), |rows| {
            for (id, place) in &placed {
                match rows.get_mut(&RowId::Product(*id)) {
                    Some(Row::Product(row)) if as_read(*id, row.position) => row.position = *place,
                    _ => return Err(StorageError::Overtaken { what: "the order".to_owned() }),
                }
            }
            Ok(())
        })
        .await
    }

    /// Makes a product one of another type, the last of its products.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn move_product(&self, product: ProductId, kind: u64) -> Result<()> {
        self.step(&Scope::product(product), async |tx, _| {
            sqlx::query!(
                "UPDATE product p SET p.position = (SELECT COALESCE(MAX(q.position) + 1, 0) FROM product q WHERE q.type_id = ?),
                 p.type_id = ? WHERE p.id = ? AND p.type_id <> ?",
                kind,
                kind,
                product.0,
                kind
            )
            .execute(&mut *tx)
            .await?;
            Ok(())
        })
        .await
    }
}

fn refused(why: impl std::fmt::Display) -> StorageError {
    StorageError::Refused(why.to_string())
}

async fn copy_row(
    tx: &mut MySqlConnection,
    from: ProductId,
    handle: &Handle,
    name: &str,
) -> Result<ProductId> {
    let only = sqlx::query_scalar!(
        "SELECT o.name FROM product_option u JOIN shop_option o ON o.id = u.option_id
         WHERE u.product_id = ? AND o.product_id = ? LIMIT 1",
        from.0,
        from.0
    )
    .fetch_optional(&mut *tx)
    .await?;
    if let Some(option) = only {
        return Err(refused(format!("“{option}” is an option that no other product may use")));
    }
    let done = sqlx::query!(
        "INSERT INTO product (handle, address, type_id, position, name, state, summary, details, price_minor, old_price_minor, most_per_order, terms, brand, facts, tags)
         SELECT ?, ?, p.type_id, (SELECT COALESCE(MAX(q.position) + 1, 0) FROM product q WHERE q.type_id = p.type_id), ?, 'new',
           p.summary, p.details, p.price_minor, p.old_price_minor, p.most_per_order, p.terms, p.brand, p.facts, p.tags
         FROM product p WHERE p.id = ?",
        handle.as_str(),
        handle.as_str(),
        name,
        from.0
    )
    .execute(&mut *tx)
    .await?;
    if done.rows_affected() == 0 {
        return Err(StorageError::NotFound { what: "product" });
    }
    Ok(ProductId(done.last_insert_id()))
}

async fn copy_uses(tx: &mut MySqlConnection, from: ProductId, to: ProductId) -> Result<()> {
    sqlx::query!(
        "INSERT INTO product_option (product_id, option_id, position, whole)
         SELECT ?, option_id, position, whole FROM product_option WHERE product_id = ?",
        to.0,
        from.0
    )
    .execute(&mut *tx)
    .await?;
    sqlx::query!(
        "INSERT INTO product_value (product_id, value_id, position, swatch, why)
         SELECT ?, value_id, position, swatch, why FROM product_value WHERE product_id = ?",
        to.0,
        from.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// Gives which picture became which.
async fn copy_pictures(
    tx: &mut MySqlConnection,
    from: ProductId,
    to: ProductId,
) -> Result<BTreeMap<u64, u64>> {
    let old =
        sqlx::query_scalar!("SELECT id FROM picture WHERE product_id = ? ORDER BY position, id", from.0)
            .fetch_all(&mut *tx)
            .await?;
    let mut became = BTreeMap::new();
    for id in old {
        let done = sqlx::query!(
            "INSERT INTO picture (product_id, position, alt, sizes, value_ids, focus, cut_out, film, original, file_name, plan, trouble)
             SELECT ?, position, alt, sizes, value_ids, focus, cut_out, film, original, file_name, plan, trouble FROM picture WHERE id = ?",
            to.0,
            id
        )
        .execute(&mut *tx)
        .await?;
        became.insert(id, done.last_insert_id());
    }
    Ok(became)
}

async fn copy_variants(
    tx: &mut MySqlConnection,
    from: ProductId,
    to: ProductId,
    pictures: &BTreeMap<u64, u64>,
) -> Result<()> {
    let old = sqlx::query!(
        "SELECT id, sku, picture_id FROM variant WHERE product_id = ? ORDER BY position, id",
        from.0
    )
    .fetch_all(&mut *tx)
    .await?;
    let skus: Vec<String> = old.iter().map(|row| row.sku.clone()).collect();
    let named = free_skus(tx, &skus).await?;
    for (row, sku) in old.into_iter().zip(named) {
        sqlx::query!(
            "INSERT INTO variant (product_id, position, sku, chosen, price_minor, old_price_minor, stock, measure, picture_id)
             SELECT ?, position, ?, chosen, price_minor, old_price_minor, IF(stock IS NULL, NULL, 0), measure, ? FROM variant WHERE id = ?",
            to.0,
            sku,
            row.picture_id.and_then(|id| pictures.get(&id).copied()),
            row.id
        )
        .execute(&mut *tx)
        .await?;
    }
    Ok(())
}

/// The same SKUs with the least number behind them that makes all of them free.
async fn free_skus(tx: &mut MySqlConnection, skus: &[String]) -> Result<Vec<String>> {
    for number in 2..1000 {
        let end = format!("-{number}");
        let with = |sku: &String| {
            let kept: String = sku.chars().take(LONGEST_SKU - end.len()).collect();
            kept + &end
        };
        let named: Vec<String> = skus.iter().map(with).collect();
        let distinct: std::collections::BTreeSet<String> =
            named.iter().map(|sku| sku.to_lowercase()).collect();
        if distinct.len() == named.len() && sku_owners(tx, &named, &[]).await?.is_empty() {
            return Ok(named);
        }
    }
    Err(refused("no free SKUs were found for the copy; shorten those of the product first"))
}
