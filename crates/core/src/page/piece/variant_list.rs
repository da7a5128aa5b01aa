//! Every variant as one line: for products whose few variants are chosen as a whole rather than option by option.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "");
/// SKUs that this page doesn't offer.
pub const LEFT_OUT: Setting = Setting::lines("left_out", "SKUs left out", 40, 80, &[]);
/// *At most*.
pub const MOST: Setting = Setting::number("most", "At most", 3, 100, 40).everywhere();
/// *With pictures*.
pub const PICTURES: Setting = Setting::flag("pictures", "With pictures", true);
/// *With prices*.
pub const PRICES: Setting = Setting::flag("prices", "With prices", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&HEADING, &LEFT_OUT, &MOST, &PICTURES, &PRICES];

/// What it is to an owner.
pub(super) const KIND: About = About::new("List of variants", Role::Buy, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    (product.variants.len() < 2).then_some("this product has only one variant")
}
