use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};
use compagina_core::catalog::ProductType;
use compagina_core::ids::TemplateId;
use compagina_core::page::differences;
use compagina_core::template::{Candidate, Reach, Why, serving};
use compagina_storage::{TemplateRow, TypeRow};
use serde::Serialize;
use utoipa::ToSchema;

#[derive(Serialize, ToSchema)]
pub struct TemplatesView {
    pub templates: Vec<TemplateView>,
    pub types: Vec<TypeReached>,
}

#[derive(Serialize, ToSchema)]
pub struct TemplateView {
    pub id: TemplateId,
    pub name: String,
    pub reach: Reach,
    /// How many products it serves now.
    pub products: u64,
    /// The names of the types that it serves now.
    pub serves: Vec<String>,
    pub pieces: usize,
    /// Whether shoppers see it at all.
    pub live: bool,
    /// How many changes of the draft shoppers don't see yet.
    pub changes_not_live: usize,
}

/// A product type, with the template that serves it and why.
#[derive(Serialize, ToSchema)]
pub struct TypeReached {
    pub kind: ProductType,
    pub products: u64,
    pub template: Option<TemplateId>,
    pub why: Option<Why>,
    /// All templates whose reach takes the type in.
    pub reached_by: Vec<TemplateId>,
}

/// Every template with its reach, and every type with who serves it.
#[utoipa::path(responses((status = 200, body = TemplatesView), (status = 401, body = ApiError)))]
#[get("/templates")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<TemplatesView>> {
    Ok(Json(view(&state).await?))
}

pub(super) async fn view(state: &State) -> ApiResult<TemplatesView> {
    let templates = state.store.templates().await?;
    let types: Vec<TypeReached> =
        state.store.types().await?.into_iter().map(|row| reached(row, &templates)).collect();
    let templates = templates.iter().map(|t| template_view(t, &types)).collect();
    Ok(TemplatesView { templates, types })
}

fn reached(row: TypeRow, templates: &[TemplateRow]) -> TypeReached {
    let live = || templates.iter().filter(|t| t.published.is_some());
    let candidate = |t: &'_ TemplateRow| -> bool {
        serving(&row.kind.handle, &[Candidate { id: t.id, reach: &t.reach }]).is_some()
    };
    let reached_by = live().filter(|t| candidate(t)).map(|t| t.id).collect();
    let candidates: Vec<_> = live().map(|t| Candidate { id: t.id, reach: &t.reach }).collect();
    let winner = serving(&row.kind.handle, &candidates);
    TypeReached {
        products: row.products,
        template: winner.map(|(id, _)| id),
        why: winner.map(|(_, why)| why),
        reached_by,
        kind: row.kind,
    }
}

fn template_view(row: &TemplateRow, types: &[TypeReached]) -> TemplateView {
    let served = || types.iter().filter(|t| t.template == Some(row.id));
    TemplateView {
        id: row.id,
        name: row.name.clone(),
        reach: row.reach.clone(),
        products: served().map(|t| t.products).sum(),
        serves: served().map(|t| t.kind.name.clone()).collect(),
        pieces: row.draft.pieces().count(),
        live: row.published.is_some(),
        changes_not_live: row.published.as_ref().map_or(0, |live| differences(live, &row.draft).len()),
    }
}
