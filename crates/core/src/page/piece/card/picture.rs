//! The picture of a card: the product's, or that of what is chosen.

use crate::page::Setting;
use crate::page::piece::gallery::{Fit, Shape};
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};
use crate::setting::choice;

choice! {
    /// What comes when it is pointed at.
    Pointing { Nothing = "nothing", "Nothing"; Second = "second", "The next one"; Turn = "turn", "All in turn"; }
}

/// *Frame*.
pub const SHAPE: Setting = Setting::choice::<Shape>("shape", "Frame", "square");
/// *Pictures are*.
pub const FIT: Setting = Setting::choice::<Fit>("fit", "Pictures are", "crop");
/// *On pointing*.
pub const POINTING: Setting = Setting::choice::<Pointing>("pointing", "On pointing", "nothing").everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &SHAPE, &FIT, &POINTING];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Picture", Role::Show, SETTINGS).on_cards().only_once();
