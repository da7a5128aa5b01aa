//! Files for those tests that put pictures in.

use image::{DynamicImage, ImageFormat, RgbImage, RgbaImage};
use std::io::Cursor;

/// A picture with something on it everywhere, so that it doesn't become too small a file.
#[must_use]
pub fn photograph(width: u32, height: u32, seed: u32) -> Vec<u8> {
    let pixel = |x: u32, y: u32| {
        let value = (x.wrapping_mul(31) ^ y.wrapping_mul(17)).wrapping_add(seed.wrapping_mul(101));
        image::Rgb([value.to_le_bytes()[0], (x / 8 + seed).to_le_bytes()[0], (y / 8).to_le_bytes()[0]])
    };
    encoded(&RgbImage::from_fn(width, height, pixel).into(), ImageFormat::Jpeg)
}

/// A round thing with nothing around it.
#[must_use]
pub fn cut_out(size: u32) -> Vec<u8> {
    let inside = |at: u32| i64::from(at) - i64::from(size / 2);
    let pixel = |x, y| {
        let round = inside(x).pow(2) + inside(y).pow(2) < i64::from(size / 3).pow(2);
        image::Rgba([200, 80, 40, if round { 255 } else { 0 }])
    };
    encoded(&RgbaImage::from_fn(size, size, pixel).into(), ImageFormat::Png)
}

fn encoded(picture: &DynamicImage, format: ImageFormat) -> Vec<u8> {
    let mut bytes = Cursor::new(vec![]);
    picture.write_to(&mut bytes, format).expect("a picture in memory");
    bytes.into_inner()
}

/// A PNG whose head claims to be so large.
#[must_use]
pub fn claims_to_be(width: u32, height: u32) -> Vec<u8> {
    let mut bytes = encoded(&RgbaImage::new(1, 1).into(), ImageFormat::Png);
    bytes[16..20].copy_from_slice(&width.to_be_bytes());
    bytes[20..24].copy_from_slice(&height.to_be_bytes());
    let sum = crc32fast::hash(&bytes[12..29]);
    bytes[29..33].copy_from_slice(&sum.to_be_bytes());
    bytes
}
