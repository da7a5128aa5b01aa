//! What the product is called. It leads to its page.

use crate::page::Setting;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};

/// Longer names end in dots.
pub const LINES: Setting = Setting::number("lines", "Lines at most", 1, 6, 2);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &LINES];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Name", Role::Orient, SETTINGS).on_cards().only_once();
