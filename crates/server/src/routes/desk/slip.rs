use crate::error::{ApiError, ApiResult};
use crate::serving::known::known_or_sample;
use crate::serving::reading::{Reading, nav, words_in};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path, Query};
use compagina_core::house::House;
use compagina_core::house::texts::setting_of;
use compagina_core::ids::{BandId, PieceId, TemplateId};
use compagina_core::page::{
    Band, Device, Group, Layout, SPACE_STEPS, SetValue, Setting, Shape, TYPE_STEPS, Target,
};
use compagina_core::setting::font::families;
use compagina_core::setting::text::{LEAST_SIZE, Look, MOST_SIZE, paints};
use compagina_core::setting::{Choice, Property};
use compagina_core::style::{
    Chain, Legibility, Level, Source, ground_of, in_a_line, legibility, told, where_from,
};
use compagina_core::template::levels;
use compagina_core::wording::Language;
use serde::{Deserialize, Serialize};
use std::borrow::Cow;
use utoipa::{IntoParams, ToSchema};

/// From where the values are looked at: as the template has them, or further in, as a product's type or the product has
/// them.
#[derive(Debug, Deserialize, IntoParams)]
pub struct Sight {
    product: Option<String>,
    #[serde(default)]
    #[param(inline)]
    level: Depth,
}

#[derive(Debug, Clone, Copy, Default, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
enum Depth {
    #[default]
    Template,
    Type,
    Product,
}

impl Depth {
    fn innermost(self) -> Level {
        match self {
            Self::Template => Level::Template,
            Self::Type => Level::Type,
            Self::Product => Level::Product,
        }
    }
}

/// The settings of a piece or a band, each with its value on every screen and where that comes from.
#[derive(Serialize, ToSchema)]
pub struct SlipView {
    target: Target,
    /// Of a band: how its columns share the page, in words.
    columns: Option<String>,
    fields: Vec<FieldView>,
}

#[derive(Serialize, ToSchema)]
pub struct FieldView {
    key: Cow<'static, str>,
    label: &'static str,
    group: Group,
    /// The part of its group in which it stands.
    part: Option<&'static str>,
    /// The language of its words, where they aren't in the settings' own; it follows the setting that they belong to.
    language: Option<&'static str>,
    shape: ShapeView,
    /// What a number counts, such as px.
    unit: &'static str,
    wide: CellView,
    /// Only where screens may differ.
    tablet: Option<CellView>,
    phone: Option<CellView>,
}

impl FieldView {
    /// Without the part in which it stands among others.
    pub(in crate::routes) fn on_its_own(self) -> Self {
        Self { part: None, ..self }
    }
}

/// A value on a screen.
#[derive(Serialize, ToSchema)]
pub struct CellView {
    pub(in crate::routes) value: SetValue,
    pub(in crate::routes) source: Source,
    /// The value in words.
    pub(in crate::routes) says: String,
    /// Where it comes from and what it hides, in a sentence.
    pub(in crate::routes) from: String,
    /// Whether it was set right here: on this screen, and for whom one looks.
    pub(in crate::routes) own: bool,
    /// Whether it does anything on this screen, as other settings are.
    pub(in crate::routes) means: bool,
    /// Of a text's colour: whether it can be read on its ground.
    pub(in crate::routes) read: Option<Legibility>,
}

#[derive(Serialize, ToSchema)]
#[serde(rename_all = "snake_case", tag = "shape")]
pub enum ShapeView {
    Flag,
    Choice {
        options: Vec<OptionView>,
        /// What can be given besides.
        free: Option<Free>,
    },
    Number {
        least: i64,
        most: i64,
    },
    Text {
        most: usize,
    },
    Lines {
        count: usize,
        most: usize,
    },
    Rich {
        most: usize,
    },
    /// Entries of several parts.
    Rows {
        parts: Vec<PartView>,
        count: usize,
    },
    Table {
        columns: usize,
        rows: usize,
        most: usize,
    },
    Pictures {
        count: usize,
    },
    /// Products, by their handles.
    Products {
        count: usize,
    },
    /// An order of pieces, which is made by moving them.
    Order,
    Film,
    Link,
    Colour,
    Rule,
}

/// What can be given instead of one of the options.
#[derive(Serialize, ToSchema)]
#[serde(rename_all = "snake_case", tag = "takes")]
pub enum Free {
    /// So many pixels.
    Pixels { least: i64, most: i64 },
    /// A colour as `#RRGGBB`.
    Colour,
}

#[derive(Serialize, ToSchema)]
pub struct PartView {
    label: &'static str,
    most: usize,
}

#[derive(Serialize, ToSchema)]
pub struct OptionView {
    value: SetValue,
    label: String,
    /// The label as it stands within a line.
    says: String,
    /// Of a colour: the colour.
    colour: Option<String>,
}

/// The slip of a piece.
#[utoipa::path(operation_id = "piece_slip", params(Sight), responses((status = 200, body = SlipView), (status = 404, body = ApiError)))]
#[get("/templates/{id}/slip/piece/{piece}")]
pub async fn piece(
    state: Data<State>,
    _caller: Caller,
    path: Path<(u64, String)>,
    sight: Query<Sight>,
) -> ApiResult<Json<SlipView>> {
    let (id, name) = path.into_inner();
    let piece = PieceId::try_from(name).map_err(|_| ApiError::no_such("piece"))?;
    slip(&state, id, Target::Piece(piece), &sight, "piece").await
}

/// The slip of a band.
#[utoipa::path(operation_id = "band_slip", params(Sight), responses((status = 200, body = SlipView), (status = 404, body = ApiError)))]
#[get("/templates/{id}/slip/band/{band}")]
pub async fn band(
    state: Data<State>,
    _caller: Caller,
    path: Path<(u64, String)>,
    sight: Query<Sight>,
) -> ApiResult<Json<SlipView>> {
    let (id, name) = path.into_inner();
    let band = BandId::try_from(name).map_err(|_| ApiError::no_such("band"))?;
    slip(&state, id, Target::Band(band), &sight, "band").await
}

async fn slip(
    state: &State,
    id: u64,
    target: Target,
    sight: &Sight,
    what: &str,
) -> ApiResult<Json<SlipView>> {
    let id = TemplateId(id);
    let template = state.store.template(id).await?;
    let (values, settings) = template.draft.values_of(&target).ok_or_else(|| ApiError::no_such(what))?;
    let product = match &sight.product {
        Some(handle) => Some(known_or_sample(state, handle).await?.product.clone()),
        None => None,
    };
    let nav = nav(state, &Reading::draft(id, Language::default())).await?;
    let kind = match &target {
        Target::Piece(id) => template.draft.piece(id).map(|p| p.kind),
        Target::Band(_) => None,
    };
    let stack = match &product {
        Some(product) => {
            let of = (&product.kind.handle, &product.handle);
            levels(&template.draft, &target, of, sight.level.innermost())
        }
        None => vec![(Level::Template, values)],
    };
    let chain = stack.into_iter().fold(Chain::default(), |chain, (level, values)| chain.then(level, values));
    let chain = chain.styled(&nav.house);
    let mut others = Vec::new();
    for language in Language::ALL.into_iter().filter(|one| *one != Language::default()) {
        others.push(words_in(state, id, language).await?);
    }
    let chain = if let Some(kind) = kind { chain.saying(&nav.words, kind).and_in(&others) } else { chain };
    let columns = match &target {
        Target::Band(id) => template.draft.band(id).map(Band::columns_told),
        Target::Piece(_) => None,
    };
    let stands = match &target {
        Target::Piece(id) => Some((&template.draft, id)),
        Target::Band(_) => None,
    };
    let sight = Looking { chain: &chain, house: &nav.house, level: sight.level.innermost(), stands };
    let on_some = |setting: &Setting| Device::ALL.into_iter().any(|device| means(setting, &chain, device));
    let fields = settings.iter().filter(|setting| on_some(setting)).map(|setting| sight.field(setting));
    Ok(Json(SlipView { fields: fields.collect(), target, columns }))
}

/// Whether the settings on which this one depends have, on a screen, choices with which it does something.
fn means(setting: &Setting, chain: &Chain<'_>, device: Device) -> bool {
    let Some((other, choices)) = setting.with else { return true };
    means(other, chain, device) && choices.contains(&chain.text(other, device).as_str())
}

/// A piece or band as it is seen by whoever sets values at a level.
struct Looking<'a> {
    chain: &'a Chain<'a>,
    house: &'a House,
    level: Level,
    /// The piece, with the layout in which it stands.
    stands: Option<(&'a Layout, &'a PieceId)>,
}

impl Looking<'_> {
    fn field(&self, setting: &'static Setting) -> FieldView {
        field(setting, setting.key.into(), self.house, |device| self.cell(setting, device))
    }

    fn cell(&self, setting: &Setting, device: Device) -> CellView {
        let explained = self.chain.explain(setting, device);
        let Source { level, device: of } = explained.source;
        // What is the same everywhere does something as soon as it does on one screen.
        let means = !setting.per_device || means(setting, self.chain, device);
        CellView {
            says: told(setting, &explained.value, self.house),
            from: where_from(setting, device, self.level, &explained, self.house),
            own: level == self.level && of == device,
            means,
            read: self.read(setting, device),
            value: explained.value,
            source: explained.source,
        }
    }

    /// Whether a text's colour can be read on the ground on which it stands.
    fn read(&self, setting: &Setting, device: Device) -> Option<Legibility> {
        let (text, property) = setting.text?;
        let stands = self.stands.filter(|_| property == Property::Colour)?;
        let ground = ground_of(stands, text, self.chain, device, self.house)?;
        let value = |property| {
            setting_of(text, property).map_or(SetValue::Flag(false), |one| self.chain.value(one, device))
        };
        legibility(self.house, &ground, value)
    }
}

/// A line of a slip: a setting under the name by which it is set, with its value on every screen.
pub(in crate::routes) fn field(
    setting: &'static Setting,
    key: Cow<'static, str>,
    house: &House,
    cell: impl Fn(Device) -> CellView,
) -> FieldView {
    FieldView {
        key,
        label: setting.label,
        group: setting.group,
        part: setting.part,
        language: setting.language.map(|(_, language)| language.label()),
        shape: shape(setting.shape, house),
        unit: setting.unit,
        wide: cell(Device::Wide),
        tablet: setting.per_device.then(|| cell(Device::Tablet)),
        phone: setting.per_device.then(|| cell(Device::Phone)),
    }
}

pub(in crate::routes) fn shape(shape: Shape, house: &House) -> ShapeView {
    match shape {
        Shape::Flag => ShapeView::Flag,
        Shape::Number { least, most } => ShapeView::Number { least, most },
        Shape::Text { most } => ShapeView::Text { most },
        Shape::Lines { count, most } => ShapeView::Lines { count, most },
        Shape::Rich { most } => ShapeView::Rich { most },
        Shape::Rows { parts, count } => ShapeView::Rows {
            parts: parts.iter().map(|(label, most)| PartView { label, most: *most }).collect(),
            count,
        },
        Shape::Table { columns, rows, most } => ShapeView::Table { columns, rows, most },
        Shape::Pictures { count } => ShapeView::Pictures { count },
        Shape::Products { count } => ShapeView::Products { count },
        Shape::Order { .. } => ShapeView::Order,
        Shape::Film => ShapeView::Film,
        Shape::Link => ShapeView::Link,
        Shape::Colour => ShapeView::Colour,
        Shape::Rule => ShapeView::Rule,
        Shape::Choice(names) => {
            choice(names.iter().map(|(n, label)| (SetValue::Text((*n).into()), (*label).into())))
        }
        Shape::Steps(steps) => choice(steps.iter().map(|(n, label)| (SetValue::Number(*n), (*label).into()))),
        Shape::Space => {
            choice((0..SPACE_STEPS).map(|n| (SetValue::Number(n), format!("{} px", house.space(n)))))
        }
        Shape::TypeSize => choice(steps(house)),
        Shape::TextSize => {
            let (least, most) = (LEAST_SIZE, MOST_SIZE);
            choice_or(steps(house), Some(Free::Pixels { least, most }))
        }
        Shape::Family => choice(families().map(|(name, label)| (SetValue::Text(name.into()), label.into()))),
        Shape::Paint { own } => {
            let role = |(name, label): (&str, &str)| OptionView {
                value: SetValue::Text(name.into()),
                label: label.into(),
                says: in_a_line(label),
                colour: house.painted(name),
            };
            ShapeView::Choice { options: paints(own).map(role).collect(), free: Some(Free::Colour) }
        }
        Shape::Look => {
            let shipped = Look::NAMES.iter().map(|(name, label)| ((*name).to_owned(), (*label).to_owned()));
            choice(shipped.chain(house.kept_looks()).map(|(name, label)| (SetValue::Text(name), label)))
        }
    }
}

/// The steps of the house style's scale of type.
fn steps(house: &House) -> impl Iterator<Item = (SetValue, String)> + '_ {
    (0..TYPE_STEPS).map(|n| (SetValue::Number(n), format!("{} px", house.type_size(n))))
}

fn choice(options: impl Iterator<Item = (SetValue, String)>) -> ShapeView {
    choice_or(options, None)
}

fn choice_or(options: impl Iterator<Item = (SetValue, String)>, free: Option<Free>) -> ShapeView {
    let option = |(value, label): (SetValue, String)| OptionView {
        value,
        says: in_a_line(&label),
        label,
        colour: None,
    };
    ShapeView::Choice { options: options.map(option).collect(), free }
}
