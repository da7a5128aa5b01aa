//! How many.

use super::shared::piece_settings;
use crate::page::Setting;

/// *Label*.
pub const LABEL: Setting = Setting::words("label", "Label", 40, "Quantity");
/// *Label beside the field*.
pub const BESIDE: Setting = Setting::flag("beside", "Label beside the field", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&LABEL, &BESIDE];
