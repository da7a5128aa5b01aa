//! Plain links with which a shopper passes the page on.

use super::shared::piece_settings;
use super::{About, Role};
use crate::page::Setting;

/// *Before the links*.
pub const LABEL: Setting = Setting::words("label", "Before the links", 40, "Share");
/// *By mail*.
pub const MAIL: Setting = Setting::flag("mail", "By mail", true).everywhere().says();
/// *By text message*.
pub const MESSAGE: Setting = Setting::flag("message", "By text message", true).everywhere().says();
/// *The address itself*.
pub const LINK: Setting = Setting::flag("link", "The address itself", true).everywhere().says();

/// All settings of it, in the order in which the slip shows them.
pub const SETTINGS: &[&Setting] = piece_settings![&LABEL, &MAIL, &MESSAGE, &LINK];

/// What it is to an owner.
pub(super) const KIND: About = About::new("Share links", Role::Tell, SETTINGS);
