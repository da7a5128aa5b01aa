//! What is told of a product in words: how it is called, what describes it, by what it is found.

use super::{Detail, Fact, Product, Tag};
use crate::limits::is_unseen;
use serde::{Deserialize, Serialize};

const LONGEST_NAME: usize = 200;
const LONGEST_BRAND: usize = 120;
const LONGEST_SUMMARY: usize = 2_000;
const LONGEST_TITLE: usize = 60;
const LONGEST_TEXT: usize = 20_000;
const LONGEST_VALUE: usize = 300;
const MOST_DETAILS: usize = 20;
const MOST_FACTS: usize = 60;
const MOST_TAGS: usize = 40;

/// The words of a product. Longer texts are plain; an empty line begins another paragraph.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Texts {
    /// Its name.
    pub name: String,
    /// Who makes it; empty where that is the shop.
    pub brand: String,
    /// A few words about it.
    pub summary: String,
    /// Its titled texts.
    pub details: Vec<Detail>,
    /// Its table of facts.
    pub facts: Vec<Fact>,
    /// Its tags.
    pub tags: Vec<Tag>,
}

/// Why texts can't be kept.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum TextsError {
    /// A product needs a name.
    #[error("a product needs a name")]
    NoName,
    /// {what} has at most {most} characters; “{begin}” has {has}.
    #[error("{what} has at most {most} characters; “{begin}” has {has}")]
    TooLong {
        /// What it is about.
        what: &'static str,
        /// The most there can be.
        most: usize,
        /// What there is.
        has: usize,
        /// How it begins.
        begin: String,
    },
    /// {what} is one line; “{begin}” has more or holds signs that can't be seen.
    #[error("{what} is one line; “{begin}” has more or holds signs that can't be seen")]
    NotOneLine {
        /// What it is about.
        what: &'static str,
        /// How it begins.
        begin: String,
    },
    /// {what} “{begin}” holds signs that can't be seen; write it anew or paste it without them.
    #[error("{what} “{begin}” holds signs that can't be seen; write it anew or paste it without them")]
    Unseen {
        /// What it is about.
        what: &'static str,
        /// How it begins.
        begin: String,
    },
    /// A product has at most {most} {what}; there are {has}.
    #[error("a product has at most {most} {what}; there are {has}")]
    TooMany {
        /// What it is about.
        what: &'static str,
        /// The most there can be.
        most: usize,
        /// What there is.
        has: usize,
    },
    /// A text has no title.
    #[error("the text “{0}” needs a title")]
    NoTitle(String),
    /// A fact has no name.
    #[error("the fact “{0}” needs a name")]
    NoFactName(String),
    /// Something is named twice.
    #[error("“{0}” stands there twice")]
    Twice(String),
}

impl Product {
    /// What is told of it in words.
    #[must_use]
    pub fn texts(&self) -> Texts {
        Texts {
            name: self.name.clone(),
            brand: self.brand.clone(),
            summary: self.summary.clone(),
            details: self.details.clone(),
            facts: self.facts.clone(),
            tags: self.tags.clone(),
        }
    }
}

impl Texts {
    /// As they are kept: without blanks around them, lines ended alike, and without what has only a title or a name.
    ///
    /// # Errors
    /// [`TextsError`], which says what can’t be and why.
    pub fn tidied(self) -> Result<Self, TextsError> {
        let name = line("a name", &self.name, LONGEST_NAME)?;
        if name.is_empty() {
            return Err(TextsError::NoName);
        }
        Ok(Self {
            name,
            brand: line("the maker's name", &self.brand, LONGEST_BRAND)?,
            summary: tidied_summary(&self.summary)?,
            details: details(&self.details)?,
            facts: facts(&self.facts)?,
            tags: tags(&self.tags)?,
        })
    }
}

/// A summary as it is kept.
///
/// # Errors
/// [`TextsError`] where it is too long or holds signs that can’t be seen.
pub fn tidied_summary(summary: &str) -> Result<String, TextsError> {
    text("a summary", summary, LONGEST_SUMMARY)
}

fn details(all: &[Detail]) -> Result<Vec<Detail>, TextsError> {
    let mut kept = Vec::new();
    for one in all {
        let title = line("a title", &one.title, LONGEST_TITLE)?;
        let text = text("a text", &one.text, LONGEST_TEXT)?;
        match (title.is_empty(), text.is_empty()) {
            (_, true) => {}
            (true, false) => return Err(TextsError::NoTitle(begin(&text))),
            (false, false) => kept.push(Detail { title, text }),
        }
    }
    counted("texts", MOST_DETAILS, kept, |one| &one.title)
}

fn facts(all: &[Fact]) -> Result<Vec<Fact>, TextsError> {
    let mut kept = Vec::new();
    for one in all {
        let name = line("a fact's name", &one.name, LONGEST_TITLE)?;
        let value = line("a fact", &one.value, LONGEST_VALUE)?;
        match (name.is_empty(), value.is_empty()) {
            (_, true) => {}
            (true, false) => return Err(TextsError::NoFactName(value)),
            (false, false) => kept.push(Fact { name, value }),
        }
    }
    counted("facts", MOST_FACTS, kept, |one| &one.name)
}

fn tags(all: &[Tag]) -> Result<Vec<Tag>, TextsError> {
    let tidy = all.iter().map(|tag| line("a tag", tag.as_str(), LONGEST_TITLE));
    let kept = tidy.filter(|tag| tag.as_ref().map_or(true, |tag| !tag.is_empty()));
    let kept = kept.map(|tag| tag.map(Tag::from)).collect::<Result<_, _>>()?;
    counted("tags", MOST_TAGS, kept, Tag::as_str)
}

/// Not too many, and none that is called like another but for capitals.
fn counted<T>(
    what: &'static str,
    most: usize,
    all: Vec<T>,
    name: impl Fn(&T) -> &str,
) -> Result<Vec<T>, TextsError> {
    if all.len() > most {
        return Err(TextsError::TooMany { what, most, has: all.len() });
    }
    let names: Vec<String> = all.iter().map(|one| name(one).to_lowercase()).collect();
    match names.iter().enumerate().position(|(at, one)| names[..at].contains(one)) {
        Some(twice) => Err(TextsError::Twice(name(&all[twice]).to_owned())),
        None => Ok(all),
    }
}

fn line(what: &'static str, text: &str, most: usize) -> Result<String, TextsError> {
    let text = text.trim();
    if text.chars().any(is_unseen) {
        return Err(TextsError::NotOneLine { what, begin: begin(text) });
    }
    short(what, text.to_owned(), most)
}

fn text(what: &'static str, text: &str, most: usize) -> Result<String, TextsError> {
    let text = text.replace("\r\n", "\n").replace('\r', "\n").replace('\t', " ");
    let text = text.trim();
    if text.chars().any(|sign| is_unseen(sign) && sign != '\n') {
        return Err(TextsError::Unseen { what, begin: begin(text) });
    }
    short(what, text.to_owned(), most)
}

fn short(what: &'static str, text: String, most: usize) -> Result<String, TextsError> {
    let has = text.chars().count();
    if has > most { Err(TextsError::TooLong { what, most, has, begin: begin(&text) }) } else { Ok(text) }
}

/// By what one finds a text again.
fn begin(text: &str) -> String {
    let mut signs = text.chars().map(|sign| if is_unseen(sign) { ' ' } else { sign });
    let begin = signs.by_ref().take(30).collect::<String>();
    if signs.next().is_some() { format!("{}…", begin.trim_end()) } else { begin.trim_end().to_owned() }
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

    fn detail(title: &str, text: &str) -> Detail {
        Detail { title: title.into(), text: text.into() }
    }
    fn fact(name: &str, value: &str) -> Fact {
        Fact { name: name.into(), value: value.into() }
    }
    fn texts() -> Texts {
        Texts {
            name: "Whimbrel".into(),
            summary: "A forgiving kite.".into(),
            details: vec![detail("Care", "Keep it dry.\n\nMend it early.")],
            facts: vec![fact("Span", "2.1 m")],
            tags: vec!["beach".into()],
            ..Texts::default()
        }
    }

    #[test]
    fn blanks_go_and_what_has_only_a_title_or_a_name_is_left_out() {
        let written = Texts {
            name: "  Whimbrel ".into(),
            summary: "A forgiving kite.\r\n".into(),
            details: vec![
                detail(" Care", "Keep it dry.\r\n\r\nMend it early."),
                detail("Wind", " "),
                detail("", ""),
            ],
            facts: vec![fact("Weight", ""), fact("Span ", " 2.1 m"), fact("", " ")],
            tags: vec![" ".into(), "beach ".into()],
            ..Texts::default()
        };
        assert_eq!(written.tidied(), Ok(texts()));
    }

    #[test]
    fn what_cannot_be_kept_is_refused_with_the_reason_and_the_place() {
        type Spoil = fn(&mut Texts);
        let refused: [(&str, Spoil); 11] = [
            ("a product needs a name", |t| t.name = " ".into()),
            ("a name is one line; “Whimbrel II” has more or holds signs that can't be seen", |t| {
                t.name = "Whimbrel\nII".into();
            }),
            (
                "a summary “A\u{fffd}” holds signs that can't be seen; write it anew or paste it without them",
                |t| {
                    t.summary = "A\u{fffd}\u{7}".into();
                },
            ),
            (
                "a summary has at most 2000 characters; “xxxxxxxxxxxxxxxxxxxxxxxxxxxxxx…” has 2001",
                |t| t.summary = "x".repeat(2_001),
            ),
            ("the text “Keep it dry.  Mend it early.” needs a title", |t| {
                t.details[0].title = String::new()
            }),
            ("the fact “2.1 m” needs a name", |t| t.facts[0].name = " ".into()),
            ("“SPAN” stands there twice", |t| t.facts.push(fact("SPAN", "3 m"))),
            ("“care” stands there twice", |t| t.details.push(detail("care", "Dry it."))),
            ("“Beach” stands there twice", |t| t.tags.push("Beach".into())),
            ("a product has at most 40 tags; there are 41", |t| {
                t.tags = (0..41).map(|n| n.to_string().into()).collect();
            }),
            ("a tag has at most 60 characters; “xxxxxxxxxxxxxxxxxxxxxxxxxxxxxx…” has 61", |t| {
                t.tags.push("x".repeat(61).into())
            }),
        ];
        for (why, spoil) in refused {
            let mut bad = texts();
            spoil(&mut bad);
            assert_eq!(bad.tidied().unwrap_err().to_string(), why);
        }
    }

    #[test]
    fn a_length_is_counted_in_characters_not_in_bytes() {
        let long = Texts { name: "ø".repeat(LONGEST_NAME), ..texts() };
        assert_eq!(long.clone().tidied(), Ok(long));
    }

    proptest! {
        /// What was kept once is kept as it is.
        #[test]
        fn tidying_twice_is_tidying_once(
            name in ".{0,20}", summary in "(?s).{0,60}", title in ".{0,10}", text in "(?s).{0,60}",
            tags in prop::collection::vec(".{0,6}", 0..4),
        ) {
            let written = Texts {
                name, summary, tags: tags.into_iter().map(Tag::from).collect(),
                details: vec![detail(&title, &text)],
                facts: vec![fact(&title, &text)],
                brand: String::new(),
            };
            if let Ok(once) = written.tidied() {
                prop_assert_eq!(once.clone().tidied(), Ok(once));
            }
        }
    }
}
