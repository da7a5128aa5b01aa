//! A short film of the shop.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;

/// *Film*.
pub const FILM: Setting = Setting::film("film", "Film");
/// *Caption*.
pub const CAPTION: Setting = Setting::words("caption", "Caption", 200, "");
/// *Starts by itself, muted*.
pub const START: Setting = Setting::flag("start", "Starts by itself, muted", false).everywhere().says();
/// *Runs round and round*.
pub const ROUND: Setting = Setting::flag("loop", "Runs round and round", false).everywhere().says();
/// *With controls*.
pub const CONTROLS: Setting = Setting::flag("controls", "With controls", true).everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&FILM, &CAPTION, &START, &ROUND, &CONTROLS];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Film", Role::Show, SETTINGS);
