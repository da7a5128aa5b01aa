use crate::error::{ApiError, ApiResult};
use crate::media::is_hash;
use crate::state::State;
use actix_web::http::header;
use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, get};

/// A film is told from a picture by its first bytes: an MP4 begins with a box named `ftyp`.
fn kind_of(bytes: &[u8]) -> &'static str {
    if bytes.get(4..8) == Some(b"ftyp") { "video/mp4" } else { "image/webp" }
}

/// A picture or film. Its address is the hash of its bytes, so it never changes.
#[get("/media/{hash}")]
pub async fn media(state: Data<State>, hash: Path<String>) -> ApiResult<HttpResponse> {
    if !is_hash(&hash) {
        return Err(ApiError::no_such("picture"));
    }
    let bytes = state.media.get(&hash).await.map_err(ApiError::unforeseen)?;
    let bytes = bytes.ok_or_else(|| ApiError::no_such("picture"))?;
    Ok(HttpResponse::Ok()
        .content_type(kind_of(&bytes))
        .insert_header((header::CACHE_CONTROL, "public, max-age=31536000, immutable"))
        .body(bytes))
}
