//! Stars and the number of reviews, in one line.

use super::shared::piece_settings;
use crate::page::Setting;

pub const COUNT: Setting = Setting::flag("count", "Number of reviews", true);
pub const LINKED: Setting = Setting::flag("linked", "Leads to the reviews", true).everywhere().says();
pub const EMPTY: Setting = Setting::flag("empty", "Shown without reviews", false).everywhere().says();

pub const SETTINGS: &[&Setting] = piece_settings![tight; &LINKED, &EMPTY, &COUNT];
