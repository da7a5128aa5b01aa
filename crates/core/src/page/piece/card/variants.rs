//! Every variant as one line, in place of several options: one click chooses, and buys where the owner wants it so.

use crate::catalog::Product;
use crate::page::Setting;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};

/// *A click buys*.
pub const BUYS: Setting = Setting::flag("buys", "A click buys", false).everywhere().says();
/// The rest stands on the page, to which `+ n` leads.
pub const MOST: Setting = Setting::number("most", "Variants before + n", 2, 20, 5).says();
/// *With prices*.
pub const PRICES: Setting = Setting::flag("prices", "With prices", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight; &BUYS, &MOST, &PRICES];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("List of variants", Role::Buy, SETTINGS).on_cards().only_once().lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    (product.variants.len() < 2).then_some("this product has only one variant")
}
