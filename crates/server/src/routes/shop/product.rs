use super::{around, html, or_message};
use crate::error::{ApiError, ApiResult};
use crate::everywhere::everywhere;
use crate::pages::{MadeOf, Ready};
use crate::reading::{Reading, nav, today};
use crate::routes::till::cart_facts;
use crate::serving::{LivePage, live_page};
use crate::state::State;
use actix_web::http::{StatusCode, header};
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, UnknownChoice};
use compagina_core::ids::Handle;
use compagina_core::page::{Layout, Rule};
use compagina_core::price::PlanId;
use compagina_core::situation::Situation;
use compagina_core::wording::Arg;
use compagina_press::{Mode, Nav, Notice, Page, opening_selection, render};
use std::sync::Arc;

type Pairs = Vec<(String, String)>;

/// Longer queries aren't kept ready: they are nobody's link.
const LONGEST_KEY: usize = 300;

/// A product's page. Kept ready for each selection; with a notice or a quantity it is made for the one who asks.
#[get("/shop/products/{handle}")]
pub async fn show(state: Data<State>, handle: Path<String>, request: HttpRequest) -> HttpResponse {
    let reading = Reading::of(&request);
    let key = format!("{} {handle}?{}", reading.language.tag(), request.query_string());
    if let Some(ready) = state.pages.get(&key) {
        return send(&ready, &request);
    }
    let answer = answer(&state, &handle, key, &request, reading).await;
    or_message(&state, &request, answer).await
}

async fn answer(
    state: &State,
    handle: &str,
    key: String,
    request: &HttpRequest,
    reading: Reading,
) -> ApiResult<HttpResponse> {
    let age = state.pages.age();
    let pairs: Pairs = Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default();
    let product = find(state, handle).await?;
    let LivePage { template, layout, until } = live_page(state, &product).await?;
    let (mut situation, unknown) = situation(&product, &layout, &pairs);
    let asks_for_cart = layout.rules().any(Rule::asks_for_cart);
    if asks_for_cart {
        situation.cart = cart_facts(state, request).await?;
    }
    let nav = nav(state, &reading.under(template)).await?;
    let notice = notice(&nav, &pairs, &unknown);
    let (page, products) =
        draw(state, &nav, &product, &layout, &situation, Mode::Shop, notice.as_ref()).await?;
    let plain = notice.is_none()
        && situation.quantity == product.terms.first()
        && key.len() <= LONGEST_KEY
        && !asks_for_cart;
    // Only addresses that name nothing but choices are kept, or strange ones would push them out.
    let known = pairs.iter().all(|(name, _)| product.options.iter().any(|o| o.handle.as_str() == name));
    if plain && known {
        let day = layout.rules().any(Rule::asks_for_day).then(|| situation.day.clone());
        let until = nav.prices.next_change().into_iter().chain(until).min();
        return Ok(send(&state.pages.keep(key, page, MadeOf { products, day, until }, age), request));
    }
    Ok(html(StatusCode::OK, page))
}

pub async fn find(state: &State, handle: &str) -> ApiResult<Product> {
    let handle = Handle::try_from(handle).map_err(|_| ApiError::no_such("product"))?;
    state.store.product(&handle).await?.ok_or_else(|| ApiError::no_such("product"))
}

pub(super) fn situation(
    product: &Product,
    layout: &Layout,
    pairs: &Pairs,
) -> (Situation, Vec<UnknownChoice>) {
    let text = || pairs.iter().map(|(name, value)| (name.as_str(), value.as_str()));
    let (selection, unknown) = Selection::from_pairs(product, text());
    let chosen = selection.chosen().next().is_some();
    let selection = if chosen { selection } else { opening_selection(product, layout) };
    let quantity = text().find(|(name, _)| *name == "quantity").and_then(|(_, n)| n.parse().ok());
    let first = product.terms.first();
    let quantity = quantity.unwrap_or(first).clamp(1, 99);
    let plain = Situation::plain(product.options.len(), today());
    let plan = plan_of(text());
    (Situation { selection, quantity, plan, ..plain }, unknown)
}

/// The plan that a form or an address names; none for once.
pub fn plan_of<'a>(mut pairs: impl Iterator<Item = (&'a str, &'a str)>) -> Option<PlanId> {
    let (_, number) = pairs.find(|(name, _)| *name == "plan")?;
    number.parse().ok().filter(|number| *number > 0).map(PlanId)
}

fn notice(nav: &Nav, pairs: &Pairs, unknown: &[UnknownChoice]) -> Option<Notice> {
    if pairs.iter().any(|(name, _)| name == "added") {
        return Some(Notice { text: nav.words.say("added"), leads: Some(("/shop/cart", "see-cart")) });
    }
    if pairs.iter().any(|(name, _)| name == "kept") {
        return Some(Notice { text: nav.words.say("wish-kept"), leads: Some(("/shop/wishes", "wish-see")) });
    }
    let choice = unknown.first()?;
    let text = nav.words.say_with("gone-choice", &[("value", Arg::Text(&choice.value))]);
    Some(Notice { text, leads: None })
}

/// The page, and the products of which it was made.
pub async fn draw(
    state: &State,
    nav: &Nav,
    product: &Product,
    layout: &Layout,
    situation: &Situation,
    mode: Mode,
    notice: Option<&Notice>,
) -> ApiResult<(String, Vec<compagina_core::ids::ProductId>)> {
    let (around, everywhere) = (around(state, product, layout).await?, everywhere(state).await?);
    let media = &everywhere.media;
    let page = Page { nav, product, layout, around: &around, media, situation, mode, notice, only: None };
    let made_of = std::iter::once(product.id).chain(around.related.iter().map(|p| p.id)).collect();
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
