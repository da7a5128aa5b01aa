//! Pictures in the making: from a file to pixels, from pixels to the sizes that are kept.

pub mod drawer;
pub mod drawing;

use crate::media::Media;
use compagina_core::media::{PictureSize, widths_to_make};
use compagina_pictures::{Kind, Made, PictureError, Pixels, decode, draw, look, make};
use drawer::Drawer;

/// How wide our own drawings are drawn.
const DRAWN_WIDTH: u32 = 1600;

#[derive(Debug, thiserror::Error)]
pub enum MakeError {
    #[error(transparent)]
    Picture(#[from] PictureError),
    /// Why a drawing isn't taken, as the process that was to draw it said.
    #[error("{0}")]
    Undrawn(String),
    #[error(transparent)]
    Store(#[from] object_store::Error),
    #[error("the process that draws can't be begun: {0}")]
    Process(#[from] std::io::Error),
    #[error(transparent)]
    Stopped(#[from] tokio::task::JoinError),
}

/// The pixels of a picture: a photograph's decoded beside the threads that serve, a drawing's drawn by another process.
pub async fn pixels_of(drawer: &Drawer, bytes: Vec<u8>) -> Result<Pixels, MakeError> {
    let decoded = tokio::task::spawn_blocking(move || match look("", &bytes)?.kind {
        Kind::Svg => Ok((None, bytes)),
        _ => decode(&bytes).map(|pixels| (Some(pixels), bytes)),
    });
    match decoded.await?? {
        (Some(pixels), _) => Ok(pixels),
        (None, drawing) => drawer.pixels(&drawing).await,
    }
}

/// Makes the sizes of a picture and keeps them. Tells too whether parts of it can be seen through.
pub async fn sizes_of(media: &Media, pixels: Pixels) -> Result<(Vec<PictureSize>, bool), MakeError> {
    let made = tokio::task::spawn_blocking(move || make(&pixels, widths_to_make)).await??;
    keep(media, made).await
}

/// Draws one of our own drawings and keeps its sizes.
pub async fn drawn(media: &Media, svg: String) -> Result<(Vec<PictureSize>, bool), MakeError> {
    let made = tokio::task::spawn_blocking(move || draw(&svg, &widths_to_make(DRAWN_WIDTH))).await??;
    keep(media, made).await
}

async fn keep(media: &Media, made: Made) -> Result<(Vec<PictureSize>, bool), MakeError> {
    let mut sizes = Vec::new();
    for size in made.sizes {
        sizes.push(PictureSize {
            hash: size.hash.clone(),
            width: size.width,
            height: size.height,
            bytes: u32::try_from(size.bytes.len()).unwrap_or(u32::MAX),
        });
        media.put(&size.hash, size.bytes).await?;
    }
    Ok((sizes, made.cut_out))
}
