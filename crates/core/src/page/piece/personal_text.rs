//! What the shopper writes onto the product. How much, with which signs and for how much more belongs to the product.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;

/// Empty: the product's own label.
pub const LABEL: Setting = Setting::words("label", "Label instead", 60, "");
/// *What can be written*.
pub const HINT: Setting = Setting::flag("hint", "What can be written", true);
/// *With a live count*.
pub const COUNT: Setting = Setting::flag("count", "With a live count", true);
/// *With the surcharge*.
pub const SURCHARGE: Setting = Setting::flag("surcharge", "With the surcharge", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&LABEL, &HINT, &COUNT, &SURCHARGE];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Personal text", Role::Buy, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    if product.terms.text.is_none() {
        Some("nothing is written onto this product")
    } else {
        (!product.is_sold()).then_some("this product isn't sold now")
    }
}
