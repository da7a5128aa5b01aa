//! Room between two things.

use super::shared::{APPEARS, SHOWN};
use crate::page::Setting;
use crate::page::setting::Group;

pub const HEIGHT: Setting = Setting::space("height", "Height", 5).among(Group::Looks);

pub const SETTINGS: &[&Setting] = &[&HEIGHT, &SHOWN, &APPEARS];
