//! Stars and the number of reviews, small.

use crate::catalog::Product;
use crate::page::Setting;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};

/// *Number of reviews*.
pub const COUNT: Setting = Setting::flag("count", "Number of reviews", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &COUNT];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Rating line", Role::Orient, SETTINGS).on_cards().lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.rating.tenths().is_none().then_some("nobody has rated this product")
}
