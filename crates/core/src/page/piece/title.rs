//! The product's name, as the page's main heading.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;
use crate::setting::Preset;

/// *Size*.
pub const SIZE: Setting = Setting::type_size("size", "Size", 6).on_phones(Preset::Number(5));

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![tight; &SIZE];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Title", Role::Orient, SETTINGS);
