//! What whoever asks first would wait for is read before anybody asks: the list of all products, and what listings choose
//! among. Not while one change follows another, as in an import: only once an edition has lasted a moment.

use crate::serving::Serving;
use std::sync::Arc;
use std::time::{Duration, Instant};

/// An edition that has lasted so long is likely to go on.
const LASTS: Duration = Duration::from_secs(1);

#[derive(Default)]
pub struct Ahead {
    /// The edition that was current last, and since when.
    seen: Option<(u64, Instant)>,
    /// The one that was read ahead last.
    read: Option<u64>,
}

impl Ahead {
    pub fn look(&mut self, serving: &Arc<Serving>) {
        let current = serving.editions.current();
        let number = current.number();
        // The very first one is asked for at once.
        let lasts = self.seen.is_none_or(|(seen, since)| seen == number && since.elapsed() >= LASTS);
        if self.seen.is_none_or(|(seen, _)| seen != number) {
            self.seen = Some((number, Instant::now()));
        }
        if lasts && self.read != Some(number) {
            self.read = Some(number);
            let serving = serving.clone();
            tokio::spawn(async move {
                if let Err(error) = current.on_show(&serving).await {
                    tracing::warn!("the list of all products can't be read ahead: {}", error.message());
                }
            });
        }
    }
}
