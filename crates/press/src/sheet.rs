//! The page's own style sheet: what the settings of its pieces come to on each screen.
//!
//! Rules are gathered for each screen apart. What is the same on both is written once; the rest stands under a media
//! condition, so that a value for phones never leaks onto wide screens, nor the other way. Rules stand in the order of
//! their pieces' names, not of the page: a piece that is moved leaves the sheet as it was, and a browser that shows the
//! page needn't work out every element's style anew.

use compagina_core::page::{Device, Kind};
use std::fmt::Write;

/// Up to this width in pixels a screen is a phone's, and up to the next one a tablet's.
pub(crate) const PHONE_UP_TO: u32 = 640;
pub(crate) const TABLET_UP_TO: u32 = 1024;

/// The class of a kind in the style sheet.
pub(crate) fn class_of(kind: Kind) -> String {
    format!("k-{}", kind.key().replace('_', "-"))
}

/// Rules for each screen.
pub(crate) struct Sheet {
    /// Of each piece, its rules on wide screens, tablets and phones; none where nobody wants them.
    rules: Option<Vec<[String; 3]>>,
}

impl Default for Sheet {
    fn default() -> Self {
        Self { rules: Some(Vec::new()) }
    }
}

impl Sheet {
    /// One that stays empty.
    pub fn unwanted() -> Self {
        Self { rules: None }
    }

    /// Adds rules that `make` writes for each screen. They begin with the name of what they are for.
    pub fn add(&mut self, make: impl Fn(Device) -> String) {
        if let Some(rules) = &mut self.rules {
            rules.push(Device::ALL.map(make));
        }
    }

    pub fn finish(self) -> String {
        let mut rules = self.rules.unwrap_or_default();
        rules.sort();
        let [mut css, mut not_on_phones, mut on_wide, mut on_tablets, mut on_phones] =
            [const { String::new() }; 5];
        for [wide, tablet, phone] in &rules {
            if wide == tablet && tablet == phone {
                css.push_str(wide);
            } else if wide == tablet {
                not_on_phones.push_str(wide);
                on_phones.push_str(phone);
            } else {
                on_wide.push_str(wide);
                on_tablets.push_str(tablet);
                on_phones.push_str(phone);
            }
        }
        let (tablet_from, wide_from) = (PHONE_UP_TO + 1, TABLET_UP_TO + 1);
        for (condition, rules) in [
            (format!("(min-width:{tablet_from}px)"), not_on_phones),
            (format!("(min-width:{wide_from}px)"), on_wide),
            (format!("(min-width:{tablet_from}px) and (max-width:{TABLET_UP_TO}px)"), on_tablets),
            (format!("(max-width:{PHONE_UP_TO}px)"), on_phones),
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
    fn the_order_of_the_page_is_not_the_order_of_the_sheet() {
        let both = |names: [&str; 2]| {
            let mut sheet = Sheet::default();
            names.iter().for_each(|name| sheet.add(|_| format!("#{name}{{top:0}}")));
            sheet.finish()
        };
        assert_eq!(both(["p-1", "p-2"]), both(["p-2", "p-1"]));
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
