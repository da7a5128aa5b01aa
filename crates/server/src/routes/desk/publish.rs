use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::template::{Reach, ReachRule};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// For which products a draft is published.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ForSome {
    revision: u64,
    name: String,
    products: Vec<Handle>,
}

#[derive(Serialize, ToSchema)]
pub struct Parted {
    /// The template that serves them from now on.
    id: TemplateId,
}

/// Publishes the draft for some products only: they get a template of their own that begins as this draft, and this
/// template stays as shoppers see it for all others.
#[utoipa::path(responses((status = 200, body = Parted), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/publish-for-some")]
pub async fn publish_for_some(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<ForSome>,
) -> ApiResult<Json<Parted>> {
    let ForSome { revision, name, products } = body.into_inner();
    let name = crate::routes::template::set::template_name(&name)?;
    if products.is_empty() {
        return Err(ApiError::refused("choose at least one product"));
    }
    let reach = Reach { also: products, ..ReachRule::Named.into() };
    crate::routes::template::set::check_reach(&state, &reach, None).await?;
    // They are named there only, or a tie would leave them where they are.
    let mut arrangement = state.store.arrangement().await?;
    let purpose = state.store.template(TemplateId(*id)).await?.purpose();
    let alike = state.store.templates_of(purpose).await?;
    for (_, other) in arrangement.all.iter_mut().filter(|(id, _)| alike.iter().any(|one| one.id == *id)) {
        other.also.retain(|named| !reach.also.contains(named));
    }
    let owner = caller.session.owner_id;
    let id = TemplateId(*id);
    let id = state.store.publish_apart(id, owner, revision, (name, &reach), &arrangement).await?;
    Ok(Json(Parted { id }))
}
