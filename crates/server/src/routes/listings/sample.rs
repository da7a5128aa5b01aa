use super::listing_of;
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::listing::draft;
use crate::session::Caller;
use crate::state::State;
use actix_web::http::header;
use actix_web::web::{Data, Query};
use actix_web::{HttpResponse, get};
use compagina_core::listing::Listings;
use compagina_storage::{Document, DocumentName};
use serde::Deserialize;
use utoipa::IntoParams;

#[derive(Debug, Deserialize, IntoParams)]
pub struct Of {
    /// `all`, `type:kites`, `tag:new`.
    of: String,
}

/// A listing as it is in the draft.
#[utoipa::path(operation_id = "listing_sample", params(Of),
    responses((status = 200, body = String, content_type = "text/html"), (status = 404, body = ApiError)))]
#[get("/listings/sample")]
pub async fn show(state: Data<State>, _caller: Caller, of: Query<Of>) -> ApiResult<HttpResponse> {
    let of = listing_of(&of.of)?;
    let document: Document<Listings> = state.store.document(DocumentName::Listings).await?;
    let own = document.draft.of(&of).cloned().unwrap_or_default();
    let page = draft(&state, of, &own).await?;
    Ok(HttpResponse::Ok()
        .content_type("text/html; charset=utf-8")
        .insert_header((header::CACHE_CONTROL, "no-store"))
        .body(page))
}
