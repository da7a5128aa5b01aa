//! What can be set on a piece or a band. Each kind declares its settings once; the slip is drawn from them, values
//! are checked against them, and the press reads them.

mod check;
pub mod font;
mod rule;
mod sentence;
pub mod text;

pub use check::ValueError;
pub use font::Font;
pub use rule::{CartFacts, Facts, Rule, RuleError, Verdict, judge};
pub use sentence::{Sentence, sentences};
pub use text::{Property, Text};

use crate::language::Language;
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
    /// How each of its texts is set.
    Texts,
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
    /// At most so many products, by their handles.
    Products {
        /// The most products.
        count: usize,
    },
    /// The order of at most so many pieces of a band, by their names; none for the order in which they are listed.
    Order {
        /// The most pieces.
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
    /// A step of that scale, or so many pixels.
    TextSize,
    /// A family of letters: that of headings, that of the text, or one by its name.
    Family,
    /// A colour by what it is in the house style, or as `#RRGGBB`.
    Paint {
        /// Whether it has one by itself: that of its button, field or mark.
        own: bool,
    },
    /// A way to set a text, by its name.
    Look,
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
    /// The text of which it is a property.
    pub text: Option<(&'static Text, Property)>,
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
            text: None,
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
    /// Products of the shop.
    pub const fn products(key: &'static str, label: &'static str, count: usize) -> Self {
        Self::new(key, label, Group::Says, Shape::Products { count }, Preset::Lines(&[]), false)
    }
    /// An order of pieces on a screen.
    pub const fn order(key: &'static str, label: &'static str, count: usize) -> Self {
        Self::new(key, label, Group::Looks, Shape::Order { count }, Preset::Lines(&[]), true)
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
    /// Lets every screen have a value of its own.
    #[must_use]
    pub const fn each_screen(mut self) -> Self {
        self.per_device = true;
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
    /// What an owner calls it where its part isn't in sight: `Old price, size`.
    #[must_use]
    pub fn name(&self) -> Cow<'static, str> {
        match self.text {
            Some((text, _)) => Cow::Owned(format!("{}, {}", text.label, self.label.to_lowercase())),
            None => Cow::Borrowed(self.label),
        }
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
            text: None,
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
        #[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
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
