//! Products that belong together, as if they were values of one option: each leads to the page of another, with what is
//! chosen kept.

use super::options::{
    BUTTONS_AS, ENLARGE, GAP, LABEL, LABEL_WIDTH, NAMES, RING_CHOSEN, RING_COLOUR, RING_HOVER, RING_IDLE,
    RING_WIDTH, SHAPE, SOLD_OUT, SWATCH_SIZE,
};
use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::{Group, Setting};
use crate::setting::choice;

choice! {
    /// How they are shown.
    SiblingsAs { Swatches = "swatches", "Swatches"; Buttons = "buttons", "Buttons"; }
}

/// *Shown as*.
pub const SHOWN_AS: Setting =
    Setting::choice::<SiblingsAs>("shown_as", "Siblings as", "swatches").everywhere();
/// Names of sets; all in which the product stands where there are none.
pub const SETS: Setting = Setting::lines("sets", "Only these sets", 6, 60, &[]).among(Group::Looks);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![
    &SHOWN_AS,
    &SETS,
    &SWATCH_SIZE,
    &SHAPE,
    &GAP,
    &NAMES,
    &ENLARGE,
    &RING_IDLE,
    &RING_WIDTH,
    &RING_COLOUR,
    &RING_HOVER,
    &RING_CHOSEN,
    &BUTTONS_AS,
    &SOLD_OUT,
    &LABEL,
    &LABEL_WIDTH
];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Siblings", Role::Buy, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
pub(super) fn lacks(product: &Product) -> Option<&'static str> {
    let some = product.siblings.iter().any(|set| !set.shown_on(product.id).is_empty());
    (!some).then_some("this product has no siblings")
}
