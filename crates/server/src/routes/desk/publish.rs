use super::{DraftView, draft_view};
use crate::error::{ApiError, ApiResult};
use crate::pages::catch_up;
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::TemplateId;
use serde::Deserialize;
use utoipa::ToSchema;

const MOST_CHARACTERS: usize = 120;

/// What is published, and what it is called in the history.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Publication {
    revision: u64,
    name: Option<String>,
}

/// Lets shoppers see the draft.
#[utoipa::path(responses((status = 200, body = DraftView), (status = 401, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/publish")]
pub async fn publish(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Publication>,
) -> ApiResult<Json<DraftView>> {
    let id = TemplateId(*id);
    let name = body.name.as_deref().map_or("", str::trim);
    if name.chars().count() > MOST_CHARACTERS {
        return Err(ApiError::refused(format!("a name has at most {MOST_CHARACTERS} characters")));
    }
    state.store.publish(id, caller.session.owner_id, body.revision, name).await?;
    catch_up(&state).await;
    let template = state.store.template(id).await?;
    Ok(Json(draft_view(&template, state.store.history(id).await?)))
}
