//! The product in a sentence or two.

use super::shared::{ALIGN, SHOWN, SPACE_ABOVE};
use crate::page::Setting;

const STEPS: &[(i64, &str)] = &[(0, "14"), (1, "16"), (2, "18")];

pub const SIZE: Setting = Setting::steps("size", "Size", STEPS, 1);

pub const SETTINGS: &[&Setting] = &[&SIZE, &ALIGN, &SPACE_ABOVE, &SHOWN];
