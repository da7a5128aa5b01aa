//! The swatch book: options and values of the whole shop, and what each value shows.
//!
//! What a value's name leads to (the palette's colour, a picture file) is worked out by core whenever one of them
//! changes, in the same transaction, so that reading products stays a matter of a few columns.

mod change;
mod file;
mod join;
mod palette;

pub(crate) use change::insert_value;
pub use change::{OptionChange, ValueChange};
pub use file::KeptFile;
pub use join::{MergeDecision, SplitDecision, UsedOption, User};

use crate::column::{handle, way};
use crate::{Result, StorageError, Store};
use compagina_core::catalog::{ProductOption, ProductValue, Way};
use compagina_core::ids::{Handle, OptionId, ProductId, ValueId};
use compagina_core::swatch::{Colour, Shown, Sources, Swatch, shown};
use sqlx::MySqlConnection;
use sqlx::types::Json;

/// An option of the shop with its values.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct BookOption {
    /// Its number.
    pub id: OptionId,
    /// Its handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
    /// What it is about, for shoppers.
    pub about: String,
    /// How it is chosen on pages.
    pub page: Way,
    /// How it is chosen on cards.
    pub card: Way,
    /// How it is chosen in quick looks.
    pub quick: Way,
    /// Whether values without a swatch show pictures of variants.
    pub from_variants: bool,
    /// The only product that may use it.
    pub of_product: Option<ProductId>,
    /// How many products use it.
    pub products: u64,
    /// The values, in their order.
    pub values: Vec<BookValue>,
}

/// A value as the book has it.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct BookValue {
    /// Its number.
    pub id: ValueId,
    /// Its handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
    /// Shown on hover and spoken in place of the name; mostly empty.
    pub note: String,
    /// The book's own swatch.
    pub swatch: Option<Swatch>,
    /// The palette's colour for its name.
    pub palette: Option<Colour>,
    /// The hash of the picture whose file has its name.
    pub file: Option<String>,
    /// A larger picture, shown when it is pointed at.
    pub closer: Option<String>,
    /// How many products offer it.
    pub products: u64,
}

impl BookValue {
    /// What it shows where neither product nor variant has something of its own.
    #[must_use]
    pub fn shown(&self) -> Shown {
        shown(Sources {
            book: self.swatch.as_ref(),
            palette: self.palette,
            file: self.file.as_deref(),
            ..Sources::default()
        })
    }
}

/// The option as a product uses it that has all its values.
impl From<BookOption> for ProductOption {
    fn from(option: BookOption) -> Self {
        let value = |value: BookValue| {
            let Shown { swatch, from } = value.shown();
            let BookValue { id, handle, name, note, closer, .. } = value;
            ProductValue { id, handle, name, swatch, from, note, closer }
        };
        Self {
            id: option.id,
            handle: option.handle,
            name: option.name,
            about: option.about,
            page: option.page,
            card: option.card,
            quick: option.quick,
            from_variants: option.from_variants,
            values: option.values.into_iter().map(value).collect(),
        }
    }
}

/// A product's own swatch for a value of the shop.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct OwnSwatch {
    /// The product’s handle.
    pub product: Handle,
    /// The product’s name.
    pub name: String,
    /// The value.
    pub value: ValueId,
    /// What it looks like.
    pub swatch: Swatch,
    /// Why it has one.
    pub why: String,
}

impl Store {
    /// All options in the shop's order.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn swatch_book(&self) -> Result<Vec<BookOption>> {
        book_of(&mut *self.pool.acquire().await?).await
    }

    /// Every swatch that a product has of its own for a value of the option.
    ///
    /// # Errors
    /// Those of the database.
    pub async fn own_swatches(&self, option: OptionId) -> Result<Vec<OwnSwatch>> {
        let rows = sqlx::query!(
            r#"SELECT p.handle, p.name, w.value_id, w.swatch AS "swatch!: Json<Swatch>", w.why
               FROM product_value w JOIN option_value v ON v.id = w.value_id JOIN product p ON p.id = w.product_id
               WHERE v.option_id = ? AND w.swatch IS NOT NULL ORDER BY p.name, v.position"#,
            option.0
        )
        .fetch_all(&self.pool)
        .await?;
        rows.into_iter()
            .map(|row| {
                Ok(OwnSwatch {
                    product: handle(row.handle)?,
                    name: row.name,
                    value: ValueId(row.value_id),
                    swatch: row.swatch.0,
                    why: row.why,
                })
            })
            .collect()
    }
}

/// All options with their values, in the shop's order.
pub(crate) async fn book_of(db: &mut MySqlConnection) -> Result<Vec<BookOption>> {
    let rows = sqlx::query!(
            r#"SELECT o.id, o.handle, o.name, o.about, o.way_page, o.way_card, o.way_quick, o.product_id, o.from_variants AS "from_variants: bool",
                 (SELECT COUNT(*) FROM product_option u WHERE u.option_id = o.id) AS "products!: i64"
               FROM shop_option o ORDER BY o.position, o.id"#
        )
        .fetch_all(&mut *db)
        .await?;
    let mut options = Vec::new();
    for row in rows {
        options.push(BookOption {
            id: OptionId(row.id),
            handle: handle(row.handle)?,
            name: row.name,
            about: row.about,
            page: way(&row.way_page)?,
            card: way(&row.way_card)?,
            quick: way(&row.way_quick)?,
            of_product: row.product_id.map(ProductId),
            from_variants: row.from_variants,
            products: u64::try_from(row.products).unwrap_or(0),
            values: Vec::new(),
        });
    }
    for (option, value) in book_values(db).await? {
        if let Some(option) = options.iter_mut().find(|o| o.id == option) {
            option.values.push(value);
        }
    }
    Ok(options)
}

async fn book_values(db: &mut MySqlConnection) -> Result<Vec<(OptionId, BookValue)>> {
    let rows = sqlx::query!(
            r#"SELECT v.option_id, v.id, v.handle, v.name, v.note, v.swatch AS "swatch: Json<Swatch>",
                 v.palette_colour AS "palette_colour: String", v.file_hash AS "file_hash: String", v.closer AS "closer: String", (SELECT COUNT(*) FROM product_value w WHERE w.value_id = v.id) AS "products!: i64"
               FROM option_value v ORDER BY v.option_id, v.position, v.id"#
        )
        .fetch_all(&mut *db)
        .await?;
    let damaged = StorageError::damaged("colour");
    let mut values = Vec::new();
    for row in rows {
        let value = BookValue {
            id: ValueId(row.id),
            handle: handle(row.handle)?,
            name: row.name,
            note: row.note,
            swatch: row.swatch.map(|swatch| swatch.0),
            palette: row.palette_colour.map(Colour::try_from).transpose().map_err(|e| damaged(&e))?,
            file: row.file_hash,
            closer: row.closer,
            products: u64::try_from(row.products).unwrap_or(0),
        };
        values.push((OptionId(row.option_id), value));
    }
    Ok(values)
}
