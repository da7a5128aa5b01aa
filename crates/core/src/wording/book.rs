use super::check::check_key;
use super::entry::entries;
use super::{Language, Own, WordingError, Words, check_text};
use crate::document::Document;
use crate::ids::TemplateId;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

type Languages = BTreeMap<Language, Own>;

/// An owner's own words: for the whole shop, and for single templates over those.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
pub struct Book {
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    shop: Languages,
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    templates: BTreeMap<TemplateId, Languages>,
}

impl Document for Book {
    fn called(&self, place: &str) -> String {
        let key = place.rsplit('/').next().unwrap_or_default();
        let entry = entries().into_iter().find(|entry| entry.key == key);
        format!("the words of “{}”", entry.map_or_else(|| key.to_owned(), |entry| entry.place))
    }
}

impl Book {
    /// The own words that bear on a page, those that go first last.
    #[must_use]
    pub fn own(&self, language: Language, template: Option<TemplateId>) -> Vec<&Own> {
        let of_template = template.and_then(|id| self.templates.get(&id));
        [Some(&self.shop), of_template].into_iter().flatten().filter_map(|all| all.get(&language)).collect()
    }

    /// All words of a page.
    #[must_use]
    pub fn words(&self, language: Language, template: Option<TemplateId>) -> Words {
        Words::with(language, &self.own(language, template))
    }

    /// The own words under a key, of the shop or of one template.
    #[must_use]
    pub fn text(&self, language: Language, template: Option<TemplateId>, key: &str) -> Option<&str> {
        let languages = match template {
            None => &self.shop,
            Some(id) => self.templates.get(&id)?,
        };
        languages.get(&language)?.get(key).map(String::as_str)
    }

    /// Sets words, or makes them again what lies under them. Tells whether anything is otherwise now.
    ///
    /// # Errors
    /// [`WordingError`], which says what can’t be and why.
    pub fn set(
        &mut self,
        language: Language,
        template: Option<TemplateId>,
        key: &str,
        text: Option<String>,
    ) -> Result<bool, WordingError> {
        check_key(key)?;
        if self.text(language, template, key) == text.as_deref() {
            return Ok(false);
        }
        let languages = match template {
            None => &mut self.shop,
            Some(id) => self.templates.entry(id).or_default(),
        };
        let own = languages.entry(language).or_default();
        match text {
            Some(text) => {
                check_text(key, &text)?;
                own.insert(key.to_owned(), text);
            }
            None => {
                own.remove(key);
            }
        }
        Ok(true)
    }

    /// How many words differ from another book.
    #[must_use]
    pub fn differences(&self, other: &Self) -> usize {
        let (mine, theirs) = (self.all(), other.all());
        let changed = mine.iter().filter(|(key, text)| theirs.get(*key) != Some(text)).count();
        changed + theirs.keys().filter(|key| !mine.contains_key(*key)).count()
    }

    fn all(&self) -> BTreeMap<(Option<TemplateId>, Language, &str), &str> {
        let of_templates = self.templates.iter().map(|(id, languages)| (Some(*id), languages));
        let scopes = std::iter::once((None, &self.shop)).chain(of_templates);
        scopes
            .flat_map(|(scope, languages)| {
                languages.iter().map(move |(language, own)| (scope, *language, own))
            })
            .flat_map(|(scope, language, own)| {
                own.iter().map(move |(key, text)| ((scope, language, key.as_str()), text.as_str()))
            })
            .collect()
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_templates_words_go_before_the_shops_and_can_be_rejoined() {
        let mut book = Book::default();
        let one = Some(TemplateId(1));
        book.set(Language::En, None, "cart-link", Some("Basket".into())).unwrap();
        book.set(Language::En, one, "cart-link", Some("Tray".into())).unwrap();
        let say = |book: &Book, template| book.words(Language::En, template).say("cart-link");
        assert_eq!(
            (say(&book, None), say(&book, one), say(&book, Some(TemplateId(2)))),
            ("Basket".into(), "Tray".into(), "Basket".into())
        );
        assert_eq!(book.differences(&Book::default()), 2);
        book.set(Language::En, one, "cart-link", None).unwrap();
        assert_eq!(say(&book, one), "Basket");
        assert_eq!(book.words(Language::De, None).say("cart-link"), "Warenkorb");
        assert!(book.set(Language::De, None, "cart-link", Some("{".into())).is_err());
        let ghost = Err(WordingError::NoSuchWord("ghost".into()));
        assert_eq!(book.set(Language::De, None, "ghost", None), ghost, "also where nothing is said");
        assert_eq!(book.set(Language::De, None, "cart-link", None), Ok(false), "it had none of its own");
        let read: Book = serde_json::from_str(&serde_json::to_string(&book).unwrap()).unwrap();
        assert_eq!(read.differences(&book), 0);
    }

    #[test]
    fn what_was_said_otherwise_is_called_by_where_a_shopper_meets_it() {
        let (before, mut after) = (Book::default(), Book::default());
        after.set(Language::En, None, "cart-link", Some("Basket".into())).unwrap();
        after.set(Language::De, Some(TemplateId(3)), "buy-button-sold-out", Some("Weg".into())).unwrap();
        let [was, is] = [&before, &after].map(|book| serde_json::to_value(book).unwrap());
        let places: Vec<String> = crate::document::touched(&was, &is).into_iter().collect();
        assert_eq!(places, ["shop/en/cart-link", "templates/3/de/buy-button-sold-out"]);
        let called: Vec<String> = places.iter().map(|place| after.called(place)).collect();
        assert!(called[1].contains("Buy button, "), "{called:?}");
        assert_eq!(after.called("shop/en/gone"), "the words of “gone”");
    }
}
