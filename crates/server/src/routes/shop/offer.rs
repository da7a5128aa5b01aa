use super::published_layout;
use crate::error::{ApiError, ApiResult};
use crate::state::State;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpResponse, get};
use compagina_core::choice::Selection;
use compagina_core::ids::Handle;
use compagina_core::situation::{Situation, StockMood};
use compagina_press::entry_for;

/// What a page says under a selection and a quantity, for the script.
#[get("/shop/products/{handle}/offer")]
pub async fn offer(
    state: Data<State>,
    handle: Path<String>,
    query: Query<Vec<(String, String)>>,
) -> ApiResult<HttpResponse> {
    let handle = Handle::try_from(handle.as_str()).map_err(|_| ApiError::no_such("product"))?;
    let product = state.store.product(&handle).await?.ok_or_else(|| ApiError::no_such("product"))?;
    let layout = published_layout(&state, &product).await?;
    let pairs = || query.iter().map(|(name, value)| (name.as_str(), value.as_str()));
    let quantity = pairs().find(|(name, _)| *name == "quantity").and_then(|(_, text)| text.parse().ok());
    let situation = Situation {
        selection: Selection::from_pairs(&product, pairs()).0,
        quantity: quantity.unwrap_or(1).clamp(1, 99),
        stock: StockMood::AsItIs,
    };
    let shop = state.store.shop().await?.ok_or_else(|| ApiError::no_such("shop"))?;
    Ok(HttpResponse::Ok().json(entry_for(&shop, &product, &layout, &situation)?))
}
