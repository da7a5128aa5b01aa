//! A few words: the product's own, or the same on every card.

use crate::page::Setting;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};
use crate::setting::choice;

choice! {
    /// Whose words these are.
    TextOf { Summary = "summary", "Its summary"; Own = "own", "These"; }
}

/// *Says*.
pub const OF: Setting = Setting::choice::<TextOf>("of", "Says", "summary").everywhere().says();
/// *Words*.
pub const WORDS: Setting = Setting::words("words", "Words", 200, "").with(&OF, &["own"]);
/// Longer texts end in dots.
pub const LINES: Setting = Setting::number("lines", "Lines at most", 1, 10, 3);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &OF, &WORDS, &LINES];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About = About::new("Text", Role::Tell, SETTINGS).on_cards();
