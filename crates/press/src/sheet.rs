//! The page's own style sheet: what the settings of its pieces come to on each screen.
//!
//! Rules are gathered for each screen apart. What is the same on both is written once; the rest stands under a media
//! condition, so that a value for phones never leaks onto wide screens, nor the other way.

use compagina_core::page::Device;
use std::fmt::Write;

/// Up to this width in pixels a screen is a phone's, and up to the next one a tablet's.
pub(crate) const PHONE_UP_TO: u32 = 640;
pub(crate) const TABLET_UP_TO: u32 = 1024;

/// Rules for each screen.
#[derive(Default)]
pub(crate) struct Sheet {
    all: String,
    wide: String,
    tablet: String,
    phone: String,
    /// For wide screens and tablets alike.
    not_phone: String,
}

impl Sheet {
    /// Adds rules that `make` writes for each screen.
    pub fn add(&mut self, make: impl Fn(Device) -> String) {
        let [wide, tablet, phone] = Device::ALL.map(make);
        if wide == tablet && tablet == phone {
            self.all.push_str(&wide);
        } else if wide == tablet {
            self.not_phone.push_str(&wide);
            self.phone.push_str(&phone);
        } else {
            self.wide.push_str(&wide);
            self.tablet.push_str(&tablet);
            self.phone.push_str(&phone);
        }
    }

    pub fn finish(self) -> String {
        let mut css = self.all;
        let (tablet_from, wide_from) = (PHONE_UP_TO + 1, TABLET_UP_TO + 1);
        for (condition, rules) in [
            (format!("(min-width:{tablet_from}px)"), self.not_phone),
            (format!("(min-width:{wide_from}px)"), self.wide),
            (format!("(min-width:{tablet_from}px) and (max-width:{TABLET_UP_TO}px)"), self.tablet),
            (format!("(max-width:{PHONE_UP_TO}px)"), self.phone),
        ] {
            if !rules.is_empty() {
                let _ = write!(css, "@media {condition}{{{rules}}}");
            }
        }
        css
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_is_the_same_on_all_screens_is_written_once_and_the_rest_apart() {
        let mut sheet = Sheet::default();
        sheet.add(|_| "a{top:0}".into());
        sheet.add(|device| if device == Device::Phone { "b{top:1px}".into() } else { "b{top:0}".into() });
        let css = sheet.finish();
        assert_eq!(css, "a{top:0}@media (min-width:641px){b{top:0}}@media (max-width:640px){b{top:1px}}");
    }

    #[test]
    fn a_tablet_of_its_own_leaks_neither_way() {
        let mut sheet = Sheet::default();
        sheet.add(|device| format!("a{{top:{}px}}", device as u8));
        assert_eq!(
            sheet.finish(),
            "@media (min-width:1025px){a{top:0px}}@media (min-width:641px) and (max-width:1024px){a{top:1px}}@media (max-width:640px){a{top:2px}}"
        );
    }
}
