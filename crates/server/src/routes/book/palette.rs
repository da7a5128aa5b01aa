use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Json};
use actix_web::{get, put};
use compagina_core::catalog::journal::Subject;
use compagina_core::swatch::Palette;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// The shop's named colours, one a line: `Sea green #2E8B57`.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PaletteText {
    text: String,
}

#[derive(Serialize, ToSchema)]
pub struct PaletteView {
    /// How it was seen: sent along with what is changed next, in the header `x-seen`.
    seen: String,
    text: String,
}

async fn view(state: &State) -> ApiResult<Json<PaletteView>> {
    let seen = state.store.seen(Subject::Book).await?.to_string();
    Ok(Json(PaletteView { seen, text: state.store.palette().await?.to_text() }))
}

/// The shop's palette, a line for each colour.
#[utoipa::path(operation_id = "show_palette", responses((status = 200, body = PaletteView)))]
#[get("/palette")]
pub async fn show(state: Data<State>, _caller: Caller) -> ApiResult<Json<PaletteView>> {
    view(&state).await
}

/// Puts another palette in place of the old one. Values without a swatch of their own show its colours by their names.
#[utoipa::path(operation_id = "set_palette", request_body = PaletteText,
    responses((status = 200, body = PaletteView), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/palette")]
pub async fn set(
    state: Data<State>,
    caller: Caller,
    wanted: Json<PaletteText>,
) -> ApiResult<Json<PaletteView>> {
    let palette = Palette::read(&wanted.text).map_err(|errors| {
        let shown: Vec<String> = errors.iter().take(8).map(ToString::to_string).collect();
        let more = errors.len().saturating_sub(shown.len());
        let more = if more == 0 { String::new() } else { format!(" And {more} more.") };
        let message = format!("The palette was not changed: {}.{more}", shown.join(". "));
        ApiError::new(StatusCode::UNPROCESSABLE_ENTITY, "bad_palette", message)
    })?;
    state.store.by(caller.by()).set_palette(&palette).await?;
    view(&state).await
}
