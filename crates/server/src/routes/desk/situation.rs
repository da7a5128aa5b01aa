use super::proof::with_page;
use super::{Look, Seen, look};
use crate::error::{ApiError, ApiResult};
use crate::routes::prices::plan_says;
use crate::serving::edition::everywhere;
use crate::serving::known::known_or_sample;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path, Query};
use compagina_core::catalog::{Product, ProductOption, ProductType};
use compagina_core::choice::{ValueState, pick, states};
use compagina_core::ids::{PieceId, TemplateId};
use compagina_core::page::piece::shared::APPEARS;
use compagina_core::page::{Kind, Layout, Target, Verdict};
use compagina_core::price::{Plan, PlanId, PriceBook};
use compagina_core::template::{OnScreen, visibility};
use compagina_press::{Bytes, TooSmall, Weight, verdict, weigh};
use compagina_storage::{Document, DocumentName};
use serde::Serialize;
use utoipa::ToSchema;

/// A product under the desk's situation: what can be chosen, and which pieces have nothing to show.
#[derive(Serialize, ToSchema)]
pub struct SituationView {
    name: String,
    kind: ProductType,
    choice: String,
    options: Vec<ProductOption>,
    /// The place of the chosen value of each option.
    chosen: Vec<Option<u16>>,
    /// `[option][value]`: its state, and the choice to which picking it leads.
    states: Vec<Vec<StateView>>,
    silent: Vec<Silent>,
    /// On which screens pieces are hidden, or shown because a type or a product says so.
    on_screens: Vec<OnScreen>,
    /// The pieces and bands that appear only at times: whether they do, and why.
    verdicts: Vec<VerdictView>,
    weight: WeightView,
    /// The plans by which it can be bought, and whether it can be bought once.
    plans: Vec<PlanChoice>,
    once: bool,
    /// Whether the draft of the price rules differs from those in force.
    prices_wait: bool,
}

/// A plan, and what an owner calls it.
#[derive(Serialize, ToSchema)]
pub struct PlanChoice {
    id: PlanId,
    says: String,
}

/// What the page's pictures come to.
#[derive(Serialize, ToSchema)]
pub struct WeightView {
    wide: BytesView,
    phone: BytesView,
    too_small: Vec<TooSmallView>,
}

/// Bytes that pictures take: at first, and when all of the choice have been looked at.
#[derive(Serialize, ToSchema)]
pub struct BytesView {
    first: u64,
    all: u64,
}

/// A picture that has too few pixels for its gallery.
#[derive(Serialize, ToSchema)]
pub struct TooSmallView {
    piece: PieceId,
    why: String,
}

fn weight_view(weight: &Weight, product: &Product) -> WeightView {
    let bytes = |bytes: Bytes| BytesView { first: bytes.first, all: bytes.all };
    let small = weight.too_small.iter().map(|small| {
        let TooSmall { picture, has, needs, for_zoom, .. } = small;
        let alt = product.pictures.get(*picture).map_or("", |picture| picture.alt.as_str());
        let what = if *for_zoom { "to be seen from near" } else { "for its frame" };
        let why = format!("Picture {}, “{alt}”, is {has} pixels wide; {what} it needs {needs}.", picture + 1);
        TooSmallView { piece: small.piece.clone(), why }
    });
    WeightView { wide: bytes(weight.wide), phone: bytes(weight.phone), too_small: small.collect() }
}

/// Whether something appears.
#[derive(Serialize, ToSchema)]
pub struct VerdictView {
    target: Target,
    holds: bool,
    why: String,
}

#[derive(Serialize, ToSchema)]
pub struct StateView {
    state: ValueState,
    choice: String,
}

/// A piece that isn't drawn for this product, and why.
#[derive(Serialize, ToSchema)]
pub struct Silent {
    piece: PieceId,
    why: &'static str,
}

/// On which screens a draft's pieces are seen, of the product that is looked at.
pub async fn on_screens(state: &State, draft: &Layout, look: &Look) -> ApiResult<Vec<OnScreen>> {
    let product = &known_or_sample(state, &look.product).await?.product;
    Ok(visibility(draft, (&product.kind.handle, &product.handle)))
}

/// What the situation strip shows for a product.
#[utoipa::path(operation_id = "show_situation", params(Look), responses((status = 200, body = SituationView), (status = 404, body = ApiError)))]
#[get("/templates/{id}/situation")]
pub async fn show(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    query: Query<Look>,
) -> ApiResult<Json<SituationView>> {
    let template = state.store.template(TemplateId(*id)).await?;
    let Seen { known, layout, situation, prices, .. } = look(&state, &template.draft, &query).await?;
    let product = situation.apply(&known.product);
    let selection = &situation.selection;
    let cell = |option: usize, value: usize, state: ValueState| {
        let to = u16::try_from(value).map(|v| pick(&product, selection, option, v));
        StateView { state, choice: to.map(|s| s.to_query(&product)).unwrap_or_default() }
    };
    let table = states(&product, selection)
        .into_iter()
        .enumerate()
        .map(|(o, row)| row.into_iter().enumerate().map(|(v, state)| cell(o, v, state)).collect());
    let everywhere = everywhere(&state).await?;
    let why = |kind: Kind| kind.nothing_to_show_at(&product, &prices);
    let silent = layout.pieces().filter_map(|p| Some(Silent { piece: p.id.clone(), why: why(p.kind)? }));
    let locale = query.language.locale(everywhere.shop.locale);
    let pieces = layout.pieces().map(|p| (Target::Piece(p.id.clone()), &p.values));
    let bands = layout.bands.iter().map(|b| (Target::Band(b.id.clone()), &b.values));
    let verdicts = pieces.chain(bands).filter(|(_, values)| values.wide.contains_key(APPEARS.key));
    let verdicts = verdicts.map(|(target, values)| {
        let Verdict { holds, why } = verdict(locale, &prices, &product, &situation, values);
        VerdictView { target, holds, why }
    });
    let of_some = |plan: &&Plan| product.variants.iter().any(|variant| plan.reaches(&product, variant));
    let plans = prices.book().plans.iter().filter(of_some);
    let rules: Document<PriceBook> = state.store.document(DocumentName::Prices).await?;
    let weight = with_page(&state, TemplateId(*id), &template.draft, &query, None, weigh).await?;
    Ok(Json(SituationView {
        weight: weight_view(&weight, &product),
        plans: plans.map(|plan| PlanChoice { id: plan.id, says: plan_says(plan) }).collect(),
        prices_wait: rules.draft != rules.published,
        once: product.variants.iter().any(|variant| prices.can_be_bought_once(&product, variant)),
        verdicts: verdicts.collect(),
        choice: selection.to_query(&product),
        chosen: selection.values().to_vec(),
        states: table.collect(),
        silent: silent.collect(),
        on_screens: on_screens(&state, &template.draft, &query).await?,
        options: product.options.clone(),
        name: product.name.clone(),
        kind: product.kind.clone(),
    }))
}
