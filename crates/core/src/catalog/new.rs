//! What is to be added to the catalogue; nothing has a number yet, so things are named by their handles.

use super::{Detail, Fact, Measure, ProductState, ProductType, Review, Stock, Tag, Terms, Way};
use crate::ids::Handle;
use crate::media::{FilmFile, Focus, PictureSize};
use crate::swatch::Swatch;

/// A shop-wide option to be kept, with its values: name, swatch of the book.
#[derive(Debug, Clone)]
pub struct NewOption {
    pub name: String,
    pub page: Way,
    pub card: Way,
    pub values: Vec<(String, Option<Swatch>)>,
}

/// A product to be kept; options and values are named by their handles.
#[derive(Debug, Clone)]
pub struct NewProduct {
    pub handle: Handle,
    pub kind: ProductType,
    pub name: String,
    pub state: ProductState,
    pub summary: String,
    pub details: Vec<Detail>,
    pub price_minor: i64,
    pub old_price_minor: Option<i64>,
    pub most_per_order: Option<u32>,
    pub terms: Terms,
    /// Option and the values that the product uses.
    pub options: Vec<(Handle, Vec<Handle>)>,
    pub variants: Vec<NewVariant>,
    pub pictures: Vec<NewPicture>,
    pub brand: String,
    pub facts: Vec<Fact>,
    pub tags: Vec<Tag>,
    /// Newest first.
    pub reviews: Vec<Review>,
}

#[derive(Debug, Clone)]
pub struct NewVariant {
    pub sku: String,
    /// For each option the place of the value among those that the product uses, or any.
    pub values: Vec<Option<u16>>,
    pub price_minor: Option<i64>,
    pub old_price_minor: Option<i64>,
    pub stock: Stock,
    pub measure: Option<Measure>,
}

#[derive(Debug, Clone)]
pub struct NewPicture {
    /// The name of the file that it came in.
    pub file_name: String,
    /// The hash of that file.
    pub original: String,
    pub alt: String,
    pub sizes: Vec<PictureSize>,
    pub focus: Focus,
    pub cut_out: bool,
    pub film: Option<FilmFile>,
    /// Option and value to which it belongs.
    pub values: Vec<(Handle, Handle)>,
}
