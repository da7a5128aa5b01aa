use crate::error::{ApiError, ApiResult};
use crate::serving::known::known_or_sample;
use crate::session::{Caller, new_token, token_hash};
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{delete, post};
use chrono::{DateTime, TimeDelta, Utc};
use compagina_core::ids::TemplateId;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// A month is the longest.
const MOST_HOURS: i64 = 31 * 24;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Wish {
    hours: i64,
    /// The product that it opens with.
    product: String,
}

#[derive(Serialize, ToSchema)]
pub struct PreviewLink {
    /// The path; whoever has it can look.
    path: String,
    until: DateTime<Utc>,
}

/// Makes a link by which anyone can look at the draft until it runs out.
#[utoipa::path(operation_id = "make_preview", responses((status = 200, body = PreviewLink), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/preview")]
pub async fn make(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    wish: Json<Wish>,
) -> ApiResult<Json<PreviewLink>> {
    if !(1..=MOST_HOURS).contains(&wish.hours) {
        return Err(ApiError::refused("a preview lasts from one hour to 31 days"));
    }
    let template = state.store.template(TemplateId(*id)).await?;
    let product = known_or_sample(&state, &wish.product).await?.product.clone();
    let (token, until) = (new_token(), Utc::now() + TimeDelta::hours(wish.hours));
    state.store.add_preview(&token_hash(&token), template.id, caller.session.owner_id, until).await?;
    Ok(Json(PreviewLink { path: format!("/shop/preview/{token}/{}", product.handle), until }))
}

#[derive(Serialize, ToSchema)]
pub struct Ended {
    links: u64,
}

/// Ends every link to the draft at once.
#[utoipa::path(operation_id = "end_previews", responses((status = 200, body = Ended)))]
#[delete("/templates/{id}/preview")]
pub async fn end(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<Json<Ended>> {
    Ok(Json(Ended { links: state.store.end_previews(TemplateId(*id)).await? }))
}
