//! Where the shopper is: shop, type, product.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::page::setting::choice;

choice! {
    /// What stands between the steps.
    Divider { Slash = "slash", "/"; Angle = "angle", "›"; Dot = "dot", "·"; }
}

pub const HOME: Setting = Setting::words("home", "First step", 40, "Shop");
pub const DIVIDER: Setting = Setting::choice::<Divider>("divider", "Between steps", "slash");
pub const LAST: Setting = Setting::flag("last", "Ends with the product", true);

pub const SETTINGS: &[&Setting] = piece_settings![tight; &HOME, &DIVIDER, &LAST];
