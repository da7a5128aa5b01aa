//! The rows in which the catalogue is kept.

use crate::catalog::{Detail, Fact, Measure, ProductState, Tag, Terms, Way};
use crate::ids::{Handle, OptionId, ProductId, SiblingsId, ValueId, VariantId};
use crate::media::{FilmFile, Focus, PictureSize};
use crate::swatch::{Colour, Fate, Swatch};
use serde::{Deserialize, Serialize};
use serde_json::{Map, Value};
use std::collections::BTreeMap;

/// Which row. Their order is the one in which rows can come: each after those that it refers to.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum RowId {
    /// The palette.
    Palette,
    /// A product.
    Product(ProductId),
    /// An option.
    Option(OptionId),
    /// A value.
    Value(ValueId),
    /// A file of the swatch book.
    File(u64),
    /// A picture or a film.
    Picture(u64),
    /// A variant.
    Variant(VariantId),
    /// A swatch that a product has of its own.
    Own(ProductId, ValueId),
    /// A set of siblings.
    Siblings(SiblingsId),
}

/// The shop's palette, a colour a line.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct PaletteRow {
    /// A colour a line.
    pub text: String,
}

/// A product without what has rows of its own.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct ProductRow {
    /// Its handle.
    pub handle: Handle,
    /// Where its page stands in the shop.
    pub address: Handle,
    /// Where it stood before, in the order in which it left.
    #[serde(default)]
    pub was_at: Vec<Handle>,
    /// The number of its type.
    pub kind: u64,
    /// Its place among its like, from 0.
    pub position: u32,
    /// Its name.
    pub name: String,
    /// Who makes it; empty where that is the shop.
    pub brand: String,
    /// A few words about it.
    pub summary: String,
    /// Its titled texts.
    pub details: Vec<Detail>,
    /// Its table of facts.
    pub facts: Vec<Fact>,
    /// Its tags.
    pub tags: Vec<Tag>,
    /// Whether it is sold, and how.
    pub state: ProductState,
    /// Its price, in minor units.
    pub price_minor: i64,
    /// A typed old price, in minor units.
    pub old_price_minor: Option<i64>,
    /// The most that one order may hold of it.
    pub most_per_order: Option<u32>,
    /// The terms on which it is sold.
    pub terms: Terms,
    /// By which options it is chosen, in their order.
    pub uses: Vec<Use>,
}

/// An option by which a product is chosen, with the values that it offers, in order.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Use {
    /// The option.
    pub option: OptionId,
    /// The values, in their order.
    pub values: Vec<ValueId>,
    /// Whether it offers every value, those added later too.
    pub whole: bool,
}

/// An option of the shop.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct OptionRow {
    /// Its handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
    /// What it is about, for shoppers.
    pub about: String,
    /// Its place among its like, from 0.
    pub position: u32,
    /// How it is chosen on pages.
    pub page: Way,
    /// How it is chosen on cards.
    pub card: Way,
    /// How it is chosen in quick looks.
    pub quick: Way,
    /// Whether values without a swatch show pictures of variants.
    pub from_variants: bool,
    /// The only product that may use it.
    pub product: Option<ProductId>,
}

/// A value of an option.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct ValueRow {
    /// The option.
    pub option: OptionId,
    /// Its handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
    /// Shown on hover and spoken in place of the name; mostly empty.
    pub note: String,
    /// The swatch book's own swatch.
    pub swatch: Option<Swatch>,
    /// The hash of a larger picture.
    pub closer: Option<String>,
    /// Its place among its like, from 0.
    pub position: u32,
}

/// A picture file for the values of an option.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct FileRow {
    /// The option.
    pub option: OptionId,
    /// What it is called.
    pub name: String,
    /// The hash of the file.
    pub hash: String,
    /// Its colour.
    pub colour: Option<Colour>,
    /// For which value it is used.
    pub fate: Option<Fate>,
}

/// A picture or a film of a product, or of the shop.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct PictureRow {
    /// The product.
    pub product: Option<ProductId>,
    /// By which pieces refer to a picture of the shop.
    pub name: Option<String>,
    /// Its place among its like, from 0.
    pub position: u32,
    /// What is told in place of it.
    pub alt: String,
    /// The values, in their order.
    pub values: Vec<ValueId>,
    /// The point that stays in sight.
    pub focus: Focus,
    /// The film that it opens; mostly none.
    pub film: Option<FilmFile>,
    /// The file.
    pub file: PictureFile,
}

/// The file that was put in, and what was made of it. What was made follows from the file, so that two are the same when
/// their files are.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct PictureFile {
    /// Its hash; none where the picture was drawn and not put in.
    pub original: Option<String>,
    /// What it was called.
    pub file_name: String,
    /// Its sizes, the smallest first.
    pub sizes: Vec<PictureSize>,
    /// Whether it stands free on its ground.
    pub cut_out: bool,
    /// By which plan its sizes were made.
    pub plan: u32,
    /// Why no sizes could be made; mostly empty.
    pub trouble: String,
}

/// A variant of a product.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct VariantRow {
    /// The product.
    pub product: ProductId,
    /// Its place among its like, from 0.
    pub position: u32,
    /// Its SKU.
    pub sku: String,
    /// For each option of the product a value, or none for any.
    pub chosen: Vec<Option<ValueId>>,
    /// Its price, in minor units.
    pub price_minor: Option<i64>,
    /// A typed old price, in minor units.
    pub old_price_minor: Option<i64>,
    /// None where it isn't counted.
    pub stock: Option<u32>,
    /// How much of it one piece holds.
    pub measure: Option<Measure>,
    /// A picture of its own.
    pub picture: Option<u64>,
}

/// A product's own swatch for a value, and why it has one.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct OwnRow {
    /// What it looks like.
    pub swatch: Swatch,
    /// Why it has one.
    pub why: String,
}

/// A set of products that belong together.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct SiblingsRow {
    /// Its name, as an option has one.
    pub name: String,
    /// Whether listings show one card for all of them.
    pub one_card: bool,
    /// Its products, in their order.
    pub members: Vec<SiblingRow>,
}

/// A product of a set.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct SiblingRow {
    /// The product.
    pub product: ProductId,
    /// What it is called among the others.
    pub label: String,
    /// The swatch that its owner chose for it; mostly none.
    pub swatch: Option<Swatch>,
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
        pub enum Row {
            $(
                #[doc = concat!("A [`", stringify!($row), "`].")]
                $kind($row)
            ),*
        }

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
    Siblings(SiblingsRow) of RowId::Siblings(_),
}

/// Rows by what they are.
pub type Rows = BTreeMap<RowId, Row>;
