//! A table that sets things beside each other.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;

/// The column that is brought out; 0 for none.
const COLUMNS: &[(i64, &str)] = &[(0, "None"), (2, "2"), (3, "3"), (4, "4"), (5, "5"), (6, "6")];

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "");
/// *Table*.
pub const TABLE: Setting = Setting::table("table", "Table", 6, 30);
/// *Column brought out*.
pub const LIFT: Setting = Setting::steps("lift", "Column brought out", COLUMNS, 0).everywhere();
/// *Striped rows*.
pub const STRIPES: Setting = Setting::flag("stripes", "Striped rows", false);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &TABLE, &LIFT, &STRIPES];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Comparison", Role::Tell, SETTINGS);
