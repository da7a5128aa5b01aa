//! Products as they were read last, with what stands around each. Kept until anything of it changes, here or in another
//! process: pages that are made anew, proofs and picks wait for no query then. What is sold is read anew when it is
//! sold.

use crate::error::{ApiError, ApiResult};
use crate::serving::Serving;
use crate::serving::sample;
use compagina_core::catalog::Product;
use compagina_core::ids::{Handle, ProductId};
use compagina_press::{Around, Neighbour};
use compagina_storage::{NeighbourRow, Which};
use quick_cache::Weighter;
use quick_cache::sync::Cache;
use std::collections::{BTreeSet, HashMap};
use std::sync::{Arc, PoisonError, RwLock};

/// Other products that a page may show, at the most.
pub const MOST_RELATED: u32 = 5;

/// About as many products as are expected to be kept, and about how much they may take.
const PRODUCTS: usize = 2_000;
const MOST_BYTES: u64 = 64 * 1024 * 1024;
/// About what a product takes, and each of its variants.
const PRODUCT_BYTES: u64 = 3_000;
const VARIANT_BYTES: u64 = 250;

pub struct Known {
    pub product: Arc<Product>,
    /// Others of its type, and its neighbours there.
    pub around: Around,
    /// The product and all around it.
    made_of: Vec<ProductId>,
}

/// And each product that belongs together with it.
const SIBLING_BYTES: u64 = 400;

fn bytes_of(product: &Product) -> u64 {
    let siblings: usize = product.siblings.iter().map(|set| set.members.len()).sum();
    PRODUCT_BYTES + product.variants.len() as u64 * VARIANT_BYTES + siblings as u64 * SIBLING_BYTES
}

/// The products of which something is told where this one stands.
pub fn told_with(product: &Product) -> impl Iterator<Item = ProductId> {
    let siblings = product.siblings.iter().flat_map(|set| &set.members).map(|one| one.product);
    std::iter::once(product.id).chain(siblings)
}

impl Known {
    /// About what it takes.
    pub fn bytes(&self) -> u64 {
        bytes_of(&self.product) + self.around.related.iter().map(|one| bytes_of(one)).sum::<u64>()
    }

    pub fn has_any_of(&self, products: &BTreeSet<ProductId>) -> bool {
        self.made_of.iter().any(|product| products.contains(product))
    }

    /// A product of which nothing but its number matters.
    #[cfg(test)]
    pub fn bare(id: ProductId) -> Arc<Self> {
        use compagina_core::catalog::{ProductType, TypeFields};
        use compagina_core::sample::SampleOf;
        let kind = ProductType { handle: Handle::try_from("kites").unwrap(), name: "Kites".into() };
        let currency = compagina_core::money::Currency::from_code("GBP").unwrap();
        let of = SampleOf {
            kind: &kind,
            fields: &TypeFields::default(),
            options: vec![],
            pictures: vec![],
            currency,
        };
        let product = Arc::new(Product { id, ..of.product().unwrap() });
        Arc::new(Self { product, around: Around::default(), made_of: vec![id] })
    }
}

#[derive(Clone)]
struct Weight;

impl Weighter<String, Arc<Known>> for Weight {
    fn weight(&self, _: &String, known: &Arc<Known>) -> u64 {
        known.bytes()
    }
}

/// The same of a product alone.
#[derive(Clone)]
struct WeightAlone;

impl Weighter<ProductId, Arc<Product>> for WeightAlone {
    fn weight(&self, _: &ProductId, product: &Arc<Product>) -> u64 {
        bytes_of(product)
    }
}

pub struct KnownProducts {
    kept: Cache<String, Arc<Known>, Weight>,
    /// Those that stand on cards, by their numbers.
    alone: Cache<ProductId, Arc<Product>, WeightAlone>,
    /// Counts what was forgotten, so that what was read before a change isn't kept after it.
    age: RwLock<u64>,
}

impl Default for KnownProducts {
    fn default() -> Self {
        Self {
            kept: Cache::with_weighter(PRODUCTS, MOST_BYTES, Weight),
            alone: Cache::with_weighter(PRODUCTS, MOST_BYTES, WeightAlone),
            age: RwLock::default(),
        }
    }
}

impl KnownProducts {
    fn age(&self) -> u64 {
        *self.age.read().unwrap_or_else(PoisonError::into_inner)
    }

    fn keep(&self, handle: &str, known: &Arc<Known>, age: u64) {
        let now = self.age.read().unwrap_or_else(PoisonError::into_inner);
        if *now == age {
            self.kept.insert(handle.to_owned(), known.clone());
        }
    }

    fn keep_alone(&self, product: &Arc<Product>, age: u64) {
        let now = self.age.read().unwrap_or_else(PoisonError::into_inner);
        if *now == age {
            self.alone.insert(product.id, product.clone());
        }
    }

    pub fn forget(&self, changed: &BTreeSet<ProductId>) {
        if !changed.is_empty() {
            let mut age = self.age.write().unwrap_or_else(PoisonError::into_inner);
            *age += 1;
            self.kept.retain(|_, known| !known.has_any_of(changed));
            self.alone.retain(|_, product| !told_with(product).any(|one| changed.contains(&one)));
        }
    }

    pub fn forget_all(&self) {
        let mut age = self.age.write().unwrap_or_else(PoisonError::into_inner);
        *age += 1;
        self.kept.clear();
        self.alone.clear();
    }
}

/// A product, by its handle.
pub async fn known(serving: &Serving, handle: &str) -> ApiResult<Arc<Known>> {
    let missing = || ApiError::no_such("product");
    if let Some(known) = serving.known.kept.get(handle) {
        return if known.product.is_sample() { Err(missing()) } else { Ok(known) };
    }
    let age = serving.known.age();
    let parsed = Handle::try_from(handle).map_err(|_| missing())?;
    let product = serving.store.product(&parsed).await?.ok_or_else(missing)?;
    let (around, beside) = around(serving, product.id).await?;
    let made_of = told_with(&product).chain(beside).collect();
    let known = Arc::new(Known { product: Arc::new(product), around, made_of });
    serving.known.keep(handle, &known, age);
    Ok(known)
}

/// These products, in this order, with nothing around them; those that are gone are left out.
pub async fn known_numbered(serving: &Serving, ids: &[ProductId]) -> ApiResult<Vec<Arc<Product>>> {
    let age = serving.known.age();
    let here = ids.iter().filter_map(|id| Some((*id, serving.known.alone.get(id)?)));
    let mut found: HashMap<ProductId, Arc<Product>> = here.collect();
    let missing: Vec<ProductId> = ids.iter().filter(|id| !found.contains_key(id)).copied().collect();
    if !missing.is_empty() {
        for product in serving.store.products_numbered(&missing).await? {
            let product = Arc::new(product);
            serving.known.keep_alone(&product, age);
            found.insert(product.id, product);
        }
    }
    Ok(ids.iter().filter_map(|id| found.get(id).cloned()).collect())
}

/// What is found at an address of the shop.
pub enum Found {
    Here(Arc<Known>),
    /// Its page stands elsewhere by now.
    Moved(Arc<Known>),
}

impl Found {
    /// Wherever it stands.
    pub fn known(&self) -> &Arc<Known> {
        match self {
            Self::Here(known) | Self::Moved(known) => known,
        }
    }
}

/// The product whose page stands at an address, or stood there before.
pub async fn known_at(serving: &Serving, address: &str) -> ApiResult<Found> {
    let stands_here = |known: &Arc<Known>| known.product.address.as_str() == address;
    // Mostly a page stands at its product's handle.
    if let Some(known) = known(serving, address).await.ok().filter(stands_here) {
        return Ok(Found::Here(known));
    }
    let key = format!("@{address}");
    if let Some(known) = serving.known.kept.get(&key) {
        return Ok(Found::Here(known));
    }
    let age = serving.known.age();
    let missing = || ApiError::no_such("product");
    let parsed = Handle::try_from(address).map_err(|_| missing())?;
    let at = serving.store.at(&parsed).await?.ok_or_else(missing)?;
    let known = known(serving, at.handle.as_str()).await?;
    if at.address != parsed {
        return Ok(Found::Moved(known));
    }
    serving.known.keep(&key, &known, age);
    Ok(Found::Here(known))
}

/// A product as the desk sees it, or the sample of a type without any.
pub async fn known_or_sample(serving: &Serving, handle: &str) -> ApiResult<Arc<Known>> {
    if let Some(known) = serving.known.kept.get(handle) {
        return Ok(known);
    }
    let age = serving.known.age();
    let missing = match known(serving, handle).await {
        Ok(known) => return Ok(known),
        Err(missing) => missing,
    };
    let sample = sample::find(serving, handle).await?.ok_or(missing)?;
    let around = sample::around(&sample);
    let known = Arc::new(Known { product: Arc::new(sample), around, made_of: vec![] });
    serving.known.keep(handle, &known, age);
    Ok(known)
}

/// What stands around a product, and which products these are.
async fn around(serving: &Serving, product: ProductId) -> ApiResult<(Around, Vec<ProductId>)> {
    let which = Which::OfTypeOf { product, most: MOST_RELATED + 1 };
    let (first, (before, after)) =
        tokio::try_join!(serving.store.products(which), serving.store.neighbours(product))?;
    let related: Vec<Arc<Product>> = related_among(Some(product), first).into_iter().map(Arc::new).collect();
    let neighbours = before.iter().chain(&after).map(|row| row.id);
    let beside = related.iter().flat_map(|one| told_with(one)).chain(neighbours).collect();
    let shown = |row: NeighbourRow| Neighbour { address: row.address, name: row.name, picture: row.picture };
    let (before, after) = (before.map(shown), after.map(shown));
    Ok((Around { related, before, after, ..Around::default() }, beside))
}

/// Those of the first products of a type that stand around one of its products.
pub fn related_among(product: Option<ProductId>, mut first: Vec<Product>) -> Vec<Product> {
    first.retain(|p| Some(p.id) != product && p.is_listed());
    first.truncate(MOST_RELATED as usize);
    first
}
