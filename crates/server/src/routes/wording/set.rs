use super::{WordingView, view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::put;
use actix_web::web::{Data, Json};
use compagina_core::ids::TemplateId;
use compagina_core::wording::{Book, Language};
use compagina_storage::{DocumentName, StorageError};
use serde::Deserialize;
use utoipa::ToSchema;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct WordChange {
    revision: u64,
    language: Language,
    template: Option<TemplateId>,
    key: String,
    /// Without one it is again what lies under it.
    text: Option<String>,
}

/// Sets one word of the draft.
#[utoipa::path(operation_id = "set_word", responses((status = 200, body = WordingView), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/wording")]
pub async fn set(state: Data<State>, caller: Caller, body: Json<WordChange>) -> ApiResult<Json<WordingView>> {
    let WordChange { revision, language, template, key, text } = body.into_inner();
    if let Some(id) = template {
        state.store.template(id).await?;
    }
    let set = |book: &mut Book| {
        book.set(language, template, &key, text.clone()).map(drop).map_err(StorageError::refused)
    };
    state.store.change_document(DocumentName::Wording, caller.session.owner_id, revision, set).await?;
    Ok(Json(view(&state, language, template).await?))
}
