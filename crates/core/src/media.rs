//! Pictures as the shop knows them, and which sizes of each are made.

use crate::ids::ValueId;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// Widths in pixels in which every picture is kept, smallest first. A picture narrower than one of them is not
/// enlarged.
pub const WIDTHS: [u32; 3] = [320, 720, 1280];

/// A picture of a product.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Picture {
    /// The sizes in which it is kept, smallest first.
    pub sizes: Vec<PictureSize>,
    /// What it shows, for those who can't see it.
    pub alt: String,
    /// The option values that it belongs to; none means all of them.
    pub values: Vec<ValueId>,
}

/// One size of a picture, kept under the hash of its bytes.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PictureSize {
    pub hash: String,
    pub width: u32,
    pub height: u32,
}

/// A short film of the shop.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Film {
    /// The hash of its file, an MP4.
    pub hash: String,
    pub width: u32,
    pub height: u32,
    /// Shown until it runs.
    pub poster: Picture,
}

/// The shop's free pictures and films, by the names under which pieces refer to them.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct ShopMedia {
    pub pictures: BTreeMap<String, Picture>,
    pub films: BTreeMap<String, Film>,
}

impl Picture {
    /// The smallest size that is at least `width` pixels wide, or else the widest.
    #[must_use]
    pub fn at_least(&self, width: u32) -> Option<&PictureSize> {
        self.sizes.iter().find(|s| s.width >= width).or(self.sizes.last())
    }
    /// Whether it may be shown when these values are chosen: it belongs to none, or to one of them.
    #[must_use]
    pub fn belongs_to(&self, chosen: &[ValueId]) -> bool {
        self.values.is_empty() || self.values.iter().any(|v| chosen.contains(v))
    }
}

/// The widths to make from a picture that is `source` pixels wide, smallest first; never wider than the source.
#[must_use]
pub fn widths_to_make(source: u32) -> Vec<u32> {
    let mut widths: Vec<u32> = WIDTHS.into_iter().filter(|w| *w < source).collect();
    if widths.len() < WIDTHS.len() {
        widths.push(source);
    }
    widths
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_picture_is_never_enlarged() {
        assert_eq!(widths_to_make(2000), [320, 720, 1280]);
        assert_eq!(widths_to_make(1280), [320, 720, 1280]);
        assert_eq!(widths_to_make(900), [320, 720, 900]);
        assert_eq!(widths_to_make(200), [200]);
    }

    #[test]
    fn the_smallest_size_that_is_wide_enough_is_taken() {
        let size = |width| PictureSize { hash: format!("h{width}"), width, height: width };
        let picture = Picture { sizes: vec![size(320), size(720)], alt: String::new(), values: vec![] };
        assert_eq!(picture.at_least(300).unwrap().width, 320);
        assert_eq!(picture.at_least(500).unwrap().width, 720);
        assert_eq!(picture.at_least(5000).unwrap().width, 720);
        assert!(picture.belongs_to(&[]));
    }
}
