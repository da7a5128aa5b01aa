//! A small square cut from a picture, and the colour that it has most of: for swatches.

use crate::make::{Encoded, encode};
use crate::pixels::Pixels;
use crate::refusal::PictureError;
use fast_image_resize::images::Image;
use fast_image_resize::{PixelType, ResizeOptions, Resizer};
use std::collections::BTreeMap;

/// Pixels on each side of a swatch: the largest step on a screen of three pixels to one.
const SIDE: u32 = 168;

/// The share of the shorter side, in hundredths, that a close cut shows.
const CLOSE: u32 = 14;

/// How much of a picture is cut out.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Cut {
    /// As much as fits: the file is a picture of the swatch.
    Whole,
    /// The cloth around the point only: the file is a picture of the product.
    Close,
}

/// A square of a picture.
pub struct Square {
    pub encoded: Encoded,
    /// Whether parts of it can be seen through.
    pub cut_out: bool,
    /// The colour that most of what can be seen has; none where nothing can be seen.
    pub colour: Option<[u8; 3]>,
}

/// Cuts a square around a point, given in thousandths from the left and from the top, as near as the edges let it.
pub fn square(source: &Pixels, point: (u16, u16), cut: Cut) -> Result<Square, PictureError> {
    let source = &source.0;
    let shorter = source.width().min(source.height());
    let side = match cut {
        Cut::Whole => shorter,
        Cut::Close => (shorter * CLOSE / 100).max(1),
    };
    let from = |whole: u32, at: u16| {
        let middle = f64::from(whole) * f64::from(at.min(1000)) / 1000.0;
        (middle - f64::from(side) / 2.0).clamp(0.0, f64::from(whole - side))
    };
    let (left, top) = (from(source.width(), point.0), from(source.height(), point.1));
    let mut target = Image::new(SIDE.min(side), SIDE.min(side), PixelType::U8x4);
    let options = ResizeOptions::new().crop(left, top, f64::from(side), f64::from(side));
    Resizer::new()
        .resize(source, &mut target, &options)
        .map_err(|error| PictureError::Resize(error.to_string()))?;
    let cut_out = target.buffer().chunks_exact(4).any(|pixel| pixel[3] < 250);
    Ok(Square { encoded: encode(&target)?, cut_out, colour: commonest(target.buffer()) })
}

/// The average of the commonest of 512 kinds of colour.
fn commonest(pixels: &[u8]) -> Option<[u8; 3]> {
    let mut kinds: BTreeMap<[u8; 3], (u32, [u32; 3])> = BTreeMap::new();
    for pixel in pixels.chunks_exact(4).filter(|pixel| pixel[3] >= 250) {
        let rgb = [pixel[0], pixel[1], pixel[2]];
        let (count, sums) = kinds.entry(rgb.map(|channel| channel >> 5)).or_default();
        *count += 1;
        for (sum, channel) in sums.iter_mut().zip(rgb) {
            *sum += u32::from(channel);
        }
    }
    let (count, sums) = kinds.into_values().max_by_key(|(count, _)| *count)?;
    Some(sums.map(|sum| u8::try_from(sum / count).unwrap_or(u8::MAX)))
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::decode;
    use image::{DynamicImage, ImageFormat, Rgba, RgbaImage};
    use std::io::Cursor;

    fn png(picture: RgbaImage) -> Pixels {
        let mut bytes = Cursor::new(vec![]);
        DynamicImage::from(picture).write_to(&mut bytes, ImageFormat::Png).unwrap();
        decode(&bytes.into_inner()).unwrap()
    }

    /// Red on the left, blue on the right, wide.
    fn halves() -> Pixels {
        png(RgbaImage::from_fn(800, 300, |x, _| {
            if x < 400 { Rgba([200, 30, 20, 255]) } else { Rgba([10, 40, 190, 255]) }
        }))
    }

    #[test]
    fn the_square_lies_around_the_point_and_stays_within_the_picture() {
        for (point, cut, colour) in [
            ((0, 0), Cut::Whole, [200, 30, 20]),
            ((1000, 1000), Cut::Whole, [10, 40, 190]),
            ((300, 500), Cut::Close, [200, 30, 20]),
            ((700, 500), Cut::Close, [10, 40, 190]),
        ] {
            let made = square(&halves(), point, cut).unwrap();
            assert_eq!(made.colour, Some(colour), "{point:?}");
            let side = if cut == Cut::Whole { 168 } else { 42 };
            assert_eq!((made.encoded.width, made.encoded.height), (side, side));
            assert!(!made.cut_out);
        }
    }

    #[test]
    fn a_small_picture_is_not_blown_up_and_what_cannot_be_seen_has_no_colour() {
        let made =
            square(&png(RgbaImage::from_pixel(20, 30, Rgba([9, 9, 9, 0]))), (500, 500), Cut::Whole).unwrap();
        assert_eq!((made.encoded.width, made.encoded.height), (20, 20));
        assert_eq!((made.cut_out, made.colour), (true, None));
    }
}
