use crate::error::{ApiError, ApiResult};
use crate::media::is_hash;
use crate::state::State;
use actix_web::http::header;
use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, get};

/// A picture. Its address is the hash of its bytes, so it never changes.
#[get("/media/{hash}")]
pub async fn media(state: Data<State>, hash: Path<String>) -> ApiResult<HttpResponse> {
    if !is_hash(&hash) {
        return Err(ApiError::no_such("picture"));
    }
    let bytes = state.media.get(&hash).await.map_err(ApiError::unforeseen)?;
    let bytes = bytes.ok_or_else(|| ApiError::no_such("picture"))?;
    Ok(HttpResponse::Ok()
        .content_type("image/webp")
        .insert_header((header::CACHE_CONTROL, "public, max-age=31536000, immutable"))
        .body(bytes))
}
