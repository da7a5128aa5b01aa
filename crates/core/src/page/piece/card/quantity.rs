//! How many are put into the cart from the card.

use crate::catalog::Product;
use crate::page::Setting;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role, quantity};

/// *Label*.
pub const LABEL: Setting = Setting::words("label", "Label", 40, "Quantity");
/// *Label shown*.
pub const LABELLED: Setting = Setting::flag("labelled", "Label shown", false);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &LABEL, &LABELLED];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Quantity", Role::Buy, SETTINGS).on_cards().only_once().lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    quantity::lacks(product)
}
