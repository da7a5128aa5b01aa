//! The sizes of a picture.

use crate::check::look;
use crate::pixels::Pixels;
use crate::refusal::{PictureError, Refusal};
use crate::{Kind, hash, svg};
use fast_image_resize::images::Image;
use fast_image_resize::{PixelType, ResizeOptions, Resizer};
use image::{DynamicImage, ImageDecoder, ImageReader};
use std::io::Cursor;

/// Quality of the WebP files, of 100.
const QUALITY: f32 = 82.0;

/// A picture in one size, ready to be kept.
pub struct Encoded {
    pub bytes: Vec<u8>,
    pub hash: String,
    pub width: u32,
    pub height: u32,
}

/// A picture in all its sizes, smallest first.
pub struct Made {
    pub sizes: Vec<Encoded>,
    /// Whether parts of it can be seen through.
    pub cut_out: bool,
}

/// Makes the sizes of a picture; `widths` tells which, from its own width.
pub fn make(source: &Pixels, widths: impl Fn(u32) -> Vec<u32>) -> Result<Made, PictureError> {
    sizes_of(&source.0, &widths(source.width()))
}

/// The pixels of a photograph, from its first to its last.
///
/// # Errors
/// Where it isn't taken, or is damaged; [`Refusal::Unknown`] for a drawing, which has no pixels.
pub fn decode(bytes: &[u8]) -> Result<Pixels, PictureError> {
    match look("", bytes)?.kind {
        Kind::Svg => Err(Refusal::Unknown.into()),
        Kind::Jpeg | Kind::Png | Kind::WebP => as_pixels(decode_turned(bytes)?).map(Pixels),
    }
}

/// Draws an SVG of our own at the widest of `widths` and makes every width from it.
pub fn draw(svg: &str, widths: &[u32]) -> Result<Made, PictureError> {
    let widest = widths.iter().copied().max().unwrap_or(1);
    sizes_of(&svg::rasterise_at(svg.as_bytes(), widest)?.0, widths)
}

fn sizes_of(source: &Image<'static>, widths: &[u32]) -> Result<Made, PictureError> {
    let cut_out = source.buffer().chunks_exact(4).any(|pixel| pixel[3] < 250);
    let sizes: Result<Vec<_>, PictureError> =
        widths.iter().map(|width| encode(&resize(source, *width)?)).collect();
    Ok(Made { sizes: sizes?, cut_out })
}

/// A JPEG that was cut off is decoded without complaint, grey from there on. A whole one ends its last scan with a
/// marker.
fn is_cut_off(bytes: &[u8]) -> bool {
    let last = |marker: u8| bytes.windows(2).rposition(|pair| pair == [0xFF, marker]);
    bytes.starts_with(&[0xFF, 0xD8]) && last(0xD9) < last(0xDA)
}

/// Decodes it and turns it as its camera was held.
fn decode_turned(bytes: &[u8]) -> Result<DynamicImage, Refusal> {
    let damaged = |error: &dyn std::fmt::Display| Refusal::Damaged(error.to_string());
    if is_cut_off(bytes) {
        return Err(damaged(&"it ends in the middle"));
    }
    let reader = ImageReader::new(Cursor::new(bytes)).with_guessed_format().map_err(|e| damaged(&e))?;
    let mut decoder = reader.into_decoder().map_err(|e| damaged(&e))?;
    let turned = decoder.orientation().map_err(|e| damaged(&e))?;
    let mut picture = DynamicImage::from_decoder(decoder).map_err(|e| damaged(&e))?;
    picture.apply_orientation(turned);
    Ok(picture)
}

fn as_pixels(picture: DynamicImage) -> Result<Image<'static>, PictureError> {
    let pixels = picture.into_rgba8();
    let (width, height) = pixels.dimensions();
    Image::from_vec_u8(width, height, pixels.into_raw(), PixelType::U8x4)
        .map_err(|e| PictureError::Resize(e.to_string()))
}

fn resize(source: &Image<'static>, width: u32) -> Result<Image<'static>, PictureError> {
    let height = (u64::from(source.height()) * u64::from(width)).div_ceil(u64::from(source.width()));
    let mut target = Image::new(width, u32::try_from(height).unwrap_or(1).max(1), PixelType::U8x4);
    Resizer::new()
        .resize(source, &mut target, &ResizeOptions::new())
        .map_err(|e| PictureError::Resize(e.to_string()))?;
    Ok(target)
}

pub(crate) fn encode(picture: &Image<'_>) -> Result<Encoded, PictureError> {
    let (width, height) = (picture.width(), picture.height());
    let bytes = webp::Encoder::from_rgba(picture.buffer(), width, height)
        .encode_simple(false, QUALITY)
        .map_err(|_| PictureError::Encode)?
        .to_vec();
    Ok(Encoded { hash: hash(&bytes), bytes, width, height })
}

#[cfg(test)]
mod tests {
    use super::*;
    use image::{ImageFormat, RgbImage, Rgba, RgbaImage};

    const SVG: &str = r##"<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 30"><rect width="40" height="30" fill="#D7512B"/></svg>"##;

    fn encoded(picture: &DynamicImage, format: ImageFormat) -> Vec<u8> {
        let mut bytes = Cursor::new(vec![]);
        picture.write_to(&mut bytes, format).unwrap();
        bytes.into_inner()
    }

    fn noise(width: u32, height: u32) -> DynamicImage {
        RgbImage::from_fn(width, height, |x, y| image::Rgb([(x * 7) as u8, (y * 13) as u8, (x * y) as u8]))
            .into()
    }

    #[test]
    fn a_drawing_comes_in_every_width_and_keeps_its_shape() {
        let made = draw(SVG, &[40, 80]).unwrap();
        let sizes: Vec<_> = made.sizes.iter().map(|m| (m.width, m.height)).collect();
        assert_eq!(sizes, [(40, 30), (80, 60)]);
        assert!(made.sizes.iter().all(|m| m.bytes.starts_with(b"RIFF") && m.hash == hash(&m.bytes)));
        assert!(!made.cut_out);
        assert!(draw(&SVG.replace("width=\"40\"", "width=\"20\""), &[40]).unwrap().cut_out);
    }

    #[test]
    fn what_is_no_drawing_is_refused() {
        assert!(matches!(draw("<svg", &[40]), Err(PictureError::Refused(Refusal::Damaged(_)))));
    }

    #[test]
    fn a_photograph_is_made_in_the_widths_asked_for() {
        let jpeg = encoded(&noise(300, 200), ImageFormat::Jpeg);
        let made = make(&decode(&jpeg).unwrap(), |own| vec![100, own]).unwrap();
        let sizes: Vec<_> = made.sizes.iter().map(|m| (m.width, m.height)).collect();
        assert_eq!(sizes, [(100, 67), (300, 200)]);
    }

    #[test]
    fn what_can_be_seen_through_is_known() {
        let holes = RgbaImage::from_pixel(20, 20, Rgba([200, 0, 0, 0]));
        let holes = decode(&encoded(&holes.into(), ImageFormat::Png)).unwrap();
        assert!(make(&holes, |own| vec![own]).unwrap().cut_out);
    }

    #[test]
    fn pixels_come_over_whole_or_not_at_all() {
        let pixels = decode(&encoded(&noise(30, 20), ImageFormat::Png)).unwrap();
        let mut written = Vec::new();
        pixels.write(&mut written).unwrap();
        let read = Pixels::read(&written).unwrap();
        assert_eq!((read.width(), read.height(), read.0.buffer()), (30, 20, pixels.0.buffer()));
        written.pop();
        assert!(Pixels::read(&written).is_none() && Pixels::read(&[1, 2]).is_none());
    }

    #[test]
    fn half_a_picture_is_refused() {
        for format in [ImageFormat::Jpeg, ImageFormat::Png] {
            let whole = encoded(&noise(300, 200), format);
            let half = &whole[..whole.len() / 2];
            let refused = decode(half).err();
            assert!(matches!(refused, Some(PictureError::Refused(Refusal::Damaged(_)))), "{format:?}");
        }
    }
}
