use super::{WordingView, view};
use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::ids::TemplateId;
use compagina_core::wording::Language;
use serde::Deserialize;
use utoipa::IntoParams;

#[derive(Debug, Deserialize, IntoParams)]
pub struct Scope {
    #[serde(default)]
    language: Language,
    template: Option<u64>,
}

/// Every word of the draft in one language.
#[utoipa::path(operation_id = "show_wording", params(Scope), responses((status = 200, body = WordingView)))]
#[get("/wording")]
pub async fn show(state: Data<State>, _caller: Caller, scope: Query<Scope>) -> ApiResult<Json<WordingView>> {
    Ok(Json(view(&state, scope.language, scope.template.map(TemplateId)).await?))
}
