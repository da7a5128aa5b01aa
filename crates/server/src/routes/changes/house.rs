use super::change::Change;
use super::{ChangePart, Of, tell};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use crate::visit::Under;
use actix_web::web::{Data, Query};
use actix_web::{HttpResponse, get};

/// The pages that the house style's draft would change, told while they are found: a line of JSON for each part.
#[utoipa::path(operation_id = "changes_of_house", params(Under), responses((status = 200, body = ChangePart, content_type = "application/x-ndjson")))]
#[get("/house/changes")]
pub async fn list(state: Data<State>, _caller: Caller, under: Query<Under>) -> ApiResult<HttpResponse> {
    let change = Change::house(&state).await?;
    tell(state, change, &under).await
}

/// A product's page as the house style's draft would make it.
#[utoipa::path(operation_id = "page_after_house", params(Of, Under), responses((status = 200, body = String, content_type = "text/html"), (status = 404, body = ApiError)))]
#[get("/house/changes/page")]
pub async fn page(
    state: Data<State>,
    _caller: Caller,
    of: Query<Of>,
    under: Query<Under>,
) -> ApiResult<HttpResponse> {
    let change = Change::house(&state).await?;
    super::page(&state, change, &of.product, &under).await
}
