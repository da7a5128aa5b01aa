//! Names of things. Each is parsed once, at the edge; inside the house a value of these types is known to be sound.

use serde::{Deserialize, Serialize};

/// Characters of a handle, at the most.
pub const LONGEST_HANDLE: usize = 80;
use std::fmt;

/// Why a text can't be used as a name.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum NameError {
    /// A name can't be empty.
    #[error("a name can't be empty")]
    Empty,
    /// “{text}” is {length} characters long; {most} is the most.
    #[error("“{text}” is {length} characters long; {most} is the most")]
    TooLong {
        /// What was given.
        text: String,
        /// How long it is.
        length: usize,
        /// The most it can be.
        most: usize,
    },
    /// “{text}” may hold only small letters a to z, digits and single hyphens between them.
    #[error("“{text}” may hold only small letters a to z, digits and single hyphens between them")]
    BadCharacter {
        /// What was given.
        text: String,
    },
}

macro_rules! number_id {
    ($(#[$doc:meta])* $name:ident) => {
        $(#[$doc])*
        #[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(transparent)]
        pub struct $name(pub u64);
        impl fmt::Display for $name {
            fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result { self.0.fmt(f) }
        }
    };
}
number_id!(/// A product's number in the database.
    ProductId);
number_id!(/// A variant's number in the database.
    VariantId);
number_id!(/// A template's number in the database.
    TemplateId);
number_id!(/// A kept band's number in the database.
    KeptId);
number_id!(/// A shop-wide option's number in the database.
    OptionId);
number_id!(/// The number of one value of an option.
    ValueId);
number_id!(/// The number of a set of siblings.
    SiblingsId);

macro_rules! word_id {
    ($(#[$doc:meta])* $name:ident, $most:expr) => {
        $(#[$doc])*
        #[derive(Debug, Clone, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(try_from = "String", into = "String")]
        pub struct $name(String);
        impl $name {
            /// As text.
            #[must_use]
            pub fn as_str(&self) -> &str { &self.0 }
        }
        impl TryFrom<String> for $name {
            type Error = NameError;
            fn try_from(text: String) -> Result<Self, NameError> { check_word(text, $most).map(Self) }
        }
        impl TryFrom<&str> for $name {
            type Error = NameError;
            fn try_from(text: &str) -> Result<Self, NameError> { Self::try_from(text.to_owned()) }
        }
        impl From<$name> for String {
            fn from(name: $name) -> String { name.0 }
        }
        impl fmt::Display for $name {
            fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result { self.0.fmt(f) }
        }
    };
}
word_id!(/// The part of an address that names a product, a type, an option or a value: `whimbrel-mini`.
    Handle, LONGEST_HANDLE);
word_id!(/// Names a piece within its layout, for good.
    PieceId, 40);
word_id!(/// Names a band within its layout, for good.
    BandId, 40);
word_id!(/// Names a column within its layout, for good.
    ColumnId, 40);

fn check_word(text: String, most: usize) -> Result<String, NameError> {
    if text.is_empty() {
        return Err(NameError::Empty);
    }
    let length = text.chars().count();
    if length > most {
        return Err(NameError::TooLong { text: text.chars().take(most).collect(), length, most });
    }
    let sound = text.bytes().all(|b| b.is_ascii_lowercase() || b.is_ascii_digit() || b == b'-');
    if !sound || text.starts_with('-') || text.ends_with('-') || text.contains("--") {
        return Err(NameError::BadCharacter { text });
    }
    Ok(text)
}

impl Handle {
    /// This handle, or, where it is taken, the first that isn't of those with a number behind it: `ember-2`. A long one is
    /// cut to make room.
    #[must_use]
    pub fn free(&self, taken: impl Fn(&Self) -> bool) -> Self {
        let numbered = |number: u64| {
            let ending = format!("-{number}");
            let room: String = self.as_str().chars().take(LONGEST_HANDLE - ending.len()).collect();
            Self::try_from(format!("{}{ending}", room.trim_end_matches('-'))).ok()
        };
        let others = (2..).filter_map(numbered);
        std::iter::once(self.clone()).chain(others).find(|name| !taken(name)).unwrap_or_else(|| self.clone())
    }

    /// Makes a handle out of any text: letters and digits kept, everything else a hyphen. Empty when nothing is left.
    #[must_use]
    pub fn from_text(text: &str) -> Option<Self> {
        let mut out = String::new();
        for c in text.chars().flat_map(char::to_lowercase) {
            if c.is_ascii_alphanumeric() {
                out.push(c);
            } else if !out.is_empty() && !out.ends_with('-') {
                out.push('-');
            }
        }
        let cut: String = out.chars().take(LONGEST_HANDLE).collect();
        Self::try_from(cut.trim_end_matches('-')).ok()
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_handle_keeps_small_letters_digits_and_single_hyphens() {
        assert_eq!(Handle::try_from("whimbrel-2").unwrap().as_str(), "whimbrel-2");
        for bad in ["", "Whimbrel", "a--b", "-a", "a-", "a b", "../etc", "<script>", "é"] {
            assert!(Handle::try_from(bad).is_err(), "{bad}");
        }
        assert!(matches!(Handle::try_from("a".repeat(81)), Err(NameError::TooLong { length: 81, .. })));
    }

    #[test]
    fn a_handle_is_made_from_a_name() {
        assert_eq!(Handle::from_text("2.1 m").unwrap().as_str(), "2-1-m");
        assert_eq!(Handle::from_text("  Sew your first kite! ").unwrap().as_str(), "sew-your-first-kite");
        assert_eq!(Handle::from_text("!!!"), None);
    }

    #[test]
    fn a_handle_that_is_taken_gets_a_number_and_stays_short_enough() {
        let long = Handle::from_text(&"a b ".repeat(40)).unwrap();
        let mut taken = vec![];
        for _ in 0..12 {
            let free = long.free(|name| taken.contains(name));
            assert!(free.as_str().len() <= 80 && !taken.contains(&free), "{free}");
            taken.push(free);
        }
        assert_eq!((taken[0].clone(), taken[1].as_str().ends_with("-2")), (long, true));
    }

    #[test]
    fn a_stored_name_is_checked_when_it_is_read() {
        assert!(serde_json::from_str::<PieceId>("\"p-1\"").is_ok());
        assert!(serde_json::from_str::<PieceId>("\"p 1\"").is_err());
    }
}
