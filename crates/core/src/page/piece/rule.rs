//! A line between two things.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// How heavy the line is.
    Weight { Hairline = "hairline", "Hairline"; Strong = "strong", "Strong"; Dotted = "dotted", "Dotted"; }
}
choice! {
    /// How long the line is.
    Length { Whole = "whole", "Whole"; Half = "half", "Half"; Short = "short", "Short"; }
}

/// *Weight*.
pub const WEIGHT: Setting = Setting::choice::<Weight>("weight", "Weight", "hairline");
/// *Length*.
pub const LENGTH: Setting = Setting::choice::<Length>("length", "Length", "whole");

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&WEIGHT, &LENGTH];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Rule", Role::Tell, SETTINGS);
