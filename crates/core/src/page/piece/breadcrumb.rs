//! Where the shopper is: shop, type, product.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// What stands between the steps.
    Divider { Slash = "slash", "/"; Angle = "angle", "›"; Dot = "dot", "·"; }
}

/// *First step*.
pub const HOME: Setting = Setting::words("home", "First step", 40, "Shop");
/// *Between steps*.
pub const DIVIDER: Setting = Setting::choice::<Divider>("divider", "Between steps", "slash");
/// *Ends with the product*.
pub const LAST: Setting = Setting::flag("last", "Ends with the product", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight; &HOME, &DIVIDER, &LAST];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Breadcrumb", Role::Orient, SETTINGS);
