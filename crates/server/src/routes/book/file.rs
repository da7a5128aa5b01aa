use super::{OptionInBook, option_of, option_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use crate::upload::{MOST_PICTURE_BYTES, receive, squared_in_turn};
use actix_web::web::{Data, Json, Path, Payload, Query};
use actix_web::{delete, post, put};
use compagina_core::limits::is_unseen;
use compagina_core::swatch::Fate;
use compagina_pictures::Cut;
use serde::Deserialize;
use utoipa::{IntoParams, ToSchema};

#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct NamedFile {
    /// The file's name, which tells for which value it is.
    name: String,
}

/// Takes a picture file, the body of the request, for the value whose name it has. Which one that is, or why none, stands
/// in the answer.
#[utoipa::path(operation_id = "put_swatch_file", params(("handle" = String, Path), NamedFile),
    request_body(content = Vec<u8>, content_type = "application/octet-stream"),
    responses((status = 200, body = OptionInBook), (status = 413, body = ApiError), (status = 422, body = ApiError)))]
#[post("/options/{handle}/files")]
pub async fn add(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    named: Query<NamedFile>,
    body: Payload,
) -> ApiResult<Json<OptionInBook>> {
    let option = option_of(&state, &handle).await?;
    let name: String = named.name.chars().filter(|c| !is_unseen(*c)).take(200).collect();
    let file = receive(body, &name, MOST_PICTURE_BYTES).await?;
    let (hash, colour) = squared_in_turn(&state, &name, file, Cut::Whole).await?;
    state.store.by(caller.by()).put_swatch_file(option.id, &name, &hash, colour).await?;
    Ok(Json(option_view(&state, &handle).await?))
}

/// What a file is for; without a fate its name speaks again.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Settled {
    id: u64,
    fate: Option<Fate>,
}

/// Says of files what they are for.
#[utoipa::path(operation_id = "settle_swatch_files", params(("handle" = String, Path)), request_body = Vec<Settled>,
    responses((status = 200, body = OptionInBook), (status = 404, body = ApiError)))]
#[put("/options/{handle}/files")]
pub async fn settle(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<Vec<Settled>>,
) -> ApiResult<Json<OptionInBook>> {
    let option = option_of(&state, &handle).await?;
    let fates: Vec<_> = wanted.iter().map(|one| (one.id, one.fate)).collect();
    state.store.by(caller.by()).settle_files(option.id, &fates).await?;
    Ok(Json(option_view(&state, &handle).await?))
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FileIds {
    ids: Vec<u64>,
}

/// Takes files out of the book.
#[utoipa::path(operation_id = "remove_swatch_files", params(("handle" = String, Path)), request_body = FileIds,
    responses((status = 200, body = OptionInBook), (status = 404, body = ApiError)))]
#[delete("/options/{handle}/files")]
pub async fn remove(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<FileIds>,
) -> ApiResult<Json<OptionInBook>> {
    let option = option_of(&state, &handle).await?;
    state.store.by(caller.by()).remove_swatch_files(option.id, &wanted.ids).await?;
    Ok(Json(option_view(&state, &handle).await?))
}
