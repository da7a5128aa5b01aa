//! What the application does by itself for as long as it runs: it learns of changes, reads ahead, publishes what was
//! planned, ends orders whose payment was cut off, and tells those who wait.

mod ahead;
pub mod feed;
pub mod pictures;

use crate::news;
use crate::serving::edition::exchange::catch_up;
use crate::state::State;
use actix_web::web::Data;
use ahead::Ahead;
use std::time::{Duration, Instant};

const LOOK_EVERY: Duration = Duration::from_millis(250);
/// Between two clearings of what nobody needs any more.
const TIDY_EVERY: Duration = Duration::from_secs(60);

pub fn begin(state: Data<State>) {
    tokio::spawn(async move {
        let (mut last_tidy, mut ahead) = (None, Ahead::default());
        loop {
            match state.store.publish_due().await {
                Ok(failed) => failed.iter().for_each(|(draft, error)| {
                    tracing::warn!("what was planned of {draft} can't be published: {error}");
                }),
                Err(error) => tracing::warn!("what is planned can't be read: {error}"),
            }
            catch_up(&state.serving).await;
            ahead.look(&state.serving);
            if last_tidy.is_none_or(|at: Instant| at.elapsed() > TIDY_EVERY) {
                last_tidy = Some(Instant::now());
                tidy(&state).await;
            }
            tokio::time::sleep(LOOK_EVERY).await;
        }
    });
}

async fn tidy(state: &State) {
    let done: compagina_storage::Result<()> = async {
        for order in state.store.stale_orders().await? {
            state.store.settle_order(order, false, None).await?;
        }
        news::tell_those_who_wait(state).await?;
        state.store.forget_old_changes().await?;
        state.store.forget_old_notes().await?;
        state.store.clear_presence(None).await?;
        state.store.forget_old_keys().await?;
        state.store.forget_old_draft_steps().await?;
        state.store.forget_old_steps().await
    }
    .await;
    if let Err(error) = done {
        tracing::warn!("tidying up failed: {error}");
    }
}
