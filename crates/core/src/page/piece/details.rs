//! The product's titled texts, as tabs or as rows that fold.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;
use crate::setting::{Preset, choice};

choice! {
    /// How the texts are shown.
    As { Tabs = "tabs", "Tabs"; Folding = "folding", "Folding rows"; }
}

/// *Shown as*.
pub const AS: Setting = Setting::choice::<As>("as", "Shown as", "tabs").on_phones(Preset::Text("folding"));
/// *First one open*.
pub const FIRST_OPEN: Setting = Setting::flag("first_open", "First one open", true).everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&AS, &FIRST_OPEN];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Details", Role::Tell, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.details.is_empty().then_some("this product has no details")
}
