use super::{Look, look};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path, Query};
use compagina_core::catalog::{ProductOption, ProductType};
use compagina_core::choice::{ValueState, pick, states};
use compagina_core::ids::{PieceId, TemplateId};
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

/// What the situation strip shows for a product.
#[utoipa::path(operation_id = "show_situation", params(Look), responses((status = 200, body = SituationView), (status = 401, body = ApiError), (status = 404, body = ApiError)))]
#[get("/templates/{id}/situation")]
pub async fn show(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    query: Query<Look>,
) -> ApiResult<Json<SituationView>> {
    let template = state.store.template(TemplateId(*id)).await?;
    let (product, situation) = look(&state, &template.draft, &query).await?;
    let product = situation.apply(&product);
    let selection = &situation.selection;
    let cell = |option: usize, value: usize, state: ValueState| {
        let to = u16::try_from(value).map(|v| pick(&product, selection, option, v));
        StateView { state, choice: to.map(|s| s.to_query(&product)).unwrap_or_default() }
    };
    let table = states(&product, selection)
        .into_iter()
        .enumerate()
        .map(|(o, row)| row.into_iter().enumerate().map(|(v, state)| cell(o, v, state)).collect());
    let silent = template
        .draft
        .pieces()
        .filter_map(|p| Some(Silent { piece: p.id.clone(), why: p.kind.nothing_to_show(&product)? }));
    Ok(Json(SituationView {
        choice: selection.to_query(&product),
        chosen: (0..selection.len()).map(|option| selection.get(option)).collect(),
        states: table.collect(),
        silent: silent.collect(),
        options: product.options.clone(),
        name: product.name.clone(),
        kind: product.kind.clone(),
    }))
}
