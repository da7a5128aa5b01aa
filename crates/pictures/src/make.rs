//! The sizes of a picture.

use crate::check::{Refusal, look};
use crate::{Kind, hash};
use fast_image_resize::images::Image;
use fast_image_resize::{PixelType, ResizeOptions, Resizer};
use image::{DynamicImage, ImageDecoder, ImageReader};
use resvg::tiny_skia::{Pixmap, Transform};
use resvg::usvg::{Options, Tree};
use std::io::Cursor;

/// Quality of the WebP files, of 100.
const QUALITY: f32 = 82.0;

/// How wide a drawing is made at most: it has no pixels of its own.
const DRAWN_WIDTH: u32 = 1600;

#[derive(Debug, thiserror::Error)]
pub enum PictureError {
    #[error(transparent)]
    Refused(#[from] Refusal),
    #[error("the picture can't be resized: {0}")]
    Resize(String),
    #[error("the picture can't be encoded")]
    Encode,
}

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
pub fn make(bytes: &[u8], widths: impl Fn(u32) -> Vec<u32>) -> Result<Made, PictureError> {
    let source = pixels_of(bytes)?;
    sizes_of(&source, &widths(source.width()))
}

/// The pixels of a picture of any kind.
pub(crate) fn pixels_of(bytes: &[u8]) -> Result<Image<'static>, PictureError> {
    match look("", bytes)?.kind {
        Kind::Svg => rasterise(bytes, DRAWN_WIDTH),
        Kind::Jpeg | Kind::Png | Kind::WebP => as_pixels(decode(bytes)?),
    }
}

/// Whether a picture can be decoded from its first pixel to its last.
pub fn decodes(bytes: &[u8]) -> Result<(), Refusal> {
    match look("", bytes)?.kind {
        Kind::Svg => Ok(()),
        Kind::Jpeg | Kind::Png | Kind::WebP => decode(bytes).map(drop),
    }
}

/// Draws an SVG at the widest of `widths` and makes every width from it.
pub fn draw(svg: &str, widths: &[u32]) -> Result<Made, PictureError> {
    let widest = widths.iter().copied().max().unwrap_or(1);
    sizes_of(&rasterise(svg.as_bytes(), widest)?, widths)
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
fn decode(bytes: &[u8]) -> Result<DynamicImage, Refusal> {
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

fn rasterise(svg: &[u8], width: u32) -> Result<Image<'static>, PictureError> {
    let damaged = |why: String| PictureError::Refused(Refusal::Damaged(why));
    let tree = Tree::from_data(svg, &Options::default()).map_err(|e| damaged(e.to_string()))?;
    let scale = width as f32 / tree.size().width();
    let height = (tree.size().height() * scale).round() as u32;
    let mut pixels = Pixmap::new(width, height).ok_or_else(|| damaged("it has no size".into()))?;
    resvg::render(&tree, Transform::from_scale(scale, scale), &mut pixels.as_mut());
    Image::from_vec_u8(width, height, pixels.take_demultiplied(), PixelType::U8x4)
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
        let made = make(&jpeg, |own| vec![100, own]).unwrap();
        let sizes: Vec<_> = made.sizes.iter().map(|m| (m.width, m.height)).collect();
        assert_eq!(sizes, [(100, 67), (300, 200)]);
    }

    #[test]
    fn what_can_be_seen_through_is_known() {
        let holes = RgbaImage::from_pixel(20, 20, Rgba([200, 0, 0, 0]));
        assert!(make(&encoded(&holes.into(), ImageFormat::Png), |own| vec![own]).unwrap().cut_out);
    }

    #[test]
    fn half_a_picture_is_refused() {
        for format in [ImageFormat::Jpeg, ImageFormat::Png] {
            let whole = encoded(&noise(300, 200), format);
            let half = &whole[..whole.len() / 2];
            let refused = make(half, |own| vec![own]).err();
            assert!(matches!(refused, Some(PictureError::Refused(Refusal::Damaged(_)))), "{format:?}");
        }
    }
}
