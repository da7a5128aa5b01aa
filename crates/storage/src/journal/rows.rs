//! Reads the rows of a scope and holds them for the rest of the transaction.

use super::Scope;
use crate::column::{handle, product_state, way};
use crate::{Result, StorageError};
use compagina_core::catalog::journal::{
    FileRow, OptionRow, OwnRow, PaletteRow, PictureFile, PictureRow, ProductRow, RowId, Rows, SiblingRow,
    SiblingsRow, Use, ValueRow, VariantRow,
};
use compagina_core::catalog::{Detail, Fact, Measure, Tag, Terms};
use compagina_core::ids::{Handle, OptionId, ProductId, SiblingsId, ValueId, VariantId};
use compagina_core::media::{FilmFile, Focus, PictureSize};
use compagina_core::swatch::{Colour, Fate, Swatch};
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// Holds what a scope names, in one order everywhere, and adds the products that use its options where these are touched.
pub(super) async fn hold(tx: &mut MySqlConnection, scope: &mut Scope) -> Result<()> {
    for option in &scope.options {
        sqlx::query!("SELECT id FROM shop_option WHERE id = ? FOR UPDATE", option.0)
            .fetch_optional(&mut *tx)
            .await?;
        if scope.users {
            let users = sqlx::query_scalar!(
                "SELECT product_id FROM product_option WHERE option_id = ? FOR UPDATE",
                option.0
            )
            .fetch_all(&mut *tx)
            .await?;
            scope.products.extend(users.into_iter().map(ProductId));
        }
    }
    for product in scope.products.union(&scope.held) {
        sqlx::query!("SELECT id FROM product WHERE id = ? FOR UPDATE", product.0)
            .fetch_optional(&mut *tx)
            .await?;
    }
    for set in &scope.siblings {
        sqlx::query!("SELECT id FROM sibling_set WHERE id = ? FOR UPDATE", set.0)
            .fetch_optional(&mut *tx)
            .await?;
    }
    Ok(())
}

/// The rows of a scope as they are, held.
pub(super) async fn load(tx: &mut MySqlConnection, scope: &Scope) -> Result<Rows> {
    let mut rows = Rows::new();
    if scope.palette {
        palette(tx, &mut rows).await?;
    }
    for option in &scope.options {
        self::option(tx, *option, &mut rows).await?;
        values(tx, *option, &mut rows).await?;
        files(tx, *option, &mut rows).await?;
    }
    for product in &scope.products {
        self::product(tx, *product, &mut rows).await?;
        pictures(tx, Some(*product), &mut rows).await?;
        variants(tx, *product, &mut rows).await?;
    }
    for set in &scope.siblings {
        siblings(tx, *set, &mut rows).await?;
    }
    if scope.shop_pictures {
        pictures(tx, None, &mut rows).await?;
    }
    Ok(rows)
}

async fn palette(tx: &mut MySqlConnection, rows: &mut Rows) -> Result<()> {
    let text = sqlx::query_scalar!("SELECT palette FROM shop FOR UPDATE").fetch_optional(&mut *tx).await?;
    rows.extend(text.map(|text| (RowId::Palette, PaletteRow { text }.into())));
    Ok(())
}

async fn option(tx: &mut MySqlConnection, id: OptionId, rows: &mut Rows) -> Result<()> {
    let row = sqlx::query!(
        r#"SELECT handle, name, about, position, way_page, way_card, way_quick, product_id,
           from_variants AS "from_variants: bool" FROM shop_option WHERE id = ? FOR UPDATE"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?;
    let Some(row) = row else { return Ok(()) };
    let option = OptionRow {
        handle: handle(row.handle)?,
        name: row.name,
        about: row.about,
        position: row.position,
        page: way(&row.way_page)?,
        card: way(&row.way_card)?,
        quick: way(&row.way_quick)?,
        from_variants: row.from_variants,
        product: row.product_id.map(ProductId),
    };
    rows.insert(RowId::Option(id), option.into());
    Ok(())
}

async fn values(tx: &mut MySqlConnection, option: OptionId, rows: &mut Rows) -> Result<()> {
    let all = sqlx::query!(
        r#"SELECT id, handle, name, note, swatch AS "swatch: Json<Swatch>", closer AS "closer: String", position
           FROM option_value WHERE option_id = ? ORDER BY id FOR UPDATE"#,
        option.0
    )
    .fetch_all(&mut *tx)
    .await?;
    for row in all {
        let value = ValueRow {
            option,
            handle: handle(row.handle)?,
            name: row.name,
            note: row.note,
            swatch: row.swatch.map(|swatch| swatch.0),
            closer: row.closer,
            position: row.position,
        };
        rows.insert(RowId::Value(ValueId(row.id)), value.into());
    }
    Ok(())
}

async fn files(tx: &mut MySqlConnection, option: OptionId, rows: &mut Rows) -> Result<()> {
    let all = sqlx::query!(
        r#"SELECT id, name, hash, colour AS "colour: String", fate AS "fate: Json<Fate>" FROM swatch_file
           WHERE option_id = ? ORDER BY id FOR UPDATE"#,
        option.0
    )
    .fetch_all(&mut *tx)
    .await?;
    for row in all {
        let colour = row.colour.map(Colour::try_from).transpose();
        let file = FileRow {
            option,
            name: row.name,
            hash: row.hash,
            colour: colour.map_err(|e| StorageError::damaged("colour")(&e))?,
            fate: row.fate.map(|fate| fate.0),
        };
        rows.insert(RowId::File(row.id), file.into());
    }
    Ok(())
}

async fn product(tx: &mut MySqlConnection, id: ProductId, rows: &mut Rows) -> Result<()> {
    let row = sqlx::query!(
        r#"SELECT handle, address, type_id, position, name, brand, summary, details AS "details: Json<Vec<Detail>>",
           facts AS "facts: Json<Vec<Fact>>", tags AS "tags: Json<Vec<Tag>>", state, price_minor, old_price_minor,
           most_per_order, terms AS "terms: Json<Terms>" FROM product WHERE id = ? FOR UPDATE"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?;
    let Some(row) = row else { return Ok(()) };
    let product = ProductRow {
        handle: handle(row.handle)?,
        address: handle(row.address)?,
        was_at: was_at(tx, id).await?,
        kind: row.type_id,
        position: row.position,
        name: row.name,
        brand: row.brand,
        summary: row.summary,
        details: row.details.0,
        facts: row.facts.0,
        tags: row.tags.0,
        state: product_state(row.state)?,
        price_minor: row.price_minor,
        old_price_minor: row.old_price_minor,
        most_per_order: row.most_per_order,
        terms: row.terms.0,
        uses: uses(tx, id, rows).await?,
    };
    rows.insert(RowId::Product(id), product.into());
    Ok(())
}

async fn was_at(tx: &mut MySqlConnection, id: ProductId) -> Result<Vec<Handle>> {
    let all = sqlx::query_scalar!(
        "SELECT address FROM product_address WHERE product_id = ? ORDER BY position FOR UPDATE",
        id.0
    )
    .fetch_all(&mut *tx)
    .await?;
    all.into_iter().map(handle).collect()
}

/// By what a product is chosen; the swatches of its own come among the rows.
async fn uses(tx: &mut MySqlConnection, id: ProductId, rows: &mut Rows) -> Result<Vec<Use>> {
    let used = sqlx::query!(
        r#"SELECT option_id, whole AS "whole: bool" FROM product_option WHERE product_id = ?
           ORDER BY position, option_id FOR UPDATE"#,
        id.0
    )
    .fetch_all(&mut *tx)
    .await?;
    let mut uses: Vec<Use> = used
        .into_iter()
        .map(|row| Use { option: OptionId(row.option_id), values: vec![], whole: row.whole })
        .collect();
    let values = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN w.value_id, v.option_id, w.swatch AS "swatch: Json<Swatch>", w.why
           FROM product_value w JOIN option_value v ON v.id = w.value_id
           WHERE w.product_id = ? ORDER BY w.position, w.value_id FOR UPDATE"#,
        id.0
    )
    .fetch_all(&mut *tx)
    .await?;
    for row in values {
        let value = ValueId(row.value_id);
        if let Some(one) = uses.iter_mut().find(|one| one.option.0 == row.option_id) {
            one.values.push(value);
        }
        if let Some(Json(swatch)) = row.swatch {
            rows.insert(RowId::Own(id, value), OwnRow { swatch, why: row.why }.into());
        }
    }
    Ok(uses)
}

async fn pictures(tx: &mut MySqlConnection, of: Option<ProductId>, rows: &mut Rows) -> Result<()> {
    let all = sqlx::query!(
        r#"SELECT id, name, position, alt, value_ids AS "values: Json<Vec<ValueId>>", focus AS "focus: Json<Focus>",
           film AS "film: Json<FilmFile>", original AS "original: String", file_name,
           sizes AS "sizes: Json<Vec<PictureSize>>", cut_out AS "cut_out: bool", plan, trouble
           FROM picture WHERE product_id <=> ? ORDER BY id FOR UPDATE"#,
        of.map(|id| id.0)
    )
    .fetch_all(&mut *tx)
    .await?;
    for row in all {
        let picture = PictureRow {
            product: of,
            name: row.name,
            position: row.position,
            alt: row.alt,
            values: row.values.0,
            focus: row.focus.0,
            film: row.film.map(|film| film.0),
            file: PictureFile {
                original: row.original,
                file_name: row.file_name,
                sizes: row.sizes.0,
                cut_out: row.cut_out,
                plan: row.plan,
                trouble: row.trouble,
            },
        };
        rows.insert(RowId::Picture(row.id), picture.into());
    }
    Ok(())
}

async fn variants(tx: &mut MySqlConnection, product: ProductId, rows: &mut Rows) -> Result<()> {
    let all = sqlx::query!(
        r#"SELECT id, position, sku, chosen AS "chosen: Json<Vec<Option<ValueId>>>", price_minor, old_price_minor, stock,
           measure, picture_id FROM variant WHERE product_id = ? ORDER BY id FOR UPDATE"#,
        product.0
    )
    .fetch_all(&mut *tx)
    .await?;
    for row in all {
        let measure = row.measure.map(Measure::try_from).transpose();
        let variant = VariantRow {
            product,
            position: row.position,
            sku: row.sku,
            chosen: row.chosen.0,
            price_minor: row.price_minor,
            old_price_minor: row.old_price_minor,
            stock: row.stock,
            measure: measure.map_err(|e| StorageError::damaged("measure")(&e))?,
            picture: row.picture_id,
        };
        rows.insert(RowId::Variant(VariantId(row.id)), variant.into());
    }
    Ok(())
}

async fn siblings(tx: &mut MySqlConnection, id: SiblingsId, rows: &mut Rows) -> Result<()> {
    let set = sqlx::query!(
        r#"SELECT name, one_card AS "one_card: bool" FROM sibling_set WHERE id = ? FOR UPDATE"#,
        id.0
    )
    .fetch_optional(&mut *tx)
    .await?;
    let Some(set) = set else { return Ok(()) };
    let members = sqlx::query!(
        r#"SELECT product_id, label, swatch AS "swatch: Json<Swatch>" FROM sibling WHERE set_id = ?
           ORDER BY position, product_id FOR UPDATE"#,
        id.0
    )
    .fetch_all(&mut *tx)
    .await?;
    let members = members.into_iter().map(|row| SiblingRow {
        product: ProductId(row.product_id),
        label: row.label,
        swatch: row.swatch.map(|swatch| swatch.0),
    });
    let row = SiblingsRow { name: set.name, one_card: set.one_card, members: members.collect() };
    rows.insert(RowId::Siblings(id), row.into());
    Ok(())
}
