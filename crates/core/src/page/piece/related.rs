//! Other products that go with this one, by a rule.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::{Preset, choice};

choice! {
    /// By what they are chosen.
    RelatedBy {
        Type = "type", "Same type"; Tags = "tags", "Shared tags"; Price = "price", "Price near";
        Together = "together", "Bought together"; Hand = "hand", "Chosen by hand";
    }
}
choice! {
    /// How they stand.
    RelatedAs { Grid = "grid", "Grid"; Row = "row", "Row that slides"; }
}

const COUNTS: &[(i64, &str)] = &[(2, "2"), (3, "3"), (4, "4")];
const MOSTS: &[(i64, &str)] = &[(0, "one row"), (6, "6"), (8, "8"), (12, "12")];

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "You may also like");
/// *Chosen by*.
pub const BY: Setting = Setting::choice::<RelatedBy>("by", "Chosen by", "type").everywhere().says();
/// Those that the owner chose, in this order.
pub const PRODUCTS: Setting = Setting::products("products", "These products", 12).with(&BY, &["hand"]);
/// Whether the product's siblings are left out.
pub const APART: Setting = Setting::flag("apart", "Siblings left out", false).everywhere().says();
/// *Laid as*.
pub const AS: Setting = Setting::choice::<RelatedAs>("as", "Laid as", "grid");
/// *In a row*.
pub const COUNT: Setting = Setting::steps("count", "In a row", COUNTS, 4).on_phones(Preset::Number(2));
/// *At most*.
pub const MOST: Setting = Setting::steps("most", "At most", MOSTS, 0).everywhere();
/// *With prices*.
pub const PRICES: Setting = Setting::flag("prices", "With prices", true);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] =
    piece_settings![&HEADING, &BY, &PRODUCTS, &APART, &AS, &COUNT, &MOST, &PRICES];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Related products", Role::Tell, SETTINGS);
