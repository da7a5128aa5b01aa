//! The product's facts as a table.

use super::shared::piece_settings;
use crate::page::Setting;

const COUNTS: &[(i64, &str)] = &[(1, "1"), (2, "2")];

pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "Facts");
pub const COLUMNS: Setting = Setting::steps("columns", "Side by side", COUNTS, 1);
pub const STRIPES: Setting = Setting::flag("stripes", "Striped rows", false);
/// The product's options among its facts, each value with its swatch.
pub const OPTIONS: Setting = Setting::flag("options", "With options", false).everywhere();

pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &COLUMNS, &STRIPES, &OPTIONS];
