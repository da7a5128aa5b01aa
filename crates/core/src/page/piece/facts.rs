//! The product's facts as a table.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;

const COUNTS: &[(i64, &str)] = &[(1, "1"), (2, "2")];

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "Facts");
/// *Side by side*.
pub const COLUMNS: Setting = Setting::steps("columns", "Side by side", COUNTS, 1);
/// *Striped rows*.
pub const STRIPES: Setting = Setting::flag("stripes", "Striped rows", false);
/// The product's options among its facts, each value with its swatch.
pub const OPTIONS: Setting = Setting::flag("options", "With options", false).everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &COLUMNS, &STRIPES, &OPTIONS];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Facts", Role::Tell, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.facts.is_empty().then_some("this product has no facts")
}
