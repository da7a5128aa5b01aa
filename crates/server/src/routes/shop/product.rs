use super::{found_at, html, or_message, takes_gzip};
use crate::error::{ApiError, ApiResult};
use crate::routes::till::cart_facts;
use crate::serving::edition::Edition;
use crate::serving::edition::page::lay;
use crate::serving::edition::pages::{Asked, Ready};
use crate::serving::known::{Found, known, known_at};
use crate::serving::reading::Reading;
use crate::session::is_owner;
use crate::state::State;
use actix_web::http::{StatusCode, header};
use actix_web::web::{Data, Path};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::catalog::Product;
use compagina_core::ids::Handle;
use compagina_press::Mode;
use std::sync::Arc;

/// A product's page. Kept ready for each selection; with a notice or a quantity it is made for the one who asks.
#[get("/shop/products/{address}")]
pub async fn show(state: Data<State>, address: Path<String>, request: HttpRequest) -> HttpResponse {
    let asked = Asked {
        language: Reading::of(&request).language,
        address: address.into_inner(),
        query: request.query_string().to_owned(),
    };
    let edition = state.editions.current();
    if let Some(ready) = edition.ready(&asked) {
        return send(&ready, &request);
    }
    let answer = answer(&state, &edition, asked, &request).await;
    or_message(&state, &request, answer).await
}

async fn answer(
    state: &State,
    edition: &Edition,
    asked: Asked,
    request: &HttpRequest,
) -> ApiResult<HttpResponse> {
    let found = match known_at(state, &asked.address).await {
        // Owners are led on from a product's handle, wherever its page stands.
        Err(missing) if is_owner(state, request).await? => {
            Found::Moved(known(state, &asked.address).await.map_err(|_| missing)?)
        }
        found => found?,
    };
    let (known, moved) = (found.known(), matches!(found, Found::Moved(_)));
    only_for_owners_unless_public(state, &known.product, request).await?;
    if moved {
        return Ok(leads_on(&known.product, &asked.query));
    }
    let (everywhere, live) = (edition.everywhere(state).await?, edition.live(state).await?);
    let mut laid = lay(state, everywhere, live, &known.product, &asked)?;
    if laid.asks_for_cart {
        laid.situation.cart = cart_facts(state, request).await?;
    }
    let around = laid.around(state, known).await?;
    let page = laid.draw(known, &around, Mode::Shop)?;
    if !laid.is_common() || !known.product.is_public() {
        return Ok(found_at(html(StatusCode::OK, page), Some(&known.product.path()), request));
    }
    let ready = Ready::new(page, laid.made_of(known, around), 0).at(Some(known.product.path()));
    let ready = Arc::new(ready);
    state.editions.keep(edition, asked, ready.clone());
    Ok(send(&ready, request))
}

/// A product that was never put on sale is there for owners alone.
pub async fn only_for_owners_unless_public(
    state: &State,
    product: &Product,
    request: &HttpRequest,
) -> ApiResult<()> {
    let may = product.is_public() || is_owner(state, request).await?;
    if may { Ok(()) } else { Err(ApiError::no_such("product")) }
}

/// A product as shoppers may ask for it.
pub async fn find_public(state: &State, handle: &str, request: &HttpRequest) -> ApiResult<Product> {
    let product = find(state, handle).await?;
    only_for_owners_unless_public(state, &product, request).await?;
    Ok(product)
}

pub async fn find(state: &State, handle: &str) -> ApiResult<Product> {
    let handle = Handle::try_from(handle).map_err(|_| ApiError::no_such("product"))?;
    state.store.product(&handle).await?.ok_or_else(|| ApiError::no_such("product"))
}

/// To where the page stands now. It may move back, so nobody keeps this.
fn leads_on(product: &Product, query: &str) -> HttpResponse {
    let path = product.path();
    let to = if query.is_empty() { path } else { format!("{path}?{query}") };
    HttpResponse::MovedPermanently()
        .insert_header((header::LOCATION, to))
        .insert_header((header::CACHE_CONTROL, "no-cache"))
        .finish()
}

pub fn send(ready: &Arc<Ready>, request: &HttpRequest) -> HttpResponse {
    let small = takes_gzip(request);
    // What is sent in another form has another name.
    let tag = if small { ready.tag.replacen('"', "\"z", 1) } else { ready.tag.clone() };
    let known = request.headers().get(header::IF_NONE_MATCH);
    if known.is_some_and(|known| known.as_bytes() == tag.as_bytes()) {
        return HttpResponse::NotModified().finish();
    }
    let mut answer = HttpResponse::Ok();
    answer
        .content_type("text/html; charset=utf-8")
        .insert_header((header::CACHE_CONTROL, "no-cache"))
        .insert_header((header::VARY, "accept-encoding"))
        .insert_header((header::ETAG, tag));
    let answer = match small {
        true => answer.insert_header((header::CONTENT_ENCODING, "gzip")).body(ready.gzip()),
        false => answer.body(ready.body.clone()),
    };
    found_at(answer, ready.address.as_deref(), request)
}
