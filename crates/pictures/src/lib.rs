//! Pictures: told apart, checked, decoded, resized and encoded as WebP. A crate of its own, so that it is optimised in
//! every build.

mod check;
mod make;
mod pixels;
mod refusal;
mod square;
mod svg;

pub use check::{Facts, FilmKind, Kind, MOST_PIXELS, MOST_SIDE, film_kind, look};
pub use make::{Encoded, Made, decode, draw, make};
pub use pixels::Pixels;
pub use refusal::{PictureError, Refusal};
pub use square::{Cut, Square, square};
pub use svg::{MOST_DRAWN_PIXELS, rasterise};

use sha2::{Digest, Sha256};
use std::fmt::Write;

/// The name under which bytes are kept: their SHA-256 in small hexadecimal digits.
#[must_use]
pub fn hash(bytes: &[u8]) -> String {
    Sha256::digest(bytes).iter().fold(String::with_capacity(64), |mut text, byte| {
        let _ = write!(text, "{byte:02x}");
        text
    })
}
