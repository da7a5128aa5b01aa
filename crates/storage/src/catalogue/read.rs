//! Reads products with everything that belongs to them.

use super::Which;
use super::siblings::load_siblings;
use crate::column::{handle, product_state, way};
use crate::{Result, StorageError};
use compagina_core::catalog::{
    Detail, Fact, Measure, Product, ProductOption, ProductType, ProductValue, Rating, Review, Stock, Tag,
    Terms, Variant,
};
use compagina_core::ids::{OptionId, ProductId, ValueId, VariantId};
use compagina_core::media::{FilmFile, Focus, Picture, PictureSize};
use compagina_core::money::{Currency, Money};
use compagina_core::price::PriceChange;
use compagina_core::swatch::{Colour, Sources, Swatch, shown};
use compagina_core::time::Moment;
use sqlx::MySqlConnection;
use sqlx::types::Json;
use std::collections::BTreeMap;

/// A page shows at most so many reviews.
const MOST_REVIEWS: u32 = 20;

/// Reads products with all that belongs to them, in a fixed number of queries. What they give is brought into order
/// here: left to the database, that would cost a table on its disk each time, for columns of any length. Tables are joined
/// in the order in which they are named: left alone, it may begin with all rows of all products.
pub(crate) async fn load(db: &mut MySqlConnection, which: Which) -> Result<Vec<Product>> {
    let ids = ids_of(db, which).await?;
    let alone = if let Which::One(id) = which { Some(id) } else { None };
    load_all(db, &ids, alone).await
}

/// Those of these numbers, in the order of their places.
pub(crate) async fn load_numbered(db: &mut MySqlConnection, ids: &[u64]) -> Result<Vec<Product>> {
    let ids = serde_json::to_string(ids).map_err(|e| StorageError::damaged("product")(&e))?;
    load_all(db, &ids, None).await
}

/// `alone`: the one product that is wanted, with what was said of it.
async fn load_all(db: &mut MySqlConnection, ids: &str, alone: Option<ProductId>) -> Result<Vec<Product>> {
    let mut products = load_products(db, ids).await?;
    load_uses(db, ids, &mut products).await?;
    let pictures = load_pictures(db, ids, &mut products).await?;
    load_variants(db, ids, &mut products, &pictures).await?;
    load_history(db, ids, &mut products).await?;
    load_ratings(db, ids, &mut products).await?;
    if let Some(id) = alone {
        load_reviews(db, id, &mut products).await?;
    }
    for (id, siblings) in load_siblings(db, ids).await? {
        if let Some(product) = products.get_mut(&id) {
            product.siblings = siblings;
        }
    }
    let mut products: Vec<Product> = products.into_values().collect();
    products.iter_mut().for_each(Product::take_swatches_from_pictures);
    Ok(products)
}

/// `pictures`: each product's pictures by their numbers, in order.
async fn load_variants(
    db: &mut MySqlConnection,
    ids: &str,
    products: &mut Rows,
    pictures: &BTreeMap<u64, Vec<u64>>,
) -> Result<()> {
    let mut rows = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN v.id, v.product_id, v.sku, v.chosen AS "chosen: Json<Vec<Option<u64>>>", v.price_minor, v.old_price_minor, v.stock, v.picture_id, v.measure, v.position
           FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) p
           JOIN variant v ON v.product_id = p.id"#,
        ids
    )
    .fetch_all(&mut *db)
    .await?;
    rows.sort_by_key(|row| (row.position, row.id));
    for row in rows {
        let Some(product) = products.get_mut(&row.product_id) else { continue };
        let currency = product.price.currency;
        let money = |minor: Option<i64>| minor.map(|m| Money::new(m, currency));
        // One that names a value which the product doesn't offer is none that could be chosen: taken for *any*, it could
        // be bought as everything.
        let Some(values) = places_of(&product.options, &row.chosen.0) else { continue };
        product.variants.push(Variant {
            id: VariantId(row.id),
            sku: row.sku,
            values,
            price: money(row.price_minor),
            old_price: money(row.old_price_minor),
            stock: row.stock.map_or(Stock::NotCounted, Stock::Counted),
            measure: row
                .measure
                .map(|text| Measure::try_from(text).map_err(|e| StorageError::damaged("measure")(&e)))
                .transpose()?,
            picture: row
                .picture_id
                .and_then(|id| pictures.get(&row.product_id)?.iter().position(|other| *other == id)),
        });
    }
    Ok(())
}

async fn load_pictures(
    db: &mut MySqlConnection,
    ids: &str,
    products: &mut Rows,
) -> Result<BTreeMap<u64, Vec<u64>>> {
    let mut rows = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN i.id, i.product_id AS "product_id!", i.alt, i.sizes AS "sizes: Json<Vec<PictureSize>>", i.value_ids AS "value_ids: Json<Vec<ValueId>>",
           i.focus AS "focus: Json<Focus>", i.cut_out AS "cut_out: bool", i.film AS "film: Json<FilmFile>", i.position
           FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) p
           JOIN picture i ON i.product_id = p.id AND JSON_LENGTH(i.sizes) > 0"#,
        ids
    )
    .fetch_all(&mut *db)
    .await?;
    rows.sort_by_key(|row| (row.position, row.id));
    let mut ids: BTreeMap<u64, Vec<u64>> = BTreeMap::new();
    for row in rows {
        let Some(product) = products.get_mut(&row.product_id) else { continue };
        ids.entry(row.product_id).or_default().push(row.id);
        product.pictures.push(Picture {
            sizes: row.sizes.0,
            alt: row.alt,
            values: row.value_ids.0,
            focus: row.focus.0,
            cut_out: row.cut_out,
            film: row.film.map(|film| film.0),
        });
    }
    Ok(ids)
}

async fn load_history(db: &mut MySqlConnection, ids: &str, products: &mut Rows) -> Result<()> {
    let mut rows = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN c.product_id, c.variant_id, c.at, c.was_minor, c.id
           FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) p
           JOIN price_change c ON c.product_id = p.id"#,
        ids
    )
    .fetch_all(&mut *db)
    .await?;
    rows.sort_by_key(|row| (row.at, row.id));
    for row in rows {
        if let Some(product) = products.get_mut(&row.product_id) {
            let (at, variant) = (Moment(row.at), row.variant_id.map(VariantId));
            product.history.push(PriceChange { at, variant, was: row.was_minor });
        }
    }
    Ok(())
}

async fn load_ratings(db: &mut MySqlConnection, ids: &str, products: &mut Rows) -> Result<()> {
    let rows = sqlx::query!(
        r#"SELECT r.product_id, r.stars, COUNT(*) AS "count!: i64"
           FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) p
           JOIN review r ON r.product_id = p.id GROUP BY r.product_id, r.stars"#,
        ids
    )
    .fetch_all(&mut *db)
    .await?;
    for row in rows {
        let Some(product) = products.get_mut(&row.product_id) else { continue };
        if let Some(place) = product.rating.counts.get_mut(usize::from(row.stars).wrapping_sub(1)) {
            *place = u32::try_from(row.count).unwrap_or(u32::MAX);
        }
    }
    Ok(())
}

/// Only a product's own page shows what was said; the newest first.
async fn load_reviews(db: &mut MySqlConnection, id: ProductId, products: &mut Rows) -> Result<()> {
    let rows = sqlx::query!(
        "SELECT stars, title, body, who, day FROM review WHERE product_id = ? ORDER BY day DESC, id DESC LIMIT ?",
        id.0,
        MOST_REVIEWS
    )
    .fetch_all(&mut *db)
    .await?;
    if let Some(product) = products.get_mut(&id.0) {
        let review = rows.into_iter().map(|r| Review {
            stars: r.stars,
            title: r.title,
            text: r.body,
            who: r.who,
            day: r.day,
        });
        product.reviews = review.collect();
    }
    Ok(())
}

/// The numbers of the products that are wanted, as JSON: every query begins with them.
async fn ids_of(db: &mut MySqlConnection, which: Which) -> Result<String> {
    let ids = match which {
        Which::One(id) => vec![id.0],
        Which::OfType { type_id, most, skip } => {
            sqlx::query_scalar!(
                "SELECT id FROM product WHERE type_id = ? ORDER BY position, id LIMIT ? OFFSET ?",
                type_id,
                most,
                skip
            )
            .fetch_all(&mut *db)
            .await?
        }
        Which::OldPriced { most, skip } => {
            sqlx::query_scalar!(
                "SELECT p.id FROM product p WHERE p.old_price_minor IS NOT NULL
                 OR EXISTS (SELECT 1 FROM variant v WHERE v.product_id = p.id AND v.old_price_minor IS NOT NULL)
                 ORDER BY p.id LIMIT ? OFFSET ?",
                most,
                skip
            )
            .fetch_all(&mut *db)
            .await?
        }
        Which::OfTypeOf { product, most } => {
            sqlx::query_scalar!(
                "SELECT q.id FROM product p JOIN product q ON q.type_id = p.type_id AND q.state IN ('on_sale', 'coming_soon')
                 WHERE p.id = ? ORDER BY q.position, q.id LIMIT ?",
                product.0,
                most
            )
            .fetch_all(&mut *db)
            .await?
        }
    };
    serde_json::to_string(&ids).map_err(|e| StorageError::damaged("product")(&e))
}

async fn load_products(db: &mut MySqlConnection, ids: &str) -> Result<Rows> {
    let mut rows = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN p.id, p.handle, p.address, p.name, p.state, p.summary, p.details AS "details: Json<Vec<Detail>>", p.price_minor,
             p.old_price_minor, p.most_per_order, p.terms AS "terms: Json<Terms>", p.brand, p.facts AS "facts: Json<Vec<Fact>>", p.tags AS "tags: Json<Vec<Tag>>", t.handle AS type_handle, t.name AS type_name, s.currency, p.position
           FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) w
           JOIN product p ON p.id = w.id JOIN product_type t ON t.id = p.type_id JOIN shop s"#,
        ids
    )
    .fetch_all(&mut *db)
    .await?;
    rows.sort_by_key(|row| (row.position, row.id));
    let mut products = Rows::default();
    for row in rows {
        let currency = Currency::from_code(&row.currency)?;
        let state = product_state(row.state)?;
        products.push(Product {
            id: ProductId(row.id),
            handle: handle(row.handle)?,
            address: handle(row.address)?,
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
            terms: row.terms.0,
            history: vec![],
            brand: row.brand,
            facts: row.facts.0,
            tags: row.tags.0,
            rating: Rating::default(),
            reviews: vec![],
            siblings: vec![],
        });
    }
    Ok(products)
}

async fn load_uses(db: &mut MySqlConnection, ids: &str, products: &mut Rows) -> Result<()> {
    let mut rows = sqlx::query!(
        r#"SELECT STRAIGHT_JOIN u.product_id, o.id AS option_id, o.handle AS option_handle, o.name AS option_name,
             o.about, o.way_page, o.way_card, o.way_quick, o.from_variants AS "from_variants: bool", v.id AS value_id,
             v.handle AS value_handle, v.name AS value_name, v.note, v.swatch AS "swatch: Json<Swatch>",
             w.swatch AS "own: Json<Swatch>", v.palette_colour AS "palette_colour: String",
             v.file_hash AS "file_hash: String", v.closer AS "closer: String", u.position, w.position AS place
           FROM JSON_TABLE(?, '$[*]' COLUMNS (id BIGINT UNSIGNED PATH '$')) p
           JOIN product_option u ON u.product_id = p.id
           JOIN shop_option o ON o.id = u.option_id
           JOIN option_value v ON v.option_id = o.id
           JOIN product_value w ON w.value_id = v.id AND w.product_id = u.product_id"#,
        ids
    )
    .fetch_all(&mut *db)
    .await?;
    rows.sort_by_key(|row| (row.product_id, row.position, row.place));
    for row in rows {
        let Some(product) = products.get_mut(&row.product_id) else { continue };
        if product.options.last().is_none_or(|o| o.id.0 != row.option_id) {
            let id = OptionId(row.option_id);
            let option = ProductOption::new(id, handle(row.option_handle)?, row.option_name, vec![]);
            product.options.push(ProductOption {
                about: row.about,
                page: way(&row.way_page)?,
                card: way(&row.way_card)?,
                quick: way(&row.way_quick)?,
                from_variants: row.from_variants,
                ..option
            });
        }
        let palette = row.palette_colour.map(Colour::try_from).transpose();
        let shown = shown(Sources {
            product: row.own.as_deref(),
            book: row.swatch.as_deref(),
            palette: palette.map_err(|e| StorageError::damaged("colour")(&e))?,
            file: row.file_hash.as_deref(),
            variant: None,
        });
        let value = ProductValue {
            swatch: shown.swatch,
            from: shown.from,
            note: row.note,
            closer: row.closer,
            ..ProductValue::new(ValueId(row.value_id), handle(row.value_handle)?, row.value_name)
        };
        if let Some(option) = product.options.last_mut() {
            option.values.push(value);
        }
    }
    Ok(())
}

/// The places of a variant's values, one for each option; none stands for any. Nothing where a value isn't among those
/// that the product offers, or where there are fewer or more than options.
fn places_of(options: &[ProductOption], chosen: &[Option<u64>]) -> Option<Vec<Option<u16>>> {
    let place = |option: &ProductOption, id: u64| {
        let place = option.values.iter().position(|value| value.id.0 == id)?;
        u16::try_from(place).ok()
    };
    if options.len() != chosen.len() {
        return None;
    }
    let places = options.iter().zip(chosen).map(|(option, id)| match id {
        None => Some(None),
        Some(id) => place(option, *id).map(Some),
    });
    places.collect()
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
