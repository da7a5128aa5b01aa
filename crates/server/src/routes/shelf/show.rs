use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::{Product, ProductState};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::template::{Candidate, Why, serving};
use compagina_storage::{TemplateRow, TypeRow, Which};
use serde::{Deserialize, Serialize};
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
    template: Option<ShelfTemplate>,
    products: Vec<ShelfProduct>,
}

/// The template that serves the type, and why it does.
#[derive(Serialize, ToSchema)]
pub struct ShelfTemplate {
    id: TemplateId,
    name: String,
    why: Why,
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
}

/// The home view: products by type with the state of their pages.
#[utoipa::path(operation_id = "show_shelf", params(Part), responses((status = 200, body = ShelfView), (status = 401, body = ApiError)))]
#[get("/shelf")]
pub async fn show(state: Data<State>, _caller: Caller, part: Query<Part>) -> ApiResult<Json<ShelfView>> {
    let templates = state.store.templates().await?;
    let mut types = state.store.types().await?;
    if let Some(kind) = &part.kind {
        types.retain(|t| t.kind.handle.as_str() == kind);
        if types.is_empty() {
            return Err(ApiError::no_such("product type"));
        }
    }
    let mut views = Vec::with_capacity(types.len());
    for row in types {
        let which = Which::OfType { type_id: row.id, most: AT_ONCE, skip: part.skip };
        let products = state.store.products(which).await?;
        views.push(type_view(row, &products, &templates));
    }
    Ok(Json(ShelfView { types: views }))
}

fn type_view(row: TypeRow, products: &[Product], templates: &[TemplateRow]) -> ShelfType {
    let live = templates.iter().filter(|t| t.published.is_some());
    let candidates: Vec<_> = live.map(|t| Candidate { id: t.id, reach: &t.reach }).collect();
    let template = serving(&row.kind.handle, &candidates).and_then(|(id, why)| {
        let template = templates.iter().find(|t| t.id == id)?;
        let draft = template.published.as_ref() != Some(&template.draft);
        Some(ShelfTemplate { id, name: template.name.clone(), why, draft })
    });
    let product = |p: &Product| ShelfProduct {
        handle: p.handle.clone(),
        name: p.name.clone(),
        state: p.state,
        variants: p.variants.len(),
        can_be_bought: p.can_be_bought(),
    };
    ShelfType {
        handle: row.kind.handle,
        name: row.kind.name,
        count: row.products,
        template,
        products: products.iter().map(product).collect(),
    }
}
