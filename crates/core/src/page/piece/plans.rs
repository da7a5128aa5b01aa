//! Buying once, or again and again: the plans by which the product can be bought.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;
use crate::price::Prices;

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 60, "How often");
/// *Buying once*.
pub const ONCE: Setting = Setting::words("once", "Buying once", 40, "Just this once");
/// *With the saving*.
pub const SAVING: Setting = Setting::flag("saving", "With the saving", true);
/// What later deliveries cost, where only the first one costs less.
pub const THEN: Setting = Setting::flag("then", "With later prices", true);
/// *Note under it*.
pub const NOTE: Setting = Setting::words("note", "Note under it", 120, "");

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&HEADING, &ONCE, &SAVING, &THEN, &NOTE];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Plans", Role::Buy, SETTINGS).lacking(lacks).lacking_at(lacks_at);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    (!product.is_sold()).then_some("this product isn't sold now")
}

/// Why there is nothing to show under these prices.
fn lacks_at(product: &Product, prices: &Prices) -> Option<&'static str> {
    (!prices.has_plans(product)).then_some("no plan is for this product")
}
