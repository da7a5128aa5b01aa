//! Makes the rows of a scope those that they are to be. What comes is inserted and what was there is updated, never the one
//! in place of the other: an address or a SKU that belongs to something else by now is refused, not taken from it. Rows come in the order of their references and go in the other
//! one; by what products are chosen is written between the two, when all that it refers to is there.

use crate::matched::work_out;
use crate::price_history::{before_own_price, before_price};
use crate::{Result, StorageError};
use compagina_core::catalog::journal::{
    FileRow, OptionRow, PaletteRow, PictureRow, ProductRow, Row, RowId, Rows, SiblingsRow, ValueRow,
    VariantRow,
};
use compagina_core::ids::{Handle, OptionId, ProductId, SiblingsId, ValueId, VariantId};
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::BTreeSet;

/// Makes of the rows `was`, which are kept, the rows `is`.
pub(super) async fn put(tx: &mut MySqlConnection, was: &Rows, is: &Rows) -> Result<()> {
    for (id, row) in is.iter().filter(|(id, row)| was.get(*id) != Some(*row)) {
        put_row(tx, *id, row, !was.contains_key(id)).await?;
    }
    for product in chosen_otherwise(was, is) {
        put_uses(tx, product, is).await?;
    }
    for id in was.keys().rev().filter(|id| !is.contains_key(*id)) {
        remove_row(tx, *id).await?;
    }
    for option in options_of(was, is) {
        work_out(tx, option).await?;
    }
    Ok(())
}

/// The products whose options, values or own swatches are others.
fn chosen_otherwise(was: &Rows, is: &Rows) -> BTreeSet<ProductId> {
    let mut products = BTreeSet::new();
    for id in was.keys().chain(is.keys()).filter(|id| was.get(*id) != is.get(*id)) {
        match id {
            RowId::Product(id) | RowId::Own(id, _) => drop(products.insert(*id)),
            _ => {}
        }
    }
    products
}

/// The options whose values may show something else.
fn options_of(was: &Rows, is: &Rows) -> BTreeSet<OptionId> {
    let of = |(_, row): (&RowId, &Row)| match row {
        Row::Value(value) => Some(value.option),
        Row::File(file) => Some(file.option),
        _ => None,
    };
    let changed = |rows: &Rows, others: &Rows| -> BTreeSet<OptionId> {
        rows.iter().filter(|(id, row)| others.get(*id) != Some(*row)).filter_map(of).collect()
    };
    let there = |id: &OptionId| is.contains_key(&RowId::Option(*id));
    changed(was, is).union(&changed(is, was)).copied().filter(there).collect()
}

async fn put_row(tx: &mut MySqlConnection, id: RowId, row: &Row, new: bool) -> Result<()> {
    match (id, row) {
        (RowId::Palette, Row::Palette(row)) => palette(tx, row).await,
        (RowId::Product(id), Row::Product(row)) => product(tx, id, row, new).await,
        (RowId::Option(id), Row::Option(row)) => option(tx, id, row, new).await,
        (RowId::Value(id), Row::Value(row)) => value(tx, id, row, new).await,
        (RowId::File(id), Row::File(row)) => file(tx, id, row, new).await,
        (RowId::Picture(id), Row::Picture(row)) => picture(tx, id, row, new).await,
        (RowId::Variant(id), Row::Variant(row)) => variant(tx, id, row, new).await,
        (RowId::Siblings(id), Row::Siblings(row)) => siblings(tx, id, row, new).await,
        // They are written with the values that the product offers.
        _ => Ok(()),
    }
}

async fn palette(tx: &mut MySqlConnection, row: &PaletteRow) -> Result<()> {
    sqlx::query!("UPDATE shop SET palette = ?", row.text).execute(&mut *tx).await?;
    let options =
        sqlx::query_scalar!("SELECT id FROM shop_option ORDER BY id FOR UPDATE").fetch_all(&mut *tx).await?;
    for option in options {
        work_out(tx, OptionId(option)).await?;
    }
    Ok(())
}

async fn product(tx: &mut MySqlConnection, id: ProductId, row: &ProductRow, new: bool) -> Result<()> {
    before_price(tx, id, row.price_minor).await?;
    let state = serde_json::to_value(row.state).map_err(|e| StorageError::damaged("state")(&e))?;
    if new {
        sqlx::query!(
            "INSERT INTO product (id, handle, address, type_id, position, name, state, summary, details, price_minor)
             VALUES (?, ?, ?, ?, 0, '', '', '', '[]', 0)",
            id.0,
            row.handle.as_str(),
            row.address.as_str(),
            row.kind
        )
        .execute(&mut *tx)
        .await?;
    }
    sqlx::query!(
        "UPDATE product SET handle = ?, address = ?, type_id = ?, position = ?, name = ?, brand = ?, summary = ?, details = ?, facts = ?, tags = ?, state = ?, price_minor = ?, old_price_minor = ?, most_per_order = ?, terms = ? WHERE id = ?",
        row.handle.as_str(),
        row.address.as_str(),
        row.kind,
        row.position,
        row.name,
        row.brand,
        row.summary,
        Json(&row.details) as _,
        Json(&row.facts) as _,
        Json(&row.tags) as _,
        state.as_str(),
        row.price_minor,
        row.old_price_minor,
        row.most_per_order,
        Json(&row.terms) as _,
        id.0
    )
    .execute(&mut *tx)
    .await?;
    leads_on(tx, id, &row.was_at).await
}

async fn leads_on(tx: &mut MySqlConnection, id: ProductId, was_at: &[Handle]) -> Result<()> {
    sqlx::query!("DELETE FROM product_address WHERE product_id = ?", id.0).execute(&mut *tx).await?;
    for (position, address) in (0_u32..).zip(was_at) {
        sqlx::query!(
            "INSERT INTO product_address (address, product_id, position) VALUES (?, ?, ?)",
            address.as_str(),
            id.0,
            position
        )
        .execute(&mut *tx)
        .await?;
    }
    Ok(())
}

async fn option(tx: &mut MySqlConnection, id: OptionId, row: &OptionRow, new: bool) -> Result<()> {
    if new {
        sqlx::query!(
            "INSERT INTO shop_option (id, handle, name, position) VALUES (?, ?, '', 0)",
            id.0,
            row.handle.as_str()
        )
        .execute(&mut *tx)
        .await?;
    }
    sqlx::query!(
        "UPDATE shop_option SET handle = ?, name = ?, about = ?, position = ?, way_page = ?, way_card = ?, way_quick = ?, from_variants = ?, product_id = ? WHERE id = ?",
        row.handle.as_str(),
        row.name,
        row.about,
        row.position,
        row.page.as_str(),
        row.card.as_str(),
        row.quick.as_str(),
        row.from_variants,
        row.product.map(|id| id.0),
        id.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// A value that comes back is offered at once by the products that use its whole option, as a new one is.
async fn value(tx: &mut MySqlConnection, id: ValueId, row: &ValueRow, new: bool) -> Result<()> {
    if new {
        sqlx::query!(
            "INSERT INTO option_value (id, option_id, handle, name, position) VALUES (?, ?, ?, '', 0)",
            id.0,
            row.option.0,
            row.handle.as_str()
        )
        .execute(&mut *tx)
        .await?;
    }
    sqlx::query!(
        "UPDATE option_value SET option_id = ?, handle = ?, name = ?, note = ?, swatch = ?, closer = ?, position = ? WHERE id = ?",
        row.option.0,
        row.handle.as_str(),
        row.name,
        row.note,
        row.swatch.as_ref().map(Json) as _,
        row.closer,
        row.position,
        id.0
    )
    .execute(&mut *tx)
    .await?;
    if new { offer(tx, row.option, id).await } else { Ok(()) }
}

/// Products that use the whole option offer a value behind the others.
pub(crate) async fn offer(tx: &mut MySqlConnection, option: OptionId, value: ValueId) -> Result<()> {
    sqlx::query!(
        "INSERT IGNORE INTO product_value (product_id, value_id, position)
         SELECT u.product_id, ?, 1000 + v.position FROM product_option u JOIN option_value v ON v.id = ?
         WHERE u.option_id = ? AND u.whole",
        value.0,
        value.0,
        option.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

async fn file(tx: &mut MySqlConnection, id: u64, row: &FileRow, new: bool) -> Result<()> {
    if new {
        sqlx::query!(
            "INSERT INTO swatch_file (id, option_id, name, hash) VALUES (?, ?, ?, '')",
            id,
            row.option.0,
            row.name
        )
        .execute(&mut *tx)
        .await?;
    }
    sqlx::query!(
        "UPDATE swatch_file SET option_id = ?, name = ?, hash = ?, colour = ?, fate = ? WHERE id = ?",
        row.option.0,
        row.name,
        row.hash,
        row.colour.map(String::from),
        row.fate.as_ref().map(Json) as _,
        id
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// The worker that makes sizes begins anew where they aren't made yet.
async fn picture(tx: &mut MySqlConnection, id: u64, row: &PictureRow, new: bool) -> Result<()> {
    if new {
        sqlx::query!("INSERT INTO picture (id, product_id, name, position, alt, sizes, value_ids) VALUES (?, ?, ?, 0, '', '[]', '[]')", id, row.product.map(|id| id.0), row.name)
        .execute(&mut *tx)
        .await?;
    }
    sqlx::query!(
        "UPDATE picture SET tries = IF(original <=> ?, tries, 0), claimed_until = IF(original <=> ?, claimed_until, NULL), position = ?, alt = ?, value_ids = ?, focus = ?, film = ?, original = ?, file_name = ?, sizes = ?, cut_out = ?, plan = ?, trouble = ? WHERE id = ?",
        row.file.original,
        row.file.original,
        row.position,
        row.alt,
        Json(&row.values) as _,
        Json(row.focus) as _,
        row.film.as_ref().map(Json) as _,
        row.file.original,
        row.file.file_name,
        Json(&row.file.sizes) as _,
        row.file.cut_out,
        row.file.plan,
        row.file.trouble,
        id
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

async fn variant(tx: &mut MySqlConnection, id: VariantId, row: &VariantRow, new: bool) -> Result<()> {
    before_own_price(tx, id, row.price_minor).await?;
    if new {
        sqlx::query!(
            "INSERT INTO variant (id, product_id, position, sku, chosen) VALUES (?, ?, 0, ?, '[]')",
            id.0,
            row.product.0,
            row.sku
        )
        .execute(&mut *tx)
        .await?;
    }
    sqlx::query!(
        "UPDATE variant SET position = ?, sku = ?, chosen = ?, price_minor = ?, old_price_minor = ?, stock = ?, measure = ?, picture_id = ? WHERE id = ?",
        row.position,
        row.sku,
        Json(&row.chosen) as _,
        row.price_minor,
        row.old_price_minor,
        row.stock,
        row.measure.map(String::from),
        row.picture,
        id.0
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

pub(crate) async fn siblings(
    tx: &mut MySqlConnection,
    id: SiblingsId,
    row: &SiblingsRow,
    new: bool,
) -> Result<()> {
    if new {
        sqlx::query!("INSERT INTO sibling_set (id, name) VALUES (?, '')", id.0).execute(&mut *tx).await?;
    }
    sqlx::query!("UPDATE sibling_set SET name = ?, one_card = ? WHERE id = ?", row.name, row.one_card, id.0)
        .execute(&mut *tx)
        .await?;
    sqlx::query!("DELETE FROM sibling WHERE set_id = ?", id.0).execute(&mut *tx).await?;
    for (position, one) in (0_u32..).zip(&row.members) {
        sqlx::query!(
            "INSERT INTO sibling (set_id, product_id, position, label, swatch) VALUES (?, ?, ?, ?, ?)",
            id.0,
            one.product.0,
            position,
            one.label,
            one.swatch.as_ref().map(Json) as _
        )
        .execute(&mut *tx)
        .await?;
    }
    Ok(())
}

/// Writes by which options and values a product is chosen, with the swatches of its own.
async fn put_uses(tx: &mut MySqlConnection, id: ProductId, is: &Rows) -> Result<()> {
    sqlx::query!("DELETE FROM product_value WHERE product_id = ?", id.0).execute(&mut *tx).await?;
    sqlx::query!("DELETE FROM product_option WHERE product_id = ?", id.0).execute(&mut *tx).await?;
    let Some(Row::Product(row)) = is.get(&RowId::Product(id)) else { return Ok(()) };
    for (position, one) in (0u32..).zip(&row.uses) {
        sqlx::query!(
            "INSERT INTO product_option (product_id, option_id, position, whole) VALUES (?, ?, ?, ?)",
            id.0,
            one.option.0,
            position,
            one.whole
        )
        .execute(&mut *tx)
        .await?;
        for (place, value) in (0u32..).zip(&one.values) {
            let own = match is.get(&RowId::Own(id, *value)) {
                Some(Row::Own(own)) => Some(own),
                _ => None,
            };
            sqlx::query!(
                "INSERT INTO product_value (product_id, value_id, position, swatch, why) VALUES (?, ?, ?, ?, ?)",
                id.0,
                value.0,
                place,
                own.map(|own| Json(&own.swatch)) as _,
                own.map_or("", |own| own.why.as_str())
            )
            .execute(&mut *tx)
            .await?;
        }
    }
    Ok(())
}

async fn remove_row(tx: &mut MySqlConnection, id: RowId) -> Result<()> {
    match id {
        RowId::Product(id) => {
            sqlx::query!("DELETE FROM product WHERE id = ?", id.0).execute(&mut *tx).await?;
        }
        RowId::Option(id) => {
            sqlx::query!("DELETE FROM shop_option WHERE id = ?", id.0).execute(&mut *tx).await?;
        }
        RowId::Value(id) => remove_value(tx, id).await?,
        RowId::File(id) => {
            sqlx::query!("DELETE FROM swatch_file WHERE id = ?", id).execute(&mut *tx).await?;
        }
        RowId::Picture(id) => {
            sqlx::query!("DELETE FROM picture WHERE id = ?", id).execute(&mut *tx).await?;
        }
        RowId::Variant(id) => remove_variant(tx, id).await?,
        RowId::Siblings(id) => {
            sqlx::query!("DELETE FROM sibling_set WHERE id = ?", id.0).execute(&mut *tx).await?;
        }
        RowId::Palette | RowId::Own(..) => {}
    }
    Ok(())
}

/// Takes a variant away, and out of every cart.
async fn remove_variant(tx: &mut MySqlConnection, id: VariantId) -> Result<()> {
    sqlx::query!("DELETE FROM cart_line WHERE variant_id = ?", id.0).execute(&mut *tx).await?;
    sqlx::query!("DELETE FROM variant WHERE id = ?", id.0).execute(&mut *tx).await?;
    Ok(())
}

/// A value goes unless something is chosen by it: products that use its whole option stop offering it.
async fn remove_value(tx: &mut MySqlConnection, id: ValueId) -> Result<()> {
    let used = sqlx::query_scalar!(
        "SELECT COUNT(*) FROM product_value w JOIN variant v ON v.product_id = w.product_id
         JOIN JSON_TABLE(v.chosen, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) c ON c.id = w.value_id WHERE w.value_id = ?",
        id.0
    )
    .fetch_one(&mut *tx)
    .await?;
    if used > 0 {
        return Err(StorageError::Refused("variants have this value by now".into()));
    }
    sqlx::query!("DELETE FROM product_value WHERE value_id = ?", id.0).execute(&mut *tx).await?;
    sqlx::query!("DELETE FROM option_value WHERE id = ?", id.0).execute(&mut *tx).await?;
    Ok(())
}
