//! What a proof needs besides the draft: product and what stands around it. It is read once and kept until
//! anything in the catalogue changes, here or in another process, so that an edit on the desk waits for its own
//! queries only.

use crate::error::{ApiError, ApiResult};
use crate::routes::shop::everything_around;
use crate::sample;
use crate::state::State;
use compagina_core::catalog::Product;
use compagina_core::ids::Handle;
use compagina_press::Around;
use std::sync::Arc;

pub struct Known {
    pub product: Arc<Product>,
    pub around: Around,
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

/// A product as the desk sees it, or the sample of a type without any.
pub async fn product_or_sample(state: &State, handle: &str) -> ApiResult<Arc<Product>> {
    match known_product(state, handle).await {
        Ok(product) => Ok(product),
        Err(missing) => sample::find(state, handle).await?.map(Arc::new).ok_or(missing),
    }
}

/// Everything known about a product, or about the sample of a type without any, by its handle.
pub async fn known(state: &State, handle: &str) -> ApiResult<Arc<Known>> {
    let age = state.pages.age();
    if let Some(known) = state.known.get(handle).filter(|known| known.age == age) {
        return Ok(known);
    }
    let product = product_or_sample(state, handle).await?;
    let around = match product.is_sample() {
        true => sample::around(&product),
        false => everything_around(state, &product).await?,
    };
    let known = Arc::new(Known { product, around, age });
    state.known.insert(handle.to_owned(), known.clone());
    Ok(known)
}
