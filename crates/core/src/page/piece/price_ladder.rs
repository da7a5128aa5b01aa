//! The unit price by quantity, where rules make one.

use super::shared::piece_settings;
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// How the steps stand.
    LadderAs { Table = "table", "Table"; Steps = "steps", "Steps"; }
}

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 60, "Price by number");
/// *Steps as*.
pub const AS: Setting = Setting::choice::<LadderAs>("as", "Steps as", "table").everywhere();
/// *With the saving*.
pub const SAVING: Setting = Setting::flag("saving", "With the saving", true);
/// Tells how many more bring the price down.
pub const NEXT: Setting = Setting::flag("next", "What comes next", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&HEADING, &AS, &SAVING, &NEXT];
