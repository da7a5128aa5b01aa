use super::DraftView;
use super::operate::change;
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::{PieceId, TemplateId};
use compagina_core::page::starter::{Filling, starter};
use compagina_core::page::{Layout, Op};
use compagina_storage::Change;
use serde::{Deserialize, Serialize};
use std::sync::{Mutex, PoisonError};
use utoipa::ToSchema;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Begin {
    revision: u64,
    /// The starter's key.
    starter: String,
    /// With how much a page that has nothing is filled.
    #[serde(default)]
    filling: Filling,
}

#[derive(Serialize, ToSchema)]
pub struct Begun {
    draft: DraftView,
    /// Pieces that the arrangement has no place for; they stand at the end.
    left_over: Vec<PieceId>,
}

/// Lays the page anew by a starter. One step, which can be undone.
#[utoipa::path(responses(
    (status = 200, body = Begun), (status = 404, body = ApiError), (status = 409, body = ApiError)))]
#[post("/templates/{id}/starter")]
pub async fn begin(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Begin>,
) -> ApiResult<Json<Begun>> {
    let purpose = state.store.template(TemplateId(*id)).await?.purpose();
    let starter = starter(purpose, &body.starter).ok_or_else(|| ApiError::no_such("starter"))?;
    let left_over = Mutex::new(Vec::new());
    let laid = |draft: &Layout| {
        let laid = starter.lay_with(draft, body.filling);
        *left_over.lock().unwrap_or_else(PoisonError::into_inner) = laid.left_over;
        Ok(Op::Lay { layout: laid.layout })
    };
    let Json(draft) = change(&state, &caller, *id, body.revision, Change::Decided(&laid), None).await?;
    Ok(Json(Begun { draft, left_over: left_over.into_inner().unwrap_or_else(PoisonError::into_inner) }))
}
