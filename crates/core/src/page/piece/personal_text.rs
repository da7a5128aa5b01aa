//! What the shopper writes onto the product. How much, with which signs and for how much more belongs to the product.

use super::shared::piece_settings;
use crate::page::Setting;

/// Empty: the product's own label.
pub const LABEL: Setting = Setting::words("label", "Label instead", 60, "");
pub const HINT: Setting = Setting::flag("hint", "What can be written", true);
pub const COUNT: Setting = Setting::flag("count", "With a live count", true);
pub const SURCHARGE: Setting = Setting::flag("surcharge", "With the surcharge", true);

pub const SETTINGS: &[&Setting] = piece_settings![&LABEL, &HINT, &COUNT, &SURCHARGE];
