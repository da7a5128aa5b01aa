use super::{HouseView, view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json};
use actix_web::{post, put};
use compagina_core::page::SetValue;
use compagina_core::style::House;
use compagina_storage::{Document, DocumentName};
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

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct HouseStep {
    revision: u64,
}

/// Sets one token of the draft.
#[utoipa::path(operation_id = "set_token", responses((status = 200, body = HouseView), (status = 401, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/house")]
pub async fn set(state: Data<State>, caller: Caller, body: Json<TokenChange>) -> ApiResult<Json<HouseView>> {
    let TokenChange { revision, key, value } = body.into_inner();
    let document: Document<House> = state.store.document(DocumentName::House).await?;
    let mut house = document.draft;
    house.set(&key, value)?;
    state.store.set_document(DocumentName::House, caller.session.owner_id, revision, &house).await?;
    Ok(Json(view(&state).await?))
}

/// Takes the last step back.
#[utoipa::path(operation_id = "undo_house", responses((status = 200, body = HouseView), (status = 401, body = ApiError), (status = 409, body = ApiError)))]
#[post("/house/undo")]
pub async fn undo(state: Data<State>, _caller: Caller, body: Json<HouseStep>) -> ApiResult<Json<HouseView>> {
    state.store.undo_document(DocumentName::House, body.revision).await?;
    Ok(Json(view(&state).await?))
}

/// Does again what was taken back last.
#[utoipa::path(operation_id = "redo_house", responses((status = 200, body = HouseView), (status = 401, body = ApiError), (status = 409, body = ApiError)))]
#[post("/house/redo")]
pub async fn redo(state: Data<State>, _caller: Caller, body: Json<HouseStep>) -> ApiResult<Json<HouseView>> {
    state.store.redo_document(DocumentName::House, body.revision).await?;
    Ok(Json(view(&state).await?))
}

/// Lets shoppers see the draft.
#[utoipa::path(operation_id = "publish_house", responses((status = 200, body = HouseView), (status = 401, body = ApiError), (status = 409, body = ApiError)))]
#[post("/house/publish")]
pub async fn publish(
    state: Data<State>,
    _caller: Caller,
    body: Json<HouseStep>,
) -> ApiResult<Json<HouseView>> {
    state.store.publish_document(DocumentName::House, body.revision).await?;
    Ok(Json(view(&state).await?))
}
