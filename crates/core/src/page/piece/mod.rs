//! The kinds of pieces, one file each: what a shopper meets there and what can be set.
//!
//! Each file says all that there is to know of its kind, and `kinds!` lists them. The list is closed: a kind without a
//! renderer doesn't compile.

pub mod band;
pub mod breadcrumb;
pub mod buy_button;
pub mod card;
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
pub mod siblings;
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

use super::{Purpose, Setting};
use crate::catalog::Product;
use crate::house::texts::{settings_of, texts_of};
use crate::price::Prices;
use crate::setting::Text;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use std::sync::LazyLock;

use card::{
    buy as card_buy, choices as card_choices, fact as card_fact, marks as card_marks, name as card_name,
    picture as card_picture, price as card_price, quantity as card_quantity, quick_look as card_quick_look,
    rating as card_rating, siblings as card_siblings, text as card_text, variants as card_variants,
    wish as card_wish,
};

macro_rules! kinds {
    ($($(#[$doc:meta])* $kind:ident = $file:ident;)+) => {
        /// What a piece is.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(rename_all = "snake_case")]
        pub enum Kind { $($(#[$doc])* $kind),+ }

        impl Kind {
            /// In the order in which a page usually has them.
            pub const ALL: [Self; [$(Self::$kind),+].len()] = [$(Self::$kind),+];

            /// Its name in documents.
            #[must_use]
            pub fn key(self) -> &'static str {
                match self { $(Self::$kind => stringify!($file)),+ }
            }

            fn about(self) -> &'static About {
                match self { $(Self::$kind => &$file::KIND),+ }
            }
        }
    };
}
kinds! {
    /// Where in the shop this is.
    Breadcrumb = breadcrumb;
    /// Its name.
    Title = title;
    /// Pictures and films of the product.
    Gallery = gallery;
    /// What it costs.
    Price = price;
    /// A few words about it.
    Summary = summary;
    /// Whether it is in stock.
    StockLine = stock_line;
    /// What it is chosen by.
    Options = options;
    /// How many.
    Quantity = quantity;
    /// Puts it in the cart.
    BuyButton = buy_button;
    /// What the shop promises.
    Promises = promises;
    /// Its titled texts.
    Details = details;
    /// Others of its type.
    Related = related;
    /// A bar that stays in sight.
    StickyBar = sticky_bar;
    /// Words of the owner’s.
    Text = text;
    /// A picture of the owner’s.
    Picture = picture;
    /// A film.
    Film = film;
    /// Several pictures in a row.
    PictureRow = picture_row;
    /// What others said.
    Quotes = quotes;
    /// Questions with answers.
    Questions = questions;
    /// A table that compares.
    Comparison = comparison;
    /// What reviewers think.
    Reviews = reviews;
    /// What speaks for it.
    ValuePoints = value_points;
    /// Its table of facts.
    Facts = facts;
    /// Its SKU.
    SkuLine = sku_line;
    /// Its stars in a line.
    RatingLine = rating_line;
    /// A chart of sizes.
    SizeChart = size_chart;
    /// Ways to tell others of it.
    ShareLinks = share_links;
    /// The products before and after it.
    Neighbours = neighbours;
    /// Room.
    Space = space;
    /// A line across.
    Rule = rule;
    /// Products that belong together.
    Siblings = siblings;
    /// All variants in a list.
    VariantList = variant_list;
    /// What more of it costs.
    PriceLadder = price_ladder;
    /// The plans by which it can be bought.
    Plans = plans;
    /// What is written onto it.
    PersonalText = personal_text;
    /// Pays at once.
    PayShortcuts = pay_shortcuts;
    /// Keeps it for later.
    WishButton = wish_button;
    /// On a card: the picture.
    CardPicture = card_picture;
    /// On a card: that it is coming, gone, for less.
    CardMarks = card_marks;
    /// On a card: its name.
    CardName = card_name;
    /// On a card: its stars.
    CardRating = card_rating;
    /// On a card: what it costs.
    CardPrice = card_price;
    /// On a card: what it is chosen by.
    CardChoices = card_choices;
    /// On a card: products that belong together.
    CardSiblings = card_siblings;
    /// On a card: its variants in a list.
    CardVariants = card_variants;
    /// On a card: how many.
    CardQuantity = card_quantity;
    /// On a card: puts it in the cart.
    CardBuy = card_buy;
    /// On a card: keeps it for later.
    CardWish = card_wish;
    /// On a card: opens a small page of it.
    CardQuickLook = card_quick_look;
    /// On a card: one of its facts.
    CardFact = card_fact;
    /// On a card: a few words.
    CardText = card_text;
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

/// What a kind of piece is to an owner. Each stands in the kind's own file.
pub(crate) struct About {
    label: &'static str,
    role: Role,
    purpose: Purpose,
    only_one: bool,
    settings: &'static [&'static Setting],
    lacks: fn(&Product) -> Option<&'static str>,
    lacks_at: fn(&Product, &Prices) -> Option<&'static str>,
}

impl About {
    /// A kind by what an owner calls it.
    const fn new(label: &'static str, role: Role, settings: &'static [&'static Setting]) -> Self {
        let purpose = Purpose::Page;
        Self { label, role, purpose, settings, only_one: false, lacks: |_| None, lacks_at: |_, _| None }
    }
    /// It stands on cards.
    const fn on_cards(self) -> Self {
        Self { purpose: Purpose::Card, ..self }
    }
    /// A page can have it only once.
    const fn only_once(self) -> Self {
        Self { only_one: true, ..self }
    }
    /// It has nothing to show for some products; why, if so.
    const fn lacking(self, lacks: fn(&Product) -> Option<&'static str>) -> Self {
        Self { lacks, ..self }
    }
    /// The same under some prices.
    const fn lacking_at(self, lacks_at: fn(&Product, &Prices) -> Option<&'static str>) -> Self {
        Self { lacks_at, ..self }
    }
}

impl Kind {
    /// What an owner calls it.
    #[must_use]
    pub fn label(self) -> &'static str {
        self.about().label
    }

    /// What it does on a page.
    #[must_use]
    pub fn role(self) -> Role {
        self.about().role
    }

    /// On what it stands.
    #[must_use]
    pub fn purpose(self) -> Purpose {
        self.about().purpose
    }

    /// The kinds that stand on a page, or on a card, in the order in which they usually do.
    pub fn of(purpose: Purpose) -> impl Iterator<Item = Self> {
        Self::ALL.into_iter().filter(move |kind| kind.purpose() == purpose)
    }

    /// Whether a page can have it only once.
    #[must_use]
    pub fn only_one(self) -> bool {
        self.about().only_one
    }

    /// Whether a shopper has to see it to know what it is, to choose and to buy.
    #[must_use]
    pub fn needed(self) -> bool {
        matches!(
            self,
            Self::Title
                | Self::Gallery
                | Self::Price
                | Self::Options
                | Self::Quantity
                | Self::Plans
                | Self::PersonalText
                | Self::VariantList
                | Self::PayShortcuts
                | Self::BuyButton
                | Self::StickyBar
                | Self::CardName
                | Self::CardPicture
                | Self::CardPrice
                | Self::CardChoices
                | Self::CardVariants
                | Self::CardQuantity
                | Self::CardBuy
        )
    }

    /// The texts that it holds.
    pub fn texts(self) -> impl Iterator<Item = &'static Text> {
        texts_of(self.key())
    }

    /// Everything that can be set on it, its own settings first.
    #[must_use]
    pub fn settings(self) -> &'static [&'static Setting] {
        static ALL: LazyLock<BTreeMap<Kind, Vec<&'static Setting>>> = LazyLock::new(|| {
            let all = |kind: Kind| {
                let mut own = Setting::in_every_language(kind.about().settings);
                // After what is the kind's own, before what every piece has.
                let at =
                    own.iter().position(|setting| setting.key == shared::TEXT_STYLE.key).unwrap_or(own.len());
                own.splice(at..at, kind.texts().flat_map(settings_of).copied());
                (kind, own)
            };
            Kind::ALL.into_iter().map(all).collect()
        });
        ALL.get(&self).map_or(&[], Vec::as_slice)
    }

    /// Why a piece of this kind has nothing to show for a product under these prices.
    #[must_use]
    pub fn nothing_to_show_at(self, product: &Product, prices: &Prices) -> Option<&'static str> {
        self.nothing_to_show(product).or_else(|| (self.about().lacks_at)(product, prices))
    }

    /// Why this piece has nothing to show for a product, if it hasn't, as far as the product alone decides. Such a
    /// piece isn't drawn, so one template serves many products.
    #[must_use]
    pub fn nothing_to_show(self, product: &Product) -> Option<&'static str> {
        (self.about().lacks)(product)
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
    fn a_kind_is_written_in_documents_by_its_key() {
        for kind in Kind::ALL {
            assert_eq!(serde_json::to_value(kind).unwrap(), kind.key());
        }
        assert_eq!(Kind::of(Purpose::Page).filter(|kind| kind.only_one()).count(), 1);
        assert!(Kind::ALL.iter().filter(|kind| kind.needed()).all(|kind| kind.role() != Role::Tell));
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
