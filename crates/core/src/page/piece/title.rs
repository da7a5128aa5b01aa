//! The product's name, as the page's main heading.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight;];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Title", Role::Orient, SETTINGS);
