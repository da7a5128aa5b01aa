//! Keeps the product for later, from its card.

use super::marks::MarkPlace;
use crate::page::Setting;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};

/// *Words*.
pub const WORDS: Setting = Setting::words("words", "Words", 60, "Keep for later");
/// *Once kept*.
pub const KEPT: Setting = Setting::words("kept", "Once kept", 60, "On your wish list");
/// Over the picture it is a heart alone.
pub const AT: Setting = Setting::choice::<MarkPlace>("at", "Place", "top_right").everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &WORDS, &KEPT, &AT];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Wish button", Role::Buy, SETTINGS).on_cards().only_once();
