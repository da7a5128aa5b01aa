//! Products with everything that belongs to them.

mod neighbours;
mod read;
mod texts;
mod types;
mod variants;
mod write;

pub use neighbours::NeighbourRow;
pub(crate) use read::load;
pub use types::{ServedBy, TypeRow};
pub use variants::{FileCheck, Imported, NewChoice, Uses, UsesDecision, VariantChange};
pub(crate) use write::insert_picture;

use crate::change::Changed;
use crate::price_history::before_price;
use crate::{Result, StorageError, Store};
use compagina_core::catalog::{Product, ProductState, Shop, Stock, Tag, Terms, Way};
use compagina_core::ids::{Handle, ProductId, VariantId};
use compagina_core::money::{Currency, Locale, Money};
use sqlx::types::Json;
use std::collections::BTreeSet;

/// Which products are wanted.
#[derive(Debug, Clone, Copy)]
pub enum Which {
    One(ProductId),
    OfType {
        type_id: u64,
        most: u32,
        skip: u32,
    },
    /// Those of a type that stand in listings.
    OnShow {
        type_id: u64,
        most: u32,
        skip: u32,
    },
    /// The first ones of a product's type that stand in listings, itself perhaps among them.
    OfTypeOf {
        product: ProductId,
        most: u32,
    },
}

/// How a product is sold.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Selling {
    pub state: ProductState,
    pub price_minor: i64,
    pub old_price_minor: Option<i64>,
    pub most_per_order: Option<u32>,
    pub terms: Terms,
}

/// A product in the list of all.
#[derive(Debug, Clone)]
pub struct ListedRow {
    pub handle: Handle,
    pub name: String,
    pub state: ProductState,
    pub kind: Handle,
    pub tags: Vec<Tag>,
    /// What its cheapest variant costs before rules.
    pub price_minor: i64,
    pub options: bool,
    pub pictures: bool,
}

impl Store {
    pub async fn shop(&self) -> Result<Option<Shop>> {
        let row = sqlx::query!("SELECT name, currency, locale FROM shop").fetch_optional(&self.pool).await?;
        row.map(|row| shop_of(row.name, &row.currency, &row.locale)).transpose()
    }

    pub async fn set_shop(&self, shop: &Shop) -> Result<()> {
        let (currency, locale) = (shop.currency.code(), shop.locale.tag());
        self.unit(|| async {
            let mut unit = self.begin().await?;
            sqlx::query!(
                "REPLACE INTO shop (id, name, currency, locale) VALUES (1, ?, ?, ?)",
                shop.name,
                currency,
                locale
            )
            .execute(unit.db())
            .await?;
            unit.changed(Changed::Everything);
            unit.done(()).await
        })
        .await
    }

    pub async fn product(&self, handle: &Handle) -> Result<Option<Product>> {
        let db = &mut *self.pool.acquire().await?;
        let id = sqlx::query_scalar!("SELECT id FROM product WHERE handle = ?", handle.as_str())
            .fetch_optional(&mut *db)
            .await?;
        let Some(id) = id else { return Ok(None) };
        Ok(load(db, Which::One(ProductId(id))).await?.pop())
    }

    pub async fn products(&self, which: Which) -> Result<Vec<Product>> {
        load(&mut *self.pool.acquire().await?, which).await
    }

    /// All products with what decides which template serves them, in the order of types and products.
    pub async fn listed_products(&self) -> Result<Vec<ListedRow>> {
        let rows = sqlx::query!(
            r#"SELECT p.handle, p.name, p.state, t.handle AS type_handle, p.tags AS "tags: Json<Vec<Tag>>",
               COALESCE((SELECT MIN(COALESCE(v.price_minor, p.price_minor)) FROM variant v WHERE v.product_id = p.id), p.price_minor) AS "price!: i64",
               EXISTS (SELECT 1 FROM product_option o WHERE o.product_id = p.id) AS "options!: bool",
               EXISTS (SELECT 1 FROM picture i WHERE i.product_id = p.id AND JSON_LENGTH(i.sizes) > 0) AS "pictures!: bool"
               FROM product p JOIN product_type t ON t.id = p.type_id ORDER BY t.position, t.id, p.position, p.id"#
        )
        .fetch_all(&self.pool)
        .await?;
        let listed = rows.into_iter().map(|r| {
            Ok(ListedRow {
                handle: handle(r.handle)?,
                name: r.name,
                state: read::product_state(r.state)?,
                kind: handle(r.type_handle)?,
                tags: r.tags.0,
                price_minor: r.price,
                options: r.options,
                pictures: r.pictures,
            })
        });
        listed.collect()
    }

    /// The products to which variants belong, by their SKUs.
    pub async fn products_of_skus(&self, skus: &[String]) -> Result<Vec<Handle>> {
        let wanted = serde_json::to_string(skus).unwrap_or_default();
        let rows = sqlx::query_scalar!(
            "SELECT DISTINCT p.handle FROM JSON_TABLE(?, '$[*]' COLUMNS (sku VARCHAR(80) COLLATE utf8mb4_unicode_ci PATH '$')) w
             JOIN variant v ON v.sku = w.sku JOIN product p ON p.id = v.product_id",
            wanted
        )
        .fetch_all(&self.pool)
        .await?;
        rows.into_iter().map(handle).collect()
    }

    /// Every tag that a product has, in the order of the alphabet.
    pub async fn tags(&self) -> Result<Vec<Tag>> {
        let rows = sqlx::query_scalar!(r#"SELECT DISTINCT tags AS "tags: Json<Vec<Tag>>" FROM product"#)
            .fetch_all(&self.pool)
            .await?;
        let tags: BTreeSet<Tag> = rows.into_iter().flat_map(|tags| tags.0).collect();
        Ok(tags.into_iter().collect())
    }

    /// Sets a product's price, as the owner does; pages are made anew.
    pub async fn set_price(&self, product: ProductId, price: Money) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            before_price(tx, product, price.minor).await?;
            sqlx::query!("UPDATE product SET price_minor = ? WHERE id = ?", price.minor, product.0)
                .execute(&mut *tx)
                .await?;
            unit.changed(Changed::Product(product));
            unit.done(()).await
        })
        .await
    }

    /// Sets how a product is sold: price, limits, terms.
    pub async fn set_selling(&self, product: ProductId, selling: &Selling) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            before_price(tx, product, selling.price_minor).await?;
            let state = serde_json::to_value(selling.state).map_err(|e| StorageError::damaged("state")(&e))?;
            let was = sqlx::query_scalar!("SELECT state FROM product WHERE id = ?", product.0)
                .fetch_optional(&mut *tx)
                .await?;
            // One that comes or goes is seen on the pages of others too.
            let alone = was.as_deref() == state.as_str();
            sqlx::query!(
                "UPDATE product SET state = ?, price_minor = ?, old_price_minor = ?, most_per_order = ?, terms = ? WHERE id = ?",
                state.as_str(),
                selling.price_minor,
                selling.old_price_minor,
                selling.most_per_order,
                Json(&selling.terms) as _,
                product.0
            )
            .execute(&mut *tx)
            .await?;
            let changed = if alone { Changed::Product(product) } else { Changed::Everything };
            unit.changed(changed);
            unit.done(()).await
        })
        .await
    }

    /// Sets how many there are of a variant.
    pub async fn set_stock(&self, variant: VariantId, stock: Stock) -> Result<()> {
        self.unit(|| async {
            let mut unit = self.begin().await?;
            let tx = unit.db();
            sqlx::query!("UPDATE variant SET stock = ? WHERE id = ?", stock.left(), variant.0)
                .execute(&mut *tx)
                .await?;
            let product = sqlx::query_scalar!("SELECT product_id FROM variant WHERE id = ?", variant.0)
                .fetch_optional(&mut *tx)
                .await?
                .ok_or(StorageError::NotFound { what: "variant" })?;
            unit.changed(Changed::Product(ProductId(product)));
            unit.done(()).await
        })
        .await
    }
}

fn shop_of(name: String, currency: &str, locale: &str) -> Result<Shop> {
    let damaged = StorageError::damaged("shop");
    let currency = Currency::from_code(currency).map_err(|e| damaged(&e))?;
    let locale: Locale = serde_json::from_value(locale.into()).map_err(|e| damaged(&e))?;
    Ok(Shop { name, currency, locale })
}

pub(crate) fn way(text: &str) -> Result<Way> {
    Way::try_from(text).map_err(|e| StorageError::damaged("way")(&e))
}

pub(crate) fn handle(text: String) -> Result<Handle> {
    Handle::try_from(text).map_err(|e| StorageError::damaged("handle")(&e))
}
