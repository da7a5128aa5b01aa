//! How many.

use super::shared::{SHOWN, SPACE_ABOVE};
use crate::page::Setting;

pub const LABEL: Setting = Setting::words("label", "Label", 40, "Quantity");
pub const BESIDE: Setting = Setting::flag("beside", "Label beside the field", true);

pub const SETTINGS: &[&Setting] = &[&LABEL, &BESIDE, &SPACE_ABOVE, &SHOWN];
