use super::leaf::{DeskProducts, Leaves};
use super::operate::draft_now;
use super::{DraftView, Look, draft_view};
use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::routes::draft::{Planned, planned};
use crate::routes::template::ahead::{TurnTold, ahead};
use crate::routes::template::list::NamedProduct;
use crate::serving::edition::{everywhere, listed, live};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path, Query};
use compagina_core::catalog::{ProductType, Tag};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::piece::Role;
use compagina_core::page::starter::starters;
use compagina_core::page::{Kind, Purpose, Sentence, Whom, sentences};
use compagina_core::template::{Candidate, Index};
use compagina_storage::{DraftId, TemplateRow};
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;
use utoipa::{IntoParams, ToSchema};

#[derive(Serialize, ToSchema)]
pub struct DeskView {
    id: TemplateId,
    name: String,
    /// Whether it is a page or a card that is composed.
    purpose: Purpose,
    /// Where its cards stand, in words; empty for a page, or where they stand everywhere.
    places: String,
    live: bool,
    /// The product of which it is the own page, where it is one's.
    own_of: Option<OwnOf>,
    draft: DraftView,
    /// What is published by itself, and when.
    planned: Option<Planned>,
    /// Some of the products that can be put on it: those around the one that was asked for, or the first.
    products: DeskProducts,
    /// The products that keep something different, by their names.
    named: Vec<NamedProduct>,
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

/// A product that has a page of its own.
#[derive(Serialize, ToSchema)]
pub struct OwnOf {
    handle: Handle,
    name: String,
    /// The template that serves it without that page.
    back_to: Option<TemplateId>,
}

/// A ready arrangement of a whole page.
#[derive(Serialize, ToSchema)]
pub struct StarterView {
    key: &'static str,
    name: &'static str,
    hint: &'static str,
}

/// A kind of piece that can be added.
#[derive(Serialize, ToSchema)]
pub struct KindView {
    kind: Kind,
    label: &'static str,
    role: Role,
    only_one: bool,
    /// Whether a shopper has to see it to choose and to buy.
    needed: bool,
}

#[derive(Deserialize, IntoParams)]
pub struct Opened {
    /// The product that is to lie on it.
    product: Option<String>,
}

/// The templates that count for whom one serves that is on the desk: those that are live, and itself as if it were.
pub(super) async fn desk_templates(state: &State, id: TemplateId) -> ApiResult<Vec<TemplateRow>> {
    let mut templates = state.store.templates().await?;
    let own = templates.iter().find(|t| t.id == id).map(TemplateRow::purpose);
    let purpose = own.ok_or_else(|| ApiError::no_such("template"))?;
    templates.retain(|t| t.purpose() == purpose && (t.published.is_some() || t.id == id));
    Ok(templates)
}

/// Everything that the desk needs to open a template.
#[utoipa::path(operation_id = "show_desk", params(Opened), responses((status = 200, body = DeskView), (status = 404, body = ApiError)))]
#[get("/templates/{id}/desk")]
pub async fn show(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    opened: Query<Opened>,
) -> ApiResult<Json<DeskView>> {
    let id = TemplateId(*id);
    let seen = desk_templates(&state, id).await?;
    let template = seen.iter().find(|t| t.id == id).ok_or_else(|| ApiError::no_such("template"))?;
    let candidates: Vec<_> = seen.iter().map(|t| Candidate { id: t.id, reach: &t.reach }).collect();
    let leaves = Leaves::of(&state, &seen, id).await?;
    let differing: BTreeSet<&Handle> = template
        .draft
        .departures
        .iter()
        .filter_map(|one| match &one.whom {
            Whom::Product(handle) => Some(handle),
            Whom::Type(_) => None,
        })
        .collect();
    let (listed, live) = (listed(&state).await?, live(&state).await?);
    let named = listed.iter().filter(|one| differing.contains(&one.facts.handle));
    let named = named.map(|one| NamedProduct { handle: one.facts.handle.clone(), name: one.name.clone() });
    let own_of = template.reach.only_product();
    let own_of = own_of.and_then(|only| listed.iter().find(|one| one.facts.handle == *only));
    let own_of = own_of.map(|one| {
        let others = Index::new(candidates.iter().filter(|t| t.id != id).copied(), now(), &live.zone);
        OwnOf { handle: one.facts.handle.clone(), name: one.name.clone(), back_to: others.winner(&one.facts) }
    });
    let types: Vec<ProductType> = state.store.types().await?.into_iter().map(|t| t.kind).collect();
    let tags = state.store.tags().await?;
    let history = state.store.history(id).await?;
    let currency = everywhere(&state).await?.shop.currency;
    Ok(Json(DeskView {
        id,
        name: template.name.clone(),
        purpose: template.purpose(),
        places: template.reach.places_told(),
        live: template.published.is_some(),
        own_of,
        draft: draft_view(&state, template, history).await?,
        planned: planned(&state, DraftId::Template(id)).await?,
        products: leaves.near(&state, opened.product.as_deref()).await?,
        named: named.collect(),
        serves: leaves.serves,
        serves_types: leaves.serves_types,
        ahead: ahead(&state, &candidates, id).await?,
        kinds: Kind::of(template.purpose())
            .map(|kind| KindView {
                kind,
                label: kind.label(),
                role: kind.role(),
                only_one: kind.only_one(),
                needed: kind.needed(),
            })
            .collect(),
        starters: starters(template.purpose())
            .iter()
            .map(|s| StarterView { key: s.key, name: s.name, hint: s.hint })
            .collect(),
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
