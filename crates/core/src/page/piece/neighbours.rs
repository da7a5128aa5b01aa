//! The products before and after this one.

use super::shared::piece_settings;
use super::{About, Role};
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

/// What it is to an owner.
pub(super) const KIND: About = About::new("Previous and next", Role::Orient, SETTINGS);
