//! The products before and after this one.

use super::shared::piece_settings;
use crate::page::Setting;

/// *Before*.
pub const BEFORE: Setting = Setting::words("before", "Before", 40, "Previous");
/// *After*.
pub const AFTER: Setting = Setting::words("after", "After", 40, "Next");
/// *With pictures*.
pub const PICTURES: Setting = Setting::flag("pictures", "With pictures", true);
/// *With names*.
pub const NAMES: Setting = Setting::flag("names", "With names", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![wide; &BEFORE, &AFTER, &PICTURES, &NAMES];
