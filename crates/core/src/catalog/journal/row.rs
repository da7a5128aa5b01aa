//! The rows in which the catalogue is kept.

use crate::catalog::{Detail, Fact, Measure, ProductState, Tag, Terms, Way};
use crate::ids::{Handle, OptionId, ProductId, ValueId, VariantId};
use crate::media::{FilmFile, Focus, PictureSize};
use crate::swatch::{Colour, Fate, Swatch};
use serde::{Deserialize, Serialize};
use serde_json::{Map, Value};
use std::collections::BTreeMap;

/// Which row. Their order is the one in which rows can come: each after those that it refers to.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum RowId {
    Palette,
    Product(ProductId),
    Option(OptionId),
    Value(ValueId),
    File(u64),
    Picture(u64),
    Variant(VariantId),
    /// A swatch that a product has of its own.
    Own(ProductId, ValueId),
}

/// The shop's palette, a colour a line.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct PaletteRow {
    pub text: String,
}

/// A product without what has rows of its own.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct ProductRow {
    pub handle: Handle,
    /// Where its page stands in the shop.
    pub address: Handle,
    /// Where it stood before, in the order in which it left.
    #[serde(default)]
    pub was_at: Vec<Handle>,
    /// The number of its type.
    pub kind: u64,
    pub position: u32,
    pub name: String,
    pub brand: String,
    pub summary: String,
    pub details: Vec<Detail>,
    pub facts: Vec<Fact>,
    pub tags: Vec<Tag>,
    pub state: ProductState,
    pub price_minor: i64,
    pub old_price_minor: Option<i64>,
    pub most_per_order: Option<u32>,
    pub terms: Terms,
    pub uses: Vec<Use>,
}

/// An option by which a product is chosen, with the values that it offers, in order.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Use {
    pub option: OptionId,
    pub values: Vec<ValueId>,
    /// Whether it offers every value, those added later too.
    pub whole: bool,
}

/// An option of the shop.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct OptionRow {
    pub handle: Handle,
    pub name: String,
    pub about: String,
    pub position: u32,
    pub page: Way,
    pub card: Way,
    pub quick: Way,
    pub from_variants: bool,
    /// The only product that may use it.
    pub product: Option<ProductId>,
}

/// A value of an option.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct ValueRow {
    pub option: OptionId,
    pub handle: Handle,
    pub name: String,
    pub note: String,
    /// The swatch book's own swatch.
    pub swatch: Option<Swatch>,
    /// The hash of a larger picture.
    pub closer: Option<String>,
    pub position: u32,
}

/// A picture file for the values of an option.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct FileRow {
    pub option: OptionId,
    pub name: String,
    pub hash: String,
    pub colour: Option<Colour>,
    pub fate: Option<Fate>,
}

/// A picture or a film of a product, or of the shop.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct PictureRow {
    pub product: Option<ProductId>,
    /// By which pieces refer to a picture of the shop.
    pub name: Option<String>,
    pub position: u32,
    pub alt: String,
    pub values: Vec<ValueId>,
    pub focus: Focus,
    pub film: Option<FilmFile>,
    pub file: PictureFile,
}

/// The file that was put in, and what was made of it. What was made follows from the file, so that two are the same when
/// their files are.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct PictureFile {
    /// Its hash; none where the picture was drawn and not put in.
    pub original: Option<String>,
    pub file_name: String,
    pub sizes: Vec<PictureSize>,
    pub cut_out: bool,
    pub plan: u32,
    pub trouble: String,
}

/// A variant of a product.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct VariantRow {
    pub product: ProductId,
    pub position: u32,
    pub sku: String,
    /// For each option of the product a value, or none for any.
    pub chosen: Vec<Option<ValueId>>,
    pub price_minor: Option<i64>,
    pub old_price_minor: Option<i64>,
    /// None where it isn't counted.
    pub stock: Option<u32>,
    pub measure: Option<Measure>,
    /// A picture of its own.
    pub picture: Option<u64>,
}

/// A product's own swatch for a value, and why it has one.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct OwnRow {
    pub swatch: Swatch,
    pub why: String,
}

/// The most addresses that lead on to one product.
pub const MOST_OLD_ADDRESSES: usize = 50;

impl ProductRow {
    /// Gives its page another address; where it stood leads on from now. The address that was left first is forgotten where
    /// there would be too many.
    pub fn move_to(&mut self, address: Handle) {
        let old = std::mem::replace(&mut self.address, address);
        self.was_at.retain(|one| *one != self.address);
        if old != self.address {
            self.was_at.push(old);
        }
        let many = self.was_at.len().saturating_sub(MOST_OLD_ADDRESSES);
        self.was_at.drain(..many);
    }

    /// Lets an old address lead on no longer.
    pub fn let_go(&mut self, address: &Handle) {
        self.was_at.retain(|one| one != address);
    }
}

/// Rows that were kept before products had addresses of their own stood at their handles.
fn as_kept_now(id: RowId, fields: &mut Fields) {
    if let (RowId::Product(_), Some(handle)) = (id, fields.get("handle").cloned()) {
        fields.entry("address").or_insert(handle);
    }
}

/// The fields of a row by their names.
pub(super) type Fields = Map<String, Value>;

macro_rules! rows {
    ($($kind:ident($row:ident) of $id:pat),* $(,)?) => {
        /// A row.
        #[derive(Debug, Clone, PartialEq, Eq)]
        pub enum Row { $($kind($row)),* }

        impl Row {
            /// Its fields by their names.
            pub(super) fn fields(&self) -> Fields {
                let value = match self { $(Self::$kind(row) => serde_json::to_value(row)),* };
                match value { Ok(Value::Object(fields)) => fields, _ => Fields::default() }
            }
            /// The row whose fields these are; none where they aren't those of such a row.
            pub(super) fn read(id: RowId, mut fields: Fields) -> Option<Self> {
                as_kept_now(id, &mut fields);
                let value = Value::Object(fields);
                match id { $($id => serde_json::from_value(value).ok().map(Self::$kind)),* }
            }
        }

        $(impl From<$row> for Row { fn from(row: $row) -> Self { Self::$kind(row) } })*
    };
}
rows! {
    Palette(PaletteRow) of RowId::Palette,
    Product(ProductRow) of RowId::Product(_),
    Option(OptionRow) of RowId::Option(_),
    Value(ValueRow) of RowId::Value(_),
    File(FileRow) of RowId::File(_),
    Picture(PictureRow) of RowId::Picture(_),
    Variant(VariantRow) of RowId::Variant(_),
    Own(OwnRow) of RowId::Own(..),
}

/// Rows by what they are.
pub type Rows = BTreeMap<RowId, Row>;
