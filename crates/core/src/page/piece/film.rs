//! A short film of the shop.

use super::shared::piece_settings;
use crate::page::Setting;

pub const FILM: Setting = Setting::film("film", "Film");
pub const CAPTION: Setting = Setting::words("caption", "Caption", 200, "");
pub const START: Setting = Setting::flag("start", "Starts by itself, muted", false).everywhere().says();
pub const ROUND: Setting = Setting::flag("loop", "Runs round and round", false).everywhere().says();
pub const CONTROLS: Setting = Setting::flag("controls", "With controls", true).everywhere();

pub const SETTINGS: &[&Setting] = piece_settings![&FILM, &CAPTION, &START, &ROUND, &CONTROLS];
