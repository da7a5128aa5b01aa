//! Whether it can be had, and how soon it may be gone.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::choice;

choice! {
    /// When the line is there.
    When { Always = "always", "Always"; Matters = "matters", "When few or none"; }
}

pub const IN_STOCK: Setting = Setting::words("in_stock", "In stock", 80, "In stock");
/// `{count}` is the number left.
pub const LOW: Setting = Setting::words("low", "Few left", 80, "Only {count} left");
pub const OUT: Setting = Setting::words("out", "Sold out", 80, "Sold out in this choice");
/// When no choice at all is left, or there is none to make.
pub const OUT_WHOLLY: Setting = Setting::words("out_wholly", "All sold out", 80, "Sold out");
pub const UNDECIDED: Setting = Setting::words("undecided", "Before a choice", 80, "");
pub const WHEN: Setting = Setting::choice::<When>("when", "Shown when", "always").everywhere();
pub const FEW: Setting = Setting::number("few", "Few means up to", 1, 50, 3).everywhere();

pub const SETTINGS: &[&Setting] =
    piece_settings![tight; &IN_STOCK, &LOW, &OUT, &OUT_WHOLLY, &UNDECIDED, &WHEN, &FEW];
