//! Whether it can be had, and how soon it may be gone.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// When the line is there.
    When { Always = "always", "Always"; Matters = "matters", "When few or none"; }
}

/// *In stock*.
pub const IN_STOCK: Setting = Setting::words("in_stock", "In stock", 80, "In stock");
/// `{count}` is the number left.
pub const LOW: Setting = Setting::words("low", "Few left", 80, "Only {count} left");
/// *Sold out*.
pub const OUT: Setting = Setting::words("out", "Sold out", 80, "Sold out in this choice");
/// When no choice at all is left, or there is none to make.
pub const OUT_WHOLLY: Setting = Setting::words("out_wholly", "All sold out", 80, "Sold out");
/// *Before a choice*.
pub const UNDECIDED: Setting = Setting::words("undecided", "Before a choice", 80, "");
/// *Shown when*.
pub const WHEN: Setting = Setting::choice::<When>("when", "Shown when", "always").everywhere();
/// *Few means up to*.
pub const FEW: Setting = Setting::number("few", "Few means up to", 1, 50, 3).everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] =
    piece_settings![tight; &IN_STOCK, &LOW, &OUT, &OUT_WHOLLY, &UNDECIDED, &WHEN, &FEW];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Stock line", Role::Buy, SETTINGS);
