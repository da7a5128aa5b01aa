use super::entries;
use crate::limits::is_unseen;
use fluent_bundle::FluentResource;
use std::collections::BTreeSet;

const MOST: usize = 600;

/// Why words can't be said.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum WordingError {
    /// There is no such word.
    #[error("there is no word “{0}”")]
    NoSuchWord(String),
    /// These words can't be read: every {{ needs its }}, and a choice between forms ends with *[other].
    #[error(
        "these words can't be read: every {{ needs its }}, and a choice between forms ends with *[other]"
    )]
    Unreadable,
    /// Words can't be empty.
    #[error("words can't be empty")]
    Empty,
    /// Words have at most {MOST} characters; these have {length}.
    #[error("words have at most {MOST} characters; these have {length}")]
    TooLong {
        /// How long it is.
        length: usize,
    },
    /// It holds a name that the sentence can’t fill in.
    #[error("these words can't use {{ ${given} }}; they can use: {}", if .known.is_empty() { "nothing".to_owned() } else { .known.join(", ") })]
    UnknownName {
        /// The name that was given.
        given: String,
        /// Those that are known.
        known: Vec<String>,
    },
}

/// The words as the source of one message.
pub(super) fn source(key: &str, text: &str) -> String {
    let mut lines = text.lines();
    let first = lines.next().unwrap_or_default();
    let rest: String = lines.map(|line| format!("\n    {}", line.trim_start())).collect();
    format!("{key} = {first}{rest}\n")
}

/// Whether there are words under a key.
pub(super) fn check_key(key: &str) -> Result<(), WordingError> {
    let known = entries().into_iter().any(|entry| entry.key == key);
    if known { Ok(()) } else { Err(WordingError::NoSuchWord(key.chars().take(60).collect())) }
}

/// Whether an owner's words can be said under a key.
///
/// # Errors
/// [`WordingError`], which says what can’t be and why.
pub fn check_text(key: &str, text: &str) -> Result<(), WordingError> {
    let known = entries().into_iter().find(|entry| entry.key == key);
    let known = known.ok_or_else(|| WordingError::NoSuchWord(key.chars().take(60).collect()))?;
    if text.trim().is_empty() {
        return Err(WordingError::Empty);
    }
    let length = text.chars().count();
    if length > MOST {
        return Err(WordingError::TooLong { length });
    }
    if text.chars().any(|c| is_unseen(c) && c != '\n') {
        return Err(WordingError::Unreadable);
    }
    let resource = FluentResource::try_new(source(key, text)).map_err(|_| WordingError::Unreadable)?;
    if resource.entries().count() != 1 {
        return Err(WordingError::Unreadable);
    }
    let allowed = names(&known.english);
    match names(text).into_iter().find(|name| !allowed.contains(name)) {
        Some(given) => Err(WordingError::UnknownName { given, known: allowed.into_iter().collect() }),
        None => Ok(()),
    }
}

/// The names that words use: `count` of `{ $count }`.
pub(super) fn names(text: &str) -> BTreeSet<String> {
    let name = |part: &str| part.chars().take_while(|c| c.is_ascii_alphanumeric() || *c == '-').collect();
    text.split('$').skip(1).map(name).filter(|name: &String| !name.is_empty()).collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn words_may_use_what_the_shipped_ones_use_and_no_more() {
        assert_eq!(check_text("save-amount", "You keep { $amount }"), Ok(()));
        assert_eq!(check_text("save-amount", "Cheaper"), Ok(()));
        let unknown = check_text("save-amount", "{ $count } off").unwrap_err();
        assert_eq!(
            unknown,
            WordingError::UnknownName { given: "count".into(), known: vec!["amount".into()] }
        );
        let forms = "{ $count ->\n [one] One left\n *[other] { $count } left\n}";
        assert_eq!(check_text("only-left", forms), Ok(()));
    }

    #[test]
    fn what_cannot_be_said_is_refused_with_a_sentence() {
        assert!(matches!(check_text("nowhere", "x"), Err(WordingError::NoSuchWord(_))));
        assert_eq!(check_text("cart-link", " "), Err(WordingError::Empty));
        assert_eq!(check_text("cart-link", "{ $x"), Err(WordingError::Unreadable));
        assert!(check_text("cart-link", "Basket\nother = y").is_ok(), "a second line belongs to the words");
        assert!(matches!(
            check_text("cart-link", &"x".repeat(601)),
            Err(WordingError::TooLong { length: 601 })
        ));
    }
}
