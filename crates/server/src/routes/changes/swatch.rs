use super::change::Change;
use super::{ChangePart, tell};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use crate::visit::Under;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpResponse, get};
use compagina_core::ids::{Handle, ValueId};
use compagina_core::swatch::Swatch;
use serde::Deserialize;
use utoipa::IntoParams;

/// A swatch that is only tried.
#[derive(Deserialize, IntoParams)]
pub struct Tried {
    /// As JSON.
    swatch: String,
}

/// The same on one product's page.
#[derive(Deserialize, IntoParams)]
pub struct TriedOn {
    /// As JSON.
    swatch: String,
    product: Handle,
}

async fn change(state: &State, (option, value): (String, u64), swatch: &str) -> ApiResult<Change> {
    let swatch: Swatch = serde_json::from_str(swatch).map_err(ApiError::unreadable)?;
    Change::swatch(state, &option, ValueId(value), swatch).await
}

/// The pages that another swatch of a value would change, told while they are found: a line of JSON for each part.
#[utoipa::path(operation_id = "changes_of_swatch", params(Tried, Under), responses((status = 200, body = ChangePart, content_type = "application/x-ndjson"), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[get("/options/{handle}/values/{value}/changes")]
pub async fn list(
    state: Data<State>,
    _caller: Caller,
    path: Path<(String, u64)>,
    tried: Query<Tried>,
    under: Query<Under>,
) -> ApiResult<HttpResponse> {
    let change = change(&state, path.into_inner(), &tried.swatch).await?;
    tell(state, change, &under).await
}

/// A product's page with another swatch of a value.
#[utoipa::path(operation_id = "page_after_swatch", params(TriedOn, Under), responses((status = 200, body = String, content_type = "text/html"), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[get("/options/{handle}/values/{value}/changes/page")]
pub async fn page(
    state: Data<State>,
    _caller: Caller,
    path: Path<(String, u64)>,
    tried: Query<TriedOn>,
    under: Query<Under>,
) -> ApiResult<HttpResponse> {
    let change = change(&state, path.into_inner(), &tried.swatch).await?;
    super::page(&state, change, &tried.product, &under).await
}
