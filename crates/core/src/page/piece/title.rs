//! The product's name, as the page's main heading.

use super::shared::{ALIGN, SHOWN, TIGHT_ABOVE};
use crate::page::Setting;
use crate::page::setting::Preset;

/// Steps of the house style's type scale.
const STEPS: &[(i64, &str)] = &[(4, "24"), (5, "30"), (6, "38"), (7, "48")];

pub const SIZE: Setting = Setting::steps("size", "Size", STEPS, 6).on_phones(Preset::Number(5));

pub const SETTINGS: &[&Setting] = &[&SIZE, &ALIGN, &TIGHT_ABOVE, &SHOWN];
