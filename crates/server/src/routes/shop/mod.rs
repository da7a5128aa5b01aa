//! The shop's pages.

pub mod listing;
pub mod offer;
pub mod product;

use crate::error::{ApiError, ApiResult};
use crate::state::State;
use actix_web::http::{StatusCode, header};
use actix_web::web::Data;
use actix_web::{HttpRequest, HttpResponse, ResponseError};
use compagina_core::catalog::{Product, ProductState};
use compagina_core::page::Layout;
use compagina_core::template::{Candidate, serving};
use compagina_press::shop::message;
use compagina_press::{Nav, NavItem};
use compagina_storage::Which;

/// Other products that a page may show, at the most.
const MOST_RELATED: u32 = 5;

/// What surrounds every page.
pub async fn nav(state: &State) -> ApiResult<Nav> {
    let shop = state.store.shop().await?.ok_or_else(|| ApiError::no_such("shop"))?;
    let types = state.store.types().await?;
    let items = types
        .into_iter()
        .map(|t| NavItem { href: format!("/shop/types/{}", t.kind.handle), name: t.kind.name });
    Ok(Nav { shop, items: items.collect(), assets: state.assets.clone() })
}

/// Other products of the same type.
pub async fn related(state: &State, product: &Product) -> ApiResult<Vec<Product>> {
    let types = state.store.types().await?;
    let Some(kind) = types.iter().find(|t| t.kind.handle == product.kind.handle) else { return Ok(vec![]) };
    let which = Which::OfType { type_id: kind.id, most: MOST_RELATED, skip: 0 };
    let mut products = state.store.products(which).await?;
    products.retain(|p| p.id != product.id && p.state != ProductState::Withdrawn);
    Ok(products)
}

/// The layout that shoppers see for a product.
pub async fn published_layout(state: &State, product: &Product) -> ApiResult<Layout> {
    let templates = state.store.templates().await?;
    let live = || templates.iter().filter(|t| t.published.is_some());
    let candidates: Vec<_> = live().map(|t| Candidate { id: t.id, reach: &t.reach }).collect();
    let (id, _) = serving(&product.kind.handle, &candidates).ok_or_else(|| ApiError::no_such("page"))?;
    let winner = templates.into_iter().find(|t| t.id == id).and_then(|t| t.published);
    winner.ok_or_else(|| ApiError::no_such("page"))
}

pub fn html(status: StatusCode, body: String) -> HttpResponse {
    HttpResponse::build(status)
        .content_type("text/html; charset=utf-8")
        .insert_header((header::CACHE_CONTROL, "no-store"))
        .body(body)
}

/// A page of the shop, or the page that tells a shopper why there is none.
pub async fn or_message(state: &State, answer: ApiResult<HttpResponse>) -> HttpResponse {
    let error = match answer {
        Ok(answer) => return answer,
        Err(error) => error,
    };
    let title = match error.status_code() {
        StatusCode::NOT_FOUND => "Nothing here",
        StatusCode::INTERNAL_SERVER_ERROR => "Something went wrong",
        _ => "That didn't work",
    };
    match nav(state).await {
        Ok(nav) => html(error.status_code(), message(&nav, title, error.message())),
        Err(_) => error.error_response(),
    }
}

/// Addresses of the shop that lead nowhere.
pub async fn missing(state: Data<State>) -> HttpResponse {
    or_message(&state, Err(ApiError::nothing_here())).await
}

/// Refuses a form that another site has sent.
pub fn check_origin(request: &HttpRequest) -> ApiResult<()> {
    let Some(origin) = request.headers().get(header::ORIGIN) else { return Ok(()) };
    let host = request.connection_info().host().to_owned();
    let own = origin.to_str().is_ok_and(|o| o.split_once("://").is_some_and(|(_, from)| from == host));
    if own {
        return Ok(());
    }
    let message = "This form came from another site. Nothing was changed.";
    Err(ApiError::new(StatusCode::FORBIDDEN, "foreign_form", message))
}
