//! The stock number of the chosen variant.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;

/// *Before the number*.
pub const LABEL: Setting = Setting::words("label", "Before the number", 40, "SKU");
/// *With the maker*.
pub const BRAND: Setting = Setting::flag("brand", "With the maker", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight; &LABEL, &BRAND];

/// What it is to an owner.
pub(super) const KIND: About = About::new("SKU line", Role::Orient, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.variants.is_empty().then_some("this product has no variants")
}
