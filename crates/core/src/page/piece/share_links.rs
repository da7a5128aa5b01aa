//! Plain links with which a shopper passes the page on.

use super::shared::piece_settings;
use crate::page::Setting;

pub const LABEL: Setting = Setting::words("label", "Before the links", 40, "Share");
pub const MAIL: Setting = Setting::flag("mail", "By mail", true).everywhere().says();
pub const MESSAGE: Setting = Setting::flag("message", "By text message", true).everywhere().says();
pub const LINK: Setting = Setting::flag("link", "The address itself", true).everywhere().says();

pub const SETTINGS: &[&Setting] = piece_settings![&LABEL, &MAIL, &MESSAGE, &LINK];
