//! What is said in a mark: that it is coming, gone, for less, or nearly gone.

use crate::page::Setting;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};
use crate::setting::choice;

choice! {
    /// Where the mark stands: over the picture, or in its turn.
    MarkPlace {
        TopLeft = "top_left", "Top left"; TopRight = "top_right", "Top right"; BottomLeft = "bottom_left", "Bottom left";
        BottomRight = "bottom_right", "Bottom right"; Line = "line", "In a line";
    }
}

/// *Place*.
pub const AT: Setting = Setting::choice::<MarkPlace>("at", "Place", "top_left").everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &AT];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Marks", Role::Orient, SETTINGS).on_cards().only_once();
