use super::{HouseView, view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::delete;
use actix_web::web::{Data, Json, Path, Query};
use compagina_core::house::House;
use compagina_core::house::kept::place_of;
use compagina_storage::{DocumentName, StorageError};
use serde::Deserialize;
use utoipa::IntoParams;

#[derive(Deserialize, IntoParams)]
pub struct Seen {
    revision: u64,
}

/// Removes a kept look from the draft; texts that have it are as if it said nothing.
#[utoipa::path(operation_id = "remove_look", params(("look" = String, Path), Seen), responses((status = 200, body = HouseView), (status = 404, body = ApiError), (status = 409, body = ApiError)))]
#[delete("/house/looks/{look}")]
pub async fn remove(
    state: Data<State>,
    caller: Caller,
    look: Path<String>,
    seen: Query<Seen>,
) -> ApiResult<Json<HouseView>> {
    place_of(&look).ok_or_else(|| ApiError::no_such("look"))?;
    let remove = |house: &mut House| -> Result<(), StorageError> {
        house.remove_look(&look);
        Ok(())
    };
    state.store.change_document(DocumentName::House, caller.session.owner_id, seen.revision, remove).await?;
    Ok(Json(view(&state).await?))
}
