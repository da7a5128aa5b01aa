//! What it costs, as far as the choice says.

use crate::page::Setting;
use crate::page::piece::price::SavingAs;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};

/// *Old price*.
pub const OLD: Setting = Setting::flag("old", "Old price", true);
/// *Saving as*.
pub const SAVING: Setting = Setting::choice::<SavingAs>("saving", "Saving as", "none");
/// Where variants have one: `£0.36 per m`.
pub const MEASURE: Setting = Setting::flag("measure", "With price per measure", false);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &OLD, &SAVING, &MEASURE];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About = About::new("Price", Role::Buy, SETTINGS).on_cards();
