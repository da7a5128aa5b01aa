use super::{html, nav, or_message, published_layout, related};
use crate::error::{ApiError, ApiResult};
use crate::pages::Ready;
use crate::state::State;
use actix_web::http::{StatusCode, header};
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, UnknownChoice};
use compagina_core::ids::Handle;
use compagina_core::page::Layout;
use compagina_core::situation::{Situation, StockMood};
use compagina_press::{Mode, Notice, Page, opening_selection, render};
use std::sync::Arc;

type Pairs = Vec<(String, String)>;

/// Longer queries aren't kept ready: they are nobody's link.
const LONGEST_KEY: usize = 300;

/// A product's page. Kept ready for each selection; with a notice or a quantity it is made for the one who asks.
#[get("/shop/products/{handle}")]
pub async fn show(state: Data<State>, handle: Path<String>, request: HttpRequest) -> HttpResponse {
    let query = request.query_string();
    let key = format!("{handle}?{query}");
    if let Some(ready) = state.pages.get(&key) {
        return send(&ready, &request);
    }
    or_message(&state, answer(&state, &handle, key, &request).await).await
}

async fn answer(state: &State, handle: &str, key: String, request: &HttpRequest) -> ApiResult<HttpResponse> {
    let age = state.pages.age();
    let pairs: Pairs = Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default();
    let product = find(state, handle).await?;
    let layout = published_layout(state, &product).await?;
    let (situation, unknown) = situation(&product, &layout, &pairs);
    let notice = notice(&pairs, &unknown);
    let (page, made_of) = draw(state, &product, &layout, &situation, notice.as_ref()).await?;
    let plain = notice.is_none() && situation.quantity == 1 && key.len() <= LONGEST_KEY;
    // Only addresses that name nothing but choices are kept, or strange ones would push them out.
    let known = pairs.iter().all(|(name, _)| product.options.iter().any(|o| o.handle.as_str() == name));
    if plain && known {
        return Ok(send(&state.pages.keep(key, page, made_of, age), request));
    }
    Ok(html(StatusCode::OK, page))
}

pub async fn find(state: &State, handle: &str) -> ApiResult<Product> {
    let handle = Handle::try_from(handle).map_err(|_| ApiError::no_such("product"))?;
    state.store.product(&handle).await?.ok_or_else(|| ApiError::no_such("product"))
}

fn situation(product: &Product, layout: &Layout, pairs: &Pairs) -> (Situation, Vec<UnknownChoice>) {
    let text = || pairs.iter().map(|(name, value)| (name.as_str(), value.as_str()));
    let (selection, unknown) = Selection::from_pairs(product, text());
    let chosen = selection.chosen().next().is_some();
    let selection = if chosen { selection } else { opening_selection(product, layout) };
    let quantity = text().find(|(name, _)| *name == "quantity").and_then(|(_, n)| n.parse().ok());
    let quantity = quantity.unwrap_or(1).clamp(1, 99);
    (Situation { selection, quantity, stock: StockMood::AsItIs }, unknown)
}

fn notice(pairs: &Pairs, unknown: &[UnknownChoice]) -> Option<Notice> {
    if pairs.iter().any(|(name, _)| name == "added") {
        return Some(Notice { text: "It is in your cart.".into(), to_cart: true });
    }
    let choice = unknown.first()?;
    let text = format!("We have no “{}” here any more. This is what there is.", choice.value);
    Some(Notice { text, to_cart: false })
}

/// The page, and the products of which it was made.
pub async fn draw(
    state: &State,
    product: &Product,
    layout: &Layout,
    situation: &Situation,
    notice: Option<&Notice>,
) -> ApiResult<(String, Vec<compagina_core::ids::ProductId>)> {
    let (nav, related) = (nav(state).await?, related(state, product).await?);
    let page = Page { nav: &nav, product, layout, related: &related, situation, mode: Mode::Shop, notice };
    let made_of = std::iter::once(product.id).chain(related.iter().map(|p| p.id)).collect();
    Ok((render(&page)?, made_of))
}

fn send(ready: &Arc<Ready>, request: &HttpRequest) -> HttpResponse {
    let same = request
        .headers()
        .get(header::IF_NONE_MATCH)
        .is_some_and(|tag| tag.as_bytes() == ready.tag.as_bytes());
    if same {
        return HttpResponse::NotModified().finish();
    }
    HttpResponse::Ok()
        .content_type("text/html; charset=utf-8")
        .insert_header((header::CACHE_CONTROL, "no-cache"))
        .insert_header((header::ETAG, ready.tag.as_str()))
        .body(ready.body.clone())
}
