//! Wording: every word that a shopper reads which isn't product data, in each language of the shop, written in Fluent.
//!
//! The words come from two places that an owner sees as one list: the files `en.ftl` and `de.ftl` here, and the words
//! that pieces have by their settings (*Add to cart*). An owner's own words are Fluent too: they may use the numbers
//! and names that the shipped ones use, and no others.

mod book;
mod check;
mod entry;

pub use crate::language::Language;
pub use book::Book;
pub use check::{WordingError, check_text};
pub use entry::{Entry, entries, key_of, shipped};

use fluent_bundle::concurrent::FluentBundle;
use fluent_bundle::{FluentArgs, FluentResource, FluentValue};
use std::collections::BTreeMap;
use std::sync::Arc;
use unic_langid::LanguageIdentifier;

fn file(language: Language) -> &'static str {
    match language {
        Language::En => include_str!("en.ftl"),
        Language::De => include_str!("de.ftl"),
    }
}

/// An owner's own words, by their keys.
pub type Own = BTreeMap<String, String>;

/// All words of one language, ready to be said.
#[derive(Clone)]
pub struct Words {
    /// The language.
    pub language: Language,
    bundle: Arc<FluentBundle<FluentResource>>,
    /// The words of settings that aren't as they ship, or in another language than the settings themselves.
    settings: Arc<BTreeMap<String, String>>,
}

impl std::fmt::Debug for Words {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(f, "Words({})", self.language.tag())
    }
}

impl Words {
    /// As they ship.
    #[must_use]
    pub fn of(language: Language) -> Self {
        Self::with(language, &[])
    }

    /// With an owner's own words over them, the later ones over the earlier. Those that can't be read are passed over.
    #[must_use]
    pub fn with(language: Language, own: &[&Own]) -> Self {
        let tag: LanguageIdentifier = language.tag().parse().unwrap_or_default();
        let mut bundle = FluentBundle::new_concurrent(vec![tag]);
        bundle.set_use_isolating(false);
        bundle.add_resource_overriding(read(file(language)));
        let known: BTreeMap<String, String> = entries().into_iter().map(|e| (e.key, e.english)).collect();
        for (key, text) in own.iter().flat_map(|own| own.iter()) {
            if known.contains_key(key) && check_text(key, text).is_ok() {
                bundle.add_resource_overriding(read(&check::source(key, text)));
            }
        }
        let setting = |entry: Entry| {
            let names = entry::placeholders(&entry.english);
            let names: Vec<_> = names.iter().map(|(name, text)| (name.as_str(), Arg::Text(text))).collect();
            let said = entry.of_setting.then(|| say(&bundle, &entry.key, &names)).flatten()?;
            Some((entry.key, said))
        };
        let settings = entries().into_iter().filter_map(setting).collect();
        Self { language, bundle: Arc::new(bundle), settings: Arc::new(settings) }
    }

    /// The words under a key; the key itself where there are none, so that a gap shows.
    #[must_use]
    pub fn say(&self, key: &str) -> String {
        self.say_with(key, &[])
    }

    /// The words under a key with these numbers and names in them.
    #[must_use]
    pub fn say_with(&self, key: &str, arguments: &[(&str, Arg<'_>)]) -> String {
        say(&self.bundle, key, arguments).unwrap_or_else(|| key.to_owned())
    }

    /// The words that a setting has in the house, where they aren't as the setting ships.
    #[must_use]
    pub fn setting(&self, key: &str) -> Option<&str> {
        self.settings.get(key).map(String::as_str)
    }
}

/// A number or a name within words.
#[derive(Debug, Clone, Copy)]
pub enum Arg<'a> {
    /// A number.
    Number(u32),
    /// A text.
    Text(&'a str),
}

fn say(bundle: &FluentBundle<FluentResource>, key: &str, arguments: &[(&str, Arg<'_>)]) -> Option<String> {
    let pattern = bundle.get_message(key)?.value()?;
    let mut args = FluentArgs::new();
    for (name, arg) in arguments {
        match arg {
            Arg::Number(number) => args.set(*name, FluentValue::from(*number)),
            Arg::Text(text) => args.set(*name, FluentValue::from(*text)),
        }
    }
    let mut errors = vec![];
    Some(bundle.format_pattern(pattern, Some(&args), &mut errors).into_owned())
}

/// What can be read of a source; the rest is left out.
fn read(source: &str) -> FluentResource {
    match FluentResource::try_new(source.to_owned()) {
        Ok(resource) | Err((resource, _)) => resource,
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_word_is_there_in_every_language() {
        for language in Language::ALL {
            assert!(FluentResource::try_new(file(language).to_owned()).is_ok(), "{}", language.tag());
            let words = Words::of(language);
            for entry in entries() {
                let said = words.settings.contains_key(&entry.key) || words.bundle.has_message(&entry.key);
                assert!(
                    said || (entry.of_setting && language == Language::En),
                    "{} {}",
                    language.tag(),
                    entry.key
                );
            }
        }
    }

    #[test]
    fn numbers_take_the_right_form() {
        let (en, de) = (Words::of(Language::En), Words::of(Language::De));
        let say = |words: &Words, count| words.say_with("review-count", &[("count", Arg::Number(count))]);
        assert_eq!((say(&en, 1), say(&en, 2)), ("1 review".into(), "2 reviews".into()));
        assert_eq!((say(&de, 1), say(&de, 0)), ("1 Bewertung".into(), "0 Bewertungen".into()));
    }

    #[test]
    fn an_owners_words_come_before_the_shipped_and_a_templates_before_those() {
        let shop =
            Own::from([("cart-link".into(), "Basket".into()), ("buy-button-words".into(), "Take it".into())]);
        let template = Own::from([("buy-button-words".into(), "Book a place".into())]);
        let words = Words::with(Language::En, &[&shop, &template]);
        assert_eq!(words.say("cart-link"), "Basket");
        assert_eq!(words.setting("buy-button-words"), Some("Book a place"));
        assert_eq!(words.setting("quantity-label"), None);
        assert_eq!(Words::of(Language::De).setting("stock-line-low"), Some("Nur noch {count} da"));
    }

    #[test]
    fn words_that_cannot_be_read_leave_the_shipped_ones() {
        let own = Own::from([("cart-link".into(), "{ $broken".into()), ("nowhere".into(), "x".into())]);
        let words = Words::with(Language::En, &[&own]);
        assert_eq!((words.say("cart-link"), words.say("nowhere")), ("Cart".into(), "nowhere".into()));
    }
}
