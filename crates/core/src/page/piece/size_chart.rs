//! Sizes in a table, folded or open.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::choice;

choice! {
    As { Open = "open", "Open"; Folding = "folding", "Folded away"; }
}

pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "Sizes");
pub const TABLE: Setting = Setting::table("table", "Table", 8, 24);
pub const NOTE: Setting = Setting::words("note", "Note under it", 240, "");
pub const AS: Setting = Setting::choice::<As>("as", "Shown as", "folding");

pub const SETTINGS: &[&Setting] = piece_settings![&HEADING, &TABLE, &NOTE, &AS];
