//! What owners make of their listings: the title and the words above, the order, the products that come first.

use super::Order;
use crate::catalog::Tag;
use crate::document::Document;
use crate::ids::Handle;
use crate::limits::is_unseen;
use serde::{Deserialize, Serialize};
use std::collections::{BTreeMap, BTreeSet};
use std::fmt;

/// Letters of a listing's title, at the most.
pub const LONGEST_TITLE: usize = 120;
/// Letters of the words above a listing, at the most.
pub const LONGEST_WORDS: usize = 4_000;
/// Products that are put first in one listing, at the most.
pub const MOST_FIRST: usize = 48;

/// Of which products a listing is.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(try_from = "String", into = "String")]
pub enum ListingOf {
    /// The whole shop.
    All,
    /// A type.
    Type(Handle),
    /// A tag.
    Tag(Tag),
}

/// What names no listing.
#[derive(Debug, thiserror::Error)]
#[error("there is no listing “{0}”")]
pub struct NoListing(String);

impl fmt::Display for ListingOf {
    /// As it is kept and as an address names it: `all`, `type:kites`, `tag:for small hands`.
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::All => f.write_str("all"),
            Self::Type(handle) => write!(f, "type:{handle}"),
            Self::Tag(tag) => write!(f, "tag:{tag}"),
        }
    }
}

impl From<ListingOf> for String {
    fn from(of: ListingOf) -> Self {
        of.to_string()
    }
}

impl TryFrom<String> for ListingOf {
    type Error = NoListing;

    fn try_from(text: String) -> Result<Self, NoListing> {
        let of = match text.split_once(':') {
            None if text == "all" => Some(Self::All),
            Some(("type", handle)) => Handle::try_from(handle).ok().map(Self::Type),
            Some(("tag", tag)) => Some(Tag::from(tag)).filter(Tag::is_sound).map(Self::Tag),
            _ => None,
        };
        of.ok_or_else(|| NoListing(text.chars().take(80).collect()))
    }
}

/// What an owner made of a listing; empty where it is as it comes.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default)]
pub struct OwnListing {
    /// What stands over it; empty for the name of its type or tag.
    #[serde(skip_serializing_if = "String::is_empty")]
    pub title: String,
    /// What is said above its products, in paragraphs.
    #[serde(skip_serializing_if = "String::is_empty")]
    pub words: String,
    /// In which order its products stand unless a shopper asks for another.
    #[serde(skip_serializing_if = "is_usual")]
    pub order: Order,
    /// The products that come first then.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub first: Vec<Handle>,
}

#[allow(clippy::trivially_copy_pass_by_ref, reason = "serde asks so")]
fn is_usual(order: &Order) -> bool {
    *order == Order::default()
}

impl OwnListing {
    /// What is said above its products.
    pub fn paragraphs(&self) -> impl Iterator<Item = &str> {
        self.words.split('\n').map(str::trim).filter(|line| !line.is_empty())
    }

    /// At which place it puts a product that comes first.
    #[must_use]
    pub fn puts(&self, product: &Handle) -> Option<usize> {
        self.first.iter().position(|one| one == product)
    }
}

/// Something that is made otherwise of a listing.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ListingChange {
    /// What stands over it.
    Title(String),
    /// What is said above its products.
    Words(String),
    /// Its order.
    Order(Order),
    /// The products that come first.
    First(Vec<Handle>),
}

/// Why a listing can't be made so.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum ListingError {
    /// A title that can't be.
    #[error(
        "a title is one line of at most {LONGEST_TITLE} characters without signs that can’t be seen; shorten it or write it anew"
    )]
    Title,
    /// Words that can't be.
    #[error(
        "the words above have at most {LONGEST_WORDS} characters, without signs that can’t be seen; shorten them or write them anew"
    )]
    Words,
    /// Too many come first.
    #[error("at most {MOST_FIRST} products come first; take some out")]
    TooManyFirst,
}

/// All listings of which an owner made something.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
pub struct Listings {
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    own: BTreeMap<ListingOf, OwnListing>,
}

impl Document for Listings {
    fn called(&self, place: &str) -> String {
        let place = place.strip_prefix("own/").unwrap_or(place);
        let (of, what) = match place.rsplit_once('/') {
            Some((of, "title")) => (of, "the title"),
            Some((of, "words")) => (of, "the words above"),
            Some((of, "order")) => (of, "the order"),
            Some((of, "first")) => (of, "the products that come first"),
            _ => (place, "what was made"),
        };
        match of.split_once(':') {
            Some((_, name)) => format!("{what} of the listing “{name}”"),
            None => format!("{what} of the listing of everything"),
        }
    }
}

impl Listings {
    /// What was made of a listing.
    #[must_use]
    pub fn of(&self, of: &ListingOf) -> Option<&OwnListing> {
        self.own.get(of)
    }

    /// Those of which something was made.
    pub fn all(&self) -> impl Iterator<Item = &ListingOf> {
        self.own.keys()
    }

    /// Makes something otherwise.
    ///
    /// # Errors
    /// [`ListingError`], which says what can't be and why.
    pub fn set(&mut self, of: &ListingOf, change: ListingChange) -> Result<(), ListingError> {
        let mut own = self.own.get(of).cloned().unwrap_or_default();
        match change {
            ListingChange::Title(title) => {
                own.title = seen(&title, LONGEST_TITLE, |_| false).ok_or(ListingError::Title)?
            }
            ListingChange::Words(words) => {
                own.words = seen(&words, LONGEST_WORDS, |sign| sign == '\n').ok_or(ListingError::Words)?;
            }
            ListingChange::Order(order) => own.order = order,
            ListingChange::First(mut first) => {
                let mut met = BTreeSet::new();
                first.retain(|one| met.insert(one.clone()));
                if first.len() > MOST_FIRST {
                    return Err(ListingError::TooManyFirst);
                }
                own.first = first;
            }
        }
        if own == OwnListing::default() {
            self.own.remove(of);
        } else {
            self.own.insert(of.clone(), own);
        }
        Ok(())
    }

    /// How many listings are others than they were.
    #[must_use]
    pub fn differences(&self, was: &Self) -> usize {
        let both: BTreeSet<&ListingOf> = self.own.keys().chain(was.own.keys()).collect();
        both.into_iter().filter(|of| self.own.get(of) != was.own.get(of)).count()
    }
}

/// A text without room around it, where it is short enough and all of it can be seen.
fn seen(text: &str, most: usize, also: impl Fn(char) -> bool) -> Option<String> {
    let text = text.replace("\r\n", "\n");
    let text = text.trim();
    let fits = text.chars().count() <= most && !text.chars().any(|sign| is_unseen(sign) && !also(sign));
    fits.then(|| text.to_owned())
}

#[cfg(test)]
mod tests {
    use super::*;

    fn handle(text: &str) -> Handle {
        Handle::try_from(text).unwrap()
    }

    #[test]
    fn a_listing_is_named_as_it_is_read() {
        let all = [
            ListingOf::All,
            ListingOf::Type(handle("sport-kites")),
            ListingOf::Tag(Tag::from("for: small/hands")),
        ];
        for of in all {
            assert_eq!(ListingOf::try_from(of.to_string()).unwrap(), of);
        }
        for bad in ["", "type:", "type:No Such", "tag:", "shelf:kites", "ALL"] {
            assert!(ListingOf::try_from(bad.to_owned()).is_err(), "{bad}");
        }
    }

    #[test]
    fn what_is_set_is_tidy_and_what_is_empty_again_leaves_nothing() {
        let mut listings = Listings::default();
        let of = ListingOf::Tag(Tag::from("new"));
        listings.set(&of, ListingChange::Title("  Just in ".into())).unwrap();
        listings.set(&of, ListingChange::Words("One.\r\n\r\n Two. \n".into())).unwrap();
        let twice = ["a", "b", "a"].map(handle).to_vec();
        listings.set(&of, ListingChange::First(twice)).unwrap();
        let own = listings.of(&of).unwrap();
        assert_eq!(own.title, "Just in");
        assert_eq!(own.paragraphs().collect::<Vec<_>>(), ["One.", "Two."]);
        assert_eq!((own.puts(&handle("b")), own.puts(&handle("c")), own.first.len()), (Some(1), None, 2));
        assert_eq!(listings.differences(&Listings::default()), 1);
        assert_eq!(
            listings.of(&ListingOf::Tag(Tag::from("NEW"))),
            Some(own),
            "a tag is one however it is written"
        );
        let kept = serde_json::to_value(&listings).unwrap();
        assert_eq!(serde_json::from_value::<Listings>(kept).unwrap(), listings);
        for change in [
            ListingChange::Title(String::new()),
            ListingChange::Words(" ".into()),
            ListingChange::First(vec![]),
        ] {
            listings.set(&of, change).unwrap();
        }
        assert_eq!(listings, Listings::default());
    }

    #[test]
    fn what_cant_be_is_refused_and_nothing_is_changed() {
        let mut listings = Listings::default();
        let many = (0..=MOST_FIRST).map(|n| handle(&format!("p{n}"))).collect();
        for bad in [
            ListingChange::Title("two\nlines".into()),
            ListingChange::Title("x".repeat(LONGEST_TITLE + 1)),
            ListingChange::Words("evil\u{202E}gpj".into()),
            ListingChange::First(many),
        ] {
            assert!(listings.set(&ListingOf::All, bad).is_err());
        }
        assert_eq!(listings, Listings::default());
    }

    #[test]
    fn places_in_it_have_names_that_an_owner_knows() {
        let called = |place: &str| Listings::default().called(place);
        assert_eq!(called("own/type:kites/words"), "the words above of the listing “kites”");
        assert_eq!(called("own/all/first"), "the products that come first of the listing of everything");
        assert_eq!(called("own/tag:a/b/order"), "the order of the listing “a/b”");
    }
}
