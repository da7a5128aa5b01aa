use super::Of;
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::html;
use crate::serving::edition::page::Served;
use crate::serving::known::known;
use crate::serving::listed::listed_around;
use crate::serving::reading::{Reading, Side};
use crate::serving::related::around_page;
use crate::session::Caller;
use crate::state::State;
use crate::visit::{Under, Visit};
use actix_web::http::StatusCode;
use actix_web::web::{Data, Query};
use actix_web::{HttpResponse, get};
use compagina_core::page::Purpose;
use compagina_core::situation::Situation;
use compagina_core::template::CardPlace;
use compagina_core::wording::Language;
use compagina_press::{Mode, opening_selection};
use serde::Deserialize;
use utoipa::IntoParams;

/// What of a product is looked at.
#[derive(Deserialize, IntoParams)]
pub struct Shown {
    /// Its page, or its card in the listing of its type.
    #[serde(default)]
    purpose: Purpose,
}

/// A product's page, or its card among those of its type, as shoppers see it now, under a visit.
#[utoipa::path(operation_id = "page_now", params(Of, Shown, Under), responses((status = 200, body = String, content_type = "text/html"), (status = 404, body = ApiError)))]
#[get("/changes/now")]
pub async fn page(
    state: Data<State>,
    _caller: Caller,
    of: Query<Of>,
    shown: Query<Shown>,
    under: Query<Under>,
) -> ApiResult<HttpResponse> {
    let known = known(&state, of.product.as_str()).await?;
    let product = &known.product;
    let visit = Visit::of(&state, &under).await?;
    let here = product.path();
    let reading = Reading { language: Language::default(), side: Side::Live, template: None, here };
    let mut served = Served::now(&state, product, reading).await?;
    let listed = match shown.purpose {
        Purpose::Page => None,
        Purpose::Card => {
            served.layout = (*served.nav.cards.card(product, CardPlace::Listing)).clone();
            Some(listed_around(&state, product).await?)
        }
    };
    let selection = opening_selection(product, &served.layout);
    served.nav.prices = visit.prices(&served.nav.prices, product, &selection)?.into_owned();
    let situation = Situation {
        selection,
        quantity: visit.quantity(product),
        cart: visit.facts(product),
        ..Situation::plain(product.options.len(), served.nav.prices.today())
    };
    let around = match listed {
        Some(listed) => listed,
        None => around_page(&state, &known, &served.layout).await?.around,
    };
    Ok(html(StatusCode::OK, served.render(product, &around, &situation, Mode::Shop, None)?))
}
