//! Shop pages kept ready. A page is dropped as soon as anything that it was made of changes, here or in another
//! process: each reads the notes of changes a few times a second, and at once after its own.

use crate::news;
use crate::reading::{now, today};
use crate::state::State;
use actix_web::web::{Bytes, Data};
use compagina_core::ids::ProductId;
use compagina_core::page::Day;
use compagina_core::price::Moment;
use quick_cache::Weighter;
use quick_cache::sync::Cache;
use std::collections::BTreeSet;
use std::sync::atomic::{AtomicU64, Ordering};
use std::sync::{Arc, Mutex, PoisonError};
use std::time::Duration;

/// About as many pages as are expected to be kept, and how much they may take.
const PAGES: usize = 4_000;
const MOST_BYTES: u64 = 128 * 1024 * 1024;
const LOOK_EVERY: Duration = Duration::from_millis(250);
/// Between two clearings of what nobody needs any more.
const TIDY_EVERY: Duration = Duration::from_secs(60);

/// A page ready to be sent.
pub struct Ready {
    pub body: Bytes,
    pub tag: String,
    made_of: Vec<ProductId>,
    /// The only day for which it holds, where it depends on the day.
    day: Option<Day>,
    /// The moment from which prices may be others.
    until: Option<Moment>,
}

/// What a page was made of.
pub struct MadeOf {
    pub products: Vec<ProductId>,
    pub day: Option<Day>,
    pub until: Option<Moment>,
}

/// What a page takes of the room for all.
#[derive(Clone)]
struct Weight;

impl Weighter<String, Arc<Ready>> for Weight {
    fn weight(&self, key: &String, page: &Arc<Ready>) -> u64 {
        (key.len() + page.body.len()) as u64
    }
}

pub struct Pages {
    ready: Cache<String, Arc<Ready>, Weight>,
    seen: Mutex<BTreeSet<u64>>,
    /// Counts what was dropped, so that a page made from older facts isn't kept after them.
    age: AtomicU64,
}

impl Default for Pages {
    fn default() -> Self {
        Self {
            ready: Cache::with_weighter(PAGES, MOST_BYTES, Weight),
            seen: Mutex::default(),
            age: AtomicU64::new(0),
        }
    }
}

impl Pages {
    pub fn get(&self, key: &str) -> Option<Arc<Ready>> {
        let page = self.ready.get(key)?;
        let holds = page.day.as_ref().is_none_or(|day| *day == today())
            && page.until.is_none_or(|until| now() < until);
        holds.then_some(page)
    }

    /// To be asked for before a page's facts are read.
    pub fn age(&self) -> u64 {
        self.age.load(Ordering::SeqCst)
    }

    /// Keeps a page, unless something has changed since `age`.
    pub fn keep(&self, key: String, html: String, made_of: MadeOf, age: u64) -> Arc<Ready> {
        let tag = format!("\"{}\"", &compagina_pictures::hash(html.as_bytes())[..24]);
        let page = Arc::new(Ready {
            body: Bytes::from(html),
            tag,
            made_of: made_of.products,
            day: made_of.day,
            until: made_of.until,
        });
        if self.age() == age {
            self.ready.insert(key.clone(), page.clone());
            // A change between the question and the insertion must not leave an old page behind.
            if self.age() != age {
                self.ready.remove(&key);
            }
        }
        page
    }

    fn drop_changed(&self, notes: &[(u64, Option<ProductId>)]) {
        let mut seen = self.seen.lock().unwrap_or_else(PoisonError::into_inner);
        let fresh: Vec<_> = notes.iter().filter(|(id, _)| !seen.contains(id)).collect();
        if fresh.is_empty() {
            return;
        }
        self.age.fetch_add(1, Ordering::SeqCst);
        if fresh.iter().any(|(_, product)| product.is_none()) {
            self.ready.clear();
        } else {
            let changed: BTreeSet<ProductId> = fresh.iter().filter_map(|(_, product)| *product).collect();
            self.ready.retain(|_, page| page.made_of.iter().all(|p| !changed.contains(p)));
        }
        *seen = notes.iter().map(|(id, _)| *id).collect();
    }
}

/// Drops what has changed up to now; after a change of one's own.
pub async fn catch_up(state: &State) {
    match state.store.recent_changes().await {
        Ok(notes) => state.pages.drop_changed(&notes),
        Err(error) => {
            // Not knowing what changed, nothing is kept.
            tracing::warn!("changes can't be read: {error}");
            state.pages.age.fetch_add(1, Ordering::SeqCst);
            state.pages.ready.clear();
        }
    }
}

/// Learns of changes for as long as the application runs, publishes what was planned, and ends orders whose payment was cut off.
pub fn keep_up(state: Data<State>) {
    tokio::spawn(async move {
        let mut last_tidy = None;
        loop {
            if let Err(error) = state.store.publish_due().await {
                tracing::warn!("what was planned can't be published: {error}");
            }
            catch_up(&state).await;
            if last_tidy.is_none_or(|at: std::time::Instant| at.elapsed() > TIDY_EVERY) {
                last_tidy = Some(std::time::Instant::now());
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
        state.store.forget_old_changes().await
    }
    .await;
    if let Err(error) = done {
        tracing::warn!("tidying up failed: {error}");
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn keep(pages: &Pages, key: &str, product: u64) {
        pages.keep(
            key.into(),
            key.into(),
            MadeOf { products: vec![ProductId(product)], day: None, until: None },
            pages.age(),
        );
    }

    #[test]
    fn a_change_drops_the_pages_made_of_it_and_no_others() {
        let pages = Pages::default();
        keep(&pages, "one", 1);
        keep(&pages, "two", 2);
        pages.drop_changed(&[(7, Some(ProductId(1)))]);
        assert!(pages.get("one").is_none() && pages.get("two").is_some());
        keep(&pages, "one", 1);
        pages.drop_changed(&[(7, Some(ProductId(1)))]);
        assert!(pages.get("one").is_some(), "a note counts once");
        pages.drop_changed(&[(6, None), (7, Some(ProductId(1)))]);
        assert!(pages.get("two").is_none(), "a note with a lower number may come later");
    }

    #[test]
    fn a_page_made_before_a_change_is_not_kept_after_it() {
        let pages = Pages::default();
        let age = pages.age();
        pages.drop_changed(&[(1, None)]);
        pages.keep("late".into(), String::new(), MadeOf { products: vec![], day: None, until: None }, age);
        assert!(pages.get("late").is_none());
    }
}
