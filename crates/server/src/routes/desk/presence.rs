use crate::error::{ApiError, ApiResult};
use crate::feed::PresentView;
use crate::routes::feed::sound;
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::TemplateId;
use serde::Deserialize;
use utoipa::ToSchema;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Here {
    /// This tab, by a name that the browser made up: up to 16 letters and digits.
    place: String,
    /// The piece or band that is chosen there.
    chosen: String,
    /// Whether it is being closed.
    #[serde(default)]
    leaving: bool,
}

/// Tells that one is at a desk, and what is chosen there; answers who is. A tab without a stream says so every now and then.
#[utoipa::path(responses((status = 200, body = [PresentView]), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/presence")]
pub async fn be_here(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    here: Json<Here>,
) -> ApiResult<Json<Vec<PresentView>>> {
    let id = TemplateId(*id);
    let Here { place, chosen, leaving } = here.into_inner();
    let place = sound(place)?;
    if chosen.chars().count() > 60 {
        return Err(ApiError::refused("the name of what is chosen has at most 60 characters"));
    }
    if leaving {
        state.store.leave(id, &place).await?;
        return Ok(Json(vec![]));
    }
    state.store.template(id).await?;
    state.store.be_present(id, &place, caller.session.owner_id, &chosen).await?;
    Ok(Json(state.store.present(id).await?.into_iter().map(PresentView::from).collect()))
}
