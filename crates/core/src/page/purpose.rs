use serde::{Deserialize, Serialize};

/// What a layout composes.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Purpose {
    /// The page on which a product is sold.
    #[default]
    Page,
    /// The card on which it stands in listings.
    Card,
}

impl Purpose {
    /// Its name in documents and addresses.
    #[must_use]
    pub fn key(self) -> &'static str {
        match self {
            Self::Page => "page",
            Self::Card => "card",
        }
    }

    /// What an owner calls it.
    #[must_use]
    pub fn label(self) -> &'static str {
        self.key()
    }

    pub(crate) fn is_page(&self) -> bool {
        *self == Self::Page
    }
}
