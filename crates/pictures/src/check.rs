//! What a file is, told by its bytes, and whether it may be decoded at all. Names and labels are never trusted.

use crate::refusal::Refusal;
use crate::svg;
use image::{ImageFormat, ImageReader};
use std::io::Cursor;

/// A picture with more pixels than this, or with a longer side, is refused before it is decoded.
pub const MOST_PIXELS: u64 = 60_000_000;
pub const MOST_SIDE: u32 = 16_000;

/// Kinds of pictures that are taken.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Kind {
    Jpeg,
    Png,
    WebP,
    Svg,
}

impl Kind {
    #[must_use]
    pub fn name(self) -> &'static str {
        match self {
            Self::Jpeg => "JPEG",
            Self::Png => "PNG",
            Self::WebP => "WebP",
            Self::Svg => "SVG",
        }
    }

    fn of_ending(file: &str) -> Option<Self> {
        match file.rsplit_once('.')?.1.to_ascii_lowercase().as_str() {
            "jpg" | "jpeg" | "jpe" | "jfif" => Some(Self::Jpeg),
            "png" => Some(Self::Png),
            "webp" => Some(Self::WebP),
            "svg" => Some(Self::Svg),
            _ => None,
        }
    }
}

/// What can be said of a picture without decoding it.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Facts {
    pub kind: Kind,
    /// In pixels; a drawing has none of its own.
    pub size: Option<(u32, u32)>,
}

/// Tells what a picture is and whether it may be decoded. `file` is the name that it came with.
pub fn look(file: &str, bytes: &[u8]) -> Result<Facts, Refusal> {
    if bytes.is_empty() {
        return Err(Refusal::Empty);
    }
    let kind = kind_of(bytes).ok_or(Refusal::Unknown)?;
    if let Some(named) = Kind::of_ending(file).filter(|named| *named != kind) {
        return Err(Refusal::Mislabelled { named: named.name(), is: kind.name() });
    }
    if kind == Kind::Svg {
        svg::check(bytes)?;
        return Ok(Facts { kind, size: None });
    }
    let (width, height) = size_of(bytes)?;
    if width > MOST_SIDE || height > MOST_SIDE || u64::from(width) * u64::from(height) > MOST_PIXELS {
        return Err(Refusal::TooLarge { width, height });
    }
    Ok(Facts { kind, size: Some((width, height)) })
}

fn kind_of(bytes: &[u8]) -> Option<Kind> {
    match image::guess_format(bytes) {
        Ok(ImageFormat::Jpeg) => return Some(Kind::Jpeg),
        Ok(ImageFormat::Png) => return Some(Kind::Png),
        Ok(ImageFormat::WebP) => return Some(Kind::WebP),
        Ok(_) => return None,
        Err(_) => {}
    }
    let start = std::str::from_utf8(&bytes[..bytes.len().min(2000)]).or_else(|cut| {
        // A letter may be cut in two at the end of what is looked at.
        std::str::from_utf8(&bytes[..cut.valid_up_to()])
    });
    start.is_ok_and(|text| text.contains("<svg")).then_some(Kind::Svg)
}

fn size_of(bytes: &[u8]) -> Result<(u32, u32), Refusal> {
    let reader = ImageReader::new(Cursor::new(bytes)).with_guessed_format();
    let reader = reader.map_err(|error| Refusal::Damaged(error.to_string()))?;
    reader.into_dimensions().map_err(|error| Refusal::Damaged(error.to_string()))
}

/// Films that are taken; they are kept as they come.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum FilmKind {
    Mp4,
    WebM,
}

/// What film a file is, by its first bytes.
#[must_use]
pub fn film_kind(bytes: &[u8]) -> Option<FilmKind> {
    if bytes.get(4..8) == Some(b"ftyp") && bytes.get(8..12) != Some(b"avif") {
        Some(FilmKind::Mp4)
    } else if bytes.starts_with(&[0x1A, 0x45, 0xDF, 0xA3]) {
        Some(FilmKind::WebM)
    } else {
        None
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use image::{DynamicImage, RgbaImage};

    fn encoded(width: u32, height: u32, format: ImageFormat) -> Vec<u8> {
        let mut bytes = Cursor::new(vec![]);
        let picture = DynamicImage::from(RgbaImage::new(width, height));
        let picture = if format == ImageFormat::Jpeg { picture.to_rgb8().into() } else { picture };
        picture.write_to(&mut bytes, format).unwrap();
        bytes.into_inner()
    }

    /// A PNG's head that claims to be so large; nothing of it is there.
    fn claims(width: u32, height: u32) -> Vec<u8> {
        let mut bytes = encoded(1, 1, ImageFormat::Png);
        bytes[16..20].copy_from_slice(&width.to_be_bytes());
        bytes[20..24].copy_from_slice(&height.to_be_bytes());
        let crc = crc32(&bytes[12..29]);
        bytes[29..33].copy_from_slice(&crc.to_be_bytes());
        bytes
    }

    fn crc32(bytes: &[u8]) -> u32 {
        !bytes.iter().fold(!0u32, |crc, byte| {
            (0..8)
                .fold(crc ^ u32::from(*byte), |c, _| if c & 1 == 1 { (c >> 1) ^ 0xEDB8_8320 } else { c >> 1 })
        })
    }

    #[test]
    fn a_picture_is_told_by_its_bytes() {
        let png = encoded(30, 20, ImageFormat::Png);
        assert_eq!(look("a.PNG", &png), Ok(Facts { kind: Kind::Png, size: Some((30, 20)) }));
        assert_eq!(look("without ending", &png).unwrap().kind, Kind::Png);
        assert_eq!(look("a.jpeg", &encoded(3, 2, ImageFormat::Jpeg)).unwrap().kind, Kind::Jpeg);
    }

    #[test]
    fn a_picture_under_another_name_and_what_is_none_are_refused() {
        let jpeg = encoded(3, 2, ImageFormat::Jpeg);
        assert_eq!(look("a.png", &jpeg), Err(Refusal::Mislabelled { named: "PNG", is: "JPEG" }));
        assert_eq!(look("a.png", b"dear diary"), Err(Refusal::Unknown));
        assert_eq!(look("a.png", b""), Err(Refusal::Empty));
        assert_eq!(look("a.gif", b"GIF89a\x01\x00\x01\x00"), Err(Refusal::Unknown));
    }

    #[test]
    fn a_picture_that_would_fill_the_memory_is_refused_by_its_head() {
        assert_eq!(
            look("a.png", &claims(30_000, 30_000)),
            Err(Refusal::TooLarge { width: 30_000, height: 30_000 })
        );
        assert!(look("a.png", &claims(4_294_967_295, 1)).is_err());
        assert!(look("a.png", &claims(7_000, 8_000)).is_ok());
        assert!(matches!(look("a.png", &claims(0, 10)), Err(Refusal::Damaged(_))));
    }

    #[test]
    fn films_are_told_by_their_bytes() {
        assert_eq!(film_kind(b"\0\0\0\x20ftypisom...."), Some(FilmKind::Mp4));
        assert_eq!(film_kind(&[0x1A, 0x45, 0xDF, 0xA3, 1]), Some(FilmKind::WebM));
        assert_eq!(film_kind(b"\0\0\0\x20ftypavif...."), None);
        assert_eq!(film_kind(b"RIFF"), None);
    }
}
