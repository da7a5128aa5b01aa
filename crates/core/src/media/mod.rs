//! Pictures as the shop knows them, and which sizes of each are made and loaded.

mod address;
mod crop;
mod plan;

pub use address::{address, file_name, is_file_name};
pub use crop::Crop;
pub use plan::{PLAN, Room, Rooms, WIDTHS, load_of, widths_to_make};

use crate::ids::ValueId;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// A picture of a product or of the shop, or what a film shows until it runs.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Picture {
    /// The sizes in which it is kept, smallest first.
    pub sizes: Vec<PictureSize>,
    /// What it shows, for those who can't see it.
    pub alt: String,
    /// The option values that it belongs to; none means all of them.
    pub values: Vec<ValueId>,
    /// What must stay in sight where it is cropped.
    #[serde(default)]
    pub focus: Focus,
    /// Whether parts of it can be seen through, as in a picture of something cut out.
    #[serde(default)]
    pub cut_out: bool,
    /// The film that it stands for.
    #[serde(default)]
    pub film: Option<FilmFile>,
}

/// One size of a picture, kept under the hash of its bytes.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PictureSize {
    /// The hash of its file.
    pub hash: String,
    /// Its width in pixels.
    pub width: u32,
    /// Its height in pixels.
    pub height: u32,
    /// How many bytes a browser loads for it.
    #[serde(default)]
    pub bytes: u32,
}

impl PictureSize {
    /// Where it is found.
    #[must_use]
    pub fn address(&self) -> String {
        address(&self.hash)
    }
}

/// A place in a picture, in thousandths of its width from the left and of its height from the top.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Focus {
    /// From the left, in thousandths.
    pub x: u16,
    /// From the top, in thousandths.
    pub y: u16,
}

impl Default for Focus {
    fn default() -> Self {
        Self { x: 500, y: 500 }
    }
}

impl Focus {
    /// Whether it lies in the picture.
    #[must_use]
    pub fn is_inside(self) -> bool {
        self.x <= 1000 && self.y <= 1000
    }
}

/// A film as it is kept: MP4 or WebM, as it came.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FilmFile {
    /// The hash of the file.
    pub hash: String,
    /// Its width in pixels.
    pub width: u32,
    /// Its height in pixels.
    pub height: u32,
}

/// A short film of the shop.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Film {
    /// The hash of its file, an MP4.
    pub hash: String,
    /// Its width in pixels.
    pub width: u32,
    /// Its height in pixels.
    pub height: u32,
    /// Shown until it runs.
    pub poster: Picture,
}

/// The shop's free pictures and films, by the names under which pieces refer to them.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct ShopMedia {
    /// Pictures by their names.
    pub pictures: BTreeMap<String, Picture>,
    /// Films by their names.
    pub films: BTreeMap<String, Film>,
}

impl Picture {
    /// The smallest size that is at least `width` pixels wide, or else the widest.
    #[must_use]
    pub fn at_least(&self, width: u32) -> Option<&PictureSize> {
        self.sizes.iter().find(|s| s.width >= width).or(self.sizes.last())
    }
    /// The largest of its sizes.
    #[must_use]
    pub fn largest(&self) -> Option<&PictureSize> {
        self.sizes.last()
    }
    /// Whether it may be shown when these values are chosen: it belongs to none, or to one of them.
    #[must_use]
    pub fn belongs_to(&self, chosen: &[ValueId]) -> bool {
        self.values.is_empty() || self.values.iter().any(|v| chosen.contains(v))
    }
    /// Width and height, as far as they are known; a film's own.
    #[must_use]
    pub fn ratio(&self) -> (u32, u32) {
        let film = self.film.as_ref().map(|film| (film.width, film.height));
        film.or(self.largest().map(|size| (size.width, size.height))).unwrap_or((1, 1))
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_smallest_size_that_is_wide_enough_is_taken() {
        let size = |width| PictureSize { hash: format!("h{width}"), width, height: width, bytes: 1 };
        let picture = Picture { sizes: vec![size(320), size(720)], ..Picture::default() };
        assert_eq!(picture.at_least(300).unwrap().width, 320);
        assert_eq!(picture.at_least(500).unwrap().width, 720);
        assert_eq!(picture.at_least(5000).unwrap().width, 720);
        assert!(picture.belongs_to(&[]));
        assert_eq!(picture.ratio(), (720, 720));
    }

    #[test]
    fn what_was_kept_before_focus_and_films_were_known_is_still_read() {
        let old = r#"{"sizes":[{"hash":"a","width":3,"height":2}],"alt":"A kite","values":[]}"#;
        let picture: Picture = serde_json::from_str(old).unwrap();
        assert_eq!((picture.focus, picture.cut_out, picture.film), (Focus { x: 500, y: 500 }, false, None));
    }
}
