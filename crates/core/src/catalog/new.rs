//! What is to be added to the catalogue; nothing has a number yet, so things are named by their handles.

use super::{Detail, Fact, Measure, ProductState, ProductType, Review, Stock, Tag, Terms, Way};
use crate::ids::Handle;
use crate::media::{FilmFile, Focus, PictureSize};
use crate::swatch::Swatch;

/// A shop-wide option to be kept, with its values: name, swatch of the book.
#[derive(Debug, Clone)]
pub struct NewOption {
    /// Its name.
    pub name: String,
    /// How it is chosen on pages.
    pub page: Way,
    /// How it is chosen on cards.
    pub card: Way,
    /// Its values, each with its swatch where it has one.
    pub values: Vec<(String, Option<Swatch>)>,
}

/// A product to be kept; options and values are named by their handles.
#[derive(Debug, Clone)]
pub struct NewProduct {
    /// Its handle.
    pub handle: Handle,
    /// Its type.
    pub kind: ProductType,
    /// Its name.
    pub name: String,
    /// Whether it is sold, and how.
    pub state: ProductState,
    /// A few words about it.
    pub summary: String,
    /// Its titled texts.
    pub details: Vec<Detail>,
    /// Its price, in minor units.
    pub price_minor: i64,
    /// A typed old price, in minor units.
    pub old_price_minor: Option<i64>,
    /// The most that one order may hold of it.
    pub most_per_order: Option<u32>,
    /// The terms on which it is sold.
    pub terms: Terms,
    /// Option and the values that the product uses.
    pub options: Vec<(Handle, Vec<Handle>)>,
    /// Its variants, in their order.
    pub variants: Vec<NewVariant>,
    /// Its pictures, the leading one first.
    pub pictures: Vec<NewPicture>,
    /// Who makes it; empty where that is the shop.
    pub brand: String,
    /// Its table of facts.
    pub facts: Vec<Fact>,
    /// Its tags.
    pub tags: Vec<Tag>,
    /// Newest first.
    pub reviews: Vec<Review>,
}

/// A variant as it is given.
#[derive(Debug, Clone)]
pub struct NewVariant {
    /// Its SKU.
    pub sku: String,
    /// For each option the place of the value among those that the product uses, or any.
    pub values: Vec<Option<u16>>,
    /// Its price, in minor units.
    pub price_minor: Option<i64>,
    /// A typed old price, in minor units.
    pub old_price_minor: Option<i64>,
    /// What is left of it.
    pub stock: Stock,
    /// How much of it one piece holds.
    pub measure: Option<Measure>,
}

/// A picture as it is given.
#[derive(Debug, Clone)]
pub struct NewPicture {
    /// The name of the file that it came in.
    pub file_name: String,
    /// The hash of that file.
    pub original: String,
    /// What is told in place of it.
    pub alt: String,
    /// Its sizes, the smallest first.
    pub sizes: Vec<PictureSize>,
    /// The point that stays in sight.
    pub focus: Focus,
    /// Whether it stands free on its ground.
    pub cut_out: bool,
    /// The film that it opens; mostly none.
    pub film: Option<FilmFile>,
    /// Option and value to which it belongs.
    pub values: Vec<(Handle, Handle)>,
}
