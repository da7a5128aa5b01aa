//! Pictures: vector drawings to pixels, in the sizes that pages ask for, as WebP. A crate of its own, so that it is
//! optimised in every build.

use fast_image_resize::images::Image;
use fast_image_resize::{PixelType, ResizeOptions, Resizer};
use resvg::tiny_skia::{Pixmap, Transform};
use resvg::usvg::{Options, Tree};
use sha2::{Digest, Sha256};
use std::fmt::Write;

/// Quality of the WebP files, of 100.
const QUALITY: f32 = 82.0;

#[derive(Debug, thiserror::Error)]
pub enum PictureError {
    #[error("the drawing can't be read: {0}")]
    Drawing(String),
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

/// Draws an SVG at the widest of `widths` and makes every width from it, smallest first.
pub fn draw(svg: &str, widths: &[u32]) -> Result<Vec<Encoded>, PictureError> {
    let widest = widths.iter().copied().max().unwrap_or(0);
    let source = rasterise(svg, widest)?;
    widths.iter().map(|width| encode(&resize(&source, *width)?)).collect()
}

fn rasterise(svg: &str, width: u32) -> Result<Image<'static>, PictureError> {
    let tree = Tree::from_str(svg, &Options::default()).map_err(|e| PictureError::Drawing(e.to_string()))?;
    let scale = width as f32 / tree.size().width();
    let height = (tree.size().height() * scale).round() as u32;
    let mut pixels =
        Pixmap::new(width, height).ok_or_else(|| PictureError::Drawing("it has no size".into()))?;
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

fn encode(picture: &Image<'_>) -> Result<Encoded, PictureError> {
    let (width, height) = (picture.width(), picture.height());
    let bytes = webp::Encoder::from_rgba(picture.buffer(), width, height)
        .encode_simple(false, QUALITY)
        .map_err(|_| PictureError::Encode)?
        .to_vec();
    Ok(Encoded { hash: hash(&bytes), bytes, width, height })
}

/// The name under which bytes are kept: their SHA-256 in small hexadecimal digits.
#[must_use]
pub fn hash(bytes: &[u8]) -> String {
    Sha256::digest(bytes).iter().fold(String::with_capacity(64), |mut text, byte| {
        let _ = write!(text, "{byte:02x}");
        text
    })
}

#[cfg(test)]
mod tests {
    use super::*;

    const SVG: &str = r##"<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 30"><rect width="40" height="30" fill="#D7512B"/></svg>"##;

    #[test]
    fn a_drawing_comes_in_every_width_and_keeps_its_shape() {
        let made = draw(SVG, &[40, 80]).unwrap();
        let sizes: Vec<_> = made.iter().map(|m| (m.width, m.height)).collect();
        assert_eq!(sizes, [(40, 30), (80, 60)]);
        assert!(made.iter().all(|m| m.bytes.starts_with(b"RIFF") && m.hash == hash(&m.bytes)));
    }

    #[test]
    fn what_is_no_drawing_is_refused() {
        assert!(matches!(draw("<svg", &[40]), Err(PictureError::Drawing(_))));
    }
}
