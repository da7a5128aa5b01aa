use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};
use compagina_core::media::PLAN;
use compagina_storage::{KeptPicture, PicturesOf};
use serde::Serialize;
use utoipa::ToSchema;

/// A picture or film of the shop that a piece can show.
#[derive(Serialize, ToSchema)]
pub struct MediaView {
    name: String,
    /// What it shows; the name of its file while nobody has said.
    alt: String,
    /// The address of a small picture of it.
    small: String,
    film: bool,
}

/// The shop's free pictures and films.
#[utoipa::path(operation_id = "list_media", responses((status = 200, body = Vec<MediaView>)))]
#[get("/media")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<Vec<MediaView>>> {
    let kept = state.store.pictures_of(PicturesOf::Shop, PLAN).await?;
    let view = |kept: KeptPicture| {
        let small = kept.sizes.iter().find(|s| s.width >= 320).or(kept.sizes.last())?;
        Some(MediaView {
            name: kept.name?,
            alt: if kept.alt.is_empty() { kept.file_name } else { kept.alt },
            small: small.address(),
            film: kept.film.is_some(),
        })
    };
    Ok(Json(kept.into_iter().filter_map(view).collect()))
}
