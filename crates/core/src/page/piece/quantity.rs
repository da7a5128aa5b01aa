//! How many.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;

/// *Label*.
pub const LABEL: Setting = Setting::words("label", "Label", 40, "Quantity");
/// *Label beside the field*.
pub const BESIDE: Setting = Setting::flag("beside", "Label beside the field", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&LABEL, &BESIDE];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Quantity", Role::Buy, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
pub(super) fn lacks(product: &Product) -> Option<&'static str> {
    if product.most_per_order == Some(1) {
        Some("one order holds only one of it")
    } else {
        (!product.is_sold()).then_some("this product isn't sold now")
    }
}
