//! The strip across the page that holds columns.

use super::shared::SHOWN;
use crate::page::Setting;
use crate::page::setting::{Preset, choice};

choice! {
    /// What lies behind the band.
    Ground { Plain = "plain", "Plain"; Tinted = "tinted", "Tinted"; Ink = "ink", "Dark"; }
}
choice! {
    /// How far the band's content reaches.
    Reach { Page = "page", "Page width"; Edge = "edge", "To the edges"; }
}

const SPACES: &[(i64, &str)] = &[(0, "0"), (16, "16"), (24, "24"), (40, "40"), (64, "64")];

pub const NAME: Setting = Setting::words("name", "Name in the order", 60, "").everywhere();
pub const GROUND: Setting = Setting::choice::<Ground>("ground", "Ground", "plain").everywhere();
pub const REACH: Setting = Setting::choice::<Reach>("reach", "Width", "page");
pub const SPACE_ABOVE: Setting =
    Setting::steps("space_above", "Space above", SPACES, 24).on_phones(Preset::Number(16));
pub const SPACE_BELOW: Setting =
    Setting::steps("space_below", "Space below", SPACES, 24).on_phones(Preset::Number(16));

pub const SETTINGS: &[&Setting] = &[&NAME, &GROUND, &REACH, &SPACE_ABOVE, &SPACE_BELOW, &SHOWN];
