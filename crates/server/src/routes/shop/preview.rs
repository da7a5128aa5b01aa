use super::{html, or_message};
use crate::error::{ApiError, ApiResult};
use crate::serving::edition::cards::DeskCards;
use crate::serving::edition::everywhere;
use crate::serving::edition::page::{Served, situation};
use crate::serving::known::known_or_sample;
use crate::serving::listed::listed_around;
use crate::serving::reading::{Reading, Side, nav};
use crate::session::token_hash;
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::http::header::{HeaderName, HeaderValue};
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use chrono::Utc;
use compagina_core::page::Purpose;
use compagina_core::template::compose;
use compagina_core::wording::Arg;
use compagina_press::shop::message;
use compagina_press::{Mode, Notice};
use std::sync::Arc;

/// A draft for someone without an account who has the link, until it runs out. Search engines are told to stay away.
#[get("/shop/preview/{token}/{handle}")]
pub async fn show(state: Data<State>, path: Path<(String, String)>, request: HttpRequest) -> HttpResponse {
    let (token, handle) = path.into_inner();
    let answer = draft(&state, &request, &token, &handle).await;
    let mut answer = or_message(&state, &request, answer).await;
    let robots = (HeaderName::from_static("x-robots-tag"), HeaderValue::from_static("noindex, nofollow"));
    answer.headers_mut().insert(robots.0, robots.1);
    answer
}

async fn draft(state: &State, request: &HttpRequest, token: &str, handle: &str) -> ApiResult<HttpResponse> {
    let missing = || ApiError::no_such("preview");
    let (template, until) = state.store.preview(&token_hash(token)).await?.ok_or_else(missing)?;
    let reading = Reading { side: Side::Draft, ..Reading::of(request).under(template) };
    let mut nav = nav(state, &reading).await?;
    if until < Utc::now() {
        let page = message(&nav, &nav.words.say("preview-over-title"), &nav.words.say("preview-over"));
        return Ok(html(StatusCode::GONE, page));
    }
    let product = known_or_sample(state, handle).await?.product.clone();
    let draft = state.store.template(template).await?.draft;
    let layout = compose(&draft, &product.kind.handle, &product.handle);
    let pairs: Vec<(String, String)> =
        Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default();
    let (situation, _) = situation(&product, &layout, &pairs, nav.prices.today());
    let day = nav.shop.locale.day(&until.format("%Y-%m-%d").to_string());
    let text = nav.words.say_with("preview-bar", &[("until", Arg::Text(&day))]);
    let notice = Notice { text, leads: None };
    // A card is seen in the listing of its product's type.
    let listed = match draft.purpose {
        Purpose::Card => {
            nav.cards = Arc::new(DeskCards::of(state, template, draft).await?);
            Some(listed_around(state, &product).await?)
        }
        Purpose::Page => None,
    };
    let served = Served { layout, nav, everywhere: everywhere(state).await? };
    let page = match listed {
        Some(listed) => served.render(&product, &listed, &situation, Mode::Shop, Some(&notice))?,
        None => served.draw(state, &product, &situation, Mode::Shop, Some(&notice)).await?,
    };
    Ok(html(StatusCode::OK, page))
}
