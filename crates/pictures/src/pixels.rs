//! A picture as pixels.

use fast_image_resize::PixelType;
use fast_image_resize::images::Image;
use std::io::Write;

/// A picture decoded or drawn: red, green, blue and how far each pixel covers, a byte each.
pub struct Pixels(pub(crate) Image<'static>);

impl Pixels {
    #[must_use]
    pub fn width(&self) -> u32 {
        self.0.width()
    }
    #[must_use]
    pub fn height(&self) -> u32 {
        self.0.height()
    }

    /// As they go from one process to another: width, height (four bytes each, the lowest first), pixels row by row.
    pub fn write(&self, to: &mut impl Write) -> std::io::Result<()> {
        to.write_all(&self.width().to_le_bytes())?;
        to.write_all(&self.height().to_le_bytes())?;
        to.write_all(self.0.buffer())
    }

    /// Reads what was written so; nothing where it is cut off.
    #[must_use]
    pub fn read(bytes: &[u8]) -> Option<Self> {
        let number = |at: usize| Some(u32::from_le_bytes(bytes.get(at..at + 4)?.try_into().ok()?));
        let (width, height) = (number(0)?, number(4)?);
        Image::from_vec_u8(width, height, bytes.get(8..)?.to_vec(), PixelType::U8x4).ok().map(Self)
    }
}
