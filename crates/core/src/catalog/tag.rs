use crate::limits::is_unseen;
use serde::{Deserialize, Serialize};
use std::hash::{Hash, Hasher};

/// A word by which products are found and reached. Capitals don't matter: two tags that differ only in them are one.
#[derive(Debug, Clone, Default, Serialize, Deserialize)]
#[serde(from = "String", into = "String")]
pub struct Tag {
    text: String,
    folded: String,
}

/// Characters of a tag, at the most.
pub const LONGEST_TAG: usize = 60;

impl Tag {
    /// Whether it has a text of fitting length in which everything can be seen.
    #[must_use]
    pub fn is_sound(&self) -> bool {
        (1..=LONGEST_TAG).contains(&self.text.chars().count()) && !self.text.chars().any(is_unseen)
    }

    /// As it was written.
    #[must_use]
    pub fn as_str(&self) -> &str {
        &self.text
    }
}

impl From<String> for Tag {
    fn from(text: String) -> Self {
        let text = text.trim().to_owned();
        Self { folded: text.to_lowercase(), text }
    }
}
impl From<&str> for Tag {
    fn from(text: &str) -> Self {
        text.to_owned().into()
    }
}
impl From<Tag> for String {
    fn from(tag: Tag) -> Self {
        tag.text
    }
}
impl std::fmt::Display for Tag {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        self.text.fmt(f)
    }
}
impl PartialEq for Tag {
    fn eq(&self, other: &Self) -> bool {
        self.folded == other.folded
    }
}
impl PartialEq<&str> for Tag {
    fn eq(&self, other: &&str) -> bool {
        self.folded == other.trim().to_lowercase()
    }
}
impl Eq for Tag {}
impl PartialOrd for Tag {
    fn partial_cmp(&self, other: &Self) -> Option<std::cmp::Ordering> {
        Some(self.cmp(other))
    }
}
impl Ord for Tag {
    fn cmp(&self, other: &Self) -> std::cmp::Ordering {
        self.folded.cmp(&other.folded)
    }
}
impl Hash for Tag {
    fn hash<H: Hasher>(&self, state: &mut H) {
        self.folded.hash(state);
    }
}

#[cfg(feature = "schema")]
impl utoipa::PartialSchema for Tag {
    fn schema() -> utoipa::openapi::RefOr<utoipa::openapi::schema::Schema> {
        <String as utoipa::PartialSchema>::schema()
    }
}
#[cfg(feature = "schema")]
impl utoipa::ToSchema for Tag {}
