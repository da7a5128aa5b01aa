use actix_web::web::Json;
use std::sync::LazyLock;
use utoipa::openapi::OpenApi;

static DOCUMENT: LazyLock<OpenApi> = LazyLock::new(crate::openapi::document);

/// The document that describes this API.
pub async fn document() -> Json<&'static OpenApi> {
    Json(&DOCUMENT)
}
