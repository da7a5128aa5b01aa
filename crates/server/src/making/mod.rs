//! Makes the sizes of uploaded pictures, one after another, in the background of every server process. Whoever is free
//! takes the next one; a picture is made anew whenever the plan has changed.

use crate::drawer::Drawer;
use crate::media::Media;
use crate::state::State;
use compagina_core::media::{PLAN, PictureSize, widths_to_make};
use compagina_pictures::{Kind, Made, PictureError, Pixels, decode, draw, look, make};
use compagina_storage::ToMake;
use std::sync::Arc;
use std::time::Duration;

/// How wide our own drawings are drawn.
const DRAWN_WIDTH: u32 = 1600;

/// How long a worker that found nothing to do waits, if nobody wakes it.
const REST: Duration = Duration::from_secs(5);

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

/// Works for as long as the process lives.
pub async fn work(state: Arc<State>) {
    loop {
        match state.store.next_to_make(PLAN).await {
            Ok(Some(next)) => {
                if let Err(error) = make_one(&state, &next).await {
                    tracing::error!("picture {}: {error}", next.id);
                    tokio::time::sleep(REST).await;
                }
            }
            Ok(None) => {
                let _ = tokio::time::timeout(REST, state.to_make.notified()).await;
            }
            Err(error) => {
                tracing::error!("pictures to make: {error}");
                tokio::time::sleep(REST).await;
            }
        }
    }
}

async fn make_one(state: &State, next: &ToMake) -> Result<(), Box<dyn std::error::Error + Send + Sync>> {
    let Some(bytes) = state.media.get(&next.original).await? else {
        return Ok(state.store.picture_failed(next, "Its file is gone. Put it in anew.").await?);
    };
    let made = async { sizes_of(&state.media, pixels_of(&state.drawer, bytes.to_vec()).await?).await };
    match made.await {
        Ok((sizes, cut_out)) => Ok(state.store.picture_made(next, &sizes, cut_out, PLAN).await?),
        Err(why @ (MakeError::Picture(_) | MakeError::Undrawn(_))) => {
            Ok(state.store.picture_failed(next, &format!("{why}.")).await?)
        }
        Err(error) => Err(error.into()),
    }
}
