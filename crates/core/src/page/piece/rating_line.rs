//! Stars and the number of reviews, in one line.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;

/// *Number of reviews*.
pub const COUNT: Setting = Setting::flag("count", "Number of reviews", true);
/// *Leads to the reviews*.
pub const LINKED: Setting = Setting::flag("linked", "Leads to the reviews", true).everywhere().says();
/// *Shown without reviews*.
pub const EMPTY: Setting = Setting::flag("empty", "Shown without reviews", false).everywhere().says();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight; &LINKED, &EMPTY, &COUNT];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Rating line", Role::Orient, SETTINGS);
