//! The unit price by quantity, where rules make one.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::Product;
use crate::page::Setting;
use crate::price::Prices;
use crate::setting::choice;

choice! {
    /// How the steps stand.
    LadderAs { Table = "table", "Table"; Steps = "steps", "Steps"; }
}

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 60, "Price by number");
/// *Steps as*.
pub const AS: Setting = Setting::choice::<LadderAs>("as", "Steps as", "table").everywhere();
/// *With the saving*.
pub const SAVING: Setting = Setting::flag("saving", "With the saving", true);
/// Tells how many more bring the price down.
pub const NEXT: Setting = Setting::flag("next", "What comes next", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&HEADING, &AS, &SAVING, &NEXT];

/// What it is to an owner.
pub(super) const KIND: About =
    About::new("Price ladder", Role::Buy, SETTINGS).lacking(lacks).lacking_at(lacks_at);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    (!product.is_sold()).then_some("this product isn't sold now")
}

/// Why there is nothing to show under these prices.
fn lacks_at(product: &Product, prices: &Prices) -> Option<&'static str> {
    (prices.steps(product).len() < 2).then_some("no rule makes steps for this product")
}
