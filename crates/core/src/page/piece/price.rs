//! What it costs, what it cost before and what is saved.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::{Product, ProductState};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// Where the old price stands.
    OldPlace { Before = "before", "Before"; After = "after", "After"; Under = "under", "Under"; }
}
choice! {
    /// How the saving is told.
    SavingAs { Percent = "percent", "Percent"; Amount = "amount", "Amount"; None = "none", "None"; }
}

/// *Before the least price*.
pub const FROM: Setting = Setting::words("from", "Before the least price", 20, "from");
/// *Note beside it*.
pub const NOTE: Setting = Setting::words("note", "Note beside it", 60, "");
/// *Old price*.
pub const OLD: Setting = Setting::choice::<OldPlace>("old", "Old price", "after");
/// *Saving as*.
pub const SAVING: Setting = Setting::choice::<SavingAs>("saving", "Saving as", "percent");
/// Where variants have one: `£0.36 per m`.
pub const MEASURE: Setting = Setting::flag("measure", "With price per measure", true);
/// `with 20 % VAT`, where the shop has a rate.
pub const VAT: Setting = Setting::flag("vat", "With a word on VAT", false);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&FROM, &NOTE, &OLD, &SAVING, &MEASURE, &VAT];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Price", Role::Buy, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    (product.state == ProductState::Withdrawn).then_some("this product is withdrawn")
}
