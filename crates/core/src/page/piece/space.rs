//! Room between two things.

use super::shared::{APPEARS, SHOWN};
use super::{About, Role};
use crate::page::Setting;
use crate::setting::Group;

/// *Height*.
pub const HEIGHT: Setting = Setting::space("height", "Height", 5).among(Group::Looks);

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = &[&HEIGHT, &SHOWN, &APPEARS];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Space", Role::Tell, SETTINGS);
