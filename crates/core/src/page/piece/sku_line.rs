//! The stock number of the chosen variant.

use super::shared::piece_settings;
use crate::page::Setting;

/// *Before the number*.
pub const LABEL: Setting = Setting::words("label", "Before the number", 40, "SKU");
/// *With the maker*.
pub const BRAND: Setting = Setting::flag("brand", "With the maker", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight; &LABEL, &BRAND];
