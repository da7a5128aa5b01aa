//! One picture of the shop.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// The frame that the picture is put into.
    Ratio { Own = "own", "Its own"; Square = "square", "Square"; Tall = "tall", "Tall"; Wide = "wide", "Wide"; Strip = "strip", "Strip"; }
}

/// *Picture*.
pub const PICTURE: Setting = Setting::pictures("picture", "Picture", 1);
/// *What it shows*.
pub const ALT: Setting = Setting::words("alt", "What it shows", 200, "").everywhere();
/// *Caption*.
pub const CAPTION: Setting = Setting::words("caption", "Caption", 200, "");
/// *Leads to*.
pub const LINK: Setting = Setting::link("link", "Leads to");
/// *Frame*.
pub const RATIO: Setting = Setting::choice::<Ratio>("ratio", "Frame", "own");

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&PICTURE, &ALT, &CAPTION, &LINK, &RATIO];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Picture", Role::Show, SETTINGS);
