use super::{Language, file};
use crate::page::Purpose;
use crate::page::piece::Kind;
use crate::setting::{Preset, Setting, Shape};
use serde::Serialize;
use std::collections::BTreeMap;
use std::sync::LazyLock;

/// A word that can be said otherwise.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Entry {
    /// Its key.
    pub key: String,
    /// As it ships, in Fluent.
    pub english: String,
    /// Where a shopper meets it.
    pub place: String,
    /// The piece that it appears in, where it does in one.
    pub kind: Option<Kind>,
    /// Whether it is the house's value of a setting.
    pub of_setting: bool,
}

/// The key of a setting's words: `buy-button-sold-out`.
#[must_use]
pub fn key_of(kind: Kind, setting: &str) -> String {
    static NAMES: LazyLock<BTreeMap<Kind, String>> = LazyLock::new(|| {
        let name = |kind| Some(serde_json::to_value(kind).ok()?.as_str()?.replace('_', "-"));
        Kind::ALL.into_iter().filter_map(|kind| Some((kind, name(kind)?))).collect()
    });
    let name = NAMES.get(&kind).map_or("", String::as_str);
    format!("{name}-{}", setting.replace('_', "-"))
}

/// Every word, those of the pieces first, in the order in which a page has them.
#[must_use]
pub fn entries() -> Vec<Entry> {
    let mut all: Vec<Entry> = Kind::ALL.into_iter().flat_map(of_kind).collect();
    all.extend(of_pages(file(Language::En)));
    all
}

fn of_kind(kind: Kind) -> impl Iterator<Item = Entry> {
    kind.settings().iter().filter_map(move |setting: &&'static Setting| {
        let (Shape::Text { .. }, Preset::Text(text)) = (setting.shape, setting.wide) else { return None };
        (!text.is_empty()).then(|| Entry {
            key: key_of(kind, setting.key),
            english: to_fluent(text),
            place: place_of(kind, setting),
            kind: Some(kind),
            of_setting: true,
        })
    })
}

/// `Buy button, words`; on a card its pieces are called as on a page.
fn place_of(kind: Kind, setting: &Setting) -> String {
    let (piece, word) = (kind.label(), setting.label.to_lowercase());
    match kind.purpose() {
        Purpose::Page => format!("{piece}, {word}"),
        Purpose::Card => format!("On cards: {}, {word}", piece.to_lowercase()),
    }
}

/// The words as they ship in a language, in Fluent, by their keys.
#[must_use]
pub fn shipped(language: Language) -> BTreeMap<String, String> {
    let words = match language {
        Language::En => entries(),
        Language::De => of_pages(file(language)),
    };
    words.into_iter().map(|entry| (entry.key, entry.english)).collect()
}

/// A setting's words in Fluent: `{count}` is `{ $count }` there.
fn to_fluent(text: &str) -> String {
    text.replace('{', "{ $").replace('}', " }")
}

/// Fluent's words as a setting has them, by what its names are to be filled with.
#[must_use]
pub(super) fn placeholders(fluent: &str) -> Vec<(String, String)> {
    super::check::names(fluent).into_iter().map(|name| (name.clone(), format!("{{{name}}}"))).collect()
}

/// The messages of a file, each with the group that it stands under.
fn of_pages(file: &str) -> Vec<Entry> {
    let mut place = String::new();
    let mut all: Vec<Entry> = vec![];
    for line in file.lines() {
        if let Some(group) = line.strip_prefix("## ") {
            place = group.to_owned();
        } else if line.starts_with([' ', '}']) {
            if let Some(last) = all.last_mut() {
                last.english.push('\n');
                last.english.push_str(line);
            }
        } else if let Some((key, text)) = line.split_once(" = ").filter(|_| !line.starts_with('#')) {
            let (key, english, place) = (key.to_owned(), text.to_owned(), place.clone());
            all.push(Entry { key, english, place, kind: None, of_setting: false });
        }
    }
    all
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::collections::BTreeSet;

    #[test]
    fn every_entry_has_its_own_key_and_a_place() {
        let all = entries();
        let keys: BTreeSet<_> = all.iter().map(|e| e.key.as_str()).collect();
        assert_eq!(keys.len(), all.len());
        assert!(all.iter().all(|e| !e.place.is_empty() && !e.english.is_empty()));
        assert!(keys.contains("buy-button-sold-out") && keys.contains("only-left"));
        let low = all.iter().find(|e| e.key == "stock-line-low").unwrap();
        assert_eq!(low.english, "Only { $count } left");
    }
}
