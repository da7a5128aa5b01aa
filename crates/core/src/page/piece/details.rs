//! The product's titled texts: as tabs, as rows that fold, one below another or side by side. Several such pieces on a
//! page can take different texts, by their titles.

use super::shared::piece_settings;
use super::{About, Role};
use crate::catalog::{Detail, Product};
use crate::letters::folded;
use crate::page::{Group, Setting};
use crate::setting::{Preset, choice};

choice! {
    /// How the texts are shown.
    As {
        Tabs = "tabs", "Tabs"; Folding = "folding", "Folding rows"; Below = "below", "One below another";
        Columns = "columns", "Columns";
    }
}

const COUNTS: &[(i64, &str)] = &[(1, "1"), (2, "2"), (3, "3"), (4, "4")];

/// *Shown as*.
pub const AS: Setting = Setting::choice::<As>("as", "Shown as", "tabs").on_phones(Preset::Text("folding"));
/// *Side by side*.
pub const COLUMNS: Setting =
    Setting::steps("columns", "Side by side", COUNTS, 3).on_phones(Preset::Number(1)).with(&AS, &["columns"]);
/// *First one open*.
pub const FIRST_OPEN: Setting =
    Setting::flag("first_open", "First one open", true).everywhere().with(&AS, &["tabs", "folding"]);
/// Titles of texts, as the owner writes them, in the order in which they stand here; without any all of them do.
pub const TITLES: Setting = Setting::lines("titles", "Only these titles", 12, 120, &[]).among(Group::Looks);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&AS, &COLUMNS, &FIRST_OPEN, &TITLES];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Details", Role::Tell, SETTINGS).lacking(lacks);

/// Why there is nothing to show.
fn lacks(product: &Product) -> Option<&'static str> {
    product.details.is_empty().then_some("this product has no details")
}

/// The texts that stand in a piece that takes those of these titles, or all where none are named.
#[must_use]
pub fn taken<'a>(product: &'a Product, titles: &[String]) -> Vec<&'a Detail> {
    let named = titles.iter().filter(|title| !title.trim().is_empty());
    let mut named = named.map(|title| folded(title)).peekable();
    if named.peek().is_none() {
        return product.details.iter().collect();
    }
    named.filter_map(|title| product.details.iter().find(|one| folded(&one.title) == title)).collect()
}
