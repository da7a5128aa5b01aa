//! Short lines that take doubts away, right where the shopper decides.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::choice;

choice! {
    /// What stands before each line.
    Mark { Tick = "tick", "Tick"; Dot = "dot", "Dot"; None = "none", "None"; }
}
choice! {
    /// How the lines stand.
    Run { Stacked = "stacked", "One under another"; Row = "row", "In a row"; }
}

/// *Lines*.
pub const LINES: Setting = Setting::lines("lines", "Lines", 8, 120, &[]);
/// *Mark*.
pub const MARK: Setting = Setting::choice::<Mark>("mark", "Mark", "tick");
/// *Lines stand*.
pub const RUN: Setting = Setting::choice::<Run>("run", "Lines stand", "stacked");

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&LINES, &MARK, &RUN];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Promises", Role::Tell, SETTINGS);
