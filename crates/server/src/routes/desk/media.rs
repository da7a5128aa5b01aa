use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};
use compagina_core::media::Picture;
use serde::Serialize;
use utoipa::ToSchema;

/// A picture or film of the shop that a piece can show.
#[derive(Serialize, ToSchema)]
pub struct MediaView {
    name: String,
    /// What it shows.
    alt: String,
    /// The address of a small picture of it.
    small: Option<String>,
    film: bool,
}

/// The shop's free pictures and films.
#[utoipa::path(operation_id = "list_media", responses((status = 200, body = Vec<MediaView>), (status = 401, body = ApiError)))]
#[get("/media")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<Vec<MediaView>>> {
    let media = state.store.shop_media().await?;
    let view = |name: &String, picture: &Picture, film| MediaView {
        name: name.clone(),
        alt: picture.alt.clone(),
        small: picture.at_least(320).map(|size| format!("/media/{}", size.hash)),
        film,
    };
    let films = media.films.iter().map(|(name, film)| view(name, &film.poster, true));
    Ok(Json(media.pictures.iter().map(|(name, picture)| view(name, picture, false)).chain(films).collect()))
}
