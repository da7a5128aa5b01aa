//! Free pictures of the shop, side by side.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::{Preset, choice};

choice! {
    /// How pictures stand.
    As { Grid = "grid", "Grid"; Strip = "strip", "Strip to slide"; }
}
choice! {
    /// The shape of their frames.
    Shape { Square = "square", "Square"; Tall = "tall", "Tall"; Wide = "wide", "Wide"; }
}

const COUNTS: &[(i64, &str)] = &[(1, "1"), (2, "2"), (3, "3"), (4, "4"), (6, "6")];

/// *Pictures*.
pub const PICTURES: Setting = Setting::pictures("pictures", "Pictures", 24);
/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "");
/// *Shown as*.
pub const AS: Setting = Setting::choice::<As>("as", "Shown as", "grid");
/// *In a row*.
pub const COUNT: Setting = Setting::steps("count", "In a row", COUNTS, 3).on_phones(Preset::Number(2));
/// *Frame*.
pub const SHAPE: Setting = Setting::choice::<Shape>("shape", "Frame", "square");

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &PICTURES, &AS, &COUNT, &SHAPE];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Row of pictures", Role::Show, SETTINGS);
