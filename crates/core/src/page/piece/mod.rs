//! The kinds of pieces, one file each: what a shopper meets there and what can be set.
//!
//! The list is closed: a kind without a renderer doesn't compile.

pub mod band;
pub mod breadcrumb;
pub mod buy_button;
pub mod comparison;
pub mod details;
pub mod facts;
pub mod film;
pub mod gallery;
pub mod neighbours;
pub mod options;
pub mod pay_shortcuts;
pub mod personal_text;
pub mod picture;
pub mod picture_row;
pub mod plans;
pub mod price;
pub mod price_ladder;
pub mod promises;
pub mod quantity;
pub mod questions;
pub mod quotes;
pub mod rating_line;
pub mod related;
pub mod reviews;
pub mod rule;
pub mod share_links;
pub mod shared;
pub mod size_chart;
pub mod sku_line;
pub mod space;
pub mod sticky_bar;
pub mod stock_line;
pub mod summary;
pub mod text;
pub mod title;
pub mod value_points;
pub mod variant_list;
pub mod wish_button;

use super::Setting;
use crate::catalog::{Product, ProductState};
use crate::price::Prices;
use serde::{Deserialize, Serialize};

/// What a piece is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Kind {
    /// Where in the shop this is.
    Breadcrumb,
    /// Its name.
    Title,
    /// Pictures and films of the product.
    Gallery,
    /// What it costs.
    Price,
    /// A few words about it.
    Summary,
    /// Whether it is in stock.
    StockLine,
    /// What it is chosen by.
    Options,
    /// How many.
    Quantity,
    /// Puts it in the cart.
    BuyButton,
    /// What the shop promises.
    Promises,
    /// Its titled texts.
    Details,
    /// Others of its type.
    Related,
    /// A bar that stays in sight.
    StickyBar,
    /// Words of the owner’s.
    Text,
    /// A picture of the owner’s.
    Picture,
    /// A film.
    Film,
    /// Several pictures in a row.
    PictureRow,
    /// What others said.
    Quotes,
    /// Questions with answers.
    Questions,
    /// A table that compares.
    Comparison,
    /// What reviewers think.
    Reviews,
    /// What speaks for it.
    ValuePoints,
    /// Its table of facts.
    Facts,
    /// Its SKU.
    SkuLine,
    /// Its stars in a line.
    RatingLine,
    /// A chart of sizes.
    SizeChart,
    /// Ways to tell others of it.
    ShareLinks,
    /// The products before and after it.
    Neighbours,
    /// Room.
    Space,
    /// A line across.
    Rule,
    /// All variants in a list.
    VariantList,
    /// What more of it costs.
    PriceLadder,
    /// The plans by which it can be bought.
    Plans,
    /// What is written onto it.
    PersonalText,
    /// Pays at once.
    PayShortcuts,
    /// Keeps it for later.
    WishButton,
}

/// The part that a piece plays on the page.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Role {
    /// Tells where one is and what this is.
    Orient,
    /// Shows the product.
    Show,
    /// Belongs to choosing and buying.
    Buy,
    /// Tells more, further down.
    Tell,
}

impl Kind {
    /// In the order in which a page usually has them.
    pub const ALL: [Self; 36] = [
        Self::Breadcrumb,
        Self::Title,
        Self::Gallery,
        Self::Price,
        Self::Summary,
        Self::StockLine,
        Self::Options,
        Self::Quantity,
        Self::BuyButton,
        Self::Promises,
        Self::Details,
        Self::Related,
        Self::StickyBar,
        Self::Text,
        Self::Picture,
        Self::Film,
        Self::PictureRow,
        Self::Quotes,
        Self::Questions,
        Self::Comparison,
        Self::Reviews,
        Self::ValuePoints,
        Self::Facts,
        Self::SkuLine,
        Self::RatingLine,
        Self::SizeChart,
        Self::ShareLinks,
        Self::Neighbours,
        Self::Space,
        Self::Rule,
        Self::VariantList,
        Self::PriceLadder,
        Self::Plans,
        Self::PersonalText,
        Self::PayShortcuts,
        Self::WishButton,
    ];

    /// What an owner calls it.
    #[must_use]
    pub fn label(self) -> &'static str {
        match self {
            Self::Breadcrumb => "Breadcrumb",
            Self::Title => "Title",
            Self::Gallery => "Gallery",
            Self::Price => "Price",
            Self::Summary => "Summary",
            Self::StockLine => "Stock line",
            Self::Options => "Options",
            Self::Quantity => "Quantity",
            Self::BuyButton => "Buy button",
            Self::Promises => "Promises",
            Self::Details => "Details",
            Self::Related => "Related products",
            Self::StickyBar => "Sticky buy bar",
            Self::Text => "Text",
            Self::Picture => "Picture",
            Self::Film => "Film",
            Self::PictureRow => "Row of pictures",
            Self::Quotes => "Quotes",
            Self::Questions => "Questions",
            Self::Comparison => "Comparison",
            Self::Reviews => "Reviews",
            Self::ValuePoints => "Value points",
            Self::Facts => "Facts",
            Self::SkuLine => "SKU line",
            Self::VariantList => "List of variants",
            Self::PriceLadder => "Price ladder",
            Self::Plans => "Plans",
            Self::PersonalText => "Personal text",
            Self::PayShortcuts => "Pay shortcuts",
            Self::WishButton => "Wish button",
            Self::RatingLine => "Rating line",
            Self::SizeChart => "Size chart",
            Self::ShareLinks => "Share links",
            Self::Neighbours => "Previous and next",
            Self::Space => "Space",
            Self::Rule => "Rule",
        }
    }

    /// What it does on a page.
    #[must_use]
    pub fn role(self) -> Role {
        match self {
            Self::Breadcrumb | Self::Title | Self::SkuLine | Self::RatingLine | Self::Neighbours => {
                Role::Orient
            }
            Self::Gallery | Self::Picture | Self::Film | Self::PictureRow => Role::Show,
            Self::Price
            | Self::Summary
            | Self::StockLine
            | Self::Options
            | Self::Quantity
            | Self::BuyButton
            | Self::SizeChart
            | Self::VariantList
            | Self::PriceLadder
            | Self::Plans
            | Self::PersonalText
            | Self::PayShortcuts
            | Self::WishButton
            | Self::StickyBar => Role::Buy,
            Self::Promises
            | Self::Details
            | Self::Related
            | Self::Text
            | Self::Quotes
            | Self::Questions
            | Self::Comparison
            | Self::Reviews
            | Self::ValuePoints
            | Self::Facts
            | Self::ShareLinks
            | Self::Space
            | Self::Rule => Role::Tell,
        }
    }

    /// Whether a page can have it only once.
    #[must_use]
    pub fn only_one(self) -> bool {
        matches!(self, Self::StickyBar)
    }

    /// Everything that can be set on it, its own settings first.
    #[must_use]
    pub fn settings(self) -> &'static [&'static Setting] {
        match self {
            Self::Breadcrumb => breadcrumb::SETTINGS,
            Self::Title => title::SETTINGS,
            Self::Gallery => gallery::SETTINGS,
            Self::Price => price::SETTINGS,
            Self::Summary => summary::SETTINGS,
            Self::StockLine => stock_line::SETTINGS,
            Self::Options => options::SETTINGS,
            Self::Quantity => quantity::SETTINGS,
            Self::BuyButton => buy_button::SETTINGS,
            Self::Promises => promises::SETTINGS,
            Self::Details => details::SETTINGS,
            Self::Related => related::SETTINGS,
            Self::StickyBar => sticky_bar::SETTINGS,
            Self::Text => text::SETTINGS,
            Self::Picture => picture::SETTINGS,
            Self::Film => film::SETTINGS,
            Self::PictureRow => picture_row::SETTINGS,
            Self::Quotes => quotes::SETTINGS,
            Self::Questions => questions::SETTINGS,
            Self::Comparison => comparison::SETTINGS,
            Self::Reviews => reviews::SETTINGS,
            Self::ValuePoints => value_points::SETTINGS,
            Self::Facts => facts::SETTINGS,
            Self::SkuLine => sku_line::SETTINGS,
            Self::VariantList => variant_list::SETTINGS,
            Self::PriceLadder => price_ladder::SETTINGS,
            Self::Plans => plans::SETTINGS,
            Self::PersonalText => personal_text::SETTINGS,
            Self::PayShortcuts => pay_shortcuts::SETTINGS,
            Self::WishButton => wish_button::SETTINGS,
            Self::RatingLine => rating_line::SETTINGS,
            Self::SizeChart => size_chart::SETTINGS,
            Self::ShareLinks => share_links::SETTINGS,
            Self::Neighbours => neighbours::SETTINGS,
            Self::Space => space::SETTINGS,
            Self::Rule => rule::SETTINGS,
        }
    }

    /// Why a piece of this kind has nothing to show for a product under these prices.
    #[must_use]
    pub fn nothing_to_show_at(self, product: &Product, prices: &Prices) -> Option<&'static str> {
        self.nothing_to_show(product).or_else(|| match self {
            Self::PriceLadder if prices.steps(product).len() < 2 => {
                Some("no rule makes steps for this product")
            }
            Self::Plans if !prices.has_plans(product) => Some("no plan is for this product"),
            _ => None,
        })
    }

    /// Why this piece has nothing to show for a product, if it hasn't, as far as the product alone decides. Such a
    /// piece isn't drawn, so one template serves many products.
    #[must_use]
    pub fn nothing_to_show(self, product: &Product) -> Option<&'static str> {
        match self {
            Self::Gallery if product.pictures.is_empty() => Some("this product has no pictures"),
            Self::Summary if product.summary.trim().is_empty() => Some("this product has no summary"),
            Self::Options if product.options.is_empty() => Some("this product has no options"),
            Self::Details if product.details.is_empty() => Some("this product has no details"),
            Self::Quantity if product.most_per_order == Some(1) => Some("one order holds only one of it"),
            Self::Quantity if !product.is_sold() => Some("this product isn't sold now"),
            Self::Price if product.state == ProductState::Withdrawn => Some("this product is withdrawn"),
            Self::Facts if product.facts.is_empty() => Some("this product has no facts"),
            Self::SkuLine if product.variants.is_empty() => Some("this product has no variants"),
            Self::VariantList if product.variants.len() < 2 => Some("this product has only one variant"),
            Self::PriceLadder if !product.is_sold() => Some("this product isn't sold now"),
            Self::PersonalText if product.terms.text.is_none() => {
                Some("nothing is written onto this product")
            }
            Self::Plans | Self::PersonalText | Self::PayShortcuts if !product.is_sold() => {
                Some("this product isn't sold now")
            }
            Self::StickyBar if !product.is_sold() => Some("this product isn't sold now"),
            _ => None,
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::page::Device;
    use std::collections::BTreeSet;

    #[test]
    fn every_house_value_fits_its_setting() {
        for settings in Kind::ALL.map(Kind::settings).into_iter().chain([band::SETTINGS]) {
            for setting in settings {
                for device in Device::ALL {
                    if let Some(value) = setting.house(device) {
                        assert_eq!(setting.check(&value), Ok(()), "{}", setting.key);
                    }
                }
            }
        }
    }

    #[test]
    fn no_kind_has_two_settings_of_one_name() {
        for kind in Kind::ALL {
            let names: BTreeSet<_> = kind.settings().iter().map(|s| s.key).collect();
            assert_eq!(names.len(), kind.settings().len(), "{}", kind.label());
        }
    }

    #[test]
    fn pieces_know_when_a_product_gives_them_nothing_to_show() {
        use crate::catalog::samples::product;
        let mut plain = product(&[]);
        assert!(Kind::Options.nothing_to_show(&plain).is_some());
        assert!(Kind::Options.nothing_to_show(&product(&[("colour", 2)])).is_none());
        assert!(Kind::Quantity.nothing_to_show(&plain).is_none());
        plain.most_per_order = Some(1);
        assert!(Kind::Quantity.nothing_to_show(&plain).is_some());
        assert!(Kind::BuyButton.nothing_to_show(&plain).is_none());
    }
}
