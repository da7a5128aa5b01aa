use super::change::Change;
use super::compared::Compared;
use super::{ChangePart, WayTold};
use crate::error::{ApiError, ApiResult};
use crate::routes::desk::impact::ChangedPage;
use crate::state::State;
use crate::walk::{Parts, Walk, Ways};
use actix_web::web::Data;
use compagina_core::catalog::Product;
use compagina_storage::StorageError;
use futures_util::future::join_all;
use std::sync::Arc;
use std::thread::available_parallelism;
use tokio::task::spawn_blocking;

/// A way through all pages of the shop under a change.
pub struct Search {
    state: Data<State>,
    pages: Arc<Compared>,
    walk: Walk,
    /// What was read while the pages before it were compared.
    ahead: Option<Option<Vec<Product>>>,
    ways: Ways<WayTold>,
    done: usize,
}

impl Search {
    pub async fn new(state: Data<State>, change: Change) -> ApiResult<Self> {
        let pages = Arc::new(Compared::new(&state, change).await?);
        let types = state.store.types().await?;
        let walk = Walk::through(types.iter().filter(|row| row.products > 0).map(|row| row.id));
        Ok(Self { state, pages, walk, ahead: None, ways: Ways::default(), done: 0 })
    }
}

/// How the pages of some products change, worked out on all cores, beside those who serve shoppers.
async fn ways_of(pages: &Arc<Compared>, products: &Arc<Vec<Product>>) -> ApiResult<Vec<Option<WayTold>>> {
    let cores = available_parallelism().map_or(1, usize::from);
    let share = products.len().div_ceil(cores).max(1);
    let shares = (0..products.len()).step_by(share).map(|from| {
        let (pages, products) = (pages.clone(), products.clone());
        let of = move || -> Result<Vec<_>, StorageError> {
            products[from..].iter().take(share).map(|product| pages.way(product)).collect()
        };
        spawn_blocking(of)
    });
    let mut ways = Vec::with_capacity(products.len());
    for some in join_all(shares).await {
        ways.extend(some.map_err(ApiError::unforeseen)??);
    }
    Ok(ways)
}

impl Parts for Search {
    type Part = ChangePart;
    type Error = ApiError;

    async fn next_part(&mut self) -> ApiResult<Option<ChangePart>> {
        let products = match self.ahead.take() {
            Some(read) => read,
            None => self.walk.next(&self.state.store).await?,
        };
        let Some(products) = products.map(Arc::new) else { return Ok(None) };
        let (told, ahead) = tokio::join!(ways_of(&self.pages, &products), self.walk.next(&self.state.store));
        self.ahead = Some(ahead?);
        let (mut new, mut pages) = (Vec::new(), Vec::new());
        for (product, way) in products.iter().zip(told?) {
            let Some(way) = way else { continue };
            let way = self.ways.number(way, &mut new);
            pages.push(ChangedPage { handle: product.handle.clone(), name: product.name.clone(), way });
        }
        self.done += products.len();
        Ok(Some(ChangePart { done: self.done, of: self.pages.count(), ways: new, pages }))
    }
}
