use serde::{Deserialize, Serialize};

/// How a shopper chooses among an option's values.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Way {
    /// Small pictures or colours.
    Swatches,
    /// Buttons with their names.
    #[default]
    Buttons,
    /// A list that opens.
    List,
    /// Round marks below one another.
    Radios,
    /// Not at all: on cards, which need not offer every choice.
    Nothing,
}

/// A way that isn’t known.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
#[error("“{0}” is no way to choose")]
pub struct UnknownWay(String);

impl Way {
    /// All of them.
    pub const ALL: [Self; 5] = [Self::Swatches, Self::Buttons, Self::List, Self::Radios, Self::Nothing];

    /// Its name in addresses and documents.
    #[must_use]
    pub fn as_str(self) -> &'static str {
        match self {
            Self::Swatches => "swatches",
            Self::Buttons => "buttons",
            Self::List => "list",
            Self::Radios => "radios",
            Self::Nothing => "nothing",
        }
    }
}

impl TryFrom<&str> for Way {
    type Error = UnknownWay;
    fn try_from(text: &str) -> Result<Self, UnknownWay> {
        Self::ALL.into_iter().find(|way| way.as_str() == text).ok_or_else(|| UnknownWay(text.to_owned()))
    }
}
