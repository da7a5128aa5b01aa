use super::checkout::looks_like_email;
use crate::clock::now;
use crate::error::ApiResult;
use crate::routes::shop::product::find_public;
use crate::routes::shop::{check_origin, html, or_message};
use crate::routes::till::cart_facts;
use crate::serving::edition::page::Served;
use crate::serving::reading::Reading;
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Form};
use actix_web::{HttpRequest, HttpResponse, post};
use compagina_core::choice::{Selection, variant_of};
use compagina_core::price::{Hindrance, Surface};
use compagina_core::situation::Situation;
use compagina_core::wording::Arg;
use compagina_press::{Mode, Notice};

/// Notes that a shopper wants to hear when a choice can be bought.
#[post("/shop/interest")]
pub async fn note(
    state: Data<State>,
    request: HttpRequest,
    form: Form<Vec<(String, String)>>,
) -> HttpResponse {
    let answer = answer(&state, &request, &form).await;
    or_message(&state, &request, answer).await
}

async fn answer(state: &State, request: &HttpRequest, form: &[(String, String)]) -> ApiResult<HttpResponse> {
    check_origin(request)?;
    let field =
        |wanted: &str| form.iter().find(|(name, _)| name == wanted).map_or("", |(_, value)| value.trim());
    let (product, email) = (find_public(state, field("product"), request).await?, field("email"));
    let (selection, _) = Selection::from_pairs(&product, form.iter().map(|(n, v)| (n.as_str(), v.as_str())));
    let served = Served::now(state, &product, Reading::of(request)).await?;
    let words = &served.nav.words;
    let offer = state.store.prices(now()).await?.offer(&product, &selection, 1, Surface::Page)?;
    let waits = matches!(offer.hindrance, Some(Hindrance::SoldOut | Hindrance::ComingSoon));
    let sound = looks_like_email(email) && email.chars().count() <= 200;
    let (status, text) = if !sound {
        (StatusCode::UNPROCESSABLE_ENTITY, words.say("field-bad-email"))
    } else if waits {
        let variant = variant_of(&product, &selection).map(|variant| variant.id);
        state.store.note_interest(product.id, variant, email).await?;
        (StatusCode::OK, words.say_with("interest-noted", &[("email", Arg::Text(email))]))
    } else {
        (StatusCode::CONFLICT, words.say("interest-here"))
    };
    let plain = Situation::plain(product.options.len(), served.nav.prices.today());
    let (quantity, cart) = (product.terms.first(), cart_facts(state, request).await?);
    let situation = Situation { selection, quantity, cart, ..plain };
    let notice = Notice { text, leads: None };
    let page = served.draw(state, &product, &situation, Mode::Shop, Some(&notice)).await?;
    Ok(html(status, page))
}
