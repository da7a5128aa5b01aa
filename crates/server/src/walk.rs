//! What changes where: a way through many products, told while it goes, a line of JSON for each part. Whoever stops
//! listening stops it.

use crate::aside::Aside;
use crate::error::{ApiError, ApiResult};
use crate::state::State;
use actix_web::HttpResponse;
use actix_web::web::{Bytes, Data};
use compagina_core::catalog::Product;
use compagina_core::ids::Handle;
use compagina_storage::{StorageError, Store, Which};
use futures_util::future::join_all;
use futures_util::stream;
use serde::Serialize;
use std::collections::HashMap;
use std::hash::Hash;
use std::sync::Arc;
use utoipa::ToSchema;

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

/// Pages, each as it is and as it would be.
pub trait Compare: Send + Sync + 'static {
    /// How a page changes.
    type Way: Hash + Eq + Clone + Send + 'static;
    /// What is told at a time.
    type Part: Serialize;

    /// How many pages there are.
    fn count(&self) -> usize;
    /// Of each of some products how its page changes, or that it stays.
    fn ways(&self, products: &[Product]) -> ApiResult<Vec<Way<Self::Way>>>;
    fn part(found: Found<Self::Way>) -> Self::Part;
}

/// What becomes of a page.
pub enum Way<W> {
    /// The product has none among those that are compared.
    NoPage,
    Stays,
    Changes(W),
}

/// What was found in one go.
pub struct Found<W> {
    /// How many pages have been compared, of how many.
    pub done: usize,
    pub of: usize,
    /// Ways in which pages change that weren't met before; they are counted on.
    pub ways: Vec<W>,
    pub pages: Vec<ChangedPage>,
}

#[derive(Serialize, ToSchema)]
pub struct ChangedPage {
    pub handle: Handle,
    pub name: String,
    /// The number of the way in which it changes.
    pub way: usize,
}

/// A way through pages that are compared.
struct Search<C: Compare> {
    state: Data<State>,
    pages: Arc<C>,
    walk: Walk,
    /// What was read while the pages before it were compared.
    ahead: Option<Option<Vec<Product>>>,
    /// Those that have been met, each with its number.
    ways: HashMap<C::Way, usize>,
    done: usize,
}

impl<C: Compare> Search<C> {
    async fn next_part(&mut self) -> ApiResult<Option<C::Part>> {
        let products = match self.ahead.take() {
            Some(read) => read,
            None => self.walk.next(&self.state.store).await?,
        };
        let Some(products) = products.map(Arc::new) else { return Ok(None) };
        let (told, ahead) = tokio::join!(
            ways_of(&self.state.aside, &self.pages, &products),
            self.walk.next(&self.state.store)
        );
        self.ahead = Some(ahead?);
        let mut found = Found { done: 0, of: self.pages.count(), ways: vec![], pages: vec![] };
        for (product, way) in products.iter().zip(told?) {
            self.done += usize::from(!matches!(way, Way::NoPage));
            let Way::Changes(way) = way else { continue };
            let count = self.ways.len();
            let number = *self.ways.entry(way.clone()).or_insert(count);
            if number == count {
                found.ways.push(way);
            }
            let (handle, name) = (product.handle.clone(), product.name.clone());
            found.pages.push(ChangedPage { handle, name, way: number });
        }
        found.done = self.done;
        Ok(Some(C::part(found)))
    }
}

/// How the pages of some products change, worked out on all cores, beside those who serve shoppers.
async fn ways_of<C: Compare>(
    aside: &Aside,
    pages: &Arc<C>,
    products: &Arc<Vec<Product>>,
) -> ApiResult<Vec<Way<C::Way>>> {
    let share = products.len().div_ceil(Aside::threads()).max(1);
    let shares = (0..products.len()).step_by(share).map(|from| {
        let (pages, products) = (pages.clone(), products.clone());
        aside.run(move || pages.ways(&products[from..products.len().min(from + share)]))
    });
    let mut ways = Vec::with_capacity(products.len());
    for some in join_all(shares).await {
        ways.extend(some.ok_or_else(|| ApiError::unforeseen("a comparison ended early"))??);
    }
    Ok(ways)
}

/// The answer that tells how pages change while it is found, a line of JSON for each part.
pub fn told<C: Compare>(state: Data<State>, pages: C, walk: Walk) -> HttpResponse {
    let search = Search { state, pages: Arc::new(pages), walk, ahead: None, ways: HashMap::new(), done: 0 };
    let lines = stream::try_unfold(search, |mut search| async move {
        let part = search.next_part().await?;
        Ok::<_, ApiError>(part.map(|part| {
            let mut line = serde_json::to_vec(&part).unwrap_or_default();
            line.push(b'\n');
            (Bytes::from(line), search)
        }))
    });
    HttpResponse::Ok().content_type("application/x-ndjson").streaming(lines)
}

#[cfg(test)]
mod tests {
    use super::*;
    use sqlx::MySqlPool;

    /// Two types: one of so many products, one of three.
    async fn shop(pool: &MySqlPool, many: u32) -> (Store, [u64; 2]) {
        let store = Store::from_pool(pool.clone()).await.unwrap();
        for statement in [
            "INSERT INTO shop (id, name, currency, locale) VALUES (1, 'Sea', 'GBP', 'en-GB')".to_owned(),
            "INSERT INTO product_type (id, handle, name, position) VALUES (7, 'kites', 'Kites', 0), (8, 'lines', 'Lines', 1)".to_owned(),
            format!(
                "INSERT INTO product (handle, address, type_id, position, name, state, summary, details, price_minor, terms, facts, tags)
                 SELECT CONCAT('kite-', seq), CONCAT('kite-', seq), IF(seq > {many}, 8, 7), seq, CONCAT('Kite ', seq), 'on_sale', '', '[]', 100,
                 '{{\"least\":1,\"step\":1}}', '[]', '[]' FROM seq_1_to_1000 WHERE seq <= {many} + 3"
            ),
        ] {
            sqlx::query(sqlx::AssertSqlSafe(statement)).execute(pool).await.unwrap();
        }
        (store, [7, 8])
    }

    /// How many products each go had, and all of them in their order.
    async fn walked(store: &Store, types: &[u64]) -> (Vec<usize>, Vec<String>) {
        let mut walk = Walk::through(types.iter().copied());
        let (mut goes, mut names) = (vec![], vec![]);
        while let Some(products) = walk.next(store).await.unwrap() {
            goes.push(products.len());
            names.extend(products.into_iter().map(|product| product.name));
        }
        assert!(walk.next(store).await.unwrap().is_none(), "it has ended");
        (goes, names)
    }

    #[sqlx::test(migrations = false)]
    async fn every_product_is_met_once_in_its_order_and_the_first_soon(pool: MySqlPool) {
        let (store, types) = shop(&pool, 280).await;
        let (goes, names) = walked(&store, &types).await;
        assert_eq!(goes, [25, 250, 5, 3]);
        let expected: Vec<String> = (1..=283).map(|number| format!("Kite {number}")).collect();
        assert_eq!(names, expected);
        let (goes, names) = walked(&store, &[8, 7]).await;
        assert_eq!(
            (goes[0], names[0].as_str(), names.len()),
            (3, "Kite 281", 283),
            "types in the order asked for"
        );
    }

    #[sqlx::test(migrations = false)]
    async fn where_a_go_ends_with_the_last_product_nothing_is_missed_or_met_twice(pool: MySqlPool) {
        let (store, _) = shop(&pool, 25).await;
        assert_eq!(walked(&store, &[7, 8]).await.0, [25, 0, 3]);
        assert_eq!(walked(&store, &[7]).await.0, [25, 0]);
    }

    #[sqlx::test(migrations = false)]
    async fn that_there_is_nothing_is_told_once(pool: MySqlPool) {
        let (store, _) = shop(&pool, 1).await;
        assert_eq!(walked(&store, &[]).await, (vec![0], vec![]));
        assert_eq!(walked(&store, &[99]).await, (vec![0], vec![]));
    }
}
