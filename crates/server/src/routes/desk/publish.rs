use super::operate::Step;
use super::{DraftView, draft_view};
use crate::error::{ApiError, ApiResult};
use crate::pages::catch_up;
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::TemplateId;

/// Lets shoppers see the draft.
#[utoipa::path(responses((status = 200, body = DraftView), (status = 401, body = ApiError), (status = 409, body = ApiError)))]
#[post("/templates/{id}/publish")]
pub async fn publish(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    step: Json<Step>,
) -> ApiResult<Json<DraftView>> {
    let id = TemplateId(*id);
    state.store.publish(id, step.revision).await?;
    catch_up(&state).await;
    let template = state.store.template(id).await?;
    Ok(Json(draft_view(&template, state.store.history(id).await?)))
}
