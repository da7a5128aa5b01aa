use super::{HouseView, view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::put;
use actix_web::web::{Data, Json};
use compagina_core::house::House;
use compagina_core::page::SetValue;
use compagina_storage::{DocumentName, StorageError};
use serde::Deserialize;
use utoipa::ToSchema;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TokenChange {
    revision: u64,
    key: String,
    /// Without one it is again as it ships.
    value: Option<SetValue>,
}

/// Sets one token of the draft.
#[utoipa::path(operation_id = "set_token", responses((status = 200, body = HouseView), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/house")]
pub async fn set(state: Data<State>, caller: Caller, body: Json<TokenChange>) -> ApiResult<Json<HouseView>> {
    let TokenChange { revision, key, value } = body.into_inner();
    let set = |house: &mut House| house.set(&key, value.clone()).map_err(StorageError::refused);
    state.store.change_document(DocumentName::House, caller.session.owner_id, revision, set).await?;
    Ok(Json(view(&state).await?))
}
