use super::{DraftView, draft_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::TemplateId;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Here {
    /// This open desk, by a name that the browser made up.
    place: String,
    /// The revision that it shows.
    revision: u64,
    /// The piece or band that is chosen there.
    chosen: String,
    /// Whether it is being closed.
    #[serde(default)]
    leaving: bool,
}

#[derive(Serialize, ToSchema)]
pub struct Others {
    others: Vec<OtherView>,
    /// The draft, where it has gone on since.
    draft: Option<DraftView>,
    /// Grows with every change of house style or wording, which proofs show too.
    looks: u64,
}

#[derive(Serialize, ToSchema)]
pub struct OtherView {
    name: String,
    chosen: String,
}

/// Tells that one is here, and learns who else is and what they have done.
#[utoipa::path(responses((status = 200, body = Others), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/presence")]
pub async fn be_here(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    here: Json<Here>,
) -> ApiResult<Json<Others>> {
    let id = TemplateId(*id);
    let sound = (1..=16).contains(&here.place.len()) && here.place.bytes().all(|b| b.is_ascii_alphanumeric());
    if !sound || here.chosen.chars().count() > 60 {
        return Err(ApiError::refused("a desk is named by up to 16 letters and digits"));
    }
    let template = state.store.template(id).await?;
    if here.leaving {
        state.store.leave(id, &here.place).await?;
        return Ok(Json(Others { others: vec![], draft: None, looks: 0 }));
    }
    let others = state.store.be_present(id, &here.place, caller.session.owner_id, &here.chosen).await?;
    let draft = if template.revision == here.revision {
        None
    } else {
        Some(draft_view(&template, state.store.history(id).await?))
    };
    let others = others.into_iter().map(|o| OtherView { name: o.name, chosen: o.chosen });
    Ok(Json(Others { others: others.collect(), draft, looks: state.store.document_revisions().await? }))
}
