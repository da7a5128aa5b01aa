//! Shop pages kept ready.

use crate::clock::now;
use crate::serving::known::Known;
use actix_web::web::Bytes;
use compagina_core::ids::ProductId;
use compagina_core::time::Moment;
use compagina_core::wording::Language;
use flate2::Compression;
use flate2::write::GzEncoder;
use quick_cache::Weighter;
use quick_cache::sync::Cache;
use std::cmp::Reverse;
use std::collections::BTreeSet;
use std::io::Write as _;
use std::sync::atomic::{AtomicU32, Ordering};
use std::sync::{Arc, OnceLock};

/// About as many pages as are expected to be kept, and how much they may take.
const PAGES: usize = 4_000;
const MOST_BYTES: u64 = 128 * 1024 * 1024;

/// How often a page was sent from here that is worth making before it is asked for again.
const OFTEN: u32 = 2;

/// By what a page is asked for.
#[derive(Debug, Clone, PartialEq, Eq, Hash)]
pub struct Asked {
    pub language: Language,
    /// Of a product's page where it stands, or is thought to; of a listing its path.
    pub address: String,
    pub query: String,
}

impl Asked {
    /// Path and query.
    pub fn here(&self) -> String {
        let path = format!("/shop/products/{}", self.address);
        if self.query.is_empty() { path } else { format!("{path}?{}", self.query) }
    }
}

/// Compressed by gzip.
pub fn gzip(body: &[u8]) -> Bytes {
    let mut writer = GzEncoder::new(Vec::new(), Compression::default());
    // Writing into memory doesn't fail.
    let _ = writer.write_all(body);
    Bytes::from(writer.finish().unwrap_or_default())
}

/// A page ready to be sent.
pub struct Ready {
    pub body: Bytes,
    /// The same made small, once anybody asks for that.
    small: OnceLock<Bytes>,
    pub tag: String,
    /// Of all addresses that show it the one that stands for it, where it is meant to be found.
    pub address: Option<String>,
    made_of: MadeOf,
    /// How often it was sent; of a page that took another's place about half of that one's too.
    sent: AtomicU32,
}

/// What a page was made of.
pub struct MadeOf {
    /// Of a product's page its product, kept with it, so that it can be made anew without a query, however many other
    /// products are looked at.
    pub known: Option<Arc<Known>>,
    /// The products that it shows besides those that stand around its own anyway.
    pub beside: Vec<ProductId>,
    /// Whether any other product may come to stand on it once something of that one changes.
    pub open: bool,
    /// The moment from which it may be another.
    pub until: Option<Moment>,
}

impl Ready {
    pub fn new(html: String, made_of: MadeOf, sent: u32) -> Self {
        let tag = format!("\"{}\"", &compagina_pictures::hash(html.as_bytes())[..24]);
        let sent = AtomicU32::new(sent);
        Self { body: Bytes::from(html), small: OnceLock::new(), tag, address: None, made_of, sent }
    }

    /// The same, to be found at an address.
    pub fn at(self, address: Option<String>) -> Self {
        Self { address, ..self }
    }

    /// Its body compressed by gzip.
    pub fn gzip(&self) -> Bytes {
        self.small.get_or_init(|| gzip(&self.body)).clone()
    }

    fn holds(&self) -> bool {
        self.made_of.until.is_none_or(|until| now() < until)
    }
}

/// What a page takes of the room for all, with the product that it keeps.
#[derive(Clone)]
struct Weight;

impl Weighter<Asked, Arc<Ready>> for Weight {
    fn weight(&self, asked: &Asked, page: &Arc<Ready>) -> u64 {
        let known = page.made_of.known.as_ref().map_or(0, |known| known.bytes());
        (asked.address.len() + asked.query.len() + page.body.len()) as u64 + known
    }
}

pub struct Pages(Cache<Asked, Arc<Ready>, Weight>);

impl Default for Pages {
    fn default() -> Self {
        Self(Cache::with_weighter(PAGES, MOST_BYTES, Weight))
    }
}

impl Pages {
    pub fn get(&self, asked: &Asked) -> Option<Arc<Ready>> {
        let page = self.0.get(asked).filter(|page| page.holds())?;
        page.sent.fetch_add(1, Ordering::Relaxed);
        Some(page)
    }

    pub(super) fn keep(&self, asked: Asked, page: Arc<Ready>) {
        self.0.insert(asked, page);
    }

    pub(super) fn drop_made_of(&self, changed: &BTreeSet<ProductId>) {
        if !changed.is_empty() {
            self.0.retain(|_, page| {
                let MadeOf { known, beside, open, .. } = &page.made_of;
                let shows = beside.iter().any(|one| changed.contains(one));
                !open && !shows && known.as_ref().is_some_and(|known| !known.has_any_of(changed))
            });
        }
    }

    /// Pages that many ask for, those first that are asked for most, with how often that was.
    pub(super) fn much_visited(&self) -> Vec<(Asked, Arc<Known>, u32)> {
        let sent = |(asked, page): (Asked, Arc<Ready>)| {
            Some((asked, page.made_of.known.clone()?, page.sent.load(Ordering::Relaxed)))
        };
        let mut all: Vec<_> = self.0.iter().filter_map(sent).filter(|(_, _, sent)| *sent >= OFTEN).collect();
        all.sort_by_key(|(_, _, sent)| Reverse(*sent));
        all
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn keep(pages: &Pages, address: &str, until: Option<Moment>) -> Asked {
        let asked = Asked { language: Language::default(), address: address.into(), query: String::new() };
        let made_of = MadeOf { known: Some(Known::bare(ProductId(1))), beside: vec![], open: false, until };
        pages.keep(asked.clone(), Arc::new(Ready::new(String::new(), made_of, 0)));
        asked
    }

    #[test]
    fn those_asked_for_most_come_first_and_those_hardly_asked_for_not_at_all() {
        let pages = Pages::default();
        let [once, twice, often] = ["once", "twice", "often"].map(|handle| keep(&pages, handle, None));
        for asked in [&often, &twice, &once, &often, &twice, &often] {
            assert!(pages.get(asked).is_some());
        }
        let visits = pages.much_visited().into_iter().map(|(asked, _, sent)| (asked, sent));
        assert!(visits.eq([(often, 3), (twice, 2)]));
    }

    #[test]
    fn a_page_is_sent_until_its_moment_only() {
        let pages = Pages::default();
        let over = keep(&pages, "over", Some(now()));
        let holds = keep(&pages, "holds", Some(Moment(now().0 + 60)));
        assert!(pages.get(&over).is_none() && pages.get(&holds).is_some());
    }
}
