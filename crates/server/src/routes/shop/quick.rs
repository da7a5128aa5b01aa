use super::product::only_for_owners_unless_public;
use super::{html, or_message};
use crate::error::{ApiError, ApiResult};
use crate::routes::till::cart_facts;
use crate::serving::edition::page::{Served, situation};
use crate::serving::known::known_at;
use crate::serving::reading::Reading;
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::page::{Rule, quick_look};
use compagina_press::Mode;

/// A product's quick look: the small page that opens over a listing.
#[get("/shop/products/{address}/quick")]
pub async fn show(state: Data<State>, address: Path<String>, request: HttpRequest) -> HttpResponse {
    let answer = answer(&state, &address, &request).await;
    or_message(&state, &request, answer).await
}

async fn answer(state: &State, address: &str, request: &HttpRequest) -> ApiResult<HttpResponse> {
    let pairs = Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default();
    let found = known_at(state, address).await?;
    let known = found.known();
    only_for_owners_unless_public(state, &known.product, request).await?;
    let mut product = (*known.product).clone();
    for option in &mut product.options {
        option.page = option.quick;
    }
    let mut served = Served::now(state, &product, Reading::of(request)).await?;
    served.layout = quick_look(&served.layout).map_err(ApiError::unforeseen)?;
    let (mut situation, _) = situation(&product, &served.layout, &pairs, served.nav.prices.today());
    if served.layout.rules().any(Rule::asks_for_cart) {
        situation.cart = cart_facts(state, request).await?;
    }
    let body = served.draw(state, &product, &situation, Mode::Quick, None).await?;
    Ok(html(StatusCode::OK, body))
}
