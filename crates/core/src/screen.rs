//! The screens that pages are laid for.

use serde::{Deserialize, Serialize};

/// The screens that a page is laid for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Device {
    /// Wide screens.
    Wide,
    /// Tablets.
    Tablet,
    /// Phones.
    Phone,
}

impl Device {
    /// All of them, the widest first.
    pub const ALL: [Self; 3] = [Self::Wide, Self::Tablet, Self::Phone];

    /// Itself and the wider screens, whose values it takes until it has its own; the nearest first.
    #[must_use]
    pub fn and_wider(self) -> &'static [Self] {
        match self {
            Self::Wide => &[Self::Wide],
            Self::Tablet => &[Self::Tablet, Self::Wide],
            Self::Phone => &[Self::Phone, Self::Tablet, Self::Wide],
        }
    }
}
