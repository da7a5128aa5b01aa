//! A few short reasons, side by side.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::{Preset, choice};

choice! {
    /// What stands before each point.
    Mark { Number = "number", "Number"; Tick = "tick", "Tick"; None = "none", "None"; }
}

const COUNTS: &[(i64, &str)] = &[(1, "1"), (2, "2"), (3, "3"), (4, "4")];

pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "");
pub const POINTS: Setting = Setting::rows("points", "Points", &[("In short", 60), ("More", 240)], 8);
pub const COUNT: Setting = Setting::steps("count", "In a row", COUNTS, 3).on_phones(Preset::Number(1));
pub const MARK: Setting = Setting::choice::<Mark>("mark", "Mark", "number");

pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &POINTS, &COUNT, &MARK];
