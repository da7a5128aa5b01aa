//! A way through many products, part by part, told while it goes: a line of JSON for each part. Whoever stops listening
//! stops it.

use actix_web::HttpResponse;
use actix_web::web::Bytes;
use compagina_core::catalog::Product;
use compagina_storage::{StorageError, Store, Which};
use futures_util::stream;
use serde::Serialize;
use std::collections::HashMap;
use std::hash::Hash;

/// Products that are looked at in one go; the first go is small, so that something is there at once.
const AT_ONCE: u32 = 250;
const AT_FIRST: u32 = 25;

/// Products of some types, type by type.
pub struct Walk {
    /// Types that are still to be gone through, the last one first, with how many of their products have been.
    types: Vec<(u64, u32)>,
    begun: bool,
    ended: bool,
}

impl Walk {
    /// Through all products of these types, in their order.
    pub fn through(types: impl DoubleEndedIterator<Item = u64>) -> Self {
        Self { types: types.rev().map(|id| (id, 0)).collect(), begun: false, ended: false }
    }

    /// The next products; none once all have been seen. Where there are none at all, that is told once.
    pub async fn next(&mut self, store: &Store) -> Result<Option<Vec<Product>>, StorageError> {
        if self.ended {
            return Ok(None);
        }
        let Some((type_id, skip)) = self.types.pop() else {
            self.ended = true;
            return Ok((!self.begun).then(Vec::new));
        };
        let most = if self.begun { AT_ONCE } else { AT_FIRST };
        self.begun = true;
        let products = store.products(Which::OfType { type_id, most, skip }).await?;
        if products.len() == most as usize {
            self.types.push((type_id, skip + most));
        }
        Ok(Some(products))
    }
}

/// Ways that have been met, each with its number.
pub struct Ways<W>(HashMap<W, usize>);

impl<W> Default for Ways<W> {
    fn default() -> Self {
        Self(HashMap::new())
    }
}

impl<W: Hash + Eq + Clone> Ways<W> {
    /// The number of a way; one that wasn't met before is added to `new`.
    pub fn number(&mut self, way: W, new: &mut Vec<W>) -> usize {
        let count = self.0.len();
        let number = *self.0.entry(way.clone()).or_insert(count);
        if number == count {
            new.push(way);
        }
        number
    }
}

/// Something that is told part by part.
pub trait Parts: Sized + 'static {
    type Part: Serialize;
    type Error: Into<Box<dyn std::error::Error>> + 'static;
    fn next_part(&mut self) -> impl Future<Output = Result<Option<Self::Part>, Self::Error>>;
}

/// The answer that tells the parts as they come.
pub fn told<P: Parts>(parts: P) -> HttpResponse {
    let lines = stream::try_unfold(parts, |mut parts| async move {
        let part = parts.next_part().await?;
        Ok::<_, P::Error>(part.map(|part| {
            let mut line = serde_json::to_vec(&part).unwrap_or_default();
            line.push(b'\n');
            (Bytes::from(line), parts)
        }))
    });
    HttpResponse::Ok().content_type("application/x-ndjson").streaming(lines)
}
