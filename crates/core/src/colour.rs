//! A colour as it is written, and how far two of them can be told apart: the contrast ratio of WCAG 2.2 (relative luminance
//! of sRGB colours).

use ::palette::{Clamp, IntoColor, Oklch, Srgb};
use serde::{Deserialize, Serialize};
use std::fmt;

/// An sRGB colour, written `#RRGGBB`.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(value_type = String, pattern = "^#[0-9A-F]{6}$"))]
#[serde(try_from = "String", into = "String")]
pub struct Colour(pub [u8; 3]);

/// A colour that can’t be read.
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

/// Whether a text is a colour as `#RRGGBB`.
#[must_use]
pub fn is_colour(text: &str) -> bool {
    text.len() == 7 && text.starts_with('#') && text[1..].bytes().all(|b| b.is_ascii_hexdigit())
}

fn channel(byte: u8) -> f64 {
    let share = f64::from(byte) / 255.0;
    if share <= 0.040_45 { share / 12.92 } else { ((share + 0.055) / 1.055).powf(2.4) }
}

fn luminance(colour: &str) -> Option<f64> {
    if !is_colour(colour) {
        return None;
    }
    let byte = |at: usize| u8::from_str_radix(&colour[at..at + 2], 16).ok().map(channel);
    Some(0.2126 * byte(1)? + 0.7152 * byte(3)? + 0.0722 * byte(5)?)
}

/// The contrast of two colours in hundredths, rounded down; 100 where one isn't a colour.
#[must_use]
pub fn contrast(a: &str, b: &str) -> u32 {
    let (Some(a), Some(b)) = (luminance(a), luminance(b)) else { return 100 };
    let ratio = (a.max(b) + 0.05) / (a.min(b) + 0.05);
    // Between 1 and 21, so it always fits.
    #[expect(clippy::cast_possible_truncation, clippy::cast_sign_loss)]
    let hundredths = (ratio * 100.0 + 1e-9) as u32;
    hundredths
}

/// The colour nearest to one that has so much contrast on a ground, in hundredths: of the same hue, darker or lighter,
/// whichever is less of a change (in Oklab, Ottosson 2020). None where neither black nor white would do, and where one of
/// the two is no colour.
#[must_use]
pub fn nearest_with_contrast(colour: &str, ground: &str, needed: u32) -> Option<Colour> {
    let [r, g, b] = Colour::try_from(colour).ok()?.0;
    Colour::try_from(ground).ok()?;
    let from: Oklch = Srgb::new(r, g, b).into_format::<f32>().into_color();
    let at = |lightness: f32| {
        // What is lighter or darker than the screen can show of a hue loses some of its colour.
        let shown: Srgb = Oklch::new(lightness, from.chroma, from.hue).into_color();
        let bytes: Srgb<u8> = shown.clamp().into_format();
        Colour([bytes.red, bytes.green, bytes.blue])
    };
    let holds = |lightness: f32| contrast(&at(lightness).to_string(), ground) >= needed;
    if holds(from.l) {
        return Some(at(from.l));
    }
    let towards = |end: f32| {
        let (mut near, mut far) = (from.l, end);
        if !holds(far) {
            return None;
        }
        for _ in 0..16 {
            let middle = f32::midpoint(near, far);
            if holds(middle) { far = middle } else { near = middle }
        }
        Some(far)
    };
    let both = [towards(0.0), towards(1.0)].into_iter().flatten();
    let nearest = both.min_by(|a, b| (a - from.l).abs().total_cmp(&(b - from.l).abs()));
    nearest.map(at)
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

    /// Worked examples of the WCAG: black on white is 21, and the two greys on either side of 4.5.
    #[test]
    fn known_pairs_have_their_known_contrast() {
        assert_eq!(contrast("#000000", "#FFFFFF"), 2100);
        assert_eq!(contrast("#FFFFFF", "#FFFFFF"), 100);
        assert_eq!(contrast("#767676", "#FFFFFF"), 454);
        assert_eq!(contrast("#777777", "#ffffff"), 447);
        assert_eq!(contrast("#FFFFFF", "#767676"), contrast("#767676", "#FFFFFF"));
        assert_eq!(contrast("red", "#FFFFFF"), 100);
    }

    #[test]
    fn the_nearest_colour_that_can_be_read_can_be_and_one_a_little_nearer_cannot() {
        for (colour, ground, needed) in [
            ("#DDA0DD", "#FFFFFF", 450),
            ("#DDA0DD", "#1D2A32", 450),
            ("#777777", "#FFFFFF", 450),
            ("#B8420F", "#1D2A32", 450),
            ("#FFE000", "#FFFFFF", 300),
            ("#0D6A6E", "#0D6A6E", 450),
        ] {
            let nearest = nearest_with_contrast(colour, ground, needed).unwrap().to_string();
            let is = contrast(&nearest, ground);
            assert!(
                (needed..needed + 12).contains(&is) || is == contrast(colour, ground),
                "{colour} {nearest} {is}"
            );
        }
        assert_eq!(nearest_with_contrast("#1D2A32", "#FFFFFF", 450).unwrap().to_string(), "#1D2A32");
        assert_eq!(
            nearest_with_contrast("#777777", "#777777", 1000),
            None,
            "neither black nor white would do"
        );
        assert_eq!(nearest_with_contrast("plum", "#FFFFFF", 450), None);
    }
}
