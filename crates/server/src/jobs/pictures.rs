//! Makes the sizes of uploaded pictures, one after another, in the background of every server process. Whoever is free
//! takes the next one; a picture is made anew whenever the plan has changed.

use crate::making::{MakeError, pixels_of, sizes_of};
use crate::state::State;
use compagina_core::media::PLAN;
use compagina_storage::ToMake;
use std::sync::Arc;
use std::time::Duration;

/// How long a worker that found nothing to do waits, if nobody wakes it.
const REST: Duration = Duration::from_secs(5);

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
