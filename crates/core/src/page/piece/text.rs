//! Free text: headings, paragraphs, lists, links and emphasis.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// How long its lines are.
    Measure { Read = "read", "Easy to read"; Column = "column", "Whole column"; }
}

/// *Text*.
pub const BODY: Setting = Setting::rich("body", "Text", 20_000);
/// *Line length*.
pub const MEASURE: Setting = Setting::choice::<Measure>("measure", "Line length", "read");

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&BODY, &MEASURE];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Text", Role::Tell, SETTINGS);
