//! The products among which listings choose, with what they are ordered and narrowed by. Of each only what this asks for
//! is kept, so that prices can be worked out for all of them at once.

use super::live::AllListed;
use crate::clock::now;
use crate::error::ApiResult;
use compagina_core::catalog::{Product, ProductOption, Tag};
use compagina_core::ids::{OptionId, ProductId, SiblingsId, ValueId};
use compagina_core::listing::{ListingFacts, OwnListing};
use compagina_core::price::Prices;
use compagina_core::time::Moment;
use compagina_storage::Store;
use std::collections::BTreeSet;
use std::sync::{Arc, PoisonError, RwLock};

/// Products that are read at once.
const AT_ONCE: usize = 500;

/// A product without what listings don't ask for: its texts, its pictures, how its options look.
struct Lean {
    product: Product,
    values: Vec<(OptionId, ValueId)>,
    in_stock: bool,
    stars: Option<u32>,
    /// The set on whose card it stands, with its place there.
    set: Option<(SiblingsId, usize)>,
}

/// What a product costs at a time.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
struct Price {
    least: i64,
    saves: u32,
}

/// What they all cost, until prices change by themselves.
struct Priced {
    until: Option<Moment>,
    prices: Vec<Price>,
}

pub struct OnShow {
    all: Vec<Arc<Lean>>,
    /// The options by which they are chosen, with all values that any of them offers.
    pub options: Vec<ProductOption>,
    priced: RwLock<Arc<Priced>>,
}

impl OnShow {
    pub(super) async fn read(store: &Store, listed: &AllListed, prices: &Prices) -> ApiResult<Arc<Self>> {
        let ids: Vec<ProductId> = listed.iter().map(|one| one.id).collect();
        let (mut all, mut options) = (Vec::with_capacity(ids.len()), Vec::new());
        for some in ids.chunks(AT_ONCE) {
            let products = store.products_numbered(some).await?;
            all.extend(products.into_iter().map(|product| Arc::new(lean(product, &mut options))));
        }
        Ok(Self::of(all, options, prices))
    }

    fn of(all: Vec<Arc<Lean>>, options: Vec<ProductOption>, prices: &Prices) -> Arc<Self> {
        let priced = RwLock::new(Arc::new(priced(&all, prices)));
        Arc::new(Self { all, options, priced })
    }

    /// The same after some products have changed: of the others nothing is read, and where the rules are as they were,
    /// nothing is worked out. None may have come or gone.
    pub(super) async fn after(
        &self,
        store: &Store,
        prices: &Prices,
        changed: &BTreeSet<ProductId>,
        same_rules: bool,
    ) -> ApiResult<Arc<Self>> {
        let (mut all, mut options) = (self.all.clone(), self.options.clone());
        let mut places = Vec::new();
        let ids: Vec<ProductId> = changed.iter().copied().collect();
        for product in store.products_numbered(&ids).await? {
            if let Some(place) = all.iter().position(|one| one.product.id == product.id) {
                all[place] = Arc::new(lean(product, &mut options));
                places.push(place);
            }
        }
        if !same_rules {
            return Ok(Self::of(all, options, prices));
        }
        let before = self.priced(prices);
        let mut anew = before.prices.clone();
        for place in places {
            anew[place] = price(&all[place], prices);
        }
        let priced = RwLock::new(Arc::new(Priced { until: before.until, prices: anew }));
        Ok(Arc::new(Self { all, options, priced }))
    }

    /// What stands in a listing of the products that are meant, with their numbers, in the order of types and products.
    pub fn facts<'a>(
        &'a self,
        prices: &Prices,
        own: &OwnListing,
        meant: impl Fn(&Product) -> bool,
    ) -> Vec<(ProductId, ListingFacts<'a>)> {
        let priced = self.priced(prices);
        let one = |(lean, price): (&'a Arc<Lean>, &Price)| {
            let Lean { product, values, in_stock, stars, set } = lean.as_ref();
            if !product.is_listed() || !meant(product) {
                return None;
            }
            let facts = ListingFacts {
                name: &product.name,
                number: product.id.0,
                kind: &product.kind.handle,
                price: price.least,
                tags: &product.tags,
                values,
                in_stock: *in_stock,
                saves: price.saves,
                stars: *stars,
                set: *set,
                first: own.puts(&product.handle),
            };
            Some((product.id, facts))
        };
        self.all.iter().zip(&priced.prices).filter_map(one).collect()
    }

    /// The products that stand in listings.
    pub fn listed(&self) -> impl Iterator<Item = &Product> {
        self.all.iter().map(|one| &one.product).filter(|product| product.is_listed())
    }

    /// A tag as a product that stands in listings has it.
    pub fn tag(&self, wanted: &Tag) -> Option<&Tag> {
        self.listed().flat_map(|product| &product.tags).find(|tag| *tag == wanted)
    }

    fn priced(&self, prices: &Prices) -> Arc<Priced> {
        let kept = self.priced.read().unwrap_or_else(PoisonError::into_inner).clone();
        if kept.until.is_none_or(|until| now() < until) {
            return kept;
        }
        let anew = Arc::new(priced(&self.all, prices));
        *self.priced.write().unwrap_or_else(PoisonError::into_inner) = anew.clone();
        anew
    }
}

fn priced(all: &[Arc<Lean>], prices: &Prices) -> Priced {
    Priced { until: prices.next_change(), prices: all.iter().map(|one| price(one, prices)).collect() }
}

fn price(lean: &Lean, prices: &Prices) -> Price {
    let least = prices.least_on_card(&lean.product);
    let (least, saves) = least.map_or((lean.product.price.minor, 0), |(least, saves)| (least.minor, saves));
    Price { least, saves }
}

/// What is kept of a product; its options go to those of all.
fn lean(mut product: Product, options: &mut Vec<ProductOption>) -> Lean {
    let mut values = Vec::new();
    for (place, option) in product.options.iter().enumerate() {
        // A variant for which it doesn't matter has each of them.
        let chosen: Option<BTreeSet<u16>> =
            product.variants.iter().map(|variant| variant.values.get(place).copied().flatten()).collect();
        let has = |at: &usize| {
            chosen.as_ref().is_none_or(|chosen| u16::try_from(*at).is_ok_and(|at| chosen.contains(&at)))
        };
        let had = option.values.iter().enumerate().filter(|(at, _)| has(at));
        values.extend(had.map(|(_, value)| (option.id, value.id)));
    }
    for option in std::mem::take(&mut product.options) {
        keep(options, option);
    }
    let gone = (String::new(), vec![], vec![], vec![], vec![]);
    (product.summary, product.details, product.facts, product.pictures, product.reviews) = gone;
    let set = std::mem::take(&mut product.siblings).into_iter().find_map(|set| {
        let at = set.members.iter().position(|one| one.product == product.id)?;
        set.one_card.then_some((set.id, at))
    });
    let (in_stock, stars) = (product.can_be_bought(), product.rating.tenths());
    Lean { product, values, in_stock, stars, set }
}

/// An option as it looks now, with all values that were seen of it.
fn keep(options: &mut Vec<ProductOption>, option: ProductOption) {
    let Some(known) = options.iter_mut().find(|known| known.id == option.id) else {
        options.push(option);
        return;
    };
    let mut values = std::mem::take(&mut known.values);
    *known = ProductOption { values: vec![], ..option };
    for value in option.values {
        match values.iter_mut().find(|known| known.id == value.id) {
            Some(known) => *known = value,
            None => values.push(value),
        }
    }
    known.values = values;
}
