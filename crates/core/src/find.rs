//! Finding things by their names: every word that was typed begins a word of the name or of what is said beside it.

use crate::letters::words_of;

/// So many characters of what was typed are looked at: no name is longer.
const LONGEST: usize = 200;

/// How well a name fits what was typed, the best first; none where a word of it isn't there.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Fit {
    /// The name begins so.
    Begins,
    /// Its words begin so, in any order.
    Words,
    /// Only what is said beside it helps.
    Beside,
}

/// What was typed, ready to be looked for in many names.
#[derive(Debug, Clone)]
pub struct Wanted {
    words: Vec<String>,
}

impl Wanted {
    /// Capitals and accents make no difference; what is typed after so much is left out.
    #[must_use]
    pub fn new(typed: &str) -> Self {
        let looked_at: String = typed.chars().take(LONGEST).collect();
        Self { words: words_of(&looked_at) }
    }

    /// Whether nothing was typed.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        self.words.is_empty()
    }

    /// How well a name fits, with what is said beside it: its type, its handle.
    #[must_use]
    pub fn fit(&self, name: &str, beside: &[&str]) -> Option<Fit> {
        let mut all = words_of(name);
        if self.begins(&all) {
            Some(Fit::Begins)
        } else if self.lies_in(&all) {
            Some(Fit::Words)
        } else {
            all.extend(beside.iter().flat_map(|text| words_of(text)));
            self.lies_in(&all).then_some(Fit::Beside)
        }
    }

    /// All words but the last are those of the name; the last may still be being typed.
    fn begins(&self, name: &[String]) -> bool {
        let Some((last, whole)) = self.words.split_last() else { return true };
        name.starts_with(whole) && name.get(whole.len()).is_some_and(|next| next.starts_with(last.as_str()))
    }

    fn lies_in(&self, words: &[String]) -> bool {
        self.words.iter().all(|word| words.iter().any(|one| one.starts_with(word.as_str())))
    }
}

/// Those that fit, the best first, in the order in which they stood where they fit as well.
pub fn best<T>(found: impl Iterator<Item = (Fit, T)>) -> Vec<T> {
    let mut all: Vec<(Fit, T)> = found.collect();
    all.sort_by_key(|(fit, _)| *fit);
    all.into_iter().map(|(_, one)| one).collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    fn fit(typed: &str, name: &str) -> Option<Fit> {
        Wanted::new(typed).fit(name, &["sport-kites"])
    }

    #[test]
    fn every_word_that_is_typed_begins_one_of_the_name() {
        assert_eq!(fit("whim", "Whimbrel mini"), Some(Fit::Begins));
        assert_eq!(fit("mini", "Whimbrel mini"), Some(Fit::Words));
        assert_eq!(fit("mini whim", "Whimbrel mini"), Some(Fit::Words));
        assert_eq!(fit("brel", "Whimbrel mini"), None, "not from the middle of a word");
        assert_eq!(fit("mini kites", "Whimbrel mini"), Some(Fit::Beside));
        assert_eq!(fit("mini spar", "Whimbrel mini"), None);
    }

    #[test]
    fn capitals_and_accents_make_no_difference() {
        assert_eq!(fit("KUSTE", "Küste"), Some(Fit::Begins));
        assert_eq!(fit("kite", "2.4 m kite, “Ember”"), Some(Fit::Words));
        assert!(Wanted::new("  ").is_empty());
        assert_eq!(Wanted::new(&"w ".repeat(LONGEST)).words.len(), LONGEST / 2);
        assert!(Fit::Begins < Fit::Words && Fit::Words < Fit::Beside);
    }
}
