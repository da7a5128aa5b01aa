//! A colour as it is written, and how far it stands out from its ground.

use crate::style::contrast;
use serde::{Deserialize, Serialize};
use std::fmt;

/// An sRGB colour, written `#RRGGBB`.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(value_type = String, pattern = "^#[0-9A-F]{6}$"))]
#[serde(try_from = "String", into = "String")]
pub struct Colour(pub [u8; 3]);

#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
#[error("“{0}” is no colour; write it as #RRGGBB")]
pub struct BadColour(pub String);

impl fmt::Display for Colour {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let [r, g, b] = self.0;
        write!(f, "#{r:02X}{g:02X}{b:02X}")
    }
}

impl TryFrom<&str> for Colour {
    type Error = BadColour;
    /// Takes `#RGB` too.
    fn try_from(text: &str) -> Result<Self, BadColour> {
        let bad = || BadColour(text.chars().take(40).collect());
        let digits = text.strip_prefix('#').ok_or_else(bad)?;
        if !digits.bytes().all(|b| b.is_ascii_hexdigit()) {
            return Err(bad());
        }
        let long = match digits.len() {
            6 => digits.to_owned(),
            3 => digits.chars().flat_map(|c| [c, c]).collect(),
            _ => return Err(bad()),
        };
        let byte = |at: usize| u8::from_str_radix(&long[at..at + 2], 16).map_err(|_| bad());
        Ok(Self([byte(0)?, byte(2)?, byte(4)?]))
    }
}

impl TryFrom<String> for Colour {
    type Error = BadColour;
    fn try_from(text: String) -> Result<Self, BadColour> {
        Self::try_from(text.as_str())
    }
}

impl From<Colour> for String {
    fn from(colour: Colour) -> Self {
        colour.to_string()
    }
}

/// The contrast, in hundredths, under which a swatch can't be told from its ground without a ring.
pub const PALE: u32 = 150;

/// Whether any of a swatch's colours is lost on the ground.
#[must_use]
pub fn is_pale(colours: &[Colour], ground: &str) -> bool {
    colours.iter().any(|colour| contrast(&colour.to_string(), ground) < PALE)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_colour_is_read_in_both_spellings_and_written_in_one() {
        assert_eq!(Colour::try_from("#f80").unwrap().to_string(), "#FF8800");
        assert_eq!(Colour::try_from("#d7512b").unwrap().to_string(), "#D7512B");
        for bad in ["", "#", "red", "#12", "#12345", "#12345g", "#+12345", "12345678", "#ééé"] {
            assert!(Colour::try_from(bad).is_err(), "{bad}");
        }
    }

    #[test]
    fn white_on_white_is_pale_and_on_ink_is_not() {
        let white = [Colour([255, 255, 255])];
        assert!(is_pale(&white, "#FFFFFF") && is_pale(&white, "#F3EFE6"));
        assert!(!is_pale(&white, "#1D2A32"));
        assert!(is_pale(&[Colour([20, 80, 92]), white[0]], "#FFFFFF"), "one pale slice is enough");
    }
}
