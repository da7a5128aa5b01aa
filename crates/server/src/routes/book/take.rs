use super::{OptionInBook, option_of, option_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use crate::upload::squared;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::ValueId;
use compagina_core::swatch::Swatch;
use compagina_pictures::Cut;
use compagina_storage::ValueChange;
use serde::Deserialize;
use utoipa::ToSchema;

/// What is taken from the pictures of the values' products.
#[derive(Clone, Copy, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Take {
    /// A square around what must stay in sight.
    Pictures,
    /// The colour that this square has most of.
    Colours,
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TakeSwatches {
    ids: Vec<ValueId>,
    take: Take,
}

/// Gives values swatches taken from pictures that belong to them. Values without such a picture stay as they are.
#[utoipa::path(operation_id = "take_swatches", params(("handle" = String, Path)), request_body = TakeSwatches,
    responses((status = 200, body = OptionInBook), (status = 404, body = ApiError)))]
#[post("/options/{handle}/take")]
pub async fn take(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<TakeSwatches>,
) -> ApiResult<Json<OptionInBook>> {
    let option = option_of(&state, &handle).await?;
    let mut changes = Vec::new();
    for value in option.values.iter().filter(|value| wanted.ids.contains(&value.id)) {
        let Some((hash, focus)) = state.store.picture_of_value(value.id).await? else { continue };
        let Some(bytes) = state.media.get(&hash).await.map_err(ApiError::unforeseen)? else { continue };
        let (hash, colour) =
            squared(&state, &value.name, bytes.to_vec(), (focus.x, focus.y), Cut::Close).await?;
        let swatch = match wanted.take {
            Take::Pictures => Some(Swatch::of_picture(&hash)),
            Take::Colours => colour.map(Swatch::of_colour),
        };
        if let Some(swatch) = swatch {
            changes.push((value.id, ValueChange { swatch: Some(Some(swatch)), ..ValueChange::default() }));
        }
    }
    state.store.by(caller.by()).change_each_value(option.id, &changes).await?;
    Ok(Json(option_view(&state, &handle).await?))
}
