//! Buttons that lead past the cart, each to the checkout with one provider.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// In which order providers stand.
    OrderBy { Shopper = "shopper", "What suits each"; Listed = "listed", "As listed"; }
}

/// Over the buttons; empty for nothing.
pub const WORDS: Setting = Setting::words("words", "Words over them", 60, "Or go straight to");
/// *At most*.
pub const COUNT: Setting = Setting::number("count", "At most", 1, 4, 2).everywhere();
/// For each shopper: what was used last, then what suits the device, then what is at home in the country.
pub const ORDER: Setting = Setting::choice::<OrderBy>("order", "Order", "shopper").everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight; &WORDS, &COUNT, &ORDER];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Pay shortcuts", Role::Buy, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    (!product.is_sold()).then_some("this product isn't sold now")
}
