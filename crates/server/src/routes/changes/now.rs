use super::Of;
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::html;
use crate::serving::edition::page::Served;
use crate::serving::known::known;
use crate::serving::reading::{Reading, Side};
use crate::session::Caller;
use crate::state::State;
use crate::visit::{Under, Visit};
use actix_web::http::StatusCode;
use actix_web::web::{Data, Query};
use actix_web::{HttpResponse, get};
use compagina_core::situation::Situation;
use compagina_core::wording::Language;
use compagina_press::{Mode, opening_selection};

/// A product's page as shoppers see it now, under a visit.
#[utoipa::path(operation_id = "page_now", params(Of, Under), responses((status = 200, body = String, content_type = "text/html"), (status = 404, body = ApiError)))]
#[get("/changes/now")]
pub async fn page(
    state: Data<State>,
    _caller: Caller,
    of: Query<Of>,
    under: Query<Under>,
) -> ApiResult<HttpResponse> {
    let product = &known(&state, of.product.as_str()).await?.product;
    let visit = Visit::of(&state, &under).await?;
    let here = product.path();
    let reading = Reading { language: Language::default(), side: Side::Live, template: None, here };
    let mut served = Served::now(&state, product, reading).await?;
    let selection = opening_selection(product, &served.layout);
    served.nav.prices = visit.prices(&served.nav.prices, product, &selection)?.into_owned();
    let situation = Situation {
        selection,
        quantity: visit.quantity(product),
        cart: visit.facts(product),
        ..Situation::plain(product.options.len(), served.nav.prices.today())
    };
    Ok(html(StatusCode::OK, served.draw(&state, product, &situation, Mode::Shop, None).await?))
}
