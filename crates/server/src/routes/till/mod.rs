//! The till: cart, checkout with a simulated payment, receipt.

pub mod cart;
pub mod checkout;
pub mod receipt;

use crate::error::ApiResult;
use crate::session::{cookie_hash, new_token, safe_cookie, token_hash};
use crate::state::State;
use actix_web::cookie::{Cookie, SameSite};
use actix_web::http::header;
use actix_web::{HttpRequest, HttpResponse};
use compagina_core::page::CartFacts;
use compagina_storage::CartRow;

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

fn see_other(to: &str) -> HttpResponse {
    HttpResponse::SeeOther().insert_header((header::LOCATION, to)).finish()
}

async fn see_other_with_count(state: &State, cart: CartRow, to: &str) -> ApiResult<HttpResponse> {
    let mut answer = see_other(to);
    answer.add_cookie(&count_cookie(state, cart).await?).map_err(crate::error::ApiError::unforeseen)?;
    Ok(answer)
}
