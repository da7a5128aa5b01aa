//! Products that belong together, as far as a card has room for them: each leads to the page of another.

use super::choices::{BUTTONS_AS, GAP, NAMES, RING, RING_WIDTH, SHAPE, SIZE, SOLD_OUT};
use crate::page::Setting;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::siblings::{SETS, SHOWN_AS, lacks};
use crate::page::piece::{About, Role};

/// The rest stands on the page, to which `+ n` leads.
pub const MOST: Setting = Setting::number("most", "Siblings before + n", 1, 20, 8);

/// Whether those of whom each has a card of its own are shown on all of these, too.
pub const EACH: Setting = Setting::flag("each", "On cards of their own", false).everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card;
    &SHOWN_AS, &EACH, &SETS, &MOST, &SOLD_OUT, &NAMES, &SIZE, &SHAPE, &GAP, &RING, &RING_WIDTH, &BUTTONS_AS
];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Siblings", Role::Buy, SETTINGS).on_cards().only_once().lacking(lacks);
