//! What others say, chosen by the owner.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::{Preset, choice};

choice! {
    As { Cards = "cards", "Side by side"; List = "list", "One under another"; }
}

pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "");
pub const QUOTES: Setting = Setting::rows("quotes", "Quotes", &[("What was said", 400), ("By whom", 80)], 12);
pub const AS: Setting = Setting::choice::<As>("as", "Shown as", "cards").on_phones(Preset::Text("list"));

pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &QUOTES, &AS];
