//! One of the product's facts, or several.

use crate::catalog::Product;
use crate::page::piece::shared::piece_settings;
use crate::page::piece::{About, Role};
use crate::page::{Group, Setting};

/// Names of facts, as the owner writes them.
pub const FACTS: Setting = Setting::lines("facts", "Facts", 6, 80, &[]).among(Group::Looks);
/// *With their names*.
pub const NAMED: Setting = Setting::flag("named", "With their names", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![card; &FACTS, &NAMED];

/// What it is to an owner.
pub(in crate::page::piece) const KIND: About =
    About::new("Fact", Role::Tell, SETTINGS).on_cards().lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.facts.is_empty().then_some("this product has no facts")
}
