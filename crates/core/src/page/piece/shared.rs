//! Settings that many kinds have.

use crate::page::Setting;
use crate::page::setting::choice;

choice! {
    /// To which side a piece keeps.
    Align { Start = "start", "Left"; Centre = "centre", "Centre"; End = "end", "Right"; }
}

/// Space in pixels; the steps of the house style.
const SPACES: &[(i64, &str)] = &[(0, "0"), (8, "8"), (16, "16"), (24, "24"), (32, "32"), (48, "48")];

/// Whether the piece is there at all on a screen.
pub const SHOWN: Setting = Setting::flag("shown", "Shown", true);
pub const SPACE_ABOVE: Setting = Setting::steps("space_above", "Space above", SPACES, 16);
pub const TIGHT_ABOVE: Setting = Setting::steps("space_above", "Space above", SPACES, 8);
pub const ALIGN: Setting = Setting::choice::<Align>("align", "Align", "start");
