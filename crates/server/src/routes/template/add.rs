use super::list::{TemplatesView, view};
use super::set::template_name;
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json};
use compagina_core::ids::TemplateId;
use compagina_core::page::Layout;
use compagina_core::template::Reach;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewTemplate {
    name: String,
}

#[derive(Serialize, ToSchema)]
pub struct Added {
    id: TemplateId,
    templates: TemplatesView,
}

/// Adds an empty template that serves nothing yet and isn't live.
#[utoipa::path(operation_id = "add_template", responses((status = 200, body = Added), (status = 401, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates")]
pub async fn add(state: Data<State>, _caller: Caller, body: Json<NewTemplate>) -> ApiResult<Json<Added>> {
    let name = template_name(&body.name)?;
    let id =
        state.store.add_template(name, &Reach::Types { types: vec![] }, &Layout::default(), false).await?;
    Ok(Json(Added { id, templates: view(&state).await? }))
}
