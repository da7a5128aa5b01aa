use super::{html, or_message};
use crate::error::{ApiError, ApiResult};
use crate::serving::reading::{Reading, nav};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::catalog::{Product, ProductType};
use compagina_press::shop::{Leaf, Shelf, listing};
use compagina_storage::Which;

/// Pages of one listing.
const MOST_PAGES: u32 = 10_000;
/// Products of each type on the front page, and on each page of a type's own.
const ON_FRONT: u32 = 8;
const ON_TYPE: u32 = 96;

/// The whole shop, type by type.
#[get("/shop")]
pub async fn front(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        let mut filled = Vec::new();
        for (type_id, kind) in state.store.types_on_show().await? {
            let first = Which::OnShow { type_id, most: ON_FRONT, skip: 0 };
            filled.push((kind, state.store.products(first).await?));
        }
        page(&state, &request, None, filled, None).await
    };
    or_message(&state, &request, answer.await).await
}

/// The products of one type.
#[get("/shop/types/{handle}")]
pub async fn of_type(state: Data<State>, handle: Path<String>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        // A type all of whose products are withdrawn keeps its address; one that never had any has none yet.
        let types = state.store.types().await?;
        let found = types.into_iter().find(|t| t.products > 0 && t.kind.handle.as_str() == handle.as_str());
        let found = found.ok_or_else(|| ApiError::no_such("product type"))?;
        let number = page_asked_for(&request);
        let skip = number.saturating_sub(1).saturating_mul(ON_TYPE);
        // One more than is shown tells whether there is another page.
        let wanted = Which::OnShow { type_id: found.id, most: ON_TYPE + 1, skip };
        let mut products = state.store.products(wanted).await?;
        if products.is_empty() && number > 1 {
            return Err(ApiError::nothing_here());
        }
        let more = products.len() > ON_TYPE as usize;
        products.truncate(ON_TYPE as usize);
        let pages = Leaf { number, more };
        page(&state, &request, Some(found.kind.name.clone()), vec![(found.kind, products)], Some(pages)).await
    };
    or_message(&state, &request, answer.await).await
}

/// The page of a long listing that an address names: `?page=2`; the first one otherwise.
fn page_asked_for(request: &HttpRequest) -> u32 {
    let pairs: Vec<(String, String)> =
        Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default();
    let number = pairs.iter().find(|(name, _)| name == "page").and_then(|(_, text)| text.parse().ok());
    number.filter(|number| (1..=MOST_PAGES).contains(number)).unwrap_or(1)
}

async fn page(
    state: &State,
    request: &HttpRequest,
    title: Option<String>,
    filled: Vec<(ProductType, Vec<Product>)>,
    leaf: Option<Leaf>,
) -> ApiResult<HttpResponse> {
    let shelves: Vec<_> =
        filled.iter().map(|(kind, products)| Shelf { kind, products: products.iter().collect() }).collect();
    let nav = nav(state, &Reading::of(request)).await?;
    let title = title.unwrap_or_else(|| nav.words.say("listing-all"));
    Ok(html(StatusCode::OK, listing(&nav, &title, &shelves, leaf)))
}
