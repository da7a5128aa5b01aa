//! The product in a sentence or two.

use super::shared::piece_settings;
use crate::page::Setting;

/// *Size*.
pub const SIZE: Setting = Setting::type_size("size", "Size", 1);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&SIZE];
