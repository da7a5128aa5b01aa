//! What shoppers see at one time: the live templates, what is the same on every page, and pages kept ready that were
//! made of them. A change makes another edition, prepared while the one before it is still served, and all of it is
//! exchanged at once: no page is made of two. See `exchange`.

pub mod cards;
pub mod everywhere;
pub mod exchange;
pub mod live;
pub mod on_show;
pub mod page;
pub mod pages;

use crate::clock::now;
use crate::error::ApiResult;
use crate::serving::Serving;
use compagina_core::ids::ProductId;
use everywhere::Everywhere;
use live::{AllListed, Live};
use on_show::OnShow;
use pages::{Asked, Pages, Ready};
use std::collections::BTreeSet;
use std::sync::{Arc, PoisonError, RwLock};
use tokio::sync::{Mutex, OnceCell};

/// Products that are listed anew one by one, at the most.
const LISTED_ANEW: usize = 20;

/// What was read for it is read once; whoever comes meanwhile waits.
#[derive(Default)]
pub struct Edition {
    number: u64,
    pages: Arc<Pages>,
    /// The same, drawn small for their owners.
    pub small: Arc<Pages>,
    /// Listings kept ready: any product may stand in them, so that each edition begins without any.
    listings: Pages,
    everywhere: OnceCell<Arc<Everywhere>>,
    live: OnceCell<Arc<Live>>,
    listed: OnceCell<Arc<AllListed>>,
    on_show: OnceCell<Arc<OnShow>>,
}

impl Edition {
    pub fn ready(&self, asked: &Asked) -> Option<Arc<Ready>> {
        self.pages.get(asked)
    }

    /// Each edition has a higher one than the one before.
    pub fn number(&self) -> u64 {
        self.number
    }

    pub fn listing(&self, asked: &Asked) -> Option<Arc<Ready>> {
        self.listings.get(asked)
    }

    pub fn keep_listing(&self, asked: Asked, listing: Arc<Ready>) {
        self.listings.keep(asked, listing);
    }

    pub async fn everywhere(&self, serving: &Serving) -> ApiResult<&Arc<Everywhere>> {
        self.everywhere.get_or_try_init(|| Everywhere::read(&serving.store)).await
    }

    pub async fn live(&self, serving: &Serving) -> ApiResult<&Arc<Live>> {
        let everywhere = self.everywhere(serving).await?;
        self.live.get_or_try_init(|| Live::read(&serving.store, everywhere)).await
    }

    async fn listed(&self, serving: &Serving) -> ApiResult<&Arc<AllListed>> {
        let live = self.live(serving).await?;
        self.listed.get_or_try_init(|| live.listed(&serving.store)).await
    }

    /// The products among which listings choose.
    pub async fn on_show(&self, serving: &Serving) -> ApiResult<&Arc<OnShow>> {
        let (everywhere, listed) = (self.everywhere(serving).await?, self.listed(serving).await?);
        let prices = everywhere.prices.at(now());
        self.on_show.get_or_try_init(|| OnShow::read(&serving.store, listed, &prices)).await
    }

    /// Has what listings choose among go on from the edition before, where that has it and few products have changed.
    async fn show_after(
        &self,
        serving: &Serving,
        before: &Self,
        changed: &BTreeSet<ProductId>,
        same_rules: bool,
    ) -> ApiResult<()> {
        if let Some(before) = before.on_show.get().filter(|_| changed.len() <= LISTED_ANEW) {
            let prices = self.everywhere(serving).await?.prices.at(now());
            self.on_show
                .get_or_try_init(|| before.after(&serving.store, &prices, changed, same_rules))
                .await?;
        }
        Ok(())
    }

    /// Has the list of all products of the edition before, where that has one, with those that changed read anew; unless
    /// they are many: then it is read when it is asked for.
    async fn list_after(
        &self,
        serving: &Serving,
        before: &Self,
        changed: &BTreeSet<ProductId>,
    ) -> ApiResult<()> {
        let Some(before) = before.listed.get().filter(|_| changed.len() <= LISTED_ANEW) else {
            return Ok(());
        };
        let live = self.live(serving).await?;
        self.listed.get_or_try_init(|| live.listed_after(&serving.store, before, changed)).await?;
        Ok(())
    }
}

/// The edition that is served, and what of changes has been seen.
#[derive(Default)]
pub struct Editions {
    current: RwLock<Arc<Edition>>,
    /// The notes of changes that the current edition has in it; whoever holds them may exchange it.
    seen: Mutex<BTreeSet<u64>>,
}

impl Editions {
    pub fn current(&self) -> Arc<Edition> {
        self.current.read().unwrap_or_else(PoisonError::into_inner).clone()
    }

    /// Keeps a page, unless another edition is served than the one of which it was made.
    pub fn keep(&self, made_in: &Edition, asked: Asked, page: Arc<Ready>) {
        let current = self.current.read().unwrap_or_else(PoisonError::into_inner);
        if current.number == made_in.number {
            current.pages.keep(asked, page);
        }
    }

    /// The same of a page that is drawn small.
    pub fn keep_small(&self, made_in: &Edition, asked: Asked, page: Arc<Ready>) {
        let current = self.current.read().unwrap_or_else(PoisonError::into_inner);
        if current.number == made_in.number {
            current.small.keep(asked, page);
        }
    }

    /// Serves another edition from now on, and none of the pages that were made of these products.
    fn exchange(&self, next: Edition, changed: &BTreeSet<ProductId>) {
        let mut current = self.current.write().unwrap_or_else(PoisonError::into_inner);
        next.pages.drop_made_of(changed);
        next.small.drop_made_of(changed);
        let next = Arc::new(Edition { number: current.number + 1, ..next });
        let before = std::mem::replace(&mut *current, next);
        // Nobody waits while it is given back.
        drop(current);
        drop(before);
    }
}

pub async fn everywhere(serving: &Serving) -> ApiResult<Arc<Everywhere>> {
    serving.editions.current().everywhere(serving).await.cloned()
}

/// The live templates in their order, and what decides between them.
pub async fn live(serving: &Serving) -> ApiResult<Arc<Live>> {
    serving.editions.current().live(serving).await.cloned()
}

/// Every product with what decides which template serves it, in the order of types and products.
pub async fn listed(serving: &Serving) -> ApiResult<Arc<AllListed>> {
    serving.editions.current().listed(serving).await.cloned()
}

#[cfg(test)]
mod tests {
    use super::pages::MadeOf;
    use super::*;
    use crate::serving::known::Known;
    use compagina_core::wording::Language;

    fn asked(address: &str) -> Asked {
        Asked { language: Language::default(), address: address.into(), query: String::new() }
    }

    fn keep(editions: &Editions, made_in: &Edition, handle: &str, product: u64) {
        let known = Some(Known::bare(ProductId(product)));
        let made_of = MadeOf { known, beside: vec![], open: false, until: None };
        editions.keep(made_in, asked(handle), Arc::new(Ready::new(handle.to_owned(), made_of, 0)));
    }

    fn with_the_same_pages(editions: &Editions) -> Edition {
        Edition { pages: editions.current().pages.clone(), ..Edition::default() }
    }

    #[test]
    fn a_change_drops_the_pages_made_of_it_and_no_others() {
        let editions = Editions::default();
        for (handle, product) in [("one", 1), ("two", 2)] {
            keep(&editions, &editions.current(), handle, product);
        }
        editions.exchange(with_the_same_pages(&editions), &BTreeSet::from([ProductId(1)]));
        let current = editions.current();
        assert!(current.ready(&asked("one")).is_none() && current.ready(&asked("two")).is_some());
        editions.exchange(Edition::default(), &BTreeSet::new());
        assert!(editions.current().ready(&asked("two")).is_none());
        assert!(current.ready(&asked("two")).is_some(), "whoever is being served keeps the edition before");
    }

    #[test]
    fn a_page_made_before_a_change_is_not_kept_after_it() {
        let editions = Editions::default();
        let before = editions.current();
        editions.exchange(with_the_same_pages(&editions), &BTreeSet::new());
        keep(&editions, &before, "late", 1);
        assert!(editions.current().ready(&asked("late")).is_none());
    }
}
