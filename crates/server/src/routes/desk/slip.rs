use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::{BandId, PieceId, TemplateId};
use compagina_core::page::{Device, Group, SetValue, Setting, Shape, Target};
use compagina_core::style::{Chain, Explained};
use serde::Serialize;
use utoipa::ToSchema;

/// The settings of a piece or a band, each with its value on either screen and where that comes from.
#[derive(Serialize, ToSchema)]
pub struct SlipView {
    target: Target,
    fields: Vec<FieldView>,
}

#[derive(Serialize, ToSchema)]
pub struct FieldView {
    key: &'static str,
    label: &'static str,
    group: Group,
    shape: ShapeView,
    wide: Explained,
    /// Only where phones may differ.
    phone: Option<Explained>,
}

#[derive(Serialize, ToSchema)]
#[serde(rename_all = "snake_case", tag = "shape")]
pub enum ShapeView {
    Flag,
    Choice { options: Vec<OptionView> },
    Number { least: i64, most: i64 },
    Text { most: usize },
    Lines { count: usize, most: usize },
}

#[derive(Serialize, ToSchema)]
pub struct OptionView {
    value: SetValue,
    label: &'static str,
}

/// The slip of a piece.
#[utoipa::path(operation_id = "piece_slip", responses((status = 200, body = SlipView), (status = 401, body = ApiError), (status = 404, body = ApiError)))]
#[get("/templates/{id}/slip/piece/{piece}")]
pub async fn piece(
    state: Data<State>,
    _caller: Caller,
    path: Path<(u64, String)>,
) -> ApiResult<Json<SlipView>> {
    let (id, name) = path.into_inner();
    let piece = PieceId::try_from(name).map_err(|_| ApiError::no_such("piece"))?;
    slip(&state, id, Target::Piece(piece), "piece").await
}

/// The slip of a band.
#[utoipa::path(operation_id = "band_slip", responses((status = 200, body = SlipView), (status = 401, body = ApiError), (status = 404, body = ApiError)))]
#[get("/templates/{id}/slip/band/{band}")]
pub async fn band(
    state: Data<State>,
    _caller: Caller,
    path: Path<(u64, String)>,
) -> ApiResult<Json<SlipView>> {
    let (id, name) = path.into_inner();
    let band = BandId::try_from(name).map_err(|_| ApiError::no_such("band"))?;
    slip(&state, id, Target::Band(band), "band").await
}

async fn slip(state: &State, id: u64, target: Target, what: &str) -> ApiResult<Json<SlipView>> {
    let template = state.store.template(TemplateId(id)).await?;
    let (values, settings) = template.draft.values_of(&target).ok_or_else(|| ApiError::no_such(what))?;
    let chain = Chain::of_template(values);
    let fields = settings.iter().map(|setting| field(setting, &chain)).collect();
    Ok(Json(SlipView { target, fields }))
}

fn field(setting: &'static Setting, chain: &Chain<'_>) -> FieldView {
    FieldView {
        key: setting.key,
        label: setting.label,
        group: setting.group,
        shape: shape(setting.shape),
        wide: chain.explain(setting, Device::Wide),
        phone: setting.per_device.then(|| chain.explain(setting, Device::Phone)),
    }
}

fn shape(shape: Shape) -> ShapeView {
    match shape {
        Shape::Flag => ShapeView::Flag,
        Shape::Number { least, most } => ShapeView::Number { least, most },
        Shape::Text { most } => ShapeView::Text { most },
        Shape::Lines { count, most } => ShapeView::Lines { count, most },
        Shape::Choice(names) => ShapeView::Choice {
            options: names
                .iter()
                .map(|(n, label)| OptionView { value: SetValue::Text((*n).into()), label })
                .collect(),
        },
        Shape::Steps(steps) => ShapeView::Choice {
            options: steps
                .iter()
                .map(|(n, label)| OptionView { value: SetValue::Number(*n), label })
                .collect(),
        },
    }
}
