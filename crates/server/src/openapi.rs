//! The document that describes the owner's API and the shop's offers; the client's types are made from it.

use crate::routes;
use actix_web::App;
use compagina_core::page::SetValue;
use compagina_core::situation::{CartMood, SaleMood, StockMood};
use compagina_core::wording::Language;
use utoipa::OpenApi;
use utoipa::openapi::OpenApi as Document;
use utoipa_actix_web::AppExt;

#[derive(OpenApi)]
#[openapi(
    info(
        title = "Compagina",
        description = "The owner's API, and what the shop offers",
        license(name = "MIT")
    ),
    paths(routes::shop::offer::tell),
    components(schemas(StockMood, SaleMood, CartMood, Language, SetValue))
)]
struct Head;

pub fn head() -> Document {
    Head::openapi()
}

/// The whole document, with every route of the API.
#[must_use]
pub fn document() -> Document {
    App::new()
        .into_utoipa_app()
        .openapi(head())
        .service(utoipa_actix_web::scope("/api").configure(routes::api))
        .split_for_parts()
        .1
}
