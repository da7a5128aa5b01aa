use super::product_of;
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use crate::upload::{MOST_FILM_BYTES, film_in_turn, receive};
use actix_web::put;
use actix_web::web::{Data, Json, Path, Payload, Query};
use compagina_core::media::FilmFile;
use serde::Deserialize;
use utoipa::IntoParams;

/// The size in pixels, as the browser that showed it found it.
#[derive(Deserialize, IntoParams)]
pub struct FilmSize {
    name: String,
    width: u32,
    height: u32,
}

/// Makes a picture the poster of a film, the body of the request: an MP4 or WebM.
#[utoipa::path(operation_id = "put_film", params(("handle" = String, Path), ("id" = u64, Path), FilmSize),
    request_body(content = Vec<u8>, content_type = "application/octet-stream"),
    responses((status = 200, body = FilmFile), (status = 413, body = ApiError), (status = 422, body = ApiError)))]
#[put("/products/{handle}/pictures/{id}/film")]
pub async fn put_film(
    state: Data<State>,
    _caller: Caller,
    at: Path<(String, u64)>,
    size: Query<FilmSize>,
    body: Payload,
) -> ApiResult<Json<FilmFile>> {
    let (handle, id) = at.into_inner();
    let product = product_of(&state, &handle).await?;
    let file = receive(body, &size.name, MOST_FILM_BYTES).await?;
    let (hash, bytes) = film_in_turn(&state, &size, file).await?;
    state.media.put(&hash, bytes).await.map_err(ApiError::unforeseen)?;
    let film = FilmFile { hash, width: size.width, height: size.height };
    state.store.set_film(product.id, id, &film).await?;
    Ok(Json(film))
}

impl FilmSize {
    pub fn name(&self) -> &str {
        &self.name
    }
    pub fn is_sound(&self) -> bool {
        let sound = |side| (16..=8192).contains(&side);
        sound(self.width) && sound(self.height)
    }
}
