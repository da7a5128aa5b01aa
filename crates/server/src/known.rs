//! What a proof needs besides the draft: product, what stands around it, the shop. It is read once and kept until
//! anything in the catalogue changes, here or in another process, so that an edit on the desk waits for its own
//! queries only.

use crate::error::{ApiError, ApiResult};
use crate::routes::shop::everything_around;
use crate::state::State;
use compagina_core::catalog::{Product, Shop};
use compagina_core::ids::Handle;
use compagina_core::media::ShopMedia;
use compagina_press::{Around, NavItem};
use std::sync::Arc;

pub struct Known {
    pub product: Product,
    pub around: Around,
    pub media: ShopMedia,
    pub shop: Shop,
    pub items: Vec<NavItem>,
    /// As told by [`crate::pages::Pages::age`].
    age: u64,
}

/// Everything known about a product, by its handle.
pub async fn known(state: &State, handle: &str) -> ApiResult<Arc<Known>> {
    let age = state.pages.age();
    if let Some(known) = state.known.get(handle).filter(|known| known.age == age) {
        return Ok(known);
    }
    let missing = || ApiError::no_such("product");
    let parsed = Handle::try_from(handle).map_err(|_| missing())?;
    let product = state.store.product(&parsed).await?.ok_or_else(missing)?;
    let (around, media) = (everything_around(state, &product).await?, state.store.shop_media().await?);
    let shop = state.store.shop().await?.ok_or_else(|| ApiError::no_such("shop"))?;
    let items = state.store.types().await?.into_iter().map(|t| t.kind).map(NavItem::of).collect();
    let known = Arc::new(Known { product, around, media, shop, items, age });
    state.known.insert(handle.to_owned(), known.clone());
    Ok(known)
}
