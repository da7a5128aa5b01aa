//! What is searched for by words.

use crate::letters::{folded, words_of};

/// Words that count, at the most.
const MOST_WORDS: usize = 8;
/// Letters of a word that is found by its beginning, at the least: shorter ones aren't in the index.
const SHORTEST: usize = 3;
/// Words that the index leaves out, since every second text has them.
const COMMON: [&str; 20] = [
    "about", "are", "com", "for", "from", "how", "that", "the", "this", "und", "was", "what", "when",
    "where", "who", "will", "with", "www", "der", "die",
];

/// What is searched for.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct Sought {
    /// As it was typed.
    pub text: String,
    /// The words that products must have, each by its beginning.
    pub words: Vec<String>,
    /// What is looked for anywhere in the texts where there is no such word: *4m*.
    pub part: Option<String>,
    /// The beginning of a SKU, where it can be one.
    pub sku: Option<String>,
}

impl Sought {
    /// Reads what was typed.
    #[must_use]
    pub fn of(text: &str) -> Self {
        let text = text.trim();
        let lower = text.to_lowercase();
        let all: Vec<&str> =
            lower.split(|c: char| !c.is_alphanumeric()).filter(|word| !word.is_empty()).collect();
        let counts = |word: &&&str| word.chars().count() >= SHORTEST && !COMMON.contains(*word);
        let mut words: Vec<String> = all.iter().filter(counts).map(|word| (*word).to_owned()).collect();
        words.truncate(MOST_WORDS);
        let part = (words.is_empty() && !all.is_empty()).then(|| lower.clone());
        let sku = (text.chars().count() > 1 && !text.contains(char::is_whitespace)).then(|| text.to_owned());
        Self { text: text.to_owned(), words, part, sku }
    }

    /// Whether nothing can be found by it.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        self.words.is_empty() && self.part.is_none()
    }

    /// How well a name fits, the better the less: words begin with all of it, it is somewhere in it, or not at all; and how
    /// many other words it has.
    #[must_use]
    pub fn rank(&self, name: &str) -> (u8, usize) {
        let (has, whole) = (words_of(name), folded(name));
        let wanted: Vec<String> = self
            .words
            .iter()
            .chain(&self.part)
            .map(|word| folded(word))
            .filter(|word| !word.is_empty())
            .collect();
        if wanted.iter().all(|word| has.iter().any(|own| own.starts_with(word.as_str()))) {
            (0, has.len().saturating_sub(wanted.len()))
        } else if wanted.iter().all(|word| whole.contains(word.as_str())) {
            (1, has.len())
        } else {
            (2, 0)
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn words_are_what_is_long_enough_and_tells_something() {
        let sought = Sought::of("  the “Whimbrel”, for 2 lines; Élan ");
        assert_eq!(sought.words, ["whimbrel", "lines", "élan"]);
        assert_eq!((sought.part, sought.sku), (None, None));
        let short = Sought::of("4M");
        assert_eq!(
            (short.words.len(), short.part.as_deref(), short.sku.as_deref()),
            (0, Some("4m"), Some("4M"))
        );
        assert_eq!(Sought::of("WHI-EMB").sku.as_deref(), Some("WHI-EMB"));
        for nothing in ["", "  ", "+-*\"()"] {
            assert!(Sought::of(nothing).is_empty(), "{nothing}");
        }
        assert_eq!(Sought::of(&"word ".repeat(50)).words.len(), MOST_WORDS);
    }

    #[test]
    fn names_that_begin_with_what_is_sought_fit_best() {
        let sought = Sought::of("mini elan");
        let names = ["Élan Mini", "Élan Mini for two", "Gliderelan Mini", "Whimbrel"];
        assert!(names.is_sorted_by_key(|name| sought.rank(name)));
        assert_eq!(sought.rank("Whimbrel"), sought.rank("Dunlin of 1998"), "the text decides");
    }
}
