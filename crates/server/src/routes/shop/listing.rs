use super::{html, or_message};
use crate::error::{ApiError, ApiResult};
use crate::reading::{Reading, nav};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Path};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::catalog::{ProductState, ProductType};
use compagina_press::shop::{Shelf, listing};
use compagina_storage::Which;

/// Products of each type on the front page, and on a type's own page.
const ON_FRONT: u32 = 8;
const ON_TYPE: u32 = 96;

/// The whole shop, type by type.
#[get("/shop")]
pub async fn front(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        let types = state.store.types_on_show().await?;
        page(&state, &request, None, types, ON_FRONT).await
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
        let (title, kind) = (found.kind.name.clone(), (found.id, found.kind));
        page(&state, &request, Some(title), vec![kind], ON_TYPE).await
    };
    or_message(&state, &request, answer.await).await
}

async fn page(
    state: &State,
    request: &HttpRequest,
    title: Option<String>,
    types: Vec<(u64, ProductType)>,
    most: u32,
) -> ApiResult<HttpResponse> {
    let mut filled = Vec::new();
    for (type_id, kind) in types {
        let mut products = state.store.products(Which::OfType { type_id, most, skip: 0 }).await?;
        products.retain(|p| p.state != ProductState::Withdrawn);
        filled.push((kind, products));
    }
    let shelves: Vec<_> =
        filled.iter().map(|(kind, products)| Shelf { kind, products: products.iter().collect() }).collect();
    let nav = nav(state, &Reading::of(request)).await?;
    let title = title.unwrap_or_else(|| nav.words.say("listing-all"));
    Ok(html(StatusCode::OK, listing(&nav, &title, &shelves)))
}
