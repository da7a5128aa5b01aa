//! The stock number of the chosen variant.

use super::shared::piece_settings;
use crate::page::Setting;

pub const LABEL: Setting = Setting::words("label", "Before the number", 40, "SKU");
pub const BRAND: Setting = Setting::flag("brand", "With the maker", true);

pub const SETTINGS: &[&Setting] = piece_settings![tight; &LABEL, &BRAND];
