//! Where a value comes from: *house style → template → this type → this product*, each with *wide → tablet → phone*.
//!
//! The innermost value that is set wins. "Not set" is different from "set to nothing": an empty text hides what lies
//! under it. The chain can explain every value: its source, and what it hides.

mod ground;
mod hint;
mod order;
mod room;
mod told;

pub use ground::{Legibility, ground_of, legibility};
pub use hint::hint;
pub use order::order_on;
pub use room::rooms_of;
pub use told::{in_a_line, text_told, told, where_from, where_in_house};

use crate::house::House;
use crate::house::texts::{of_look, setting_of, settings_of};
use crate::language::Language;
use crate::page::{Kind, Values};
use crate::screen::Device;
use crate::setting::{Choice, Property, Rule, SetValue, Setting, Shape, Text};
use crate::wording::{Words, key_of};
use serde::Serialize;
use std::borrow::Cow;

/// A level of the cascade, outermost first.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Level {
    /// The shop’s house style.
    House,
    /// The template.
    Template,
    /// The product’s type.
    Type,
    /// The product itself.
    Product,
}

/// Where a value was set: on which level, for which screen.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Source {
    /// Where it is set.
    pub level: Level,
    /// For which screen it is set.
    pub device: Device,
}

/// A value with where it comes from and what lies under it, nearest first.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Explained {
    /// What counts.
    pub value: SetValue,
    /// Where it comes from.
    pub source: Source,
    /// What would count otherwise, the nearest first.
    pub hides: Vec<Hidden>,
    /// The look that gives it to a text, where one does.
    pub look: Option<String>,
}

/// A value that another one hides.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Hidden {
    /// What would count.
    pub value: SetValue,
    /// Where it comes from.
    pub source: Source,
}

/// The levels above the house style that bear on one piece or band, outermost first.
#[derive(Clone, Default)]
pub struct Chain<'a> {
    levels: Vec<(Level, &'a Values)>,
    /// The words that the house says in pieces of a kind.
    words: Option<(&'a Words, Kind)>,
    /// The house style, for settings that take their value from one of its tokens.
    style: Option<&'a House>,
    /// The words of other languages.
    others: &'a [Words],
}

impl<'a> Chain<'a> {
    /// A piece as its template sets it.
    #[must_use]
    pub fn of_template(values: &'a Values) -> Self {
        Self::default().then(Level::Template, values)
    }
    /// Takes the house's words from a wording, for a piece of this kind.
    #[must_use]
    pub fn saying(mut self, words: &'a Words, kind: Kind) -> Self {
        self.words = Some((words, kind));
        self
    }
    /// Takes what a house style says.
    #[must_use]
    pub fn styled(mut self, house: &'a House) -> Self {
        self.style = Some(house);
        self
    }
    /// Takes the words of other languages too, so that what a setting says in one of them can be told.
    #[must_use]
    pub fn and_in(mut self, others: &'a [Words]) -> Self {
        self.others = others;
        self
    }
    /// The language in which its words are read.
    fn language(&self) -> Language {
        self.words.map_or_else(Language::default, |(words, _)| words.language)
    }
    /// What readers of a language see on a device where nothing is said in theirs.
    fn instead(&self, setting: &Setting, language: Language, device: Device) -> SetValue {
        let words = self.others.iter().find(|words| words.language == language);
        let words = words.zip(self.words).map(|(words, (_, kind))| (words, kind));
        let there = Self { levels: self.levels.clone(), words, style: self.style, others: &[] };
        there.value(setting, device)
    }
    /// What the house says on a device where nothing further in does.
    fn house(&self, setting: &Setting, device: Device) -> Option<SetValue> {
        if let Some((said, language)) = setting.language {
            let on = |device| self.instead(said, language, device);
            return (device == Device::Wide || on(device) != on(Device::Wide)).then(|| on(device));
        }
        if let Some((text, property)) = setting.text {
            let on = |device| self.of_text(text, property, device);
            let wider = device.and_wider().get(1);
            return wider.is_none_or(|wider| on(device) != on(*wider)).then(|| on(device));
        }
        let preset = setting.house(device)?;
        if let (Some(house), Some(token)) = (self.style, setting.token) {
            return Some(house.value(token));
        }
        let said = self.words.filter(|_| matches!(setting.shape, Shape::Text { .. }));
        let said = said.and_then(|(words, kind)| words.setting(&key_of(kind, setting.key)));
        Some(said.map_or(preset, |text| SetValue::Text(text.to_owned())))
    }
    /// What a text has on a device where no level says it: from the look that a level gives to it or to its whole piece,
    /// or from the house style.
    fn of_text(&self, text: &Text, property: Property, device: Device) -> SetValue {
        let shipped = House::default();
        let house = self.style.unwrap_or(&shipped);
        if property != Property::Look
            && let Some(look) = self.look_given(text, device)
            && let Some(value) = of_look(house, &look, property, device)
        {
            return value;
        }
        house.of_text(text, property, device)
    }
    /// The look that a level gives to a text, or to all texts of its piece.
    fn look_given(&self, text: &Text, device: Device) -> Option<String> {
        let look = setting_of(text, Property::Look)?;
        let of_level = |values: &Values, key: &str, check: &Setting| {
            let on = |device: &Device| values.of(*device).get(key).filter(|value| check.check(value).is_ok());
            match device.and_wider().iter().find_map(on)? {
                SetValue::Text(name) => Some(name.clone()),
                _ => None,
            }
        };
        let own = self.levels.iter().rev().find_map(|(_, values)| of_level(values, look.key, look));
        own.or_else(|| {
            let whole = &crate::page::piece::shared::TEXT_STYLE;
            self.levels.iter().rev().find_map(|(_, values)| of_level(values, whole.key, whole))
        })
    }
    /// Whether some level says something of a text, itself or by its look.
    #[must_use]
    pub fn sets(&self, text: &Text) -> bool {
        let keys = settings_of(text).iter().map(|setting| setting.key);
        let keys: Vec<&str> = keys.chain([crate::page::piece::shared::TEXT_STYLE.key]).collect();
        let says = |values: &Values| {
            Device::ALL.into_iter().any(|device| keys.iter().any(|key| values.of(device).contains_key(*key)))
        };
        self.levels.iter().any(|(_, values)| says(values))
    }
    /// Adds a level further in.
    #[must_use]
    pub fn then(mut self, level: Level, values: &'a Values) -> Self {
        self.levels.push((level, values));
        self
    }

    /// Under which names a level may say it: in the reader's language before the settings' own.
    fn keys(&self, setting: &Setting) -> impl IntoIterator<Item = Cow<'static, str>> + use<> {
        let here = setting.key_in(self.language());
        let also = (here != setting.key).then_some(Cow::Borrowed(setting.key));
        std::iter::once(here).chain(also)
    }

    /// Every value set for a device, the one that counts first. Never empty: the house style sets each on wide.
    fn stack<'s>(&'s self, setting: &'s Setting, device: Device) -> impl Iterator<Item = Hidden> + 's {
        let devices = device.and_wider();
        let own = self.levels.iter().rev().flat_map(move |(level, values)| {
            self.keys(setting).into_iter().flat_map(move |key| {
                devices.iter().filter_map(move |device| {
                    let value = values.of(*device).get(&*key)?.clone();
                    Some(Hidden { value, source: Source { level: *level, device: *device } })
                })
            })
        });
        let house = devices.iter().filter_map(move |device| {
            let source = Source { level: Level::House, device: *device };
            Some(Hidden { value: self.house(setting, *device)?, source })
        });
        own.chain(house)
    }

    /// The value that counts on a device. A stored value that no longer fits its setting is passed over.
    #[must_use]
    pub fn value(&self, setting: &Setting, device: Device) -> SetValue {
        let devices = device.and_wider();
        let fits = |value: &&SetValue| setting.check(value).is_ok();
        for (_, values) in self.levels.iter().rev() {
            for key in self.keys(setting) {
                let set = devices.iter().filter_map(|device| values.of(*device).get(&*key));
                if let Some(value) = set.into_iter().find(fits) {
                    return value.clone();
                }
            }
        }
        let mut house = devices.iter().filter_map(|device| self.house(setting, *device));
        house.find(|value| fits(&value)).unwrap_or_else(|| setting.wide.value())
    }

    /// The value with its source and all that it hides.
    #[must_use]
    pub fn explain(&self, setting: &Setting, device: Device) -> Explained {
        let mut stack = self.stack(setting, device);
        let house = Source { level: Level::House, device: Device::Wide };
        let top = stack.next().unwrap_or(Hidden { value: setting.wide.value(), source: house });
        let look = setting.text.filter(|_| top.source.level == Level::House);
        let look = look.filter(|(_, property)| *property != Property::Look).and_then(|(text, property)| {
            let look = self.look_given(text, device)?;
            of_look(self.style.unwrap_or(&House::default()), &look, property, device).map(|_| look)
        });
        Explained { value: top.value, source: top.source, hides: stack.collect(), look }
    }

    /// A choice for a screen.
    #[must_use]
    pub fn choice<T: Choice>(&self, setting: &Setting, device: Device) -> Option<T> {
        match self.value(setting, device) {
            SetValue::Text(name) => T::from_name(&name),
            _ => None,
        }
    }
    /// Yes or no for a screen.
    #[must_use]
    pub fn flag(&self, setting: &Setting, device: Device) -> bool {
        matches!(self.value(setting, device), SetValue::Flag(true))
    }
    /// A number for a screen.
    #[must_use]
    pub fn number(&self, setting: &Setting, device: Device) -> i64 {
        match self.value(setting, device) {
            SetValue::Number(number) => number,
            _ => 0,
        }
    }
    /// A text for a screen.
    #[must_use]
    pub fn text(&self, setting: &Setting, device: Device) -> String {
        match self.value(setting, device) {
            SetValue::Text(text) => text,
            _ => String::new(),
        }
    }
    /// Entries, or the rows of a table.
    #[must_use]
    pub fn rows(&self, setting: &Setting) -> Vec<Vec<String>> {
        match self.value(setting, Device::Wide) {
            SetValue::Rows(rows) => rows,
            _ => vec![],
        }
    }
    /// When something is shown.
    #[must_use]
    pub fn rule(&self, setting: &Setting) -> Rule {
        match self.value(setting, Device::Wide) {
            SetValue::Rule(rule) => rule,
            _ => Rule::always(),
        }
    }
    /// Lines.
    #[must_use]
    pub fn lines(&self, setting: &Setting) -> Vec<String> {
        self.lines_on(setting, Device::Wide)
    }
    /// Lines that a screen may have of its own.
    #[must_use]
    pub fn lines_on(&self, setting: &Setting, device: Device) -> Vec<String> {
        match self.value(setting, device) {
            SetValue::Lines(lines) => lines,
            _ => vec![],
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::page::piece::{buy_button, details, options, price};

    fn text(text: &str) -> SetValue {
        SetValue::Text(text.into())
    }

    #[test]
    fn the_innermost_level_wins_and_tells_what_it_hides() {
        let template = Values::default().with(Device::Wide, &price::SAVING, text("amount"));
        let kind = Values::default().with(Device::Wide, &price::SAVING, text("none"));
        let product = Values::default();
        let chain = Chain::of_template(&template).then(Level::Type, &kind).then(Level::Product, &product);
        let explained = chain.explain(&price::SAVING, Device::Wide);
        assert_eq!(explained.value, text("none"));
        assert_eq!(explained.source, Source { level: Level::Type, device: Device::Wide });
        let hidden: Vec<_> = explained.hides.iter().map(|h| (&h.value, h.source.level)).collect();
        assert_eq!(hidden, [(&text("amount"), Level::Template), (&text("percent"), Level::House)]);
    }

    #[test]
    fn phones_take_the_wide_value_until_they_have_their_own() {
        let wide = Values::default().with(Device::Wide, &buy_button::WORDS, text("Buy this kite"));
        let chain = Chain::of_template(&wide);
        assert_eq!(chain.text(&buy_button::WORDS, Device::Phone), "Buy this kite");
        let both = wide.clone().with(Device::Phone, &buy_button::WORDS, text("Buy"));
        let chain = Chain::of_template(&both);
        assert_eq!(chain.text(&buy_button::WORDS, Device::Phone), "Buy");
        assert_eq!(chain.text(&buy_button::WORDS, Device::Wide), "Buy this kite");
        assert_eq!(chain.explain(&buy_button::WORDS, Device::Phone).hides.len(), 2);
    }

    #[test]
    fn a_wide_value_further_in_beats_a_phone_value_further_out() {
        let template = Values::default().with(Device::Phone, &details::AS, text("tabs"));
        assert_eq!(Chain::default().text(&details::AS, Device::Phone), "folding");
        assert_eq!(Chain::of_template(&template).text(&details::AS, Device::Phone), "tabs");
        let product = Values::default().with(Device::Wide, &details::AS, text("folding"));
        let chain = Chain::of_template(&template).then(Level::Product, &product);
        assert_eq!(chain.text(&details::AS, Device::Phone), "folding");
    }

    #[test]
    fn a_piece_says_it_in_the_readers_language_where_that_is_set() {
        let (english, german) = (Words::of(Language::En), [Words::of(Language::De)]);
        let said = Kind::BuyButton.settings().iter().find(|one| one.key == "words.de").unwrap();
        assert_eq!((said.label, said.per_device), ("Words in German", true));
        let none = Values::default();
        let bare = Chain::of_template(&none).saying(&english, Kind::BuyButton).and_in(&german);
        let house = german[0].setting("buy-button-words").unwrap();
        assert_eq!(bare.explain(said, Device::Phone).value, text(house));
        assert_eq!(bare.explain(said, Device::Phone).source.level, Level::House);

        let own = Values::default().with(Device::Wide, &buy_button::WORDS, text("Take it"));
        let both = own.clone().with(Device::Wide, said, text("Nimm es"));
        let read = |values, words| Chain::of_template(values).saying(words, Kind::BuyButton);
        assert_eq!(read(&both, &english).text(&buy_button::WORDS, Device::Phone), "Take it");
        assert_eq!(read(&both, &german[0]).text(&buy_button::WORDS, Device::Phone), "Nimm es");
        assert_eq!(
            read(&own, &german[0]).text(&buy_button::WORDS, Device::Phone),
            "Take it",
            "better than none"
        );
        let further_in = Values::default().with(Device::Wide, &buy_button::WORDS, text("Grab it"));
        let german = read(&both, &german[0]).then(Level::Product, &further_in);
        assert_eq!(german.text(&buy_button::WORDS, Device::Wide), "Grab it", "the innermost level says it");
        assert!(said.check(&text("two\nlines")).is_err());
    }

    #[test]
    fn what_no_shopper_reads_has_no_other_language() {
        for kind in Kind::ALL {
            for (setting, language) in kind.settings().iter().filter_map(|one| one.language) {
                assert!(
                    setting.group == crate::setting::Group::Says && language != Language::En,
                    "{}",
                    setting.key
                );
            }
        }
        assert!(Kind::Gallery.settings().iter().all(|one| one.language.is_none()));
    }

    #[test]
    fn tablets_stand_between_wide_screens_and_phones() {
        let wide = Values::default().with(Device::Wide, &buy_button::WORDS, text("Buy this kite"));
        let both = wide.clone().with(Device::Tablet, &buy_button::WORDS, text("Buy it"));
        let chain = Chain::of_template(&both);
        assert_eq!(chain.text(&buy_button::WORDS, Device::Tablet), "Buy it");
        assert_eq!(chain.text(&buy_button::WORDS, Device::Phone), "Buy it");
        assert_eq!(chain.text(&buy_button::WORDS, Device::Wide), "Buy this kite");
        assert_eq!(Chain::of_template(&wide).text(&buy_button::WORDS, Device::Tablet), "Buy this kite");
    }

    #[test]
    fn the_house_speaks_the_language_of_its_words() {
        let words = Words::of(crate::wording::Language::De);
        let none = Values::default();
        let chain = Chain::of_template(&none).saying(&words, Kind::BuyButton);
        let said = chain.explain(&buy_button::WORDS, Device::Phone);
        assert_eq!(said.value, text("In den Warenkorb"));
        assert_eq!(said.source.level, Level::House);
    }

    #[test]
    fn what_the_house_style_says_of_choices_counts_until_a_piece_says_otherwise() {
        let mut house = House::default();
        house.set("choice_shape", Some(text("square"))).unwrap();
        let none = Values::default();
        let chain = Chain::of_template(&none).styled(&house);
        let said = chain.explain(&options::SHAPE, Device::Phone);
        assert_eq!((said.value, said.source.level), (text("square"), Level::House));
        let own = Values::default().with(Device::Wide, &options::SHAPE, text("soft"));
        let chain = Chain::of_template(&own).styled(&house);
        let said = chain.explain(&options::SHAPE, Device::Wide);
        assert_eq!((said.value, said.hides[0].value.clone()), (text("soft"), text("square")));
    }

    #[test]
    fn an_empty_text_set_on_purpose_hides_what_lies_under_it() {
        let empty = Values::default().with(Device::Wide, &buy_button::WORDS, text(""));
        assert_eq!(Chain::of_template(&empty).text(&buy_button::WORDS, Device::Wide), "");
    }

    #[test]
    fn what_counts_is_what_is_explained_wherever_values_are_set() {
        let levels = [Level::Template, Level::Type, Level::Product];
        for set in 0..512_u32 {
            let values: Vec<Values> = (0..3)
                .map(|level| {
                    let here = (0..3).filter(|device| set >> (level * 3 + device) & 1 == 1);
                    here.fold(Values::default(), |values, device| {
                        let said = text(&format!("{level} {device}"));
                        values.with(Device::ALL[device], &buy_button::WORDS, said)
                    })
                })
                .collect();
            let chain = levels.iter().zip(&values).fold(Chain::default(), |c, (level, v)| c.then(*level, v));
            for device in Device::ALL {
                let (counts, told) =
                    (chain.value(&buy_button::WORDS, device), chain.explain(&buy_button::WORDS, device));
                assert_eq!(counts, told.value, "{set:b} on {device:?}");
            }
        }
    }

    #[test]
    fn a_stored_value_that_no_longer_fits_is_passed_over() {
        let odd = Values::default().with(Device::Wide, &price::SAVING, text("loud"));
        let saving = Chain::of_template(&odd).choice::<price::SavingAs>(&price::SAVING, Device::Wide);
        assert_eq!(saving, Some(price::SavingAs::Percent));
    }
}
