use super::{ListingsView, listing_of, view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::put;
use actix_web::web::{Data, Json};
use compagina_core::listing::{ListingChange, Listings};
use compagina_storage::{DocumentName, StorageError};
use serde::Deserialize;
use utoipa::ToSchema;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct WantedListing {
    revision: u64,
    /// `all`, `type:kites`, `tag:new`.
    of: String,
    change: ListingChange,
}

/// Makes one thing of a listing otherwise, in the draft.
#[utoipa::path(operation_id = "set_listing", request_body = WantedListing,
    responses((status = 200, body = ListingsView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/listings")]
pub async fn set(
    state: Data<State>,
    caller: Caller,
    body: Json<WantedListing>,
) -> ApiResult<Json<ListingsView>> {
    let WantedListing { revision, of, change } = body.into_inner();
    let of = listing_of(&of)?;
    let set = |listings: &mut Listings| listings.set(&of, change.clone()).map_err(StorageError::refused);
    state.store.change_document(DocumentName::Listings, caller.session.owner_id, revision, set).await?;
    Ok(Json(view(&state).await?))
}
