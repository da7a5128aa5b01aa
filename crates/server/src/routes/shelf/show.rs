use super::card::{Shelf, ShelfProduct, ShelfTemplate};
use crate::error::{ApiError, ApiResult};
use crate::routes::template::list::{SampleOfType, samples};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::ids::{Handle, TemplateId};
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;
use utoipa::{IntoParams, ToSchema};

/// Products of a type that are shown at once, and of all types together.
const AT_ONCE: usize = 12;
const OF_ALL: usize = 120;

#[derive(Deserialize, IntoParams)]
pub struct Part {
    /// Only this type, further products.
    #[serde(rename = "type")]
    kind: Option<String>,
    #[serde(default)]
    skip: usize,
}

#[derive(Serialize, ToSchema)]
pub struct ShelfView {
    types: Vec<ShelfType>,
}

#[derive(Serialize, ToSchema)]
pub struct ShelfType {
    handle: Handle,
    name: String,
    /// How many products the type has in all.
    count: u64,
    /// The templates that serve the products shown here.
    templates: Vec<ShelfTemplate>,
    products: Vec<ShelfProduct>,
    /// What stands in for its products while it has none.
    sample: Option<SampleOfType>,
}

/// The home view: products by type with the state of their pages, of each type the first ones.
#[utoipa::path(operation_id = "show_shelf", params(Part), responses((status = 200, body = ShelfView)))]
#[get("/shelf")]
pub async fn show(state: Data<State>, _caller: Caller, part: Query<Part>) -> ApiResult<Json<ShelfView>> {
    let mut types = state.store.types().await?;
    if let Some(kind) = &part.kind {
        types.retain(|t| t.kind.handle.as_str() == kind);
        if types.is_empty() {
            return Err(ApiError::no_such("product type"));
        }
    }
    let shelf = Shelf::read(&state).await?;
    let index = shelf.live.index();
    let mut samples = samples(&state, &shelf.drafts).await?;
    let most = (OF_ALL / types.len().max(1)).clamp(1, AT_ONCE);
    let first = types.iter().flat_map(|row| {
        let of_type = shelf.listed.iter().filter(|one| one.facts.kind == row.kind.handle);
        of_type.skip(part.skip).take(most)
    });
    let first: Vec<_> = first.collect();
    let mut cards = shelf.cards(&state, &index, &first).await?;
    let views = types.into_iter().map(|row| {
        let products: Vec<ShelfProduct> =
            cards.extract_if(.., |card| *card.kind() == row.kind.handle).collect();
        let sample = samples.remove(&row.kind.handle);
        let ids = products.iter().filter_map(ShelfProduct::template);
        let ids: BTreeSet<TemplateId> = ids.chain(sample.as_ref().map(|one| one.template)).collect();
        ShelfType {
            templates: ids.into_iter().map(|id| shelf.template(id)).collect(),
            handle: row.kind.handle,
            name: row.kind.name,
            count: row.products,
            products,
            sample,
        }
    });
    Ok(Json(ShelfView { types: views.collect() }))
}
