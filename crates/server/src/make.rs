//! Makes the sizes of uploaded pictures, one after another, in the background of every server process. Whoever is free
//! takes the next one; a picture is made anew whenever the plan has changed.

use crate::media::Media;
use crate::state::State;
use compagina_core::media::{PLAN, PictureSize, widths_to_make};
use compagina_pictures::PictureError;
use compagina_storage::ToMake;
use std::sync::Arc;
use std::time::Duration;

/// How long a worker that found nothing to do waits, if nobody wakes it.
const REST: Duration = Duration::from_secs(5);

#[derive(Debug, thiserror::Error)]
pub enum MakeError {
    #[error(transparent)]
    Picture(#[from] PictureError),
    #[error(transparent)]
    Store(#[from] object_store::Error),
    #[error(transparent)]
    Stopped(#[from] tokio::task::JoinError),
}

/// Makes the sizes of a picture and keeps them. Tells too whether parts of it can be seen through.
pub async fn sizes_of(media: &Media, bytes: Vec<u8>) -> Result<(Vec<PictureSize>, bool), MakeError> {
    let made =
        tokio::task::spawn_blocking(move || compagina_pictures::make(&bytes, widths_to_make)).await??;
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
    match sizes_of(&state.media, bytes.to_vec()).await {
        Ok((sizes, cut_out)) => Ok(state.store.picture_made(next, &sizes, cut_out, PLAN).await?),
        Err(MakeError::Picture(why)) => Ok(state.store.picture_failed(next, &format!("{why}.")).await?),
        Err(error) => Err(error.into()),
    }
}
