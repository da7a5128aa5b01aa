use crate::error::{ApiError, ApiResult};
use crate::routes::shop::product::send;
use crate::serving::edition::page::lay;
use crate::serving::edition::pages::{Asked, Ready};
use crate::serving::known::known;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Path};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::wording::Language;
use compagina_press::Mode;
use std::sync::Arc;

/// A product's page as shoppers see it, to be drawn a few fingers wide: nothing runs in it, and its pictures are small.
/// Drawn once and kept until anything of it changes.
#[utoipa::path(operation_id = "draw_small_page", responses((status = 200, content_type = "text/html", body = String), (status = 404, body = ApiError)))]
#[get("/products/{handle}/small")]
pub async fn draw(
    state: Data<State>,
    _caller: Caller,
    handle: Path<String>,
    request: HttpRequest,
) -> ApiResult<HttpResponse> {
    let edition = state.editions.current();
    let asked = Asked { language: Language::default(), address: handle.into_inner(), query: String::new() };
    if let Some(ready) = edition.small.get(&asked) {
        return Ok(send(&ready, &request));
    }
    let known = known(&state, &asked.address).await?;
    let (everywhere, live) = (edition.everywhere(&state).await?, edition.live(&state).await?);
    let laid = lay(&state, everywhere, live, &known.product, &asked)?;
    let around = laid.around(&state, &known).await?;
    let page = laid.draw(&known, &around, Mode::Small)?;
    let ready = Arc::new(Ready::new(page, laid.made_of(&known, around), 0));
    state.editions.keep_small(&edition, asked, ready.clone());
    Ok(send(&ready, &request))
}
