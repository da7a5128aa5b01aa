//! Keeps new options and products.

use crate::journal::{Hand, Scope};
use crate::{Result, StorageError};
use compagina_core::catalog::{NewOption, NewPicture, NewProduct, NewVariant, Review};
use compagina_core::ids::{Handle, OptionId, ProductId};
use compagina_core::media::PLAN;
use sqlx::MySqlConnection;
use sqlx::types::Json;

impl Hand<'_> {
    /// Keeps shop-wide options. Values keep the order given.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_options(&self, options: &[NewOption]) -> Result<()> {
        self.step(&Scope::default(), async |tx, scope| {
        for (position, option) in options.iter().enumerate() {
            let option_handle = handle_of(&option.name)?;
            let id = sqlx::query!(
                "INSERT INTO shop_option (handle, name, position, way_page, way_card, way_quick) VALUES (?, ?, ?, ?, ?, ?)",
                option_handle.as_str(),
                option.name,
                as_u32(position),
                option.page.as_str(),
                option.card.as_str(),
                option.page.as_str()
            )
            .execute(&mut *tx)
            .await?
            .last_insert_id();
            scope.options.insert(OptionId(id));
            for (place, (name, swatch)) in option.values.iter().enumerate() {
                let value_handle = handle_of(name)?;
                sqlx::query!(
                    "INSERT INTO option_value (option_id, handle, name, swatch, position) VALUES (?, ?, ?, ?, ?)",
                    id,
                    value_handle.as_str(),
                    name,
                    swatch.as_ref().map(Json) as _,
                    as_u32(place)
                )
                .execute(&mut *tx)
                .await?;
            }
        }
        Ok(())
        })
        .await
    }

    /// Keeps a product with its options, variants and pictures; its type is made where it is new.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn add_product(&self, product: &NewProduct) -> Result<ProductId> {
        self.step(&Scope::default(), async |tx, scope| {
            let id = insert_product(tx, product).await?;
            scope.products.insert(ProductId(id));
            let values = insert_uses(tx, id, &product.options).await?;
            for (position, variant) in product.variants.iter().enumerate() {
                insert_variant(tx, id, position, variant, &values).await?;
            }
            for (position, picture) in product.pictures.iter().enumerate() {
                insert_picture(tx, Some(id), position, picture).await?;
            }
            for review in product.reviews.iter().rev() {
                insert_review(tx, id, review).await?;
            }
            Ok(ProductId(id))
        })
        .await
    }
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
        "INSERT INTO product (handle, address, type_id, position, name, state, summary, details, price_minor, old_price_minor, most_per_order, terms, brand, facts, tags)
         SELECT ?, ?, t.id, (SELECT COUNT(*) FROM product q WHERE q.type_id = t.id), ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ? FROM product_type t WHERE t.handle = ?",
        product.handle.as_str(),
        product.handle.as_str(),
        product.name,
        state.as_str(),
        product.summary,
        Json(&product.details) as _,
        product.price_minor,
        product.old_price_minor,
        product.most_per_order,
        Json(&product.terms) as _,
        product.brand,
        Json(&product.facts) as _,
        Json(&product.tags) as _,
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
        sqlx::query!(
            "UPDATE product_option u JOIN shop_option o ON o.id = u.option_id SET u.whole =
             (SELECT COUNT(*) FROM option_value v WHERE v.option_id = o.id) = ? WHERE u.product_id = ? AND o.handle = ?",
            as_u32(ids.len()),
            product,
            option.as_str()
        )
        .execute(&mut *tx)
        .await?;
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
        "INSERT INTO variant (product_id, position, sku, chosen, price_minor, old_price_minor, stock, measure) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
        product,
        as_u32(position),
        variant.sku,
        Json(&chosen) as _,
        variant.price_minor,
        variant.old_price_minor,
        variant.stock.left(),
        variant.measure.map(String::from)
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

async fn insert_review(tx: &mut MySqlConnection, product: u64, review: &Review) -> Result<()> {
    sqlx::query!(
        "INSERT INTO review (product_id, stars, title, body, who, day) VALUES (?, ?, ?, ?, ?, ?)",
        product,
        review.stars,
        review.title,
        review.text,
        review.who,
        review.day
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// Adds a picture whose sizes are made, of a product or of the shop.
pub(crate) async fn insert_picture(
    tx: &mut MySqlConnection,
    product: Option<u64>,
    position: usize,
    picture: &NewPicture,
) -> Result<u64> {
    let mut ids = Vec::new();
    for (option, value) in &picture.values {
        ids.push(value_id(tx, option, value).await?);
    }
    let done = sqlx::query!(
        "INSERT INTO picture (product_id, position, alt, sizes, value_ids, focus, cut_out, film, original, file_name, plan)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
        product,
        as_u32(position),
        picture.alt,
        Json(&picture.sizes) as _,
        Json(&ids) as _,
        Json(picture.focus) as _,
        picture.cut_out,
        picture.film.as_ref().map(Json) as _,
        picture.original,
        picture.file_name,
        PLAN
    )
    .execute(&mut *tx)
    .await?;
    Ok(done.last_insert_id())
}
