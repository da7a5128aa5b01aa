use super::{HouseView, view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json};
use compagina_core::house::House;
use compagina_core::house::texts::texts_of;
use compagina_storage::{DocumentName, StorageError};
use serde::Deserialize;
use utoipa::ToSchema;

/// The look of a text, to be kept under a name.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct KeptLook {
    revision: u64,
    name: String,
    /// The kind of piece that holds the text.
    kind: String,
    text: String,
}

/// Keeps what counts for a text in the draft as a look that can be given to others.
#[utoipa::path(operation_id = "keep_look", responses((status = 200, body = HouseView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/house/looks")]
pub async fn keep(state: Data<State>, caller: Caller, body: Json<KeptLook>) -> ApiResult<Json<HouseView>> {
    let KeptLook { revision, name, kind, text } = body.into_inner();
    let from = texts_of(&kind).find(|one| one.key == text).ok_or_else(|| ApiError::no_such("text"))?;
    let keep = |house: &mut House| house.keep_look(&name, from).map(|_| ()).map_err(StorageError::refused);
    state.store.change_document(DocumentName::House, caller.session.owner_id, revision, keep).await?;
    Ok(Json(view(&state).await?))
}
