use super::{OptionInBook, option_of, option_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use crate::upload::{MOST_PICTURE_BYTES, fitted_in_turn, receive};
use actix_web::web::{Data, Json, Path, Payload};
use actix_web::{delete, put};
use compagina_core::ids::ValueId;
use compagina_storage::ValueChange;

/// Shows a larger picture, the body of the request, where a value is pointed at.
#[utoipa::path(operation_id = "put_closer", params(("handle" = String, Path), ("value" = u64, Path)),
    request_body(content = Vec<u8>, content_type = "application/octet-stream"),
    responses((status = 200, body = OptionInBook), (status = 413, body = ApiError), (status = 422, body = ApiError)))]
#[put("/options/{handle}/values/{value}/closer")]
pub async fn set(
    state: Data<State>,
    caller: Caller,
    path: Path<(String, u64)>,
    body: Payload,
) -> ApiResult<Json<OptionInBook>> {
    let (handle, value) = path.into_inner();
    let name = "This picture";
    let file = receive(body, name, MOST_PICTURE_BYTES).await?;
    let hash = fitted_in_turn(&state, name, file).await?;
    change(&state, &caller, &handle, ValueId(value), Some(hash)).await
}

/// Takes the larger picture away.
#[utoipa::path(operation_id = "remove_closer", params(("handle" = String, Path), ("value" = u64, Path)),
    responses((status = 200, body = OptionInBook), (status = 404, body = ApiError)))]
#[delete("/options/{handle}/values/{value}/closer")]
pub async fn remove(
    state: Data<State>,
    caller: Caller,
    path: Path<(String, u64)>,
) -> ApiResult<Json<OptionInBook>> {
    let (handle, value) = path.into_inner();
    change(&state, &caller, &handle, ValueId(value), None).await
}

async fn change(
    state: &Data<State>,
    caller: &Caller,
    handle: &str,
    value: ValueId,
    closer: Option<String>,
) -> ApiResult<Json<OptionInBook>> {
    let option = option_of(state, handle).await?;
    let change = ValueChange { closer: Some(closer), ..ValueChange::default() };
    state.store.by(caller.by()).change_values(option.id, &[value], &change).await?;
    Ok(Json(option_view(state, handle).await?))
}
