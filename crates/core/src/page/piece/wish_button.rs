//! Keeps the product for later, on the shopper's wish list.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// How it stands.
    WishAs { Link = "link", "Words"; Button = "button", "Button"; }
}

/// *Words*.
pub const WORDS: Setting = Setting::words("words", "Words", 60, "Keep for later");
/// *Once kept*.
pub const KEPT: Setting = Setting::words("kept", "Once kept", 60, "On your wish list");
/// *Looks like*.
pub const AS: Setting = Setting::choice::<WishAs>("as", "Looks like", "link").everywhere();
/// *With a heart*.
pub const ICON: Setting = Setting::flag("icon", "With a heart", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight; &WORDS, &KEPT, &AS, &ICON];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Wish button", Role::Buy, SETTINGS);
