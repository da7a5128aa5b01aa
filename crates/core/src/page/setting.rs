//! What can be set on a piece or a band. Each kind declares its settings once; the slip is drawn from them, values
//! are checked against them, and the press reads them.

use serde::{Deserialize, Serialize};

/// The screens that a page is laid for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Device {
    Wide,
    Phone,
}

impl Device {
    pub const ALL: [Self; 2] = [Self::Wide, Self::Phone];
}

/// The part of the slip in which a setting stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Group {
    Says,
    Looks,
}

/// A value that someone has set.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(untagged)]
pub enum SetValue {
    Flag(bool),
    Number(i64),
    Text(String),
    Lines(Vec<String>),
}

/// What values a setting takes.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Shape {
    Flag,
    /// One of these names; each with the word an owner reads.
    Choice(&'static [(&'static str, &'static str)]),
    /// One of these numbers, such as steps of space; each with the word an owner reads.
    Steps(&'static [(i64, &'static str)]),
    Number {
        least: i64,
        most: i64,
    },
    /// One line of at most so many characters.
    Text {
        most: usize,
    },
    /// At most `count` lines, each of at most so many characters.
    Lines {
        count: usize,
        most: usize,
    },
}

/// A value as the house style gives it; `const`, so that settings can be declared as tables.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Preset {
    Flag(bool),
    Number(i64),
    Text(&'static str),
    Lines(&'static [&'static str]),
}

impl Preset {
    #[must_use]
    pub fn value(self) -> SetValue {
        match self {
            Self::Flag(flag) => SetValue::Flag(flag),
            Self::Number(number) => SetValue::Number(number),
            Self::Text(text) => SetValue::Text(text.to_owned()),
            Self::Lines(lines) => SetValue::Lines(lines.iter().map(|l| (*l).to_owned()).collect()),
        }
    }
}

/// One thing that can be set.
#[derive(Debug, PartialEq, Eq)]
pub struct Setting {
    /// Its name in the document.
    pub key: &'static str,
    /// What an owner reads.
    pub label: &'static str,
    pub group: Group,
    pub shape: Shape,
    /// What the house style says on a wide screen, and on phones where nothing else is said.
    pub wide: Preset,
    /// What the house style says on phones, where that differs.
    pub phone: Option<Preset>,
    /// Whether phones may have a value of their own.
    pub per_device: bool,
}

impl Setting {
    const fn new(
        key: &'static str,
        label: &'static str,
        group: Group,
        shape: Shape,
        wide: Preset,
        per_device: bool,
    ) -> Self {
        Self { key, label, group, shape, wide, phone: None, per_device }
    }
    /// A choice among names.
    pub const fn choice<T: Choice>(key: &'static str, label: &'static str, house: &'static str) -> Self {
        Self::new(key, label, Group::Looks, Shape::Choice(T::NAMES), Preset::Text(house), true)
    }
    pub const fn flag(key: &'static str, label: &'static str, house: bool) -> Self {
        Self::new(key, label, Group::Looks, Shape::Flag, Preset::Flag(house), true)
    }
    pub const fn number(key: &'static str, label: &'static str, least: i64, most: i64, house: i64) -> Self {
        Self::new(key, label, Group::Looks, Shape::Number { least, most }, Preset::Number(house), true)
    }
    pub const fn steps(
        key: &'static str,
        label: &'static str,
        steps: &'static [(i64, &'static str)],
        house: i64,
    ) -> Self {
        Self::new(key, label, Group::Looks, Shape::Steps(steps), Preset::Number(house), true)
    }
    /// Words for the shopper, one line.
    pub const fn words(key: &'static str, label: &'static str, most: usize, house: &'static str) -> Self {
        Self::new(key, label, Group::Says, Shape::Text { most }, Preset::Text(house), true)
    }
    pub const fn lines(
        key: &'static str,
        label: &'static str,
        count: usize,
        most: usize,
        house: &'static [&'static str],
    ) -> Self {
        Self::new(key, label, Group::Says, Shape::Lines { count, most }, Preset::Lines(house), false)
    }
    /// Puts it among what the piece says.
    #[must_use]
    pub const fn says(mut self) -> Self {
        self.group = Group::Says;
        self
    }
    /// Gives phones a value of their own in the house style.
    #[must_use]
    pub const fn on_phones(mut self, preset: Preset) -> Self {
        self.phone = Some(preset);
        self
    }
    /// Keeps it the same on every screen.
    #[must_use]
    pub const fn everywhere(mut self) -> Self {
        self.per_device = false;
        self
    }
    /// The value that the house style itself sets for a device; on phones only where it differs.
    #[must_use]
    pub fn house(&self, device: Device) -> Option<SetValue> {
        match device {
            Device::Wide => Some(self.wide.value()),
            Device::Phone => self.phone.map(Preset::value),
        }
    }

    /// Whether a value may stand here.
    pub fn check(&self, value: &SetValue) -> Result<(), ValueError> {
        let label = self.label;
        match (self.shape, value) {
            (Shape::Flag, SetValue::Flag(_)) => Ok(()),
            (Shape::Choice(names), SetValue::Text(name)) => {
                let known = names.iter().any(|(n, _)| n == name);
                if known { Ok(()) } else { Err(ValueError::NoSuchChoice { label, given: name.clone() }) }
            }
            (Shape::Steps(steps), SetValue::Number(given)) => {
                let known = steps.iter().any(|(n, _)| n == given);
                if known { Ok(()) } else { Err(ValueError::NoSuchChoice { label, given: given.to_string() }) }
            }
            (Shape::Number { least, most }, SetValue::Number(given)) => {
                let inside = (least..=most).contains(given);
                if inside {
                    Ok(())
                } else {
                    Err(ValueError::OutOfRange { label, given: *given, least, most })
                }
            }
            (Shape::Text { most }, SetValue::Text(text)) => check_line(label, text, most),
            (Shape::Lines { count, most }, SetValue::Lines(lines)) => {
                if lines.len() > count {
                    return Err(ValueError::TooManyLines { label, given: lines.len(), count });
                }
                lines.iter().try_for_each(|line| check_line(label, line, most))
            }
            _ => Err(ValueError::WrongShape { label }),
        }
    }
}

fn check_line(label: &'static str, text: &str, most: usize) -> Result<(), ValueError> {
    let length = text.chars().count();
    if length > most {
        return Err(ValueError::TooLong { label, length, most });
    }
    if text.chars().any(char::is_control) {
        return Err(ValueError::ControlCharacter { label });
    }
    Ok(())
}

/// Why a value can't stand where it was put.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum ValueError {
    #[error("“{label}” doesn't take a value of this kind")]
    WrongShape { label: &'static str },
    #[error("“{label}” has no choice “{given}”")]
    NoSuchChoice { label: &'static str, given: String },
    #[error("“{label}” can be {least} to {most}, not {given}")]
    OutOfRange { label: &'static str, given: i64, least: i64, most: i64 },
    #[error("“{label}” holds at most {most} characters; this is {length} long")]
    TooLong { label: &'static str, length: usize, most: usize },
    #[error("“{label}” holds at most {count} lines, not {given}")]
    TooManyLines { label: &'static str, given: usize, count: usize },
    #[error("“{label}” holds a character that can't be shown, such as a line break")]
    ControlCharacter { label: &'static str },
}

/// A closed list of names that a setting takes.
pub trait Choice: Copy + 'static {
    /// Name in the document, word that an owner reads.
    const NAMES: &'static [(&'static str, &'static str)];
    fn from_name(name: &str) -> Option<Self>;
    fn name(self) -> &'static str;
}

/// Declares a [`Choice`].
macro_rules! choice {
    ($(#[$doc:meta])* $name:ident { $($variant:ident = $text:literal, $label:literal;)+ }) => {
        $(#[$doc])*
        #[derive(Debug, Clone, Copy, PartialEq, Eq)]
        pub enum $name { $($variant),+ }
        impl $crate::page::Choice for $name {
            const NAMES: &'static [(&'static str, &'static str)] = &[$(($text, $label)),+];
            fn from_name(name: &str) -> Option<Self> {
                match name { $($text => Some(Self::$variant),)+ _ => None }
            }
            fn name(self) -> &'static str {
                match self { $(Self::$variant => $text),+ }
            }
        }
    };
}
pub(crate) use choice;
