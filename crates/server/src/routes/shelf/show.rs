use crate::error::{ApiError, ApiResult};
use crate::routes::template::list::{SampleOfType, samples};
use crate::routes::template::served::Telling;
use crate::serving::edition::live;
use crate::serving::edition::live::Live;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::{Product, ProductState};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::Whom;
use compagina_storage::Which;
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;
use utoipa::{IntoParams, ToSchema};

/// Products of a type that are shown at once.
const AT_ONCE: u32 = 12;

#[derive(Deserialize, IntoParams)]
pub struct Part {
    /// Only this type, further products.
    #[serde(rename = "type")]
    kind: Option<String>,
    #[serde(default)]
    skip: u32,
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

/// A template that serves products of the type.
#[derive(Serialize, ToSchema)]
pub struct ShelfTemplate {
    id: TemplateId,
    name: String,
    /// Whether its draft differs from what shoppers see.
    draft: bool,
}

#[derive(Serialize, ToSchema)]
pub struct ShelfProduct {
    handle: Handle,
    name: String,
    state: ProductState,
    variants: usize,
    can_be_bought: bool,
    template: Option<TemplateId>,
    /// Why this template, in one sentence.
    why: String,
    /// How many values its page keeps different from the template, by itself or by its type.
    departures: usize,
}

/// The home view: products by type with the state of their pages.
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
    let (live, telling) = (live(&state).await?, Telling::new(&state).await?);
    let drafts = state.store.templates().await?;
    let differs = |id| drafts.iter().any(|t| t.id == id && t.published.as_ref() != Some(&t.draft));
    let mut samples = samples(&state, &drafts).await?;
    let mut views = Vec::with_capacity(types.len());
    for row in types {
        let which = Which::OfType { type_id: row.id, most: AT_ONCE, skip: part.skip };
        let products = state.store.products(which).await?;
        let products: Vec<_> =
            products.iter().map(|product| product_view(&live, &telling, product)).collect();
        let sample = samples.remove(&row.kind.handle);
        let ids = products.iter().filter_map(|product| product.template);
        let ids: BTreeSet<TemplateId> = ids.chain(sample.as_ref().map(|one| one.template)).collect();
        let templates =
            ids.into_iter().map(|id| ShelfTemplate { id, name: telling.name(id), draft: differs(id) });
        views.push(ShelfType {
            templates: templates.collect(),
            handle: row.kind.handle,
            name: row.kind.name,
            count: row.products,
            products,
            sample,
        });
    }
    Ok(Json(ShelfView { types: views }))
}

fn product_view(live: &Live, telling: &Telling, product: &Product) -> ShelfProduct {
    let facts = live.facts(product);
    let serving = live.index().serving(&facts);
    let whoms = [Whom::Type(facts.kind.clone()), Whom::Product(facts.handle.clone())];
    let template = serving.as_ref().and_then(|s| live.templates().iter().find(|t| t.id == s.template));
    let kept = template.map_or(0, |t| {
        let all = whoms.iter().flat_map(|whom| t.layout.departures_of(whom));
        all.filter(|one| t.layout.bears(one)).map(|one| one.values.len()).sum()
    });
    ShelfProduct {
        handle: product.handle.clone(),
        name: product.name.clone(),
        state: product.state,
        variants: product.variants.len(),
        can_be_bought: product.can_be_bought(),
        template: template.map(|t| t.id),
        why: serving.map_or_else(String::new, |serving| telling.why(live, &facts, &serving)),
        departures: kept,
    }
}
