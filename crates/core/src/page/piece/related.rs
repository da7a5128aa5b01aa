//! Other products of the same type.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::Preset;

const COUNTS: &[(i64, &str)] = &[(2, "2"), (3, "3"), (4, "4")];

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "You may also like");
/// *In a row*.
pub const COUNT: Setting = Setting::steps("count", "In a row", COUNTS, 4).on_phones(Preset::Number(2));
/// *With prices*.
pub const PRICES: Setting = Setting::flag("prices", "With prices", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&HEADING, &COUNT, &PRICES];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Related products", Role::Tell, SETTINGS);
