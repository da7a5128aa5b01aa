use super::published_layout;
use crate::error::{ApiError, ApiResult};
use crate::reading::{Reading, nav, today};
use crate::state::State;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::choice::Selection;
use compagina_core::ids::Handle;
use compagina_core::situation::Situation;
use compagina_press::entry_for;

/// What a page says under a selection and a quantity, for the script.
#[get("/shop/products/{handle}/offer")]
pub async fn offer(
    state: Data<State>,
    handle: Path<String>,
    query: Query<Vec<(String, String)>>,
    request: HttpRequest,
) -> ApiResult<HttpResponse> {
    let handle = Handle::try_from(handle.as_str()).map_err(|_| ApiError::no_such("product"))?;
    let product = state.store.product(&handle).await?.ok_or_else(|| ApiError::no_such("product"))?;
    let (template, layout) = published_layout(&state, &product).await?;
    let pairs = || query.iter().map(|(name, value)| (name.as_str(), value.as_str()));
    let quantity = pairs().find(|(name, _)| *name == "quantity").and_then(|(_, text)| text.parse().ok());
    let situation = Situation {
        selection: Selection::from_pairs(&product, pairs()).0,
        quantity: quantity.unwrap_or(1).clamp(1, 99),
        ..Situation::plain(product.options.len(), today())
    };
    let nav = nav(&state, &Reading::of(&request).under(template)).await?;
    Ok(HttpResponse::Ok().json(entry_for(&nav, &product, &layout, &situation)?))
}
