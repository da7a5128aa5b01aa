//! The product in a sentence or two.

use super::shared::piece_settings;
use crate::page::Setting;

pub const SIZE: Setting = Setting::type_size("size", "Size", 1);

pub const SETTINGS: &[&Setting] = piece_settings![&SIZE];
