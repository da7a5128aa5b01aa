//! Looks that an owner has kept under a name, to be given to texts: "our sale price".
//!
//! A kept look is set as a text is, by `look.1.size` and so on; what it doesn't say a text has from elsewhere.

use super::texts::key_on;
use super::{House, TokenError};
use crate::letters::folded;
use crate::screen::Device;
use crate::setting::{Property, SetValue, Setting, Text};

/// The kind under which kept looks stand beside those of pieces.
pub const LOOK: &str = "look";
/// Where looks can be kept.
pub const KEPT: [Text; 12] = [
    kept("1"),
    kept("2"),
    kept("3"),
    kept("4"),
    kept("5"),
    kept("6"),
    kept("7"),
    kept("8"),
    kept("9"),
    kept("10"),
    kept("11"),
    kept("12"),
];

const fn kept(key: &'static str) -> Text {
    Text::new(LOOK, key, "Kept look").block()
}

/// What it is called.
pub(super) const NAME: Setting = Setting::words("name", "Name", 40, "");

/// The place of a look by the name that texts know it by: `kept-3`.
#[must_use]
pub fn place_of(look: &str) -> Option<&'static Text> {
    let key = look.strip_prefix("kept-")?;
    KEPT.iter().find(|text| text.key == key)
}

fn name_key(place: &Text) -> String {
    format!("{LOOK}.{}.name", place.key)
}

/// Whether a key of the house style is that of a look's name.
pub(super) fn is_name(key: &str) -> bool {
    KEPT.iter().any(|place| name_key(place) == key)
}

impl House {
    /// The looks that are kept, as texts know them, with their names.
    pub fn kept_looks(&self) -> impl Iterator<Item = (String, String)> + '_ {
        KEPT.iter().filter_map(|place| Some((format!("kept-{}", place.key), self.name_of(place)?)))
    }
    fn name_of(&self, place: &Text) -> Option<String> {
        match self.values.get(&name_key(place)) {
            Some(SetValue::Text(name)) => Some(name.clone()),
            _ => None,
        }
    }
    /// What an owner calls a look that was kept.
    #[must_use]
    pub fn look_called(&self, look: &str) -> Option<String> {
        self.name_of(place_of(look)?)
    }
    /// What a kept look gives to a text on a screen.
    pub(super) fn of_kept(&self, look: &str, property: Property, device: Device) -> Option<SetValue> {
        let place = place_of(look).filter(|place| self.name_of(place).is_some())?;
        device.and_wider().iter().find_map(|on| self.set_of_text(place, property, *on))
    }
    /// Keeps what counts for a text under a name, and tells how texts know the look.
    ///
    /// # Errors
    /// [`TokenError`] where it has no name, one that another look has, or where there are as many as can be kept.
    pub fn keep_look(&mut self, name: &str, from: &Text) -> Result<String, TokenError> {
        let name = name.trim();
        self.check_name(name, None)?;
        let place = KEPT.iter().find(|place| self.name_of(place).is_none());
        let place = place.ok_or(TokenError::TooManyLooks(KEPT.len()))?;
        NAME.check(&SetValue::Text(name.to_owned()))?;
        // What somebody set of a look that was removed meanwhile isn't this one's.
        self.remove_look(&format!("kept-{}", place.key));
        self.set(&name_key(place), Some(SetValue::Text(name.to_owned())))?;
        for property in place.properties().filter(|one| from.properties().any(|own| own == *one)) {
            for device in Device::ALL {
                let value = self.of_text(from, property, device);
                let wider = device.and_wider().get(1).map(|wider| self.of_text(from, property, *wider));
                // The colour that a button has by itself isn't another text's.
                let own = value == SetValue::Text("own".into());
                if wider.as_ref() != Some(&value) && !own {
                    self.set(&key_on(place, property, device), Some(value))?;
                }
            }
        }
        Ok(format!("kept-{}", place.key))
    }
    /// Removes a kept look; texts that have it are as if it said nothing.
    pub fn remove_look(&mut self, look: &str) {
        if let Some(place) = place_of(look) {
            let begins = format!("{LOOK}.{}.", place.key);
            self.values.retain(|key, _| !key.starts_with(&begins));
        }
    }
    /// Whether a look can have this name.
    pub(super) fn check_name(&self, name: &str, of: Option<&str>) -> Result<(), TokenError> {
        if folded(name).is_empty() {
            return Err(TokenError::NamelessLook);
        }
        let others = KEPT.iter().filter(|place| Some(name_key(place).as_str()) != of);
        let twice =
            others.filter_map(|place| self.name_of(place)).any(|other| folded(&other) == folded(name));
        if twice { Err(TokenError::LookTwice(name.to_owned())) } else { Ok(()) }
    }
}
