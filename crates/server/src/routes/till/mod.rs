//! The till: cart, checkout with a simulated payment, receipt.

pub mod back;
pub mod cart;
pub mod checkout;
pub mod interest;
pub mod pay_order;
pub mod put;
pub mod receipt;
pub mod wish;

use crate::clock::now;
use crate::error::ApiResult;
use crate::serving::edition::everywhere;
use crate::session::{cookie_hash, new_token, safe_cookie, token_hash};
use crate::state::State;
use actix_web::cookie::{Cookie, SameSite};
use actix_web::http::header;
use actix_web::{HttpRequest, HttpResponse};
use compagina_core::cart::{Reckoning, reckon};
use compagina_core::catalog::Product;
use compagina_core::choice::Selection;
use compagina_core::page::CartFacts;
use compagina_core::pay::Payer;
use compagina_core::price::Prices;
use compagina_storage::{CartItem, CartRow};

const CART_COOKIE: &str = "compagina_cart";
const CART_DAYS: i64 = 60;

/// The shopper's cart, where there is one.
async fn cart_of(state: &State, request: &HttpRequest) -> ApiResult<Option<CartRow>> {
    match cookie_hash(request, CART_COOKIE) {
        Some(hash) => Ok(state.store.cart(&hash).await?),
        None => Ok(None),
    }
}

/// What the shopper's cart holds, as far as pages care.
pub async fn cart_facts(state: &State, request: &HttpRequest) -> ApiResult<CartFacts> {
    let items = match cart_of(state, request).await? {
        Some(cart) => state.store.cart_items(cart).await?,
        None => vec![],
    };
    Ok(CartFacts { products: items.into_iter().map(|item| item.product.handle).collect() })
}

/// The shop's prices for what is in the shopper's cart, as far as that can change them.
pub async fn prices_for_cart(state: &State, request: &HttpRequest, prices: Prices) -> ApiResult<Prices> {
    if !prices.look_at_the_cart() {
        return Ok(prices);
    }
    let Some(cart) = cart_of(state, request).await? else { return Ok(prices) };
    let items = state.store.cart_items(cart).await?;
    let lines = items.iter().map(|item| (&item.product, &item.product.variants[item.variant], item.quantity));
    Ok(prices.with_cart(lines)?)
}

/// What a cart comes to now, its lines in order.
async fn reckoned(state: &State, cart: CartRow) -> ApiResult<(Vec<CartItem>, Reckoning)> {
    let (items, prices) = tokio::try_join!(state.store.cart_items(cart), state.store.prices(now()))?;
    let currency = items.first().map(|item| item.product.price.currency);
    let wanted: Vec<_> = items.iter().map(CartItem::wanted).collect();
    let shops = everywhere(state).await?.shop.currency;
    let reckoning = reckon(&wanted, currency.unwrap_or(shops), &prices)?;
    Ok((items, reckoning))
}

/// `Colour: Ember · Sail: 2.1 m`
fn choice_of(product: &Product, selection: &Selection) -> String {
    let names = selection.chosen().filter_map(|(o, v)| {
        let option = product.options.get(o)?;
        Some(format!("{}: {}", option.name, option.values.get(usize::from(v))?.name))
    });
    names.collect::<Vec<_>>().join(" · ")
}

/// The shopper's cart, or a new one with the cookie that goes with it.
async fn cart_for(state: &State, request: &HttpRequest) -> ApiResult<(CartRow, Option<Cookie<'static>>)> {
    if let Some(cart) = cart_of(state, request).await? {
        return Ok((cart, None));
    }
    let token = new_token();
    let cart = state.store.add_cart(&token_hash(&token)).await?;
    Ok((cart, Some(safe_cookie(CART_COOKIE, token, CART_DAYS))))
}

/// How many pieces the cart holds, for the script that writes it into the page's head. No secret.
async fn count_cookie(state: &State, cart: CartRow) -> ApiResult<Cookie<'static>> {
    let count = state.store.cart_count(cart).await?;
    Ok(Cookie::build("cart_count", count.to_string()).path("/shop").same_site(SameSite::Lax).finish())
}

/// By which provider a shopper paid the last time.
const PAID_BY_COOKIE: &str = "paid_by";

/// What a request tells of who pays.
struct KnownPayer {
    country: Option<String>,
    on_phone: bool,
    used_last: Option<String>,
}

impl KnownPayer {
    fn as_payer(&self) -> Payer<'_> {
        let (country, used_last) = (self.country.as_deref(), self.used_last.as_deref());
        Payer { country, on_phone: self.on_phone, used_last }
    }
}

/// The country is the first one that the browser's languages name; whether it is a phone says the browser itself.
fn payer(request: &HttpRequest) -> KnownPayer {
    let text = |name: &str| request.headers().get(name).and_then(|value| value.to_str().ok()).unwrap_or("");
    let languages = text("accept-language").split(',').map(|one| one.split(';').next().unwrap_or("").trim());
    let region = |tag: &str| {
        let region = tag.split('-').skip(1).find(|part| part.len() == 2)?;
        region.bytes().all(|b| b.is_ascii_alphabetic()).then(|| region.to_ascii_uppercase())
    };
    KnownPayer {
        country: languages.filter_map(region).next(),
        on_phone: text("sec-ch-ua-mobile") == "?1" || text("user-agent").contains("Mobile"),
        used_last: request.cookie(PAID_BY_COOKIE).map(|cookie| cookie.value().to_owned()),
    }
}

fn see_other(to: &str) -> HttpResponse {
    HttpResponse::SeeOther().insert_header((header::LOCATION, to)).finish()
}

async fn see_other_with_count(state: &State, cart: CartRow, to: &str) -> ApiResult<HttpResponse> {
    let mut answer = see_other(to);
    answer.add_cookie(&count_cookie(state, cart).await?).map_err(crate::error::ApiError::unforeseen)?;
    Ok(answer)
}
