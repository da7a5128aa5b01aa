//! Keeps the product for later, on the shopper's wish list.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::choice;

choice! {
    /// How it stands.
    WishAs { Link = "link", "Words"; Button = "button", "Button"; }
}

pub const WORDS: Setting = Setting::words("words", "Words", 60, "Keep for later");
pub const KEPT: Setting = Setting::words("kept", "Once kept", 60, "On your wish list");
pub const AS: Setting = Setting::choice::<WishAs>("as", "Looks like", "link").everywhere();
pub const ICON: Setting = Setting::flag("icon", "With a heart", true);

pub const SETTINGS: &[&Setting] = piece_settings![tight; &WORDS, &KEPT, &AS, &ICON];
