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
    pub product: Arc<Product>,
    pub around: Around,
    pub media: ShopMedia,
    pub shop: Shop,
    pub items: Vec<NavItem>,
    /// As told by [`crate::pages::Pages::age`].
    age: u64,
}

/// A product as it was read last, until anything changes: one of thousands of variants takes its time to read, and a
/// shopper picks often. What is sold is read anew when it is sold.
pub async fn known_product(state: &State, handle: &str) -> ApiResult<Arc<Product>> {
    let age = state.pages.age();
    if let Some((_, product)) = state.products.get(handle).filter(|(known, _)| *known == age) {
        return Ok(product);
    }
    let missing = || ApiError::no_such("product");
    let parsed = Handle::try_from(handle).map_err(|_| missing())?;
    let product = Arc::new(state.store.product(&parsed).await?.ok_or_else(missing)?);
    state.products.insert(handle.to_owned(), (age, product.clone()));
    Ok(product)
}

/// Everything known about a product, by its handle.
pub async fn known(state: &State, handle: &str) -> ApiResult<Arc<Known>> {
    let age = state.pages.age();
    if let Some(known) = state.known.get(handle).filter(|known| known.age == age) {
        return Ok(known);
    }
    let product = known_product(state, handle).await?;
    let (around, media) = (everything_around(state, &product).await?, state.store.shop_media().await?);
    let shop = state.store.shop().await?.ok_or_else(|| ApiError::no_such("shop"))?;
    let items = state.store.types().await?.into_iter().map(|t| t.kind).map(NavItem::of).collect();
    let known = Arc::new(Known { product, around, media, shop, items, age });
    state.known.insert(handle.to_owned(), known.clone());
    Ok(known)
}
