use super::{OptionInBook, option_of, option_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{HttpResponse, delete, get};
use compagina_core::ids::ValueId;
use serde::Serialize;
use utoipa::ToSchema;

/// Takes an option away, and out of every product that is chosen by it; it can be brought back.
#[utoipa::path(operation_id = "remove_option", params(("handle" = String, Path)),
    responses((status = 204), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[delete("/options/{handle}")]
pub async fn whole(state: Data<State>, caller: Caller, handle: Path<String>) -> ApiResult<HttpResponse> {
    let option = option_of(&state, &handle).await?;
    state.store.by(caller.by()).remove_option(option.id).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// What hangs on a value.
#[derive(Serialize, ToSchema)]
pub struct HangingOnValue {
    /// Products that offer it.
    products: u64,
    /// Variants that have it; they go with it.
    variants: u64,
}

/// What hangs on a value: told before it is taken away.
#[utoipa::path(operation_id = "show_hanging_on_value", params(("handle" = String, Path), ("value" = u64, Path)),
    responses((status = 200, body = HangingOnValue), (status = 404, body = ApiError)))]
#[get("/options/{handle}/values/{value}/hanging")]
pub async fn hanging(
    state: Data<State>,
    _caller: Caller,
    path: Path<(String, u64)>,
) -> ApiResult<Json<HangingOnValue>> {
    let (handle, value) = path.into_inner();
    let option = option_of(&state, &handle).await?;
    if !option.values.iter().any(|known| known.id.0 == value) {
        return Err(ApiError::no_such("value"));
    }
    let (products, variants) = state.store.hanging_on_value(ValueId(value)).await?;
    Ok(Json(HangingOnValue { products, variants }))
}

/// Takes a value away, with the variants that have it; it can be brought back.
#[utoipa::path(operation_id = "remove_value", params(("handle" = String, Path), ("value" = u64, Path)),
    responses((status = 200, body = OptionInBook), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[delete("/options/{handle}/values/{value}")]
pub async fn of_option(
    state: Data<State>,
    caller: Caller,
    path: Path<(String, u64)>,
) -> ApiResult<Json<OptionInBook>> {
    let (handle, value) = path.into_inner();
    let option = option_of(&state, &handle).await?;
    if !option.values.iter().any(|known| known.id.0 == value) {
        return Err(ApiError::no_such("value"));
    }
    state.store.by(caller.by()).remove_value(option.id, ValueId(value)).await?;
    Ok(Json(option_view(&state, &handle).await?))
}
