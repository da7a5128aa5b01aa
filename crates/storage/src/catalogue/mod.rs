//! Products with everything that belongs to them.

mod address;
mod beside;
mod neighbours;
mod pictured;
mod read;
mod search;
mod siblings;
mod texts;
mod types;
mod variants;
mod whole;
mod write;

pub use address::At;
pub use neighbours::NeighbourRow;
pub(crate) use read::load;
use read::load_numbered;
pub use types::{ServedBy, TypeRow};
pub use variants::{FileCheck, Imported, NewChoice, Uses, UsesDecision, VariantChange};
pub use whole::Hanging;
pub(crate) use write::insert_picture;

use crate::change::Changed;
use crate::column::{handle, product_state};
use crate::journal::{Hand, Scope};
use crate::price_history::before_price;
use crate::{Result, StorageError, Store};
use compagina_core::catalog::journal::merged;
use compagina_core::catalog::{Product, ProductState, Selling, Shop, Stock, Tag, Terms};
use compagina_core::ids::{Handle, ProductId, VariantId};
use compagina_core::money::{Currency, Locale, Money};
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::BTreeSet;
use std::ops::RangeInclusive;

/// Which products are wanted.
#[derive(Debug, Clone, Copy)]
pub enum Which {
    /// A single one.
    One(ProductId),
    /// Those of a type.
    OfType {
        /// The number of the type.
        type_id: u64,
        /// So many at the most.
        most: u32,
        /// How many of them are passed over.
        skip: u32,
    },
    /// Those for which an old price was typed, for themselves or for a variant.
    OldPriced {
        /// So many at the most.
        most: u32,
        /// How many of them are passed over.
        skip: u32,
    },
    /// The first ones of a product's type that stand in listings, itself perhaps among them.
    OfTypeOf {
        /// The product whose type it is.
        product: ProductId,
        /// So many at the most.
        most: u32,
    },
}

/// A product in the list of all.
#[derive(Debug, Clone)]
pub struct ListedRow {
    /// Its number.
    pub id: ProductId,
    /// Its handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
    /// Whether it is sold, and how.
    pub state: ProductState,
    /// Its type, by its handle.
    pub kind: Handle,
    /// Its tags.
    pub tags: Vec<Tag>,
    /// What its cheapest variant costs before rules.
    pub price_minor: i64,
    /// Whether it is chosen by anything.
    pub options: bool,
    /// Whether it has any.
    pub pictures: bool,
    /// How many variants it has.
    pub variants: u32,
    /// Whether there is any of them.
    pub in_stock: bool,
}

impl Store {
    /// The shop itself; none before it was set up.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn shop(&self) -> Result<Option<Shop>> {
        let row = sqlx::query!("SELECT name, currency, locale FROM shop").fetch_optional(&self.pool).await?;
        row.map(|row| shop_of(row.name, &row.currency, &row.locale)).transpose()
    }

    /// Sets the shop up.
    ///
    /// # Errors
    /// Those of the database.
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

    /// The product of a handle.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn product(&self, handle: &Handle) -> Result<Option<Product>> {
        let db = &mut *self.pool.acquire().await?;
        let id = sqlx::query_scalar!("SELECT id FROM product WHERE handle = ?", handle.as_str())
            .fetch_optional(&mut *db)
            .await?;
        let Some(id) = id else { return Ok(None) };
        Ok(load(db, Which::One(ProductId(id))).await?.pop())
    }

    /// Several products.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn products(&self, which: Which) -> Result<Vec<Product>> {
        load(&mut *self.pool.acquire().await?, which).await
    }

    /// These products, in this order; those that are gone are left out.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn products_numbered(&self, ids: &[ProductId]) -> Result<Vec<Product>> {
        let wanted: Vec<u64> = ids.iter().map(|id| id.0).collect();
        let mut products = load_numbered(&mut *self.pool.acquire().await?, &wanted).await?;
        products.sort_by_key(|product| wanted.iter().position(|id| *id == product.id.0));
        Ok(products)
    }

    /// All products with what decides which template serves them, in the order of types and products.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn listed_products(&self) -> Result<Vec<ListedRow>> {
        self.listed_rows(0..=u64::MAX).await
    }

    /// A product as it stands in [`Self::listed_products`]; none where there is none any more.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn listed_product(&self, product: ProductId) -> Result<Option<ListedRow>> {
        Ok(self.listed_rows(product.0..=product.0).await?.pop())
    }

    async fn listed_rows(&self, ids: RangeInclusive<u64>) -> Result<Vec<ListedRow>> {
        let rows = sqlx::query!(
            r#"SELECT p.id, p.handle, p.name, p.state, t.handle AS type_handle, p.tags AS "tags: Json<Vec<Tag>>",
               COALESCE(v.price, p.price_minor) AS "price!: i64", COALESCE(v.variants, 0) AS "variants!: u32", COALESCE(v.in_stock, 0) AS "in_stock!: bool",
               EXISTS (SELECT 1 FROM product_option o WHERE o.product_id = p.id) AS "options!: bool",
               EXISTS (SELECT 1 FROM picture i WHERE i.product_id = p.id AND JSON_LENGTH(i.sizes) > 0) AS "pictures!: bool"
               FROM product p JOIN product_type t ON t.id = p.type_id
               LEFT JOIN (SELECT w.product_id, MIN(COALESCE(w.price_minor, q.price_minor)) AS price, COUNT(*) AS variants, MAX(w.stock IS NULL OR w.stock > 0) AS in_stock
                          FROM variant w JOIN product q ON q.id = w.product_id GROUP BY w.product_id) v ON v.product_id = p.id
               WHERE p.id BETWEEN ? AND ? ORDER BY t.position, t.id, p.position, p.id"#,
            ids.start(),
            ids.end()
        )
        .fetch_all(&self.pool)
        .await?;
        let listed = rows.into_iter().map(|r| {
            Ok(ListedRow {
                id: ProductId(r.id),
                handle: handle(r.handle)?,
                name: r.name,
                state: product_state(r.state)?,
                kind: handle(r.type_handle)?,
                tags: r.tags.0,
                price_minor: r.price,
                options: r.options,
                pictures: r.pictures,
                variants: r.variants,
                in_stock: r.in_stock,
            })
        });
        listed.collect()
    }

    /// The products to which variants belong, by their SKUs.
    ///
    /// # Errors
    /// Those of the database.
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
    ///
    /// # Errors
    /// Those of the database.
    pub async fn tags(&self) -> Result<Vec<Tag>> {
        let rows = sqlx::query_scalar!(r#"SELECT DISTINCT tags AS "tags: Json<Vec<Tag>>" FROM product"#)
            .fetch_all(&self.pool)
            .await?;
        let tags: BTreeSet<Tag> = rows.into_iter().flat_map(|tags| tags.0).collect();
        Ok(tags.into_iter().collect())
    }
}

impl Hand<'_> {
    /// Sets a product's price, as the owner does; pages are made anew.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn set_price(&self, product: ProductId, price: Money) -> Result<()> {
        self.step(&Scope::product(product), async |tx, _| {
            before_price(tx, product, price.minor).await?;
            sqlx::query!("UPDATE product SET price_minor = ? WHERE id = ?", price.minor, product.0)
                .execute(&mut *tx)
                .await?;
            Ok(())
        })
        .await
    }

    /// Sets how a product is sold: what was changed of `was`, from which `wanted` was made, is taken.
    ///
    /// # Errors
    /// [`StorageError::Overtaken`] where somebody else changed the same meanwhile, to something else.
    pub async fn set_selling(&self, product: ProductId, was: &Selling, wanted: &Selling) -> Result<()> {
        self.step(&Scope::product(product), async |tx, _| {
            let now = selling_of(tx, product).await?;
            let selling = merged(was, &now, wanted).map_err(|what| StorageError::Overtaken { what })?;
            before_price(tx, product, selling.price_minor).await?;
            let state = serde_json::to_value(selling.state).map_err(|e| StorageError::damaged("state")(&e))?;
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
            Ok(())
        })
        .await
    }

    /// Sets how many there are of a variant.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn set_stock(&self, variant: VariantId, stock: Stock) -> Result<()> {
        let product = sqlx::query_scalar!("SELECT product_id FROM variant WHERE id = ?", variant.0)
            .fetch_optional(&self.store.pool)
            .await?
            .ok_or(StorageError::NotFound { what: "variant" })?;
        let change = VariantChange { stock: Some(stock), ..VariantChange::default() };
        self.change_variants(ProductId(product), &[variant], &change).await
    }
}

async fn selling_of(tx: &mut MySqlConnection, product: ProductId) -> Result<Selling> {
    let row = sqlx::query!(
        r#"SELECT state, price_minor, old_price_minor, most_per_order, terms AS "terms: Json<Terms>" FROM product WHERE id = ?"#,
        product.0
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NotFound { what: "product" })?;
    Ok(Selling {
        state: product_state(row.state)?,
        price_minor: row.price_minor,
        old_price_minor: row.old_price_minor,
        most_per_order: row.most_per_order,
        terms: row.terms.0,
    })
}

fn shop_of(name: String, currency: &str, locale: &str) -> Result<Shop> {
    let damaged = StorageError::damaged("shop");
    let currency = Currency::from_code(currency).map_err(|e| damaged(&e))?;
    let locale: Locale = serde_json::from_value(locale.into()).map_err(|e| damaged(&e))?;
    Ok(Shop { name, currency, locale })
}
