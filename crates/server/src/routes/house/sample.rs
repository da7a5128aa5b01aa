use crate::error::ApiResult;
use crate::serving::reading::{Reading, Side, nav};
use crate::session::Caller;
use crate::state::State;
use actix_web::http::header;
use actix_web::web::Data;
use actix_web::{HttpResponse, get};
use compagina_core::wording::Language;
use compagina_press::shop::sample;

/// A living sample of everything that the house style sets, in its draft.
#[utoipa::path(operation_id = "house_sample", responses((status = 200, body = String, content_type = "text/html")))]
#[get("/house/sample")]
pub async fn show(state: Data<State>, _caller: Caller) -> ApiResult<HttpResponse> {
    let reading =
        Reading { language: Language::default(), side: Side::Draft, template: None, here: "/shop".into() };
    let page = sample(&nav(&state, &reading).await?);
    Ok(HttpResponse::Ok()
        .content_type("text/html; charset=utf-8")
        .insert_header((header::CACHE_CONTROL, "no-store"))
        .body(page))
}
