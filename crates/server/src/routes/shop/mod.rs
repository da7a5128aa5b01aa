//! The shop's pages.

pub mod language;
pub mod listing;
pub mod offer;
pub mod preview;
pub mod product;
pub mod quick;

use crate::error::{ApiError, ApiResult};
use crate::serving::edition::pages::gzip;
use crate::serving::reading::{Reading, nav};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::http::header::{self, HeaderValue};
use actix_web::web::Data;
use actix_web::{HttpRequest, HttpResponse, ResponseError, get};
use compagina_press::shop::message;

pub fn html(status: StatusCode, body: String) -> HttpResponse {
    HttpResponse::build(status)
        .content_type("text/html; charset=utf-8")
        .insert_header((header::CACHE_CONTROL, "no-store"))
        .body(body)
}

/// The same for one who asks, compressed where that is understood.
fn html_for(request: &HttpRequest, body: String) -> HttpResponse {
    if !takes_gzip(request) {
        return html(StatusCode::OK, body);
    }
    let mut answer = html(StatusCode::OK, String::new()).set_body(gzip(body.as_bytes()));
    answer.headers_mut().insert(header::CONTENT_ENCODING, HeaderValue::from_static("gzip"));
    answer.headers_mut().insert(header::VARY, HeaderValue::from_static("accept-encoding"));
    answer.map_into_boxed_body()
}

fn takes_gzip(request: &HttpRequest) -> bool {
    let accepted = request.headers().get(header::ACCEPT_ENCODING).and_then(|value| value.to_str().ok());
    accepted.unwrap_or_default().split(',').any(|one| one.trim() == "gzip")
}

/// Tells of a page the address that stands for it (RFC 6596), whole: with the host by which the shop was asked.
fn found_at(mut answer: HttpResponse, address: Option<&str>, request: &HttpRequest) -> HttpResponse {
    let of = request.connection_info();
    let (scheme, host) = (of.scheme(), of.host());
    let known = matches!(scheme, "http" | "https")
        && host.chars().all(|sign| sign.is_ascii_alphanumeric() || "-.:[]".contains(sign));
    let link = address.filter(|_| known).map(|path| format!("<{scheme}://{host}{path}>; rel=\"canonical\""));
    if let Some(Ok(link)) = link.map(HeaderValue::try_from) {
        answer.headers_mut().insert(header::LINK, link);
    }
    answer
}

/// A page of the shop, or the page that tells a shopper why there is none.
pub async fn or_message(
    state: &State,
    request: &HttpRequest,
    answer: ApiResult<HttpResponse>,
) -> HttpResponse {
    let error = match answer {
        Ok(answer) => return answer,
        Err(error) => error,
    };
    let title = match error.status_code() {
        StatusCode::NOT_FOUND => "message-nothing",
        StatusCode::INTERNAL_SERVER_ERROR => "message-wrong",
        _ => "message-not",
    };
    match nav(state, &Reading::of(request)).await {
        Ok(nav) => html(error.status_code(), message(&nav, &nav.words.say(title), error.message())),
        Err(_) => error.error_response(),
    }
}

/// What programs that go through the shop may read: products and listings, nobody's own cart.
#[get("/robots.txt")]
pub async fn robots() -> &'static str {
    "User-agent: *
Disallow: /api/
Disallow: /shop/cart
Disallow: /shop/checkout
Disallow: /shop/wishes
Disallow: /shop/search
"
}

/// Addresses of the shop that lead nowhere.
pub async fn missing(state: Data<State>, request: HttpRequest) -> HttpResponse {
    or_message(&state, &request, Err(ApiError::nothing_here())).await
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
