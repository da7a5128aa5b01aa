use crate::error::ApiResult;
use crate::serving::edition::everywhere;
use crate::serving::edition::{listed, live};
use crate::serving::sample;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::{ProductType, Shop, Tag};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::money::Money;
use compagina_core::page::{Purpose, differences};
use compagina_core::template::{Called, Reach, ReachLevel, Serving};
use compagina_storage::TemplateRow;
use serde::{Deserialize, Serialize};
use std::collections::{BTreeMap, BTreeSet};
use utoipa::{IntoParams, ToSchema};

#[derive(Serialize, ToSchema)]
pub struct TemplatesView {
    /// Of name, reach and order of all templates; whoever changes any of it says which one that is based on.
    pub arrangement: u64,
    /// In the order in which ties are settled.
    pub templates: Vec<TemplateView>,
    pub types: Vec<TypeReached>,
    /// For choosing a reach.
    pub tags: Vec<Tag>,
    /// The products that a reach names.
    pub named: Vec<NamedProduct>,
    pub currency: String,
    pub decimals: u32,
    /// Those that were taken away and can be brought back, the last one first.
    pub away: Vec<TemplateAway>,
}

/// A template that was taken away.
#[derive(Serialize, ToSchema)]
pub struct TemplateAway {
    pub id: TemplateId,
    pub name: String,
}

/// A product by its name.
#[derive(Serialize, ToSchema)]
pub struct NamedProduct {
    pub handle: Handle,
    pub name: String,
}

#[derive(Serialize, ToSchema)]
pub struct TemplateView {
    pub id: TemplateId,
    pub name: String,
    pub reach: Reach,
    /// The same in a few words: what it takes in, and when, where it doesn't always.
    pub says: String,
    pub dates: String,
    /// Of a card: where it stands, where that isn't everywhere.
    pub places: String,
    /// Whether its dates and its switch let it serve now.
    pub in_force: bool,
    /// How many products it serves now.
    pub products: u64,
    /// In how many types.
    pub types: usize,
    pub pieces: usize,
    /// How many values single products and types keep different from it.
    pub departures: usize,
    /// Whether shoppers see it at all.
    pub live: bool,
    /// How many changes of the draft shoppers don't see yet.
    pub changes_not_live: usize,
}

/// A product type, with the templates that serve its products.
#[derive(Serialize, ToSchema)]
pub struct TypeReached {
    pub kind: ProductType,
    pub products: u64,
    pub cells: Vec<Cell>,
    /// What stands in for its products while it has none.
    pub sample: Option<SampleOfType>,
}

/// The sample of a type without products.
#[derive(Serialize, ToSchema)]
pub struct SampleOfType {
    /// Its address on the desk.
    pub handle: Handle,
    /// The template that serves the type, live or not.
    pub template: TemplateId,
}

/// The products of one type that one template reaches.
#[derive(Serialize, ToSchema)]
pub struct Cell {
    pub template: TemplateId,
    /// Those that it serves.
    pub serves: u64,
    /// Those that it reaches, but another one serves.
    pub yields: u64,
    /// Of those that it serves, how many another one reaches in the same way: only the order decides.
    pub tied: u64,
    /// How specific the reach is by which it serves most of them.
    pub level: Option<ReachLevel>,
}

/// Every template with its reach, and every type with who serves it.
#[utoipa::path(params(Of), responses((status = 200, body = TemplatesView)))]
#[get("/templates")]
pub async fn list(state: Data<State>, _caller: Caller, of: Query<Of>) -> ApiResult<Json<TemplatesView>> {
    Ok(Json(view(&state, of.purpose).await?))
}

/// Which templates are listed.
#[derive(Deserialize, IntoParams)]
pub struct Of {
    /// Those of pages, or those of cards.
    #[serde(default)]
    purpose: Purpose,
}

pub(super) async fn view(state: &State, purpose: Purpose) -> ApiResult<TemplatesView> {
    // Read before all else: a change meanwhile is then noticed.
    let arrangement = state.store.arrangement_revision().await?;
    let (live, listed) = (live(state).await?, listed(state).await?);
    let index = live.index_of(purpose);
    let mut counts: BTreeMap<&Handle, BTreeMap<TemplateId, Cell>> = BTreeMap::new();
    let mut sizes: BTreeMap<&Handle, u64> = BTreeMap::new();
    for product in listed.iter() {
        *sizes.entry(&product.facts.kind).or_default() += 1;
        if let Some(serving) = index.serving(&product.facts) {
            count(counts.entry(&product.facts.kind).or_default(), &serving);
        }
    }
    let rows = state.store.templates_of(purpose).await?;
    let mut samples = samples(state, &rows).await?;
    let types = state.store.types().await?.into_iter().map(|row| TypeReached {
        sample: samples.remove(&row.kind.handle),
        products: sizes.get(&row.kind.handle).copied().unwrap_or(0),
        cells: counts.remove(&row.kind.handle).unwrap_or_default().into_values().collect(),
        kind: row.kind,
    });
    let types: Vec<TypeReached> = types.collect();
    let now = crate::clock::now();
    let handles: BTreeSet<&Handle> =
        rows.iter().flat_map(|row| row.reach.also.iter().chain(&row.reach.except)).collect();
    let named = listed.iter().filter(|one| handles.contains(&one.facts.handle));
    let names: BTreeMap<&Handle, &str> = named.map(|one| (&one.facts.handle, one.name.as_str())).collect();
    let Shop { currency, locale, .. } = everywhere(state).await?.shop;
    let called = Called {
        product: &|handle| names.get(handle).map_or_else(|| handle.to_string(), ToString::to_string),
        kind: &|kind| {
            let of = types.iter().find(|one| one.kind.handle == *kind);
            of.map_or_else(|| kind.to_string(), |of| of.kind.name.clone())
        },
        price: &|minor| Money::new(minor, currency).format(locale),
    };
    let in_force = |row: &TemplateRow| row.reach.is_in_force(now, &live.zone);
    let templates = rows.iter().map(|row| template_view(row, &types, in_force(row), &called)).collect();
    Ok(TemplatesView {
        arrangement,
        templates,
        types,
        tags: state.store.tags().await?,
        named: names
            .iter()
            .map(|(handle, name)| NamedProduct { handle: (*handle).clone(), name: (*name).to_owned() })
            .collect(),
        currency: currency.code().to_owned(),
        decimals: currency.decimals(),
        away: state
            .store
            .templates_away()
            .await?
            .into_iter()
            .filter(|(.., of)| *of == purpose)
            .map(|(id, name, _)| TemplateAway { id, name })
            .collect(),
    })
}

/// The samples of types without products, by their types.
pub(in crate::routes) async fn samples(
    state: &State,
    templates: &[TemplateRow],
) -> ApiResult<BTreeMap<Handle, SampleOfType>> {
    let served = sample::served(state, templates).await?.into_iter();
    let of_type = |one: sample::Served| {
        let (handle, template) = (one.sample.handle, one.template);
        (one.sample.kind.handle, SampleOfType { handle, template })
    };
    Ok(served.map(of_type).collect())
}

fn count(cells: &mut BTreeMap<TemplateId, Cell>, serving: &Serving) {
    let empty = |template| Cell { template, serves: 0, yields: 0, tied: 0, level: None };
    let winner = cells.entry(serving.template).or_insert_with(|| empty(serving.template));
    winner.serves += 1;
    winner.tied += u64::from(!serving.tied.is_empty());
    winner.level = winner.level.max(Some(serving.level));
    for other in serving.tied.iter().chain(&serving.others) {
        cells.entry(*other).or_insert_with(|| empty(*other)).yields += 1;
    }
}

fn template_view(
    row: &TemplateRow,
    types: &[TypeReached],
    in_force: bool,
    called: &Called<'_>,
) -> TemplateView {
    let cells = || types.iter().flat_map(|t| &t.cells).filter(|cell| cell.template == row.id);
    TemplateView {
        id: row.id,
        name: row.name.clone(),
        reach: row.reach.clone(),
        says: row.reach.told(called),
        dates: row.reach.dates_told(),
        places: row.reach.places_told(),
        in_force,
        products: cells().map(|cell| cell.serves).sum(),
        types: cells().filter(|cell| cell.serves > 0).count(),
        pieces: row.draft.pieces().count(),
        departures: row.draft.departures.iter().map(|one| one.values.len()).sum(),
        live: row.published.is_some(),
        changes_not_live: row.published.as_ref().map_or(0, |live| differences(live, &row.draft).len()),
    }
}
