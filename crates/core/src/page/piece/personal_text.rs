//! What the shopper writes onto the product. How much, with which signs and for how much more belongs to the product.

use super::shared::piece_settings;
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
