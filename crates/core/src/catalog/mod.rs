//! What the shop sells: products, the options a shopper chooses by, and the variants that can be bought.
//!
//! Inside a product, options and values are addressed by their place (`options[0].values[2]`), so that choosing is a
//! matter of comparing small numbers; the shop-wide ids stand beside them.

mod fields;
mod file_name;
mod join;
pub mod journal;
mod measure;
mod new;
mod order;
mod price_change;
mod product;
mod review;
#[cfg(test)]
pub(crate) mod samples;
mod selling;
mod shelf;
mod siblings;
mod tag;
mod terms;
mod texts;
mod uses;
mod variant;
mod way;

pub use fields::{FieldsError, MOST_SAMPLE_PICTURES, TypeFields};
pub use file_name::{Proposal, propose};
pub use join::{JoinError, Merge, Side, merge, split};
pub use measure::{Measure, MeasureUnit, NoSuchMeasure};
pub use new::{NewOption, NewPicture, NewProduct, NewVariant};
pub use order::put_after;
pub use price_change::PriceChange;
pub use product::{
    Detail, Fact, Product, ProductOption, ProductState, ProductType, ProductValue, Shop, page_path,
};
pub use review::{Rating, Review};
pub use selling::Selling;
pub use shelf::{Found, OnShelf, Search, ShelfOrder, Standing};
pub use siblings::{
    MOST_SIBLINGS, Sibling, Siblings, SiblingsError, begin_alike, check_siblings, labels_of, tidied_siblings,
};
pub use tag::{LONGEST_TAG, Tag};
pub use terms::{Signs, Terms, TermsError, TextProblem, TextTerms};
pub use texts::{Texts, TextsError, tidied_summary};
pub use uses::{MOST_OPTIONS, UsesError, change_uses};
pub use variant::{LONGEST_SKU, Stock, Variant, is_sku};
pub use way::{UnknownWay, Way};
