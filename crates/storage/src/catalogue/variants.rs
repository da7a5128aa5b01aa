//! Variants as an owner works on them: listed, set many at once, made, removed, brought in from a file.

use super::Which;
use super::read::load;
use crate::journal::{Hand, Scope};
use crate::matched::work_out;
use crate::price_history::before_own_price;
use crate::swatch_book::{BookOption, book_of, insert_value};
use crate::{Result, StorageError, Store};
use compagina_core::catalog::journal::{RowId, without_variants};
use compagina_core::catalog::{Measure, Product, Stock};
use compagina_core::format::{Checked, Mistake, PlannedRow, PlannedValue};
use compagina_core::ids::{Handle, OptionId, ProductId, ValueId, VariantId};
use compagina_core::letters::words_of;
use compagina_core::swatch::Swatch;
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::{BTreeMap, BTreeSet};

/// After so many rows the caller hears how far an import is.
const TELL_EVERY: usize = 250;

/// What is changed of variants; what is none stays as it is.
#[derive(Debug, Clone, Default)]
pub struct VariantChange {
    /// Another SKU.
    pub sku: Option<String>,
    /// The variant's own price in minor units, or none of its own.
    pub price_minor: Option<Option<i64>>,
    /// Another old price, or none.
    pub old_price_minor: Option<Option<i64>>,
    /// Another stock.
    pub stock: Option<Stock>,
    /// How much there is in it, or none told.
    pub measure: Option<Option<Measure>>,
    /// A picture of the product, or none of its own.
    pub picture: Option<Option<u64>>,
}

/// By what a product is chosen, and what that makes of its variants.
#[derive(Debug, Clone, Default)]
pub struct Uses {
    /// Options with the values that it offers, in order, and whether it uses the whole option.
    pub uses: Vec<(OptionId, Vec<ValueId>, bool)>,
    /// What each variant is then, by option.
    pub chosen: Vec<(VariantId, Vec<Option<ValueId>>)>,
}

/// By what a product is to be chosen, given the product and the book as they are; or why it can't be.
pub type UsesDecision<'a> = dyn Fn(&Product, &[BookOption]) -> std::result::Result<Uses, String> + Sync + 'a;

/// What came of a file of variants.
#[derive(Debug, Clone)]
pub enum Imported {
    /// All of it is taken.
    Taken(Checked),
    /// By now something of it is wrong; nothing is taken.
    Mistakes(Vec<Mistake>),
}

/// Holds the lines of a file against the catalogue as it is.
pub type FileCheck<'a> = dyn Fn(&[Product], &BTreeMap<String, String>, &[BookOption]) -> std::result::Result<Checked, Vec<Mistake>>
    + Sync
    + 'a;

/// A variant to be made: SKU, and for each option of the product a value or any.
pub type NewChoice = (String, Vec<Option<ValueId>>);

impl Store {
    /// To which products SKUs belong, but for these products: SKU in small letters, name of the product.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn sku_owners(&self, skus: &[String], but: &[ProductId]) -> Result<BTreeMap<String, String>> {
        sku_owners(&mut *self.pool.acquire().await?, skus, but).await
    }
}

impl Hand<'_> {
    /// Changes several variants of a product in the same way; all or none.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn change_variants(
        &self,
        product: ProductId,
        ids: &[VariantId],
        wanted: &VariantChange,
    ) -> Result<()> {
        self.step(&Scope::product(product), async |tx, _| {
            held(tx, product, ids).await?;
            for id in ids {
                change_one(tx, *id, wanted).await?;
            }
            Ok(())
        })
        .await
    }

    /// Changes several variants of a product, each in its own way; all or none.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn fill_variants(&self, product: ProductId, rows: &[(VariantId, VariantChange)]) -> Result<()> {
        let ids: Vec<VariantId> = rows.iter().map(|(id, _)| *id).collect();
        self.step(&Scope::product(product), async |tx, _| {
            held(tx, product, &ids).await?;
            // Two may exchange their SKUs: for a moment none of them has one that another gets.
            for (id, _) in rows.iter().filter(|(_, change)| change.sku.is_some()) {
                sqlx::query!("UPDATE variant SET sku = CONCAT('~', id) WHERE id = ?", id.0)
                    .execute(&mut *tx)
                    .await?;
            }
            for (id, wanted) in rows {
                change_one(tx, *id, wanted).await?;
            }
            Ok(())
        })
        .await
    }

    /// Adds the variants that are decided on for the product as it is, behind the others, without stock and at the
    /// product's price.
    ///
    /// # Errors
    /// [`StorageError::Refused`](crate::StorageError::Refused) with the reason, where it can’t be.
    /// Else those of the database.
    pub async fn make_variants(
        &self,
        product: ProductId,
        decide: &(dyn Fn(&Product) -> std::result::Result<Vec<NewChoice>, String> + Sync),
    ) -> Result<()> {
        self.step(&Scope::product(product), async |tx, _| {
            let choices = decide(&held_product(tx, product).await?).map_err(StorageError::Refused)?;
            let skus: Vec<String> = choices.iter().map(|(sku, _)| sku.clone()).collect();
            if let Some((sku, owner)) = sku_owners(tx, &skus, &[]).await?.into_iter().next() {
                let why = format!(
                    "the SKU “{sku}”, which a new variant would get, belongs to {owner}; change that one first"
                );
                return Err(StorageError::Refused(why));
            }
            for (sku, chosen) in &choices {
                insert(tx, product, sku, chosen, None, None, Stock::Counted(0)).await?;
            }
            Ok(())
        })
        .await
    }

    /// Takes variants out of a product and out of every cart.
    ///
    /// # Errors
    /// [`StorageError::Refused`] where it would have none left.
    pub async fn remove_variants(&self, product: ProductId, ids: &[VariantId]) -> Result<()> {
        self.edit(&Scope::product(product), |rows| {
            if !ids.iter().all(|id| rows.contains_key(&RowId::Variant(*id))) {
                return Err(StorageError::NotFound { what: "variant" });
            }
            without_variants(rows, product, ids).map_err(|why| StorageError::Refused(why.to_string()))
        })
        .await
    }

    /// Sets by which options and values a product is chosen, as is decided on for the product and the book as they are.
    ///
    /// # Errors
    /// [`StorageError::Refused`](crate::StorageError::Refused) with the reason, where it can’t be.
    /// Else those of the database.
    pub async fn set_uses(&self, product: ProductId, decide: &UsesDecision<'_>) -> Result<()> {
        self.step(&Scope::product(product), async |tx, _| {
            let as_it_is = held_product(tx, product).await?;
            let Uses { uses, chosen } =
                decide(&as_it_is, &book_of(tx).await?).map_err(StorageError::Refused)?;
            let ids: Vec<VariantId> = chosen.iter().map(|(id, _)| *id).collect();
            held(tx, product, &ids).await?;
            let own = own_swatches_of(tx, product).await?;
            sqlx::query!("DELETE FROM product_value WHERE product_id = ?", product.0).execute(&mut *tx).await?;
            sqlx::query!("DELETE FROM product_option WHERE product_id = ?", product.0).execute(&mut *tx).await?;
            for (position, (option, values, whole)) in (0u32..).zip(&uses) {
                sqlx::query!(
                    "INSERT INTO product_option (product_id, option_id, position, whole) VALUES (?, ?, ?, ?)",
                    product.0,
                    option.0,
                    position,
                    whole
                )
                .execute(&mut *tx)
                .await?;
                for (place, value) in (0u32..).zip(values) {
                    let kept = own.get(value);
                    sqlx::query!(
                        "INSERT INTO product_value (product_id, value_id, position, swatch, why) VALUES (?, ?, ?, ?, ?)",
                        product.0,
                        value.0,
                        place,
                        kept.map(|(swatch, _)| Json(swatch)) as _,
                        kept.map_or("", |(_, why)| why.as_str())
                    )
                    .execute(&mut *tx)
                    .await?;
                }
            }
            for (id, chosen) in &chosen {
                sqlx::query!("UPDATE variant SET chosen = ? WHERE id = ?", Json(chosen) as _, id.0)
                    .execute(&mut *tx)
                    .await?;
            }
            Ok(())
        })
        .await
    }

    /// Takes a file of variants, all of it or nothing: `products` and `skus` are those that it names, and `check` holds its
    /// lines against them as they are while they are held; `tell` hears how many rows are written.
    ///
    /// # Errors
    /// [`StorageError::NotFound`](crate::StorageError::NotFound) where there is none.
    /// Else those of the database.
    pub async fn import_variants(
        &self,
        products: &[ProductId],
        skus: &[String],
        check: &FileCheck<'_>,
        tell: &(dyn Fn(usize) + Sync),
    ) -> Result<Imported> {
        // New values may come to any option.
        let options = sqlx::query_scalar!("SELECT id FROM shop_option").fetch_all(&self.store.pool).await?;
        let options = options.into_iter().map(OptionId).collect();
        let scope = Scope { options, ..Scope::products(products.iter().copied()) };
        self.step(&scope, async |tx, _| {
            let mut as_they_are = Vec::new();
            for product in products {
                as_they_are.push(held_product(tx, *product).await?);
            }
            let elsewhere = sku_owners(tx, skus, products).await?;
            let checked = match check(&as_they_are, &elsewhere, &book_of(tx).await?) {
                Ok(checked) => checked,
                Err(mistakes) => return Ok(Imported::Mistakes(mistakes)),
            };
            let new = add_values(tx, &checked.new_values).await?;
            let mut used: BTreeSet<(ProductId, ValueId)> = BTreeSet::new();
            for (number, row) in (1..).zip(&checked.rows) {
                let product = *products.get(row.product).ok_or(StorageError::NotFound { what: "product" })?;
                let chosen = chosen_of(row, &new);
                for value in chosen.iter().flatten().filter(|value| used.insert((product, **value))) {
                    use_value(tx, product, *value).await?;
                }
                write_row(tx, product, row, &chosen).await?;
                if number % TELL_EVERY == 0 {
                    tell(number);
                }
            }
            for option in checked.new_values.iter().map(|(option, _)| *option).collect::<BTreeSet<_>>() {
                work_out(tx, option).await?;
            }
            Ok(Imported::Taken(checked))
        })
        .await
    }
}

pub(super) async fn sku_owners(
    db: &mut MySqlConnection,
    skus: &[String],
    but: &[ProductId],
) -> Result<BTreeMap<String, String>> {
    let mut owners = BTreeMap::new();
    let wanted = serde_json::to_string(skus).unwrap_or_default();
    let rows = sqlx::query!(
            r#"SELECT v.sku, p.id, p.name FROM JSON_TABLE(?, '$[*]' COLUMNS (sku VARCHAR(80) COLLATE utf8mb4_unicode_ci PATH '$')) w
               JOIN variant v ON v.sku = w.sku JOIN product p ON p.id = v.product_id"#,
            wanted
        )
        .fetch_all(&mut *db)
        .await?;
    for row in rows.into_iter().filter(|row| !but.contains(&ProductId(row.id))) {
        owners.insert(row.sku.to_lowercase(), row.name);
    }
    Ok(owners)
}

/// A product as it stands while it is held.
async fn held_product(tx: &mut MySqlConnection, id: ProductId) -> Result<Product> {
    held(tx, id, &[]).await?;
    load(tx, Which::One(id)).await?.pop().ok_or(StorageError::NotFound { what: "product" })
}

/// Holds a product and some of its variants for the rest of a transaction.
async fn held(tx: &mut MySqlConnection, product: ProductId, ids: &[VariantId]) -> Result<()> {
    sqlx::query!("SELECT id FROM product WHERE id = ? FOR UPDATE", product.0)
        .fetch_optional(&mut *tx)
        .await?
        .ok_or(StorageError::NotFound { what: "product" })?;
    for id in ids {
        sqlx::query!("SELECT id FROM variant WHERE id = ? AND product_id = ? FOR UPDATE", id.0, product.0)
            .fetch_optional(&mut *tx)
            .await?
            .ok_or(StorageError::NotFound { what: "variant" })?;
    }
    Ok(())
}

/// The swatches that a product has of its own, with the reasons.
async fn own_swatches_of(
    tx: &mut MySqlConnection,
    product: ProductId,
) -> Result<BTreeMap<ValueId, (Swatch, String)>> {
    let rows = sqlx::query!(
        r#"SELECT value_id, swatch AS "swatch!: Json<Swatch>", why FROM product_value
           WHERE product_id = ? AND swatch IS NOT NULL"#,
        product.0
    )
    .fetch_all(&mut *tx)
    .await?;
    Ok(rows.into_iter().map(|row| (ValueId(row.value_id), (row.swatch.0, row.why))).collect())
}

async fn change_one(tx: &mut MySqlConnection, id: VariantId, wanted: &VariantChange) -> Result<()> {
    if let Some(sku) = &wanted.sku {
        sqlx::query!("UPDATE variant SET sku = ? WHERE id = ?", sku, id.0).execute(&mut *tx).await?;
    }
    if let Some(price) = wanted.price_minor {
        before_own_price(tx, id, price).await?;
        sqlx::query!("UPDATE variant SET price_minor = ? WHERE id = ?", price, id.0)
            .execute(&mut *tx)
            .await?;
    }
    if let Some(old) = wanted.old_price_minor {
        sqlx::query!("UPDATE variant SET old_price_minor = ? WHERE id = ?", old, id.0)
            .execute(&mut *tx)
            .await?;
    }
    if let Some(measure) = wanted.measure {
        set_measure(tx, id, measure).await?;
    }
    if let Some(picture) = wanted.picture {
        sqlx::query!("UPDATE variant SET picture_id = ? WHERE id = ?", picture, id.0)
            .execute(&mut *tx)
            .await?;
    }
    if let Some(stock) = wanted.stock {
        sqlx::query!("UPDATE variant SET stock = ? WHERE id = ?", stock.left(), id.0)
            .execute(&mut *tx)
            .await?;
    }
    Ok(())
}

async fn set_measure(tx: &mut MySqlConnection, id: VariantId, measure: Option<Measure>) -> Result<()> {
    sqlx::query!("UPDATE variant SET measure = ? WHERE id = ?", measure.map(String::from), id.0)
        .execute(&mut *tx)
        .await?;
    Ok(())
}

async fn insert(
    tx: &mut MySqlConnection,
    product: ProductId,
    sku: &str,
    chosen: &[Option<ValueId>],
    price_minor: Option<i64>,
    old_price_minor: Option<i64>,
    stock: Stock,
) -> Result<VariantId> {
    // Behind the others: variants of one place stand in the order of their numbers.
    let done = sqlx::query!(
        "INSERT INTO variant (product_id, position, sku, chosen, price_minor, old_price_minor, stock) VALUES (?, 100000, ?, ?, ?, ?, ?)",
        product.0,
        sku,
        Json(chosen) as _,
        price_minor,
        old_price_minor,
        stock.left()
    )
    .execute(&mut *tx)
    .await?;
    Ok(VariantId(done.last_insert_id()))
}

/// Adds values to options; gives their ids in the same order.
async fn add_values(tx: &mut MySqlConnection, new: &[(OptionId, String)]) -> Result<Vec<ValueId>> {
    let mut ids = Vec::new();
    for (option, name) in new {
        let plain = Handle::from_text(&words_of(name).join("-"));
        let base = plain.ok_or_else(|| StorageError::damaged("value")(&name))?;
        let taken = sqlx::query_scalar!("SELECT handle FROM option_value WHERE option_id = ?", option.0)
            .fetch_all(&mut *tx)
            .await?;
        let own = base.free(|name| taken.iter().any(|other| other == name.as_str()));
        ids.push(insert_value(tx, *option, &own, name).await?);
    }
    Ok(ids)
}

fn chosen_of(row: &PlannedRow, new: &[ValueId]) -> Vec<Option<ValueId>> {
    let of = |value: &PlannedValue| match value {
        PlannedValue::Any => None,
        PlannedValue::Known(id) => Some(*id),
        PlannedValue::New(place) => new.get(*place).copied(),
    };
    row.values.iter().map(of).collect()
}

/// A product offers the values that its variants have; values that it didn't offer stand behind the others.
async fn use_value(tx: &mut MySqlConnection, product: ProductId, value: ValueId) -> Result<()> {
    sqlx::query!(
        "INSERT IGNORE INTO product_value (product_id, value_id, position)
         SELECT ?, ?, 1000 + position FROM option_value WHERE id = ?",
        product.0,
        value.0,
        value.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

async fn write_row(
    tx: &mut MySqlConnection,
    product: ProductId,
    row: &PlannedRow,
    chosen: &[Option<ValueId>],
) -> Result<()> {
    let known =
        sqlx::query_scalar!("SELECT id FROM variant WHERE sku = ? AND product_id = ?", row.sku, product.0)
            .fetch_optional(&mut *tx)
            .await?;
    let id = match known.map(VariantId) {
        Some(id) => id,
        None => {
            insert(tx, product, &row.sku, chosen, row.price_minor, row.old_price_minor, row.stock).await?
        }
    };
    if let Some(measure) = row.measure {
        set_measure(tx, id, measure).await?;
    }
    if known.is_none() {
        return Ok(());
    }
    before_own_price(tx, id, row.price_minor).await?;
    sqlx::query!(
        "UPDATE variant SET chosen = ?, price_minor = ?, old_price_minor = ?, stock = ? WHERE id = ?",
        Json(chosen) as _,
        row.price_minor,
        row.old_price_minor,
        row.stock.left(),
        id.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}
