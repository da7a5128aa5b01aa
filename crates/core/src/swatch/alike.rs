//! Swatches that a shopper can't tell apart, also with eyes that see fewer colours.
//!
//! The difference is CIEDE2000 (ISO/CIE 11664-6). Colour vision without one kind of cone is simulated by the matrices of
//! Machado, Oliveira and Fernandes (2009), at full severity, on linear RGB.

use super::{Colour, Swatch};
use crate::ids::ValueId;
use ::palette::color_difference::Ciede2000;
use ::palette::{IntoColor, Lab, LinSrgb, Srgb};
use serde::{Deserialize, Serialize};

/// Differences under this, in tenths, are too small for swatches that don't touch: 1 is about what can be seen where two
/// colours do.
pub const TOO_CLOSE: u32 = 40;

/// Whose eyes.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Eyes {
    /// Whoever sees all colours.
    Most,
    /// Without cones for red (protanopia).
    NoRed,
    /// Without cones for green (deuteranopia).
    NoGreen,
    /// Without cones for blue (tritanopia).
    NoBlue,
}

const ALL_EYES: [Eyes; 4] = [Eyes::Most, Eyes::NoRed, Eyes::NoGreen, Eyes::NoBlue];

type Matrix = [[f64; 3]; 3];
const NO_RED: Matrix = [
    [0.152_286, 1.052_583, -0.204_868],
    [0.114_503, 0.786_281, 0.099_216],
    [-0.003_882, -0.048_116, 1.051_998],
];
const NO_GREEN: Matrix = [
    [0.367_322, 0.860_646, -0.227_968],
    [0.280_085, 0.672_501, 0.047_413],
    [-0.011_820, 0.042_940, 0.968_881],
];
const NO_BLUE: Matrix = [
    [1.255_528, -0.076_749, -0.178_779],
    [-0.078_411, 0.930_809, 0.147_602],
    [0.004_733, 0.691_367, 0.303_900],
];

/// Two values whose swatches are too close.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Alike {
    /// The one value.
    pub first: ValueId,
    /// The other value.
    pub second: ValueId,
    /// Whose eyes can't tell them apart; those of most people before others.
    pub eyes: Eyes,
    /// CIEDE2000 in tenths, rounded down, of their most different slices.
    pub difference: u32,
}

/// Pairs of values with as many colours each, all of which are too close. A pair is told once, for most eyes if they
/// can't tell it apart, or else for the others that can't.
#[must_use]
pub fn alike(values: &[(ValueId, &Swatch)]) -> Vec<Alike> {
    let seen: Vec<(ValueId, Vec<Vec<Lab>>)> = values
        .iter()
        .filter_map(|(id, swatch)| match swatch {
            Swatch::Colours { colours } => {
                let by_eyes = |eyes: &Eyes| colours.iter().map(|colour| lab(*colour, *eyes)).collect();
                Some((*id, ALL_EYES.iter().map(by_eyes).collect()))
            }
            _ => None,
        })
        .collect();
    let mut pairs = Vec::new();
    for (place, (first, a)) in seen.iter().enumerate() {
        for (second, b) in &seen[place + 1..] {
            let close = ALL_EYES.iter().zip(a.iter().zip(b)).find_map(|(eyes, (a, b))| {
                let difference = tenths(a, b)?;
                (difference < TOO_CLOSE).then_some((*eyes, difference))
            });
            if let Some((eyes, difference)) = close {
                pairs.push(Alike { first: *first, second: *second, eyes, difference });
            }
        }
    }
    pairs
}

/// The largest difference of slices in the same place; none where they are of different numbers.
fn tenths(a: &[Lab], b: &[Lab]) -> Option<u32> {
    if a.len() != b.len() {
        return None;
    }
    let largest = a.iter().zip(b).map(|(a, b)| a.difference(*b)).fold(0.0, f32::max);
    // Between 0 and some 120.
    #[expect(clippy::cast_possible_truncation, clippy::cast_sign_loss)]
    let tenths = (largest * 10.0) as u32;
    Some(tenths)
}

fn lab(colour: Colour, eyes: Eyes) -> Lab {
    let [red, green, blue] = colour.0;
    let linear: LinSrgb<f64> = Srgb::new(red, green, blue).into_linear();
    let matrix = match eyes {
        Eyes::Most => None,
        Eyes::NoRed => Some(NO_RED),
        Eyes::NoGreen => Some(NO_GREEN),
        Eyes::NoBlue => Some(NO_BLUE),
    };
    let seen = matrix.map_or(linear, |matrix| {
        let row =
            |r: [f64; 3]| (r[0] * linear.red + r[1] * linear.green + r[2] * linear.blue).clamp(0.0, 1.0);
        let [red, green, blue] = matrix.map(row);
        LinSrgb::new(red, green, blue)
    });
    let seen: LinSrgb<f32> = seen.into_format();
    seen.into_color()
}

#[cfg(test)]
mod tests {
    use super::*;

    fn swatch(colours: &[&str]) -> Swatch {
        Swatch::Colours { colours: colours.iter().map(|c| Colour::try_from(*c).unwrap()).collect() }
    }

    fn pairs(swatches: &[Swatch]) -> Vec<Alike> {
        let ids = (1..).map(ValueId);
        alike(&ids.zip(swatches).collect::<Vec<_>>())
    }

    #[test]
    fn two_greys_that_hardly_differ_are_named_with_the_figure() {
        let found = pairs(&[swatch(&["#5B6770"]), swatch(&["#596872"]), swatch(&["#D7512B"])]);
        assert_eq!(found.len(), 1);
        assert_eq!((found[0].first, found[0].second, found[0].eyes), (ValueId(1), ValueId(2), Eyes::Most));
        assert!((8..25).contains(&found[0].difference), "{}", found[0].difference);
    }

    /// A red and a green of the same lightness, which most eyes tell apart at once.
    #[test]
    fn a_red_and_a_green_are_alike_to_eyes_without_green_cones() {
        let pair = [swatch(&["#B5651D"]), swatch(&["#7C7A1C"])];
        let found = pairs(&pair);
        assert!(found.iter().all(|pair| pair.eyes != Eyes::Most), "{found:?}");
        assert_eq!(found.len(), 1, "{found:?}");
    }

    #[test]
    fn slices_texts_and_pictures_are_not_mistaken_for_each_other() {
        let hash = "a".repeat(64);
        let all = [
            swatch(&["#14505C", "#F2B35E"]),
            swatch(&["#14505C"]),
            swatch(&["#14505C", "#FFFFFF"]),
            Swatch::Text,
            Swatch::Text,
            Swatch::of_picture(&hash),
            Swatch::of_picture(&hash),
        ];
        assert!(pairs(&all).is_empty());
        assert_eq!(pairs(&[swatch(&["#14505C", "#F2B35E"]), swatch(&["#14505D", "#F2B35F"])]).len(), 1);
    }

    /// The pairs 1, 9 and 17 of the published test data (Sharma, Wu and Dalal 2005).
    #[test]
    fn the_difference_is_that_of_the_published_examples() {
        let lab = |l: f32, a: f32, b: f32| -> Lab { Lab::new(l, a, b) };
        for (one, two, published) in [
            (lab(50.0, 2.6772, -79.7751), lab(50.0, 0.0, -82.7485), 2.0425),
            (lab(50.0, 2.49, -0.001), lab(50.0, -2.49, 0.0009), 7.1792),
            (lab(50.0, 2.5, 0.0), lab(73.0, 25.0, -18.0), 27.1492),
        ] {
            let measured: f32 = one.difference(two);
            assert!((measured - published).abs() < 0.001, "{measured} for {published}");
        }
    }
}
