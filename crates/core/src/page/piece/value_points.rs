//! A few short reasons, side by side.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::{Preset, choice};

choice! {
    /// What stands before each point.
    Mark { Number = "number", "Number"; Tick = "tick", "Tick"; None = "none", "None"; }
}

const COUNTS: &[(i64, &str)] = &[(1, "1"), (2, "2"), (3, "3"), (4, "4")];

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "");
/// *Points*.
pub const POINTS: Setting = Setting::rows("points", "Points", &[("In short", 60), ("More", 240)], 8);
/// *In a row*.
pub const COUNT: Setting = Setting::steps("count", "In a row", COUNTS, 3).on_phones(Preset::Number(1));
/// *Mark*.
pub const MARK: Setting = Setting::choice::<Mark>("mark", "Mark", "number");

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &POINTS, &COUNT, &MARK];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Value points", Role::Tell, SETTINGS);
