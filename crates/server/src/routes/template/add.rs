use super::list::{TemplatesView, view};
use super::set::template_name;
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::Purpose;
use compagina_core::page::starter::empty;
use compagina_core::template::{Reach, ReachRule, compose};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewTemplate {
    name: String,
    /// Whether it composes pages or cards, where it isn't a copy.
    #[serde(default)]
    purpose: Purpose,
    /// The template of which it is a copy; empty without one.
    #[serde(default)]
    from: Option<TemplateId>,
    /// The product of which it is to be the own page: as that product has the copied template, and for it alone.
    #[serde(default)]
    product: Option<Handle>,
}

#[derive(Serialize, ToSchema)]
pub struct Added {
    id: TemplateId,
    templates: TemplatesView,
}

/// Adds a template that isn't live: empty, a copy of another one's draft, or a product's own page. It serves nothing
/// until it is published. A product's own page that was begun before and isn't live yet is gone on with.
#[utoipa::path(operation_id = "add_template", responses((status = 200, body = Added), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates")]
pub async fn add(state: Data<State>, _caller: Caller, body: Json<NewTemplate>) -> ApiResult<Json<Added>> {
    let name = template_name(&body.name)?;
    let mut layout = match body.from {
        Some(from) => state.store.template(from).await?.draft,
        None => empty(body.purpose),
    };
    let purpose = layout.purpose;
    // A card that is published is meant for all products, until its reach says otherwise.
    let all = purpose == Purpose::Card && body.product.is_none();
    let mut reach: Reach = if all { ReachRule::All } else { ReachRule::Named }.into();
    if let Some(handle) = &body.product {
        let all = state.store.templates_of(purpose).await?;
        let begun = all.iter().find(|t| t.published.is_none() && t.reach.only_product() == Some(handle));
        if let Some(begun) = begun {
            return Ok(Json(Added { id: begun.id, templates: view(&state, purpose).await? }));
        }
        let product = state.store.product(handle).await?.ok_or_else(|| ApiError::no_such("product"))?;
        layout = compose(&layout, &product.kind.handle, &product.handle);
        reach.also.push(product.handle);
    }
    let id = state.store.add_template(name, &reach, &layout, false).await?;
    Ok(Json(Added { id, templates: view(&state, purpose).await? }))
}
