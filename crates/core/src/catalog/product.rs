use super::{Rating, Review, Variant};
use crate::ids::{Handle, OptionId, ProductId, ValueId};
use crate::media::Picture;
use crate::money::{Currency, Locale, Money};
use serde::{Deserialize, Serialize};

/// The shop itself, as far as its pages tell it.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Shop {
    pub name: String,
    pub currency: Currency,
    pub locale: Locale,
}

/// A family of products that are sold in the same way: *Sport kites*.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ProductType {
    pub handle: Handle,
    pub name: String,
}

/// Whether a product can be had at all.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ProductState {
    OnSale,
    /// Seen, not yet sold.
    ComingSoon,
    /// Neither listed nor sold; its page says so.
    Withdrawn,
}

/// One of a product's titled texts: *What is in the bag*. Paragraphs are parted by an empty line.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Detail {
    pub title: String,
    pub text: String,
}

/// A fact in a table of facts: *Span*, *2.1 m*.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Fact {
    pub name: String,
    pub value: String,
}

/// What a value shows in place of its name: one to four colours as `#RRGGBB`, or only its text.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "kind")]
pub enum Swatch {
    Text,
    Colours { colours: Vec<String> },
}

/// A value as one product offers it.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ProductValue {
    pub id: ValueId,
    pub handle: Handle,
    pub name: String,
    pub swatch: Swatch,
}

/// An option as one product uses it: all of the option's values, or some.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ProductOption {
    pub id: OptionId,
    pub handle: Handle,
    pub name: String,
    pub values: Vec<ProductValue>,
}

/// A product with everything that its page can show.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Product {
    pub id: ProductId,
    pub handle: Handle,
    pub name: String,
    pub kind: ProductType,
    pub state: ProductState,
    pub summary: String,
    pub details: Vec<Detail>,
    pub pictures: Vec<Picture>,
    pub options: Vec<ProductOption>,
    pub variants: Vec<Variant>,
    pub price: Money,
    /// A typed old price, shown struck through where it is above the price.
    pub old_price: Option<Money>,
    /// The most that one order may hold of this product.
    pub most_per_order: Option<u32>,
    /// Who makes it; empty where that is the shop.
    pub brand: String,
    pub facts: Vec<Fact>,
    pub tags: Vec<String>,
    pub rating: Rating,
    /// The newest reviews, newest first; the rating counts all of them.
    pub reviews: Vec<Review>,
}

impl Product {
    /// The picture that stands for the product where only one is shown.
    #[must_use]
    pub fn lead_picture(&self) -> Option<&Picture> {
        self.pictures.first()
    }
    /// Whether a shopper may buy it, stock aside.
    #[must_use]
    pub fn is_sold(&self) -> bool {
        self.state == ProductState::OnSale
    }
    /// Whether any variant could be bought now.
    #[must_use]
    pub fn can_be_bought(&self) -> bool {
        self.is_sold() && self.variants.iter().any(|v| v.stock.is_in())
    }
}
