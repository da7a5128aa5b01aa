//! The strip across the page that holds columns.

use super::shared::{APPEARS, SHOWN, SPACE};
use crate::page::Setting;
use crate::setting::{Preset, choice};

choice! {
    /// What lies under the band.
    Ground { Plain = "plain", "Plain"; Tinted = "tinted", "Tinted"; Ink = "ink", "Dark"; }
}
choice! {
    /// How far the band's content reaches.
    Reach { Page = "page", "Page width"; Edge = "edge", "To the edges"; }
}
choice! {
    /// What lies behind the band.
    Behind { Nothing = "nothing", "Nothing"; Picture = "picture", "Picture"; Film = "film", "Film"; }
}
choice! {
    /// How what lies behind moves when the page is scrolled. Always with the page for visitors who ask for less motion.
    Motion { Page = "page", "With the page"; Slow = "slow", "Slower"; Still = "still", "Not at all"; }
}
choice! {
    /// A veil over what lies behind, so that words can be read on it.
    Veil { None = "none", "None"; Light = "light", "Light"; Dark = "dark", "Dark"; }
}
choice! {
    /// A column that stays in sight while the longer one is read.
    Stays { None = "none", "None"; First = "first", "The first"; Last = "last", "The last"; }
}
choice! {
    /// How high the band is at least.
    Height { Own = "own", "Its own"; Half = "half", "Half the screen"; Screen = "screen", "The whole screen"; }
}
choice! {
    /// How columns stand that are lower than another one, or than the band.
    Stand { Top = "top", "Top"; Middle = "middle", "Middle"; }
}

/// *Name in the order*.
pub const NAME: Setting = Setting::words("name", "Name in the order", 60, "").everywhere();
/// *Picture behind*.
pub const PICTURE: Setting = Setting::pictures("picture", "Picture behind", 1);
/// *Film behind*.
pub const FILM: Setting = Setting::film("film", "Film behind");
/// *Ground*.
pub const GROUND: Setting = Setting::choice::<Ground>("ground", "Ground", "plain").everywhere();
/// *Width*.
pub const REACH: Setting = Setting::choice::<Reach>("reach", "Width", "page");
/// *Behind it*.
pub const BEHIND: Setting = Setting::choice::<Behind>("behind", "Behind it", "nothing");
/// *It moves*.
pub const MOTION: Setting = Setting::choice::<Motion>("motion", "It moves", "page");
/// *Veil over it*.
pub const VEIL: Setting = Setting::choice::<Veil>("veil", "Veil over it", "dark");
/// *Least height*.
pub const HEIGHT: Setting = Setting::choice::<Height>("height", "Least height", "own");
/// *Column in sight*.
pub const STAYS: Setting = Setting::choice::<Stays>("stays", "Column in sight", "none");
/// *Columns stand*.
pub const STAND: Setting = Setting::choice::<Stand>("stand", "Columns stand", "top");
/// *Between columns*.
pub const GAP: Setting =
    Setting::space("gap", "Between columns", 6).on_phones(Preset::Number(3)).in_part(SPACE);
/// *Space above*.
pub const SPACE_ABOVE: Setting =
    Setting::space("space_above", "Space above", 4).on_phones(Preset::Number(3)).in_part(SPACE);
/// *Space below*.
pub const SPACE_BELOW: Setting =
    Setting::space("space_below", "Space below", 4).on_phones(Preset::Number(3)).in_part(SPACE);

/// In which order its pieces stand on phones, where columns stand one below another, and within their columns on
/// tablets.
pub const ORDER: Setting = Setting::order("order", "Order of its pieces", 80);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = &[
    &NAME,
    &PICTURE,
    &FILM,
    &GROUND,
    &BEHIND,
    &MOTION,
    &VEIL,
    &REACH,
    &HEIGHT,
    &STAYS,
    &STAND,
    &ORDER,
    &GAP,
    &SPACE_ABOVE,
    &SPACE_BELOW,
    &SHOWN,
    &APPEARS,
];
