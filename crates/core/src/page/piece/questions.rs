//! Questions and answers, as rows that fold.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;

/// *Heading*.
pub const HEADING: Setting = Setting::words("heading", "Heading", 80, "Questions");
/// *Questions*.
pub const QUESTIONS: Setting =
    Setting::rows("questions", "Questions", &[("Question", 200), ("Answer", 1200)], 30);
/// *First one open*.
pub const FIRST_OPEN: Setting = Setting::flag("first_open", "First one open", false).everywhere();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![wide; &HEADING, &QUESTIONS, &FIRST_OPEN];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Questions", Role::Tell, SETTINGS);
