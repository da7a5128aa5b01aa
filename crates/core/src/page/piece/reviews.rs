//! What buyers say: average, distribution and list.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::Preset;

const COUNTS: &[(i64, &str)] = &[(1, "1"), (2, "2"), (3, "3")];

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "What buyers say");
/// *Without reviews*.
pub const NONE: Setting = Setting::words("none", "Without reviews", 120, "No reviews yet");
/// *Average*.
pub const AVERAGE: Setting = Setting::flag("average", "Average", true);
/// *Spread of stars*.
pub const SPREAD: Setting = Setting::flag("spread", "Spread of stars", true);
/// *Reviews shown*.
pub const COUNT: Setting = Setting::number("count", "Reviews shown", 0, 20, 4).everywhere();
/// *Side by side*.
pub const COLUMNS: Setting =
    Setting::steps("columns", "Side by side", COUNTS, 2).on_phones(Preset::Number(1));

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &NONE, &AVERAGE, &SPREAD, &COUNT, &COLUMNS];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Reviews", Role::Tell, SETTINGS);
