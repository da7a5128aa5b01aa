use super::{PriceChange, Rating, Review, Siblings, Tag, Terms, Variant, Way};
use crate::ids::{Handle, OptionId, ProductId, ValueId};
use crate::limits::MOST_OF_ONE;
use crate::media::Picture;
use crate::money::{Currency, Locale, Money};
use crate::swatch::{Swatch, SwatchSource};
use serde::{Deserialize, Serialize};

/// The shop itself, as far as its pages tell it.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Shop {
    /// Its name.
    pub name: String,
    /// What it sells in.
    pub currency: Currency,
    /// How it writes amounts.
    pub locale: Locale,
}

/// A family of products that are sold in the same way: *Sport kites*.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ProductType {
    /// Its handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
}

/// Whether a product can be had at all.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ProductState {
    /// Never put on sale yet: only owners see it.
    New,
    /// It is seen and sold.
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
    /// Its title.
    pub title: String,
    /// The text.
    pub text: String,
}

/// A fact in a table of facts: *Span*, *2.1 m*.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Fact {
    /// What is told.
    pub name: String,
    /// What is so.
    pub value: String,
}

/// A value as one product offers it.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ProductValue {
    /// Its number.
    pub id: ValueId,
    /// Its handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
    /// What it looks like.
    pub swatch: Swatch,
    /// Where its swatch comes from.
    pub from: SwatchSource,
    /// Shown on hover and spoken in place of the name; mostly empty.
    pub note: String,
    /// The hash of a larger picture, shown when it is pointed at.
    pub closer: Option<String>,
}

impl ProductValue {
    /// A value that shows its name and nothing else.
    #[must_use]
    pub fn new(id: ValueId, handle: Handle, name: String) -> Self {
        Self {
            id,
            handle,
            name,
            swatch: Swatch::Text,
            from: SwatchSource::Text,
            note: String::new(),
            closer: None,
        }
    }
    /// What is spoken and shown on hover.
    #[must_use]
    pub fn spoken(&self) -> &str {
        if self.note.is_empty() { &self.name } else { &self.note }
    }
}

/// An option as one product uses it: all of the option's values, or some.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ProductOption {
    /// Its number.
    pub id: OptionId,
    /// Its handle.
    pub handle: Handle,
    /// Its name.
    pub name: String,
    /// What it is about, in one line; mostly empty.
    pub about: String,
    /// How it is chosen on a page, on a card and in a quick look.
    pub page: Way,
    /// How it is chosen on cards.
    pub card: Way,
    /// How it is chosen in quick looks.
    pub quick: Way,
    /// Whether values that have nothing else show pictures that belong to them.
    pub from_variants: bool,
    /// Its values, in their order.
    pub values: Vec<ProductValue>,
}

impl ProductOption {
    /// An option that is chosen by buttons.
    #[must_use]
    pub fn new(id: OptionId, handle: Handle, name: String, values: Vec<ProductValue>) -> Self {
        let (page, card, quick) = (Way::Buttons, Way::Nothing, Way::Buttons);
        Self { id, handle, name, about: String::new(), page, card, quick, from_variants: false, values }
    }
}

/// The path of the page that stands at an address.
#[must_use]
pub fn page_path(address: &Handle) -> String {
    format!("/shop/products/{address}")
}

/// A product with everything that its page can show.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Product {
    /// Its number.
    pub id: ProductId,
    /// By which layouts, rules and owners name it; it stays.
    pub handle: Handle,
    /// Where its page stands in the shop.
    pub address: Handle,
    /// Its name.
    pub name: String,
    /// Its type.
    pub kind: ProductType,
    /// Whether it is sold, and how.
    pub state: ProductState,
    /// A few words about it.
    pub summary: String,
    /// Its titled texts.
    pub details: Vec<Detail>,
    /// Its pictures, the leading one first.
    pub pictures: Vec<Picture>,
    /// By what it is chosen, in their order.
    pub options: Vec<ProductOption>,
    /// Its variants, in their order.
    pub variants: Vec<Variant>,
    /// Its price.
    pub price: Money,
    /// A typed old price, shown struck through where it is above the price.
    pub old_price: Option<Money>,
    /// The most that one order may hold of this product.
    pub most_per_order: Option<u32>,
    /// The terms on which it is sold.
    pub terms: Terms,
    /// What it and its variants cost before, oldest first.
    pub history: Vec<PriceChange>,
    /// Who makes it; empty where that is the shop.
    pub brand: String,
    /// Its table of facts.
    pub facts: Vec<Fact>,
    /// Its tags.
    pub tags: Vec<Tag>,
    /// What all its reviews come to.
    pub rating: Rating,
    /// The newest reviews, newest first; the rating counts all of them.
    pub reviews: Vec<Review>,
    /// The sets in which it stands with others.
    #[serde(default)]
    pub siblings: Vec<Siblings>,
}

impl Product {
    /// The path of its page.
    #[must_use]
    pub fn path(&self) -> String {
        page_path(&self.address)
    }

    /// The most that one order may hold of a variant: by the product's limit, the stock, and the steps of its terms.
    #[must_use]
    pub fn most_of(&self, variant: Option<&Variant>) -> u32 {
        let left = variant.and_then(|variant| variant.stock.left()).unwrap_or(MOST_OF_ONE);
        let most = self.most_per_order.unwrap_or(MOST_OF_ONE).min(left).min(MOST_OF_ONE);
        most - most % self.terms.step.max(1)
    }
    /// The picture that stands for the product where only one is shown.
    #[must_use]
    pub fn lead_picture(&self) -> Option<&Picture> {
        self.pictures.first()
    }
    /// The picture of a variant: its own, or the first that belongs to its values.
    #[must_use]
    pub fn picture_of(&self, variant: &Variant) -> Option<&Picture> {
        let own = variant.picture.and_then(|place| self.pictures.get(place));
        let values: Vec<ValueId> = variant
            .values
            .iter()
            .zip(&self.options)
            .filter_map(|(value, option)| Some(option.values.get(usize::from((*value)?))?.id))
            .collect();
        own.or_else(|| self.pictures.iter().find(|p| !p.values.is_empty() && p.belongs_to(&values)))
    }
    /// Where an option asks for it, values without a swatch show the smallest size of the first picture that belongs to
    /// them alone.
    pub fn take_swatches_from_pictures(&mut self) {
        for option in self.options.iter_mut().filter(|option| option.from_variants) {
            for value in option.values.iter_mut().filter(|value| value.from == SwatchSource::Text) {
                let own = self.pictures.iter().find(|picture| picture.values == [value.id]);
                if let Some(size) = own.and_then(|picture| picture.sizes.first()) {
                    (value.swatch, value.from) = (Swatch::of_picture(&size.hash), SwatchSource::Variant);
                }
            }
        }
    }
    /// Whether a shopper may buy it, stock aside.
    #[must_use]
    pub fn is_sold(&self) -> bool {
        self.state == ProductState::OnSale
    }
    /// The names of a variant's values, option by option; of what doesn't matter to it none.
    pub fn names_of<'a>(&'a self, variant: &'a Variant) -> impl Iterator<Item = &'a str> {
        let values = self.options.iter().zip(&variant.values);
        values.filter_map(|(option, place)| Some(option.values.get(usize::from((*place)?))?.name.as_str()))
    }
    /// It with the values of a variant, as it stands on an order: `Whimbrel, Ember, 2.1 m`. What doesn't matter to the
    /// variant isn't told.
    #[must_use]
    pub fn described(&self, variant: &Variant) -> String {
        let names: Vec<&str> = std::iter::once(self.name.as_str()).chain(self.names_of(variant)).collect();
        names.join(", ")
    }
    /// Whether shoppers may look at its page.
    #[must_use]
    pub fn is_public(&self) -> bool {
        self.state != ProductState::New
    }
    /// Whether it stands in listings and beside others.
    #[must_use]
    pub fn is_listed(&self) -> bool {
        matches!(self.state, ProductState::OnSale | ProductState::ComingSoon)
    }
    /// Whether any variant could be bought now.
    #[must_use]
    pub fn can_be_bought(&self) -> bool {
        self.is_sold() && self.variants.iter().any(|v| v.stock.is_in())
    }
}
