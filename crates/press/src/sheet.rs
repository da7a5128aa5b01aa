//! The page's own style sheet: what the settings of its pieces come to on each screen.
//!
//! Rules are gathered for each screen apart. What is the same on both is written once; the rest stands under a media
//! condition, so that a value for phones never leaks onto wide screens, nor the other way.

use compagina_core::page::Device;
use std::fmt::Write;

/// Up to this width in pixels a screen is a phone's.
pub(crate) const PHONE_UP_TO: u32 = 640;

/// Rules for each screen.
#[derive(Default)]
pub(crate) struct Sheet {
    both: String,
    wide: String,
    phone: String,
}

impl Sheet {
    /// Adds rules that `make` writes for each screen.
    pub fn add(&mut self, make: impl Fn(Device) -> String) {
        let [wide, phone] = Device::ALL.map(make);
        if wide == phone {
            self.both.push_str(&wide);
        } else {
            self.wide.push_str(&wide);
            self.phone.push_str(&phone);
        }
    }

    pub fn finish(self) -> String {
        let mut css = self.both;
        if !self.wide.is_empty() {
            let _ = write!(css, "@media (min-width:{}px){{{}}}", PHONE_UP_TO + 1, self.wide);
        }
        if !self.phone.is_empty() {
            let _ = write!(css, "@media (max-width:{PHONE_UP_TO}px){{{}}}", self.phone);
        }
        css
    }
}

/// Pixels of a step of the house style's type scale.
pub(crate) fn type_size(step: i64) -> u32 {
    const SCALE: [u32; 8] = [14, 16, 18, 20, 24, 30, 38, 48];
    usize::try_from(step).ok().and_then(|i| SCALE.get(i)).copied().unwrap_or(16)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_is_the_same_on_both_screens_is_written_once_and_the_rest_apart() {
        let mut sheet = Sheet::default();
        sheet.add(|_| "a{top:0}".into());
        sheet.add(|device| if device == Device::Wide { "b{top:0}".into() } else { "b{top:1px}".into() });
        let css = sheet.finish();
        assert_eq!(css, "a{top:0}@media (min-width:641px){b{top:0}}@media (max-width:640px){b{top:1px}}");
    }

    #[test]
    fn a_step_beyond_the_scale_is_body_text() {
        assert_eq!(type_size(6), 38);
        assert_eq!(type_size(-1), 16);
        assert_eq!(type_size(99), 16);
    }
}
