use super::Home;
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::{MEGAPIXELS_AT_ONCE, State};
use crate::upload::{read, receive};
use actix_web::http::StatusCode;
use actix_web::put;
use actix_web::web::{Data, Json, Path, Payload, Query};
use compagina_core::media::FilmFile;
use compagina_pictures::{film_kind, hash};
use serde::Deserialize;
use utoipa::IntoParams;

const MOST_FILM_BYTES: u64 = 100_000_000;

/// Whose it is, and its size in pixels, as the browser that showed it found it.
#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct FilmSize {
    /// The product whose film it is to be; none for the shop.
    product: Option<String>,
    name: String,
    width: u32,
    height: u32,
}

/// Makes a picture the poster of a film, the body of the request: an MP4 or WebM.
#[utoipa::path(operation_id = "put_film", params(("id" = u64, Path), FilmSize),
    request_body(content = Vec<u8>, content_type = "application/octet-stream"),
    responses((status = 200, body = FilmFile), (status = 413, body = ApiError), (status = 422, body = ApiError)))]
#[put("/pictures/{id}/film")]
pub async fn put_film(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    size: Query<FilmSize>,
    body: Payload,
) -> ApiResult<Json<FilmFile>> {
    let home = Home::find(&state, size.product.as_deref()).await?;
    let file = receive(body, &size.name, MOST_FILM_BYTES).await?;
    let (hash, bytes) = film_in_turn(&state, &size, file).await?;
    state.media.put(&hash, bytes).await.map_err(ApiError::unforeseen)?;
    let film = FilmFile { hash, width: size.width, height: size.height };
    state.store.by(caller.by()).set_film(home.of(), *id, &film).await?;
    Ok(Json(film))
}

/// Reads a film and looks at its head; films are kept as they come.
async fn film_in_turn(state: &State, size: &FilmSize, file: std::fs::File) -> ApiResult<(String, Vec<u8>)> {
    let _turn = state.turns.acquire_many(MEGAPIXELS_AT_ONCE / 2).await.map_err(ApiError::unforeseen)?;
    let bytes = read(file).map_err(ApiError::unforeseen)?;
    let sound = |side| (16..=8192).contains(&side);
    if film_kind(&bytes).is_none() || !sound(size.width) || !sound(size.height) {
        let message = format!("“{}” wasn't taken. It is no MP4 or WebM film that can be shown.", size.name);
        return Err(ApiError::new(StatusCode::UNPROCESSABLE_ENTITY, "refused", message));
    }
    Ok((hash(&bytes), bytes))
}
