//! Which products stand beside another one on its page, as the page's pieces ask for them.

use crate::clock::now;
use crate::error::ApiResult;
use crate::serving::Serving;
use crate::serving::known::{Known, MOST_RELATED, known_numbered, told_with};
use compagina_core::catalog::Product;
use compagina_core::ids::ProductId;
use compagina_core::listing::{Beside, Bought, RelatedWish, related};
use compagina_core::page::Layout;
use compagina_core::page::piece::related::RelatedBy;
use compagina_core::time::Moment;
use compagina_press::{Around, related_wishes};
use quick_cache::sync::Cache;
use std::collections::BTreeSet;
use std::sync::{Arc, PoisonError, RwLock};

/// About as many lists as are expected to be kept.
const LISTS: usize = 4_000;
/// Orders may come without any product changing: what is bought together is worked out anew after so many seconds.
const TOGETHER_HOLDS: i64 = 3_600;

/// A list that was found.
struct Found {
    products: Vec<ProductId>,
    /// Whether others may come to stand in it once something of them changes.
    open: bool,
    until: Option<Moment>,
}

pub struct FoundLists {
    /// Among which it is chosen.
    beside: RwLock<Option<Arc<Vec<Beside>>>>,
    lists: Cache<(ProductId, RelatedWish), Arc<Found>>,
    /// Counts what was forgotten, so that what was found before a change isn't kept after it.
    age: RwLock<u64>,
}

impl Default for FoundLists {
    fn default() -> Self {
        Self { beside: RwLock::default(), lists: Cache::new(LISTS), age: RwLock::default() }
    }
}

impl FoundLists {
    fn age(&self) -> u64 {
        *self.age.read().unwrap_or_else(PoisonError::into_inner)
    }

    /// Forgets what may be otherwise once these products have changed.
    pub fn forget(&self, changed: &BTreeSet<ProductId>) {
        if !changed.is_empty() {
            let mut age = self.age.write().unwrap_or_else(PoisonError::into_inner);
            *age += 1;
            self.keep_beside(None);
            let stands = |list: &Found| list.products.iter().any(|one| changed.contains(one));
            self.lists.retain(|(of, _), list| !list.open && !changed.contains(of) && !stands(list));
        }
    }

    pub fn forget_all(&self) {
        let mut age = self.age.write().unwrap_or_else(PoisonError::into_inner);
        *age += 1;
        self.keep_beside(None);
        self.lists.clear();
    }

    fn keep_beside(&self, all: Option<Arc<Vec<Beside>>>) {
        *self.beside.write().unwrap_or_else(PoisonError::into_inner) = all;
    }
}

/// What stands around a product on one of its pages.
pub struct AroundPage {
    pub around: Around,
    /// The products that it shows besides those around the product anyway.
    pub made_of: Vec<ProductId>,
    /// Whether others may come to stand there once something of them changes.
    pub open: bool,
    pub until: Option<Moment>,
}

/// What stands around a product on a page of this layout.
pub async fn around_page(serving: &Serving, known: &Known, layout: &Layout) -> ApiResult<AroundPage> {
    let mut page = AroundPage { around: known.around.clone(), made_of: vec![], open: false, until: None };
    // Samples stand among copies of themselves.
    if known.product.is_sample() {
        return Ok(page);
    }
    for (piece, wish) in related_wishes(layout) {
        // The first of its type are known with it.
        let plain = wish.by == RelatedBy::Type && wish.most <= MOST_RELATED as usize;
        if plain && (!wish.apart || known.product.siblings.is_empty()) {
            continue;
        }
        let found = found(serving, &known.product, &wish).await?;
        let products = known_numbered(serving, &found.products).await?;
        page.made_of.extend(products.iter().flat_map(|product| told_with(product)));
        page.open |= found.open;
        page.until = page.until.into_iter().chain(found.until).min();
        page.around.found.insert(piece, products);
    }
    Ok(page)
}

async fn found(serving: &Serving, product: &Product, wish: &RelatedWish) -> ApiResult<Arc<Found>> {
    let lists = &serving.found;
    let key = (product.id, wish.clone());
    if let Some(list) = lists.lists.get(&key).filter(|list| list.until.is_none_or(|until| now() < until)) {
        return Ok(list);
    }
    let age = lists.age();
    let kept = lists.beside.read().unwrap_or_else(PoisonError::into_inner).clone();
    let all = match kept {
        Some(all) => all,
        None => Arc::new(serving.store.beside().await?),
    };
    let together = wish.by == RelatedBy::Together;
    let bought = if together { serving.store.bought_along(product.id).await? } else { Bought::default() };
    let list = Arc::new(Found {
        products: related(product, &all, &bought, wish),
        open: wish.is_open(),
        until: together.then(|| Moment(now().0 + TOGETHER_HOLDS)),
    });
    let same = lists.age.read().unwrap_or_else(PoisonError::into_inner);
    if *same == age {
        lists.keep_beside(Some(all));
        lists.lists.insert(key, list.clone());
    }
    Ok(list)
}
