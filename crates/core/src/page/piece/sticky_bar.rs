//! A bar with price and button that stays in sight while the buy button is out of it.

use super::shared::{APPEARS, SHOWN};
use crate::page::Setting;
use crate::page::setting::choice;

choice! {
    /// At which edge of the screen it stays.
    Edge { Bottom = "bottom", "Bottom"; Top = "top", "Top"; }
}

pub const WORDS: Setting = Setting::words("words", "Words", 60, "Add to cart");
pub const EDGE: Setting = Setting::choice::<Edge>("edge", "Edge", "bottom");
pub const NAME: Setting = Setting::flag("name", "With the name", true);

pub const SETTINGS: &[&Setting] = &[&WORDS, &EDGE, &NAME, &SHOWN, &APPEARS];
