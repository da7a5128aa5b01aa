//! How many.

use super::shared::piece_settings;
use crate::page::Setting;

pub const LABEL: Setting = Setting::words("label", "Label", 40, "Quantity");
pub const BESIDE: Setting = Setting::flag("beside", "Label beside the field", true);

pub const SETTINGS: &[&Setting] = piece_settings![&LABEL, &BESIDE];
