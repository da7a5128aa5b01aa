//! Every variant as one line: for products whose few variants are chosen as a whole rather than option by option.

use super::shared::piece_settings;
use crate::page::Setting;

pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "");
/// SKUs that this page doesn't offer.
pub const LEFT_OUT: Setting = Setting::lines("left_out", "SKUs left out", 40, 80, &[]);
pub const MOST: Setting = Setting::number("most", "At most", 3, 100, 40).everywhere();
pub const PICTURES: Setting = Setting::flag("pictures", "With pictures", true);
pub const PRICES: Setting = Setting::flag("prices", "With prices", true);

pub const SETTINGS: &[&Setting] = piece_settings![&HEADING, &LEFT_OUT, &MOST, &PICTURES, &PRICES];
