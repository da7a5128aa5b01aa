//! The product in a sentence or two.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Summary", Role::Buy, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.summary.trim().is_empty().then_some("this product has no summary")
}
