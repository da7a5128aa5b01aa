//! What can be set on a piece or a band. Each kind declares its settings once; the slip is drawn from them, values
//! are checked against them, and the press reads them.

mod rule;
mod sentence;

pub use rule::{CartFacts, Facts, Rule, RuleError, Verdict, judge};
pub use sentence::{Sentence, sentences};

use crate::colour::is_colour;
use crate::language::Language;
use crate::limits::is_unseen;
use crate::screen::Device;
use serde::{Deserialize, Serialize};
use std::borrow::Cow;

/// The part of the slip, or of the house style, in which a setting stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Group {
    /// What it says.
    Says,
    /// How it looks.
    Looks,
    /// What every piece has: text style, colours, border, side, space.
    Setting,
    /// Appears when.
    When,
    /// Letters.
    Type,
    /// Colours.
    Colours,
    /// Room.
    Space,
    /// Buttons.
    Buttons,
    /// Fields.
    Fields,
    /// What is chosen by.
    Choices,
    /// Marks.
    Marks,
}

/// A value that someone has set.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(untagged)]
pub enum SetValue {
    /// Yes or no.
    Flag(bool),
    /// A number.
    Number(i64),
    /// A text, or the name of a choice.
    Text(String),
    /// Lines.
    Lines(Vec<String>),
    /// A list of entries, or a table whose first row is its head.
    Rows(Vec<Vec<String>>),
    /// When it is shown.
    Rule(Rule),
}

/// What values a setting takes.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Shape {
    /// Yes or no.
    Flag,
    /// One of these names; each with the word an owner reads.
    Choice(&'static [(&'static str, &'static str)]),
    /// One of these numbers, such as steps of space; each with the word an owner reads.
    Steps(&'static [(i64, &'static str)]),
    /// A number between two.
    Number {
        /// The least there can be.
        least: i64,
        /// The most there can be.
        most: i64,
    },
    /// One line of at most so many characters.
    Text {
        /// The most there can be.
        most: usize,
    },
    /// At most `count` lines, each of at most so many characters.
    Lines {
        /// The most lines.
        count: usize,
        /// The most signs of a line.
        most: usize,
    },
    /// Headings, paragraphs, lists, links and emphasis, as HTML of at most so many characters. Whoever writes it into
    /// a page cleans it.
    Rich {
        /// The most there can be.
        most: usize,
    },
    /// At most `count` entries, each with a text for every one of these parts.
    Rows {
        /// The fields of a row, each with the most signs it takes.
        parts: &'static [(&'static str, usize)],
        /// The most rows.
        count: usize,
    },
    /// A table whose first row is its head.
    Table {
        /// The most columns.
        columns: usize,
        /// The most rows.
        rows: usize,
        /// The most there can be.
        most: usize,
    },
    /// At most so many pictures of the shop, by their names.
    Pictures {
        /// The most pictures.
        count: usize,
    },
    /// A film of the shop, by its name.
    Film,
    /// Empty for none, or a link: a path of the shop, `https:`, `mailto:` or `tel:`.
    Link,
    /// A colour as `#RRGGBB`.
    Colour,
    /// A step of the house style's scale of spaces.
    Space,
    /// A step of the house style's scale of type.
    TypeSize,
    /// When something appears.
    Rule,
}

/// How many steps the house style's scales have.
pub const SPACE_STEPS: i64 = 9;
/// Steps on the scale of letters.
pub const TYPE_STEPS: i64 = 8;

/// A value as the house style gives it; `const`, so that settings can be declared as tables.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Preset {
    /// Yes or no.
    Flag(bool),
    /// A number.
    Number(i64),
    /// A text, or the name of a choice.
    Text(&'static str),
    /// Lines.
    Lines(&'static [&'static str]),
    /// No entries.
    NoRows,
    /// It always appears.
    Always,
}

impl Preset {
    /// The value that it stands for.
    #[must_use]
    pub fn value(self) -> SetValue {
        match self {
            Self::Flag(flag) => SetValue::Flag(flag),
            Self::Number(number) => SetValue::Number(number),
            Self::Text(text) => SetValue::Text(text.to_owned()),
            Self::Lines(lines) => SetValue::Lines(lines.iter().map(|l| (*l).to_owned()).collect()),
            Self::NoRows => SetValue::Rows(vec![]),
            Self::Always => SetValue::Rule(Rule::always()),
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
    /// Under which heading it stands.
    pub group: Group,
    /// What it can hold.
    pub shape: Shape,
    /// What a number of it counts: `px`, `ms`, `%`; empty where it counts things.
    pub unit: &'static str,
    /// What the house style says on a wide screen, and on phones where nothing else is said.
    pub wide: Preset,
    /// What the house style says on phones, where that differs.
    pub phone: Option<Preset>,
    /// Whether phones may have a value of their own.
    pub per_device: bool,
    /// The part of its group under which it stands on the slip; a kind with few settings has none.
    pub part: Option<&'static str>,
    /// Another setting of the kind and those of its choices with which this one means something.
    pub with: Option<(&'static Self, &'static [&'static str])>,
    /// What of the house style it takes its value from; without one the house has no say but `wide` and `phone`.
    pub token: Option<&'static Self>,
    /// The setting whose words these are, in another language than the settings' own.
    pub language: Option<(&'static Self, Language)>,
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
        Self {
            key,
            label,
            group,
            shape,
            unit: "",
            wide,
            phone: None,
            per_device,
            part: None,
            with: None,
            token: None,
            language: None,
        }
    }
    /// A choice among names.
    pub const fn choice<T: Choice>(key: &'static str, label: &'static str, house: &'static str) -> Self {
        Self::new(key, label, Group::Looks, Shape::Choice(T::NAMES), Preset::Text(house), true)
    }
    /// Yes or no.
    pub const fn flag(key: &'static str, label: &'static str, house: bool) -> Self {
        Self::new(key, label, Group::Looks, Shape::Flag, Preset::Flag(house), true)
    }
    /// A number between two.
    pub const fn number(key: &'static str, label: &'static str, least: i64, most: i64, house: i64) -> Self {
        Self::new(key, label, Group::Looks, Shape::Number { least, most }, Preset::Number(house), true)
    }
    /// A number out of a few.
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
    /// Lines.
    pub const fn lines(
        key: &'static str,
        label: &'static str,
        count: usize,
        most: usize,
        house: &'static [&'static str],
    ) -> Self {
        Self::new(key, label, Group::Says, Shape::Lines { count, most }, Preset::Lines(house), false)
    }
    /// Formatted text.
    pub const fn rich(key: &'static str, label: &'static str, most: usize) -> Self {
        Self::new(key, label, Group::Says, Shape::Rich { most }, Preset::Text(""), false)
    }
    /// Entries of several parts.
    pub const fn rows(
        key: &'static str,
        label: &'static str,
        parts: &'static [(&'static str, usize)],
        count: usize,
    ) -> Self {
        Self::new(key, label, Group::Says, Shape::Rows { parts, count }, Preset::NoRows, false)
    }
    /// A table.
    pub const fn table(key: &'static str, label: &'static str, columns: usize, rows: usize) -> Self {
        let shape = Shape::Table { columns, rows, most: 120 };
        Self::new(key, label, Group::Says, shape, Preset::NoRows, false)
    }
    /// Pictures of the shop.
    pub const fn pictures(key: &'static str, label: &'static str, count: usize) -> Self {
        Self::new(key, label, Group::Says, Shape::Pictures { count }, Preset::Lines(&[]), false)
    }
    /// A film of the shop.
    pub const fn film(key: &'static str, label: &'static str) -> Self {
        Self::new(key, label, Group::Says, Shape::Film, Preset::Text(""), false)
    }
    /// An address within the shop or elsewhere.
    pub const fn link(key: &'static str, label: &'static str) -> Self {
        Self::new(key, label, Group::Says, Shape::Link, Preset::Text(""), false)
    }
    /// A colour.
    pub const fn colour(key: &'static str, label: &'static str, house: &'static str) -> Self {
        Self::new(key, label, Group::Colours, Shape::Colour, Preset::Text(house), false)
    }
    /// A step of the house style's spaces.
    pub const fn space(key: &'static str, label: &'static str, house: i64) -> Self {
        Self::new(key, label, Group::Setting, Shape::Space, Preset::Number(house), true)
    }
    /// A step of the house style's type.
    pub const fn type_size(key: &'static str, label: &'static str, house: i64) -> Self {
        Self::new(key, label, Group::Looks, Shape::TypeSize, Preset::Number(house), true)
    }
    /// Whether and when it is there at all.
    pub const fn rule(key: &'static str, label: &'static str) -> Self {
        Self::new(key, label, Group::When, Shape::Rule, Preset::Always, false)
    }
    /// Puts it into a group.
    #[must_use]
    pub const fn among(mut self, group: Group) -> Self {
        self.group = group;
        self
    }
    /// Says what a number of it counts.
    #[must_use]
    pub const fn unit(mut self, unit: &'static str) -> Self {
        self.unit = unit;
        self
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
    /// Puts it into a part of its group.
    #[must_use]
    pub const fn in_part(mut self, part: &'static str) -> Self {
        self.part = Some(part);
        self
    }
    /// Gives it a meaning only where another setting has one of these choices.
    #[must_use]
    pub const fn with(mut self, other: &'static Self, choices: &'static [&'static str]) -> Self {
        self.with = Some((other, choices));
        self
    }
    /// Takes its value from a token of the house style, which must take the same values.
    #[must_use]
    pub const fn takes(mut self, token: &'static Self) -> Self {
        self.token = Some(token);
        self
    }
    /// Whether it holds words for shoppers, which may be said in every language.
    #[must_use]
    pub fn is_said(&self) -> bool {
        let words = matches!(
            self.shape,
            Shape::Text { .. }
                | Shape::Lines { .. }
                | Shape::Rich { .. }
                | Shape::Rows { .. }
                | Shape::Table { .. }
        );
        words && self.group == Group::Says && self.language.is_none()
    }
    /// The name in documents of its words in a language; its own in the settings' language.
    #[must_use]
    pub fn key_in(&self, language: Language) -> Cow<'static, str> {
        if language == Language::default() || !self.is_said() {
            return Cow::Borrowed(self.key);
        }
        Cow::Owned(format!("{}.{}", self.key, language.tag()))
    }
    /// Its words in another language, as a setting of their own. Settings live as long as the program.
    fn said_in(&'static self, language: Language) -> Self {
        let nothing = if matches!(self.shape, Shape::Text { .. } | Shape::Rich { .. }) {
            Preset::Text("")
        } else if matches!(self.shape, Shape::Lines { .. }) {
            Preset::Lines(&[])
        } else {
            Preset::NoRows
        };
        Self {
            key: self.key_in(language).into_owned().leak(),
            label: format!("{} in {}", self.label, language.label()).leak(),
            group: self.group,
            shape: self.shape,
            unit: self.unit,
            wide: nothing,
            phone: None,
            per_device: self.per_device,
            part: self.part,
            with: self.with,
            token: None,
            language: Some((self, language)),
        }
    }
    /// Settings, each of which that holds words is followed by these in the other languages.
    #[must_use]
    pub fn in_every_language(own: &[&'static Self]) -> Vec<&'static Self> {
        let others = |setting: &'static Self| {
            let further =
                Language::ALL.into_iter().filter(move |one| setting.is_said() && *one != Language::default());
            further.map(move |language| &*Box::leak(Box::new(setting.said_in(language))))
        };
        own.iter().flat_map(|setting| std::iter::once(*setting).chain(others(setting))).collect()
    }
    /// The value that the house style itself sets for a device; on phones only where it differs.
    #[must_use]
    pub fn house(&self, device: Device) -> Option<SetValue> {
        match device {
            Device::Wide => Some(self.wide.value()),
            Device::Tablet => None,
            Device::Phone => self.phone.map(Preset::value),
        }
    }

    /// Whether a value may stand here.
    ///
    /// # Errors
    /// [`ValueError`], which says what can’t be and why.
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
            (Shape::Rich { most }, SetValue::Text(html)) => check_length(label, html, most),
            (Shape::Rows { parts, count }, SetValue::Rows(rows)) => check_rows(label, rows, parts, count),
            (Shape::Table { columns, rows: most_rows, most }, SetValue::Rows(rows)) => {
                check_table(label, rows, columns, most_rows, most)
            }
            // An empty list is written alike for all lists.
            (Shape::Rows { .. } | Shape::Table { .. }, SetValue::Lines(lines)) if lines.is_empty() => Ok(()),
            (Shape::Pictures { count }, SetValue::Lines(names)) => {
                if names.len() > count {
                    return Err(ValueError::TooManyLines { label, given: names.len(), count });
                }
                names.iter().try_for_each(|name| check_media(label, name))
            }
            (Shape::Film, SetValue::Text(name)) => {
                if name.is_empty() {
                    Ok(())
                } else {
                    check_media(label, name)
                }
            }
            (Shape::Link, SetValue::Text(link)) => check_link(label, link),
            (Shape::Colour, SetValue::Text(colour)) => check_colour(label, colour),
            (Shape::Space, SetValue::Number(step)) => check_step(label, *step, SPACE_STEPS),
            (Shape::TypeSize, SetValue::Number(step)) => check_step(label, *step, TYPE_STEPS),
            (Shape::Rule, SetValue::Rule(rule)) => {
                rule.check().map_err(|why| ValueError::BadRule { label, why })
            }
            _ => Err(ValueError::WrongShape { label }),
        }
    }
}

fn check_length(label: &'static str, text: &str, most: usize) -> Result<(), ValueError> {
    let length = text.chars().count();
    if length > most { Err(ValueError::TooLong { label, length, most }) } else { Ok(()) }
}

fn check_rows(
    label: &'static str,
    rows: &[Vec<String>],
    parts: &[(&str, usize)],
    count: usize,
) -> Result<(), ValueError> {
    if rows.len() > count {
        return Err(ValueError::TooManyLines { label, given: rows.len(), count });
    }
    for row in rows {
        if row.len() != parts.len() {
            return Err(ValueError::WrongShape { label });
        }
        for (text, (_, most)) in row.iter().zip(parts) {
            check_line(label, text, *most)?;
        }
    }
    Ok(())
}

/// Every row of a table is as long as its head.
fn check_table(
    label: &'static str,
    rows: &[Vec<String>],
    columns: usize,
    most_rows: usize,
    most: usize,
) -> Result<(), ValueError> {
    if rows.len() > most_rows {
        return Err(ValueError::TooManyLines { label, given: rows.len(), count: most_rows });
    }
    let width = rows.first().map_or(0, Vec::len);
    if width > columns || rows.iter().any(|row| row.len() != width) {
        return Err(ValueError::WrongShape { label });
    }
    rows.iter().flatten().try_for_each(|text| check_line(label, text, most))
}

fn check_media(label: &'static str, name: &str) -> Result<(), ValueError> {
    let sound =
        (1..=64).contains(&name.len()) && name.bytes().all(|b| b.is_ascii_alphanumeric() || b == b'-');
    if sound { Ok(()) } else { Err(ValueError::NoSuchMedia { label }) }
}

fn check_link(label: &'static str, link: &str) -> Result<(), ValueError> {
    check_line(label, link, 500)?;
    // A browser takes a backslash for a slash (URL Standard, 4.4): `/\\host` leads to another site, as `//host` does.
    let inside = link.starts_with('/') && !link.starts_with("//") && !link.contains('\\');
    let outside = !link.contains(char::is_whitespace)
        && ["https://", "http://", "mailto:", "tel:"].iter().any(|start| link.starts_with(start));
    if link.is_empty() || inside || outside { Ok(()) } else { Err(ValueError::BadLink { label }) }
}

fn check_colour(label: &'static str, colour: &str) -> Result<(), ValueError> {
    if is_colour(colour) { Ok(()) } else { Err(ValueError::BadColour { label }) }
}

fn check_step(label: &'static str, step: i64, steps: i64) -> Result<(), ValueError> {
    let inside = (0..steps).contains(&step);
    if inside { Ok(()) } else { Err(ValueError::NoSuchChoice { label, given: step.to_string() }) }
}

fn check_line(label: &'static str, text: &str, most: usize) -> Result<(), ValueError> {
    let length = text.chars().count();
    if length > most {
        return Err(ValueError::TooLong { label, length, most });
    }
    if text.chars().any(is_unseen) {
        return Err(ValueError::ControlCharacter { label });
    }
    Ok(())
}

/// Why a value can't stand where it was put.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum ValueError {
    /// “{label}” doesn't take a value of this kind.
    #[error("“{label}” doesn't take a value of this kind")]
    WrongShape {
        /// The setting’s label.
        label: &'static str,
    },
    /// “{label}” has no choice “{given}”.
    #[error("“{label}” has no choice “{given}”")]
    NoSuchChoice {
        /// The setting's label.
        label: &'static str,
        /// What was given.
        given: String,
    },
    /// “{label}” can be {least} to {most}, not {given}.
    #[error("“{label}” can be {least} to {most}, not {given}")]
    OutOfRange {
        /// The setting's label.
        label: &'static str,
        /// What was given.
        given: i64,
        /// The least there can be.
        least: i64,
        /// The most there can be.
        most: i64,
    },
    /// “{label}” holds at most {most} characters; this is {length} long.
    #[error("“{label}” holds at most {most} characters; this is {length} long")]
    TooLong {
        /// The setting's label.
        label: &'static str,
        /// How long it is.
        length: usize,
        /// The most there can be.
        most: usize,
    },
    /// “{label}” holds at most {count} lines, not {given}.
    #[error("“{label}” holds at most {count} lines, not {given}")]
    TooManyLines {
        /// The setting's label.
        label: &'static str,
        /// What was given.
        given: usize,
        /// How many.
        count: usize,
    },
    /// “{label}” holds a character that can't be shown, such as a line break.
    #[error("“{label}” holds a character that can't be shown, such as a line break")]
    ControlCharacter {
        /// The setting's label.
        label: &'static str,
    },
    /// “{label}” takes a picture or film of the shop.
    #[error("“{label}” takes a picture or film of the shop")]
    NoSuchMedia {
        /// The setting's label.
        label: &'static str,
    },
    /// “{label}” takes a link such as /shop, https://…, mailto:… or tel:….
    #[error("“{label}” takes a link such as /shop, https://…, mailto:… or tel:…")]
    BadLink {
        /// The setting's label.
        label: &'static str,
    },
    /// “{label}” takes a colour such as #0D6A6E.
    #[error("“{label}” takes a colour such as #0D6A6E")]
    BadColour {
        /// The setting's label.
        label: &'static str,
    },
    /// “{label}”: {why}.
    #[error("“{label}”: {why}")]
    BadRule {
        /// The setting's label.
        label: &'static str,
        /// Why.
        why: RuleError,
    },
}

/// A closed list of names that a setting takes.
pub trait Choice: Copy + 'static {
    /// Name in the document, word that an owner reads.
    const NAMES: &'static [(&'static str, &'static str)];
    /// The choice of a name.
    fn from_name(name: &str) -> Option<Self>;
    /// Its name in documents.
    fn name(self) -> &'static str;
}

/// Declares a [`Choice`].
macro_rules! choice {
    ($(#[$doc:meta])* $name:ident { $($variant:ident = $text:literal, $label:literal;)+ }) => {
        $(#[$doc])*
        #[derive(Debug, Clone, Copy, PartialEq, Eq)]
        pub enum $name { $(#[doc = concat!("*", $label, "*.")] $variant),+ }
        impl $crate::setting::Choice for $name {
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
