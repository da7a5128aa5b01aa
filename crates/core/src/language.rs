//! Languages.

use crate::money::Locale;
use serde::{Deserialize, Serialize};

/// A language that the shop can be read in.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Language {
    /// English.
    #[default]
    En,
    /// German.
    De,
}

impl Language {
    /// All of them.
    pub const ALL: [Self; 2] = [Self::En, Self::De];

    /// The tag of BCP 47.
    #[must_use]
    pub fn tag(self) -> &'static str {
        match self {
            Self::En => "en",
            Self::De => "de",
        }
    }
    /// The language of a tag, as in `de-AT`.
    #[must_use]
    pub fn from_tag(tag: &str) -> Option<Self> {
        Self::ALL.into_iter().find(|language| language.tag() == tag)
    }
    /// What its speakers call it.
    #[must_use]
    pub fn name(self) -> &'static str {
        match self {
            Self::En => "English",
            Self::De => "Deutsch",
        }
    }
    /// What an owner calls it.
    #[must_use]
    pub fn label(self) -> &'static str {
        match self {
            Self::En => "English",
            Self::De => "German",
        }
    }
    /// How numbers are written: as the shop does where it speaks this language.
    #[must_use]
    pub fn locale(self, shop: Locale) -> Locale {
        match (self, shop) {
            (Self::En, Locale::EnGb | Locale::EnUs) | (Self::De, Locale::DeDe) => shop,
            (Self::En, _) => Locale::EnGb,
            (Self::De, _) => Locale::DeDe,
        }
    }
}
