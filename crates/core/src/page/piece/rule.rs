//! A line between two things.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::choice;

choice! {
    Weight { Hairline = "hairline", "Hairline"; Strong = "strong", "Strong"; Dotted = "dotted", "Dotted"; }
}
choice! {
    Length { Whole = "whole", "Whole"; Half = "half", "Half"; Short = "short", "Short"; }
}

pub const WEIGHT: Setting = Setting::choice::<Weight>("weight", "Weight", "hairline");
pub const LENGTH: Setting = Setting::choice::<Length>("length", "Length", "whole");

pub const SETTINGS: &[&Setting] = piece_settings![&WEIGHT, &LENGTH];
