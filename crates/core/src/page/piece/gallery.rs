//! The product's pictures, those of the chosen values first.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::{Preset, choice};

choice! {
    /// Where the small pictures stand.
    Thumbnails { Left = "left", "Left"; Under = "under", "Under"; None = "none", "None"; }
}
choice! {
    /// The frame that every picture is put into.
    Shape { Square = "square", "Square"; Tall = "tall", "Tall"; Wide = "wide", "Wide"; }
}
choice! {
    /// Which pictures a choice shows.
    Follow { Chosen = "chosen", "Of the choice"; All = "all", "All"; }
}

pub const THUMBNAILS: Setting =
    Setting::choice::<Thumbnails>("thumbnails", "Thumbnails", "left").on_phones(Preset::Text("under"));
pub const SHAPE: Setting =
    Setting::choice::<Shape>("shape", "Frame", "square").on_phones(Preset::Text("wide"));
pub const FOLLOW: Setting = Setting::choice::<Follow>("follow", "Pictures", "chosen").everywhere().says();
pub const ROUND: Setting = Setting::flag("round", "Round corners", true);

pub const SETTINGS: &[&Setting] = piece_settings![&FOLLOW, &THUMBNAILS, &SHAPE, &ROUND];
