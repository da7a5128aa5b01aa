use super::{DraftView, draft_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path};
use compagina_core::catalog::ProductType;
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::Kind;
use compagina_core::page::piece::Role;
use compagina_core::page::starter::STARTERS;
use compagina_core::template::{Candidate, serving};
use serde::Serialize;
use std::collections::BTreeMap;
use utoipa::ToSchema;

#[derive(Serialize, ToSchema)]
pub struct DeskView {
    id: TemplateId,
    name: String,
    live: bool,
    draft: DraftView,
    /// The products that it serves, or all of them where it serves none, so that there is always something to look at.
    products: Vec<DeskProduct>,
    serves: usize,
    serves_types: usize,
    kinds: Vec<KindView>,
    starters: Vec<StarterView>,
    /// For the sentences of *Appears when*.
    types: Vec<ProductType>,
    tags: Vec<String>,
    currency: String,
    /// How many places its small unit has: 2 for pence.
    decimals: u32,
}

/// A ready arrangement of a whole page.
#[derive(Serialize, ToSchema)]
pub struct StarterView {
    key: &'static str,
    name: &'static str,
    hint: &'static str,
}

#[derive(Serialize, ToSchema)]
pub struct DeskProduct {
    handle: Handle,
    name: String,
}

/// A kind of piece that can be added.
#[derive(Serialize, ToSchema)]
pub struct KindView {
    kind: Kind,
    label: &'static str,
    role: Role,
    only_one: bool,
}

/// Everything that the desk needs to open a template.
#[utoipa::path(operation_id = "show_desk", responses((status = 200, body = DeskView), (status = 401, body = ApiError), (status = 404, body = ApiError)))]
#[get("/templates/{id}/desk")]
pub async fn show(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<Json<DeskView>> {
    let templates = state.store.templates().await?;
    let id = TemplateId(*id);
    let template = templates.iter().find(|t| t.id == id).ok_or_else(|| ApiError::no_such("template"))?;
    let candidates: Vec<_> = templates.iter().map(|t| Candidate { id: t.id, reach: &t.reach }).collect();
    let mut served: BTreeMap<Handle, bool> = BTreeMap::new();
    let mut names = state.store.product_names().await?;
    for (_, _, kind) in &names {
        let serves = || serving(kind, &candidates).is_some_and(|(winner, _)| winner == id);
        served.entry(kind.clone()).or_insert_with(serves);
    }
    let serves_types = served.values().filter(|serves| **serves).count();
    if serves_types > 0 {
        names.retain(|(_, _, kind)| served[kind]);
    }
    let serves = if serves_types > 0 { names.len() } else { 0 };
    let history = state.store.history(id).await?;
    let currency = state.store.shop().await?.map(|shop| shop.currency);
    Ok(Json(DeskView {
        id,
        name: template.name.clone(),
        live: template.published.is_some(),
        draft: draft_view(template, history),
        products: names.into_iter().map(|(handle, name, _)| DeskProduct { handle, name }).collect(),
        serves,
        serves_types,
        kinds: Kind::ALL
            .map(|kind| KindView { kind, label: kind.label(), role: kind.role(), only_one: kind.only_one() })
            .into(),
        starters: STARTERS.iter().map(|s| StarterView { key: s.key, name: s.name, hint: s.hint }).collect(),
        types: state.store.types().await?.into_iter().map(|t| t.kind).collect(),
        tags: state.store.tags().await?,
        currency: currency.map_or_else(String::new, |c| c.code().to_string()),
        decimals: currency.map_or(2, compagina_core::money::Currency::decimals),
    }))
}
