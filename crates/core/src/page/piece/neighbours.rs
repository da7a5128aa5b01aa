//! The products before and after this one.

use super::shared::piece_settings;
use crate::page::Setting;

pub const BEFORE: Setting = Setting::words("before", "Before", 40, "Previous");
pub const AFTER: Setting = Setting::words("after", "After", 40, "Next");
pub const PICTURES: Setting = Setting::flag("pictures", "With pictures", true);
pub const NAMES: Setting = Setting::flag("names", "With names", true);

pub const SETTINGS: &[&Setting] = piece_settings![wide; &BEFORE, &AFTER, &PICTURES, &NAMES];
