//! What others say, chosen by the owner.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::{Preset, choice};

choice! {
    /// How quotes stand.
    As { Cards = "cards", "Side by side"; List = "list", "One under another"; }
}

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "");
/// *Quotes*.
pub const QUOTES: Setting = Setting::rows("quotes", "Quotes", &[("What was said", 400), ("By whom", 80)], 12);
/// *Shown as*.
pub const AS: Setting = Setting::choice::<As>("as", "Shown as", "cards").on_phones(Preset::Text("list"));

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &QUOTES, &AS];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Quotes", Role::Tell, SETTINGS);
