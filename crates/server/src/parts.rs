//! A product with many variants is told part by part, and all parts are of one reading: that of the first.

use compagina_core::catalog::Product;
use compagina_core::choice::missing_choices;
use compagina_storage::Seen;
use quick_cache::sync::Cache;
use std::sync::Arc;

/// So many readings are remembered; one that was forgotten is read again.
const MOST: usize = 4;

/// A product as it was read.
pub struct Whole {
    pub product: Product,
    /// How many combinations of its values have no variant.
    pub missing: usize,
}

impl Whole {
    pub fn of(product: Product) -> Arc<Self> {
        let missing = missing_choices(&product);
        Arc::new(Self { product, missing })
    }
}

/// Products of which further parts may be asked for.
pub struct Parts(Cache<String, Arc<Whole>>);

impl Default for Parts {
    fn default() -> Self {
        Self(Cache::new(MOST))
    }
}

impl Parts {
    /// The product of which the first part was told as it was seen so.
    pub fn begun(&self, seen: Seen) -> Option<Arc<Whole>> {
        self.0.get(&seen.to_string())
    }

    /// Remembers of what the first part is told.
    pub fn begin(&self, seen: Seen, whole: &Arc<Whole>) {
        self.0.insert(seen.to_string(), Arc::clone(whole));
    }
}
