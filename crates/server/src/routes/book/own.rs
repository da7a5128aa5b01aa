use super::{OptionInBook, option_of, option_view};
use crate::error::{ApiError, ApiResult};
use crate::names::one_line;
use crate::routes::picture::Home;
use crate::session::Caller;
use crate::state::State;
use actix_web::put;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::ValueId;
use compagina_core::swatch::Swatch;
use serde::Deserialize;
use utoipa::ToSchema;

/// What a product shows for a value in place of what the book says; nothing lets it rejoin.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SetOwn {
    product: String,
    value: ValueId,
    swatch: Option<Swatch>,
    /// The reason, for those who wonder later.
    #[serde(default)]
    why: String,
}

/// Gives a product a swatch of its own for a value, or takes it away.
#[utoipa::path(operation_id = "set_own_swatch", params(("handle" = String, Path)), request_body = SetOwn,
    responses((status = 200, body = OptionInBook), (status = 404, body = ApiError)))]
#[put("/options/{handle}/own")]
pub async fn set(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<SetOwn>,
) -> ApiResult<Json<OptionInBook>> {
    let option = option_of(&state, &handle).await?;
    let home = Home::find(&state, Some(&wanted.product)).await?;
    let product = home.product().ok_or_else(|| ApiError::no_such("product"))?;
    if !option.values.iter().any(|value| value.id == wanted.value) {
        return Err(ApiError::no_such("value"));
    }
    if wanted.swatch.as_ref().is_some_and(|swatch| !swatch.is_sound()) {
        return Err(ApiError::refused("a swatch has one to four colours, or a picture"));
    }
    let why = one_line("a reason", &wanted.why, 200).map(str::to_owned)?;
    let own = wanted.swatch.as_ref().map(|swatch| (swatch, why.as_str()));
    state.store.by(caller.by()).set_own_swatch(product.id, wanted.value, own).await?;
    Ok(Json(option_view(&state, &handle).await?))
}
