//! What shoppers are served with: the edition of the shop that they see now, products as they were read last, words and
//! samples. It knows the store and nothing of who asks.

pub mod edition;
pub mod known;
pub mod listed;
pub mod reading;
pub mod related;
pub mod sample;

use crate::aside::Aside;
use crate::media::Media;
use compagina_core::wording::Words;
use compagina_press::Assets;
use compagina_storage::Store;
use edition::Editions;
use known::KnownProducts;
use quick_cache::sync::Cache;
use related::FoundLists;
use std::time::Duration;

const MOST_WORDS: usize = 100;

/// Everything of which pages are made. Nothing in it is the only copy of anything.
pub struct Serving {
    pub store: Store,
    pub media: Media,
    pub assets: Assets,
    /// What shoppers see now.
    pub editions: Editions,
    /// Products as they were read last.
    pub known: KnownProducts,
    /// Which products stand beside others.
    pub found: FoundLists,
    /// Words ready to be said, by language and own words.
    pub words: Cache<String, Words>,
    /// So long pages are made before they are asked for.
    pub prepare: Duration,
    /// For work that no shopper waits for.
    pub aside: Aside,
    /// Where what goes on by itself runs, beside the threads that serve.
    pub home: tokio::runtime::Handle,
}

impl Serving {
    pub fn new(store: Store, media: Media, assets: Assets, prepare: Duration) -> std::io::Result<Self> {
        Ok(Self {
            store,
            media,
            assets,
            editions: Editions::default(),
            known: KnownProducts::default(),
            found: FoundLists::default(),
            words: Cache::new(MOST_WORDS),
            prepare,
            aside: Aside::new()?,
            home: tokio::runtime::Handle::current(),
        })
    }
}
