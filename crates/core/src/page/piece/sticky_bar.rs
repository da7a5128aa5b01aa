//! A bar with price and button that stays in sight while the buy button is out of it.

use super::shared::{APPEARS, SHOWN};
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// At which edge of the screen it stays.
    Edge { Bottom = "bottom", "Bottom"; Top = "top", "Top"; }
}

/// *Words*.
pub const WORDS: Setting = Setting::words("words", "Words", 60, "Add to cart");
/// *Edge*.
pub const EDGE: Setting = Setting::choice::<Edge>("edge", "Edge", "bottom");
/// *With the picture*.
pub const PICTURE: Setting = Setting::flag("picture", "With the picture", false);
/// *With the name*.
pub const NAME: Setting = Setting::flag("name", "With the name", true);
/// *With what is chosen*.
pub const VALUES: Setting = Setting::flag("values", "With what is chosen", false);
/// A list for each option, so that a choice can be made without going back.
pub const CHOOSER: Setting = Setting::flag("chooser", "With a small chooser", false);
/// *With the price*.
pub const PRICE: Setting = Setting::flag("price", "With the price", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] =
    &[&WORDS, &EDGE, &PICTURE, &NAME, &VALUES, &CHOOSER, &PRICE, &SHOWN, &APPEARS];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Sticky buy bar", Role::Buy, SETTINGS).only_once().lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    (!product.is_sold()).then_some("this product isn't sold now")
}
