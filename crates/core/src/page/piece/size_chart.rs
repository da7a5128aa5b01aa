//! Sizes in a table, folded or open.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// Whether the chart stands open.
    As { Open = "open", "Open"; Folding = "folding", "Folded away"; }
}

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "Sizes");
/// *Table*.
pub const TABLE: Setting = Setting::table("table", "Table", 8, 24);
/// *Note under it*.
pub const NOTE: Setting = Setting::words("note", "Note under it", 240, "");
/// *Shown as*.
pub const AS: Setting = Setting::choice::<As>("as", "Shown as", "folding");

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&HEADING, &TABLE, &NOTE, &AS];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Size chart", Role::Buy, SETTINGS);
