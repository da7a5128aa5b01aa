use crate::error::{ApiError, ApiResult};
use crate::state::State;
use actix_web::http::header;
use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, get};
use compagina_core::media::{address, file_name, is_file_name};
use compagina_pictures::{FilmKind, film_kind};

/// What is kept is told by its first bytes. Files as they came, other than films, aren't handed out: shoppers get what
/// was made of them.
fn kind_of(bytes: &[u8]) -> Option<&'static str> {
    match film_kind(bytes) {
        Some(FilmKind::Mp4) => Some("video/mp4"),
        Some(FilmKind::WebM) => Some("video/webm"),
        None => bytes.starts_with(b"RIFF").then_some("image/webp"),
    }
}

/// A picture or film. Its address comes from the hash of its bytes, so it never changes. By its whole hash, as addresses
/// were, it is found too.
#[get("/media/{name}")]
pub async fn media(state: Data<State>, name: Path<String>) -> ApiResult<HttpResponse> {
    if file_name(&name).is_some() {
        return Ok(HttpResponse::MovedPermanently()
            .insert_header((header::LOCATION, address(&name)))
            .finish());
    }
    if !is_file_name(&name) {
        return Err(ApiError::no_such("picture"));
    }
    let bytes = state.media.get(&name).await.map_err(ApiError::unforeseen)?;
    let bytes = bytes.ok_or_else(|| ApiError::no_such("picture"))?;
    let kind = kind_of(&bytes).ok_or_else(|| ApiError::no_such("picture"))?;
    Ok(HttpResponse::Ok()
        .content_type(kind)
        .insert_header((header::CACHE_CONTROL, "public, max-age=31536000, immutable"))
        .body(bytes))
}
