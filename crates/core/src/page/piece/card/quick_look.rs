//! Opens a small page of the product over the listing.

use super::marks::MarkPlace;
use crate::page::Setting;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};

/// *Words*.
pub const WORDS: Setting = Setting::words("words", "Words", 40, "Quick look");
/// Over the picture it comes when the card is pointed at.
pub const AT: Setting = Setting::choice::<MarkPlace>("at", "Place", "top_right").everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &WORDS, &AT];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Quick look", Role::Show, SETTINGS).on_cards().only_once();
