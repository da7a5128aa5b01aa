use super::operate::draft_now;
use super::{DraftView, Look, draft_view};
use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::routes::draft::{Planned, planned};
use crate::routes::template::ahead::{TurnTold, ahead};
use crate::serving::edition::everywhere;
use crate::serving::edition::live::Listed;
use crate::serving::edition::{listed, live};
use crate::serving::sample::{self, Served};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path, Query};
use compagina_core::catalog::{Product, ProductType, Tag};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::piece::Role;
use compagina_core::page::starter::STARTERS;
use compagina_core::page::{Kind, Sentence, sentences};
use compagina_core::template::{Candidate, Index};
use compagina_storage::{DraftId, TemplateRow};
use serde::Serialize;
use std::collections::BTreeSet;
use utoipa::ToSchema;

#[derive(Serialize, ToSchema)]
pub struct DeskView {
    id: TemplateId,
    name: String,
    live: bool,
    draft: DraftView,
    /// What is published by itself, and when.
    planned: Option<Planned>,
    /// The products that it serves, and the samples of types that have none yet; or all products where there is none of
    /// either, so that there is always something to look at.
    products: Vec<DeskProduct>,
    serves: usize,
    serves_types: usize,
    /// What its dates will change, as if it were live.
    ahead: Vec<TurnTold>,
    kinds: Vec<KindView>,
    starters: Vec<StarterView>,
    /// The sentences of *Appears when*, and the types and tags of which they speak.
    sentences: Vec<Sentence>,
    types: Vec<ProductType>,
    tags: Vec<Tag>,
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
    /// Its type, by its handle.
    kind: Handle,
    /// Whether it stands in for products that its type doesn't have yet.
    sample: bool,
}

fn desk_product(one: &Listed) -> DeskProduct {
    let (handle, kind) = (one.facts.handle.clone(), one.facts.kind.clone());
    DeskProduct { handle, name: one.name.clone(), kind, sample: false }
}

fn desk_sample(one: Served) -> DeskProduct {
    let Product { handle, name, kind, .. } = one.sample;
    DeskProduct { handle, name, kind: kind.handle, sample: true }
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
#[utoipa::path(operation_id = "show_desk", responses((status = 200, body = DeskView), (status = 404, body = ApiError)))]
#[get("/templates/{id}/desk")]
pub async fn show(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<Json<DeskView>> {
    let templates = state.store.templates().await?;
    let id = TemplateId(*id);
    let template = templates.iter().find(|t| t.id == id).ok_or_else(|| ApiError::no_such("template"))?;
    // Its reach counts here as if it were live, so that one sees for whom it is made.
    let (live, listed) = (live(&state).await?, listed(&state).await?);
    let seen: Vec<TemplateRow> =
        templates.iter().filter(|t| t.published.is_some() || t.id == id).cloned().collect();
    let candidates: Vec<_> = seen.iter().map(|t| Candidate { id: t.id, reach: &t.reach }).collect();
    let index = Index::new(candidates.iter().copied(), now(), &live.zone);
    let shown: Vec<&Listed> = listed.iter().filter(|one| index.winner(&one.facts) == Some(id)).collect();
    let serves = shown.len();
    let serves_types = shown.iter().map(|one| &one.facts.kind).collect::<BTreeSet<_>>().len();
    let mut products: Vec<DeskProduct> = shown.into_iter().map(desk_product).collect();
    let samples = sample::served(&state, &seen).await?;
    products.extend(samples.into_iter().filter(|one| one.template == id).map(desk_sample));
    if products.is_empty() {
        products = listed.iter().map(desk_product).collect();
    }
    let types: Vec<ProductType> = state.store.types().await?.into_iter().map(|t| t.kind).collect();
    let tags = state.store.tags().await?;
    let history = state.store.history(id).await?;
    let currency = everywhere(&state).await?.shop.currency;
    Ok(Json(DeskView {
        id,
        name: template.name.clone(),
        live: template.published.is_some(),
        draft: draft_view(&state, template, history).await?,
        planned: planned(&state, DraftId::Template(id)).await?,
        products,
        serves,
        serves_types,
        ahead: ahead(&state, &candidates, id).await?,
        kinds: Kind::ALL
            .map(|kind| KindView { kind, label: kind.label(), role: kind.role(), only_one: kind.only_one() })
            .into(),
        starters: STARTERS.iter().map(|s| StarterView { key: s.key, name: s.name, hint: s.hint }).collect(),
        sentences: sentences(types.first().map(|kind| kind.handle.clone()), tags.first().cloned()),
        types,
        tags,
        currency: currency.code().to_owned(),
        decimals: currency.decimals(),
    }))
}

/// The draft alone, with the page under a situation, for a desk that is open already.
#[utoipa::path(operation_id = "show_template_draft", params(Look), responses((status = 200, body = DraftView), (status = 404, body = ApiError)))]
#[get("/templates/{id}/draft")]
pub async fn draft(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    look: Query<Look>,
) -> ApiResult<Json<DraftView>> {
    Ok(Json(draft_now(&state, TemplateId(*id), Some(&look)).await?))
}
