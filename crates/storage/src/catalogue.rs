//! Products with everything that belongs to them.

use crate::{Result, StorageError, Store, change};
use compagina_core::catalog::{
    Detail, NewOption, NewPicture, NewProduct, NewVariant, Product, ProductOption, ProductState, ProductType,
    ProductValue, Shop, Stock, Swatch, Variant,
};
use compagina_core::ids::{Handle, OptionId, ProductId, ValueId, VariantId};
use compagina_core::media::{Picture, PictureSize};
use compagina_core::money::{Currency, Locale, Money};
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::BTreeMap;

/// Which products are wanted.
#[derive(Debug, Clone, Copy)]
pub enum Which {
    One(ProductId),
    OfType { type_id: u64, most: u32, skip: u32 },
}

/// A product type with how many products it has.
#[derive(Debug, Clone)]
pub struct TypeRow {
    pub id: u64,
    pub kind: ProductType,
    pub products: u64,
}

impl Store {
    pub async fn shop(&self) -> Result<Option<Shop>> {
        let row = sqlx::query!("SELECT name, currency, locale FROM shop").fetch_optional(&self.pool).await?;
        row.map(|row| shop_of(row.name, &row.currency, &row.locale)).transpose()
    }

    pub async fn set_shop(&self, shop: &Shop) -> Result<()> {
        let (currency, locale) = (shop.currency.code(), shop.locale.tag());
        sqlx::query!(
            "REPLACE INTO shop (id, name, currency, locale) VALUES (1, ?, ?, ?)",
            shop.name,
            currency,
            locale
        )
        .execute(&self.pool)
        .await?;
        change::note(&mut *self.pool.acquire().await?, None).await
    }

    /// All product types in the shop's order.
    pub async fn types(&self) -> Result<Vec<TypeRow>> {
        let rows = sqlx::query!(
            "SELECT t.id, t.handle, t.name, COUNT(p.id) AS products FROM product_type t
             LEFT JOIN product p ON p.type_id = t.id GROUP BY t.id, t.handle, t.name, t.position ORDER BY t.position, t.id"
        )
        .fetch_all(&self.pool)
        .await?;
        rows.into_iter()
            .map(|r| {
                let kind = ProductType { handle: handle(r.handle)?, name: r.name };
                Ok(TypeRow { id: r.id, kind, products: u64::try_from(r.products).unwrap_or(0) })
            })
            .collect()
    }

    pub async fn product(&self, handle: &Handle) -> Result<Option<Product>> {
        let id = sqlx::query_scalar!("SELECT id FROM product WHERE handle = ?", handle.as_str())
            .fetch_optional(&self.pool)
            .await?;
        let Some(id) = id else { return Ok(None) };
        Ok(self.products(Which::One(ProductId(id))).await?.pop())
    }

    pub async fn products(&self, which: Which) -> Result<Vec<Product>> {
        load(&mut *self.pool.acquire().await?, which).await
    }

    /// Handles and names of all products of some types, in the order of types and products; for leafing through.
    pub async fn product_names(&self) -> Result<Vec<(Handle, String, Handle)>> {
        let rows = sqlx::query!(
            "SELECT p.handle, p.name, t.handle AS type_handle FROM product p JOIN product_type t ON t.id = p.type_id
             ORDER BY t.position, t.id, p.position, p.id"
        )
        .fetch_all(&self.pool)
        .await?;
        rows.into_iter().map(|r| Ok((handle(r.handle)?, r.name, handle(r.type_handle)?))).collect()
    }

    /// Keeps shop-wide options. Values keep the order given.
    pub async fn add_options(&self, options: &[NewOption]) -> Result<()> {
        let mut tx = self.pool.begin().await?;
        for (position, option) in options.iter().enumerate() {
            let option_handle = handle_of(&option.name)?;
            let id = sqlx::query!(
                "INSERT INTO shop_option (handle, name, position) VALUES (?, ?, ?)",
                option_handle.as_str(),
                option.name,
                as_u32(position)
            )
            .execute(&mut *tx)
            .await?
            .last_insert_id();
            for (place, (name, swatch)) in option.values.iter().enumerate() {
                let value_handle = handle_of(name)?;
                sqlx::query!(
                    "INSERT INTO option_value (option_id, handle, name, swatch, position) VALUES (?, ?, ?, ?, ?)",
                    id,
                    value_handle.as_str(),
                    name,
                    Json(swatch) as _,
                    as_u32(place)
                )
                .execute(&mut *tx)
                .await?;
            }
        }
        tx.commit().await?;
        Ok(())
    }

    /// Keeps a product with its options, variants and pictures; its type is made where it is new.
    pub async fn add_product(&self, product: &NewProduct) -> Result<ProductId> {
        let mut tx = self.pool.begin().await?;
        let id = insert_product(&mut tx, product).await?;
        let values = insert_uses(&mut tx, id, &product.options).await?;
        for (position, variant) in product.variants.iter().enumerate() {
            insert_variant(&mut tx, id, position, variant, &values).await?;
        }
        for (position, picture) in product.pictures.iter().enumerate() {
            insert_picture(&mut tx, id, position, picture).await?;
        }
        change::note(&mut tx, None).await?;
        tx.commit().await?;
        Ok(ProductId(id))
    }

    /// Sets a product's price, as the owner does; pages are made anew.
    pub async fn set_price(&self, product: ProductId, price: Money) -> Result<()> {
        let mut tx = self.pool.begin().await?;
        sqlx::query!("UPDATE product SET price_minor = ? WHERE id = ?", price.minor, product.0)
            .execute(&mut *tx)
            .await?;
        change::note(&mut tx, Some(product)).await?;
        tx.commit().await?;
        Ok(())
    }

    /// Sets how many there are of a variant.
    pub async fn set_stock(&self, variant: VariantId, stock: Stock) -> Result<()> {
        let mut tx = self.pool.begin().await?;
        sqlx::query!("UPDATE variant SET stock = ? WHERE id = ?", stock.left(), variant.0)
            .execute(&mut *tx)
            .await?;
        let product = sqlx::query_scalar!("SELECT product_id FROM variant WHERE id = ?", variant.0)
            .fetch_optional(&mut *tx)
            .await?
            .ok_or(StorageError::NotFound { what: "variant" })?;
        change::note(&mut tx, Some(ProductId(product))).await?;
        tx.commit().await?;
        Ok(())
    }
}

fn shop_of(name: String, currency: &str, locale: &str) -> Result<Shop> {
    let damaged = StorageError::damaged("shop");
    let currency = Currency::from_code(currency).map_err(|e| damaged(&e))?;
    let locale: Locale = serde_json::from_value(locale.into()).map_err(|e| damaged(&e))?;
    Ok(Shop { name, currency, locale })
}

fn handle(text: String) -> Result<Handle> {
    Handle::try_from(text).map_err(|e| StorageError::damaged("handle")(&e))
}

fn handle_of(name: &str) -> Result<Handle> {
    Handle::from_text(name).ok_or_else(|| StorageError::damaged("name")(&name))
}

fn as_u32(number: usize) -> u32 {
    u32::try_from(number).unwrap_or(u32::MAX)
}

async fn insert_product(tx: &mut MySqlConnection, product: &NewProduct) -> Result<u64> {
    let kind = &product.kind;
    sqlx::query!(
        "INSERT IGNORE INTO product_type (handle, name, position) SELECT ?, ?, COUNT(*) FROM product_type",
        kind.handle.as_str(),
        kind.name
    )
    .execute(&mut *tx)
    .await?;
    let state = serde_json::to_value(product.state).map_err(|e| StorageError::damaged("state")(&e))?;
    let done = sqlx::query!(
        "INSERT INTO product (handle, type_id, position, name, state, summary, details, price_minor, old_price_minor, most_per_order)
         SELECT ?, t.id, (SELECT COUNT(*) FROM product q WHERE q.type_id = t.id), ?, ?, ?, ?, ?, ?, ? FROM product_type t WHERE t.handle = ?",
        product.handle.as_str(),
        product.name,
        state.as_str(),
        product.summary,
        Json(&product.details) as _,
        product.price_minor,
        product.old_price_minor,
        product.most_per_order,
        kind.handle.as_str()
    )
    .execute(&mut *tx)
    .await?;
    Ok(done.last_insert_id())
}

/// Keeps which options and values a product uses; gives the ids of the values, `[option][place]`.
async fn insert_uses(
    tx: &mut MySqlConnection,
    product: u64,
    options: &[(Handle, Vec<Handle>)],
) -> Result<Vec<Vec<u64>>> {
    let mut all = Vec::new();
    for (position, (option, values)) in options.iter().enumerate() {
        sqlx::query!(
            "INSERT INTO product_option (product_id, option_id, position) SELECT ?, id, ? FROM shop_option WHERE handle = ?",
            product,
            as_u32(position),
            option.as_str()
        )
        .execute(&mut *tx)
        .await?;
        let mut ids = Vec::new();
        for (place, value) in values.iter().enumerate() {
            let id = value_id(tx, option, value).await?;
            sqlx::query!(
                "INSERT INTO product_value (product_id, value_id, position) VALUES (?, ?, ?)",
                product,
                id,
                as_u32(place)
            )
            .execute(&mut *tx)
            .await?;
            ids.push(id);
        }
        all.push(ids);
    }
    Ok(all)
}

async fn value_id(tx: &mut MySqlConnection, option: &Handle, value: &Handle) -> Result<u64> {
    sqlx::query_scalar!(
        "SELECT v.id FROM option_value v JOIN shop_option o ON o.id = v.option_id WHERE o.handle = ? AND v.handle = ?",
        option.as_str(),
        value.as_str()
    )
    .fetch_optional(&mut *tx)
    .await?
    .ok_or(StorageError::NotFound { what: "option value" })
}

async fn insert_variant(
    tx: &mut MySqlConnection,
    product: u64,
    position: usize,
    variant: &NewVariant,
    values: &[Vec<u64>],
) -> Result<()> {
    let chosen: Vec<Option<u64>> = values
        .iter()
        .zip(&variant.values)
        .map(|(ids, place)| place.and_then(|p| ids.get(usize::from(p)).copied()))
        .collect();
    sqlx::query!(
        "INSERT INTO variant (product_id, position, sku, chosen, price_minor, old_price_minor, stock) VALUES (?, ?, ?, ?, ?, ?, ?)",
        product,
        as_u32(position),
        variant.sku,
        Json(&chosen) as _,
        variant.price_minor,
        variant.old_price_minor,
        variant.stock.left()
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

async fn insert_picture(
    tx: &mut MySqlConnection,
    product: u64,
    position: usize,
    picture: &NewPicture,
) -> Result<()> {
    let mut ids = Vec::new();
    for (option, value) in &picture.values {
        ids.push(value_id(tx, option, value).await?);
    }
    sqlx::query!(
        "INSERT INTO product_picture (product_id, position, alt, sizes, value_ids) VALUES (?, ?, ?, ?, ?)",
        product,
        as_u32(position),
        picture.alt,
        Json(&picture.sizes) as _,
        Json(&ids) as _
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// Reads products with all that belongs to them, in a fixed number of queries.
pub(crate) async fn load(db: &mut MySqlConnection, which: Which) -> Result<Vec<Product>> {
    let mut products = load_products(db, which).await?;
    let (one, kind, most, skip) = numbers(which);
    load_uses(db, which, &mut products).await?;
    let rows = sqlx::query!(
        r#"SELECT v.id, v.product_id, v.sku, v.chosen AS "chosen: Json<Vec<Option<u64>>>", v.price_minor, v.old_price_minor, v.stock
           FROM (SELECT id FROM product WHERE id = ? OR type_id = ? ORDER BY position, id LIMIT ? OFFSET ?) p
           JOIN variant v ON v.product_id = p.id ORDER BY v.product_id, v.position, v.id"#,
        one, kind, most, skip
    )
    .fetch_all(&mut *db)
    .await?;
    for row in rows {
        let Some(product) = products.get_mut(&row.product_id) else { continue };
        let currency = product.price.currency;
        let money = |minor: Option<i64>| minor.map(|m| Money::new(m, currency));
        let values = product.options.iter().zip(row.chosen.0).map(|(o, id)| place_of(o, id)).collect();
        product.variants.push(Variant {
            id: VariantId(row.id),
            sku: row.sku,
            values,
            price: money(row.price_minor),
            old_price: money(row.old_price_minor),
            stock: row.stock.map_or(Stock::NotCounted, Stock::Counted),
        });
    }
    let rows = sqlx::query!(
        r#"SELECT i.product_id, i.alt, i.sizes AS "sizes: Json<Vec<PictureSize>>", i.value_ids AS "value_ids: Json<Vec<ValueId>>"
           FROM (SELECT id FROM product WHERE id = ? OR type_id = ? ORDER BY position, id LIMIT ? OFFSET ?) p
           JOIN product_picture i ON i.product_id = p.id ORDER BY i.product_id, i.position, i.id"#,
        one, kind, most, skip
    )
    .fetch_all(&mut *db)
    .await?;
    for row in rows {
        let Some(product) = products.get_mut(&row.product_id) else { continue };
        product.pictures.push(Picture { sizes: row.sizes.0, alt: row.alt, values: row.value_ids.0 });
    }
    Ok(products.into_values().collect())
}

/// The numbers that a query takes: product, type, limit, offset.
fn numbers(which: Which) -> (u64, u64, u32, u32) {
    match which {
        Which::One(id) => (id.0, 0, 1, 0),
        Which::OfType { type_id, most, skip } => (0, type_id, most, skip),
    }
}

async fn load_products(db: &mut MySqlConnection, which: Which) -> Result<Rows> {
    let (one, kind, most, skip) = numbers(which);
    let rows = sqlx::query!(
        r#"SELECT p.id, p.handle, p.name, p.state, p.summary, p.details AS "details: Json<Vec<Detail>>", p.price_minor,
             p.old_price_minor, p.most_per_order, t.handle AS type_handle, t.name AS type_name, s.currency
           FROM product p JOIN product_type t ON t.id = p.type_id JOIN shop s
           WHERE p.id = ? OR p.type_id = ? ORDER BY p.position, p.id LIMIT ? OFFSET ?"#,
        one, kind, most, skip
    )
    .fetch_all(&mut *db)
    .await?;
    let damaged = StorageError::damaged("product");
    let mut products = Rows::default();
    for row in rows {
        let currency = Currency::from_code(&row.currency)?;
        let state: ProductState = serde_json::from_value(row.state.into()).map_err(|e| damaged(&e))?;
        products.push(Product {
            id: ProductId(row.id),
            handle: handle(row.handle)?,
            name: row.name,
            kind: ProductType { handle: handle(row.type_handle)?, name: row.type_name },
            state,
            summary: row.summary,
            details: row.details.0,
            pictures: vec![],
            options: vec![],
            variants: vec![],
            price: Money::new(row.price_minor, currency),
            old_price: row.old_price_minor.map(|m| Money::new(m, currency)),
            most_per_order: row.most_per_order,
        });
    }
    Ok(products)
}

async fn load_uses(db: &mut MySqlConnection, which: Which, products: &mut Rows) -> Result<()> {
    let (one, kind, most, skip) = numbers(which);
    let rows = sqlx::query!(
        r#"SELECT u.product_id, o.id AS option_id, o.handle AS option_handle, o.name AS option_name,
             v.id AS value_id, v.handle AS value_handle, v.name AS value_name, v.swatch AS "swatch: Json<Swatch>"
           FROM (SELECT id FROM product WHERE id = ? OR type_id = ? ORDER BY position, id LIMIT ? OFFSET ?) p
           JOIN product_option u ON u.product_id = p.id
           JOIN shop_option o ON o.id = u.option_id
           JOIN option_value v ON v.option_id = o.id
           JOIN product_value w ON w.value_id = v.id AND w.product_id = u.product_id
           ORDER BY u.product_id, u.position, w.position"#,
        one, kind, most, skip
    )
    .fetch_all(&mut *db)
    .await?;
    for row in rows {
        let Some(product) = products.get_mut(&row.product_id) else { continue };
        if product.options.last().is_none_or(|o| o.id.0 != row.option_id) {
            let (id, name) = (OptionId(row.option_id), row.option_name);
            product.options.push(ProductOption {
                id,
                handle: handle(row.option_handle)?,
                name,
                values: vec![],
            });
        }
        let value = ProductValue {
            id: ValueId(row.value_id),
            handle: handle(row.value_handle)?,
            name: row.value_name,
            swatch: row.swatch.0,
        };
        if let Some(option) = product.options.last_mut() {
            option.values.push(value);
        }
    }
    Ok(())
}

fn place_of(option: &ProductOption, id: Option<u64>) -> Option<u16> {
    let place = option.values.iter().position(|v| Some(v.id.0) == id)?;
    u16::try_from(place).ok()
}

/// Products in the order in which they were read, found by id.
#[derive(Default)]
struct Rows {
    products: Vec<Product>,
    places: BTreeMap<u64, usize>,
}

impl Rows {
    fn push(&mut self, product: Product) {
        self.places.insert(product.id.0, self.products.len());
        self.products.push(product);
    }
    fn get_mut(&mut self, id: &u64) -> Option<&mut Product> {
        self.products.get_mut(*self.places.get(id)?)
    }
    fn into_values(self) -> impl Iterator<Item = Product> {
        self.products.into_iter()
    }
}
