use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::routes::desk::slip::{CellView, FieldView, field};
use crate::serving::edition::{listed, live};
use crate::serving::known::known_or_sample;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path};
use compagina_core::house::kept::{LOOK, place_of};
use compagina_core::house::texts::{key_on, settings_of, texts_of};
use compagina_core::house::{House, token};
use compagina_core::ids::{Handle, PieceId, TemplateId};
use compagina_core::page::{Device, Kind, Purpose, Setting};
use compagina_core::setting::{Property, Text};
use compagina_core::situation::{SaleMood, StockMood};
use compagina_core::style::{Level, Source, legibility, told, where_in_house};
use compagina_core::template::{Candidate, Index};
use compagina_storage::{Document, DocumentName};
use serde::Serialize;
use utoipa::ToSchema;

/// So many products of a template are looked at for one that has something to show.
const MOST_TRIED: usize = 12;

/// A text of the shop with all that can be set of it.
#[derive(Serialize, ToSchema)]
pub struct HouseTextView {
    revision: u64,
    label: String,
    fields: Vec<FieldView>,
    /// Where it is seen.
    sample: Option<TextSample>,
}

/// A piece of a page or card on which a text is seen.
#[derive(Serialize, ToSchema)]
pub struct TextSample {
    template: TemplateId,
    piece: PieceId,
    product: Handle,
    /// The product's name.
    name: String,
    stock: StockMood,
    sale: SaleMood,
    coming_soon: bool,
}

/// One text, as the house style's draft sets it for each screen.
#[utoipa::path(operation_id = "house_text", responses((status = 200, body = HouseTextView), (status = 404, body = ApiError)))]
#[get("/house/texts/{kind}/{text}")]
pub async fn show(
    state: Data<State>,
    _caller: Caller,
    path: Path<(String, String)>,
) -> ApiResult<Json<HouseTextView>> {
    let (kind, key) = path.into_inner();
    let kept = place_of(&format!("kept-{key}")).filter(|_| kind == LOOK);
    let text = texts_of(&kind).find(|text| text.key == key).or(kept);
    let text = text.ok_or_else(|| ApiError::no_such("text"))?;
    let kind = Kind::ALL.into_iter().find(|one| one.key() == kind);
    let document: Document<House> = state.store.document(DocumentName::House).await?;
    let house = &document.draft;
    if kept.is_some() && house.look_called(&format!("kept-{key}")).is_none() {
        return Err(ApiError::no_such("look"));
    }
    let fields = settings_of(text).iter().filter_map(|setting| line(house, text, setting));
    Ok(Json(HouseTextView {
        revision: document.revision,
        label: house
            .look_called(&format!("kept-{key}"))
            .filter(|_| kept.is_some())
            .unwrap_or_else(|| text.label.into()),
        fields: fields.collect(),
        sample: match kind {
            Some(kind) => sample(&state, kind, text).await?,
            None => None,
        },
    }))
}

fn line(house: &House, text: &Text, setting: &'static Setting) -> Option<FieldView> {
    let (_, property) = setting.text?;
    let cell = |device| {
        let value = house.of_text(text, property, device);
        let own = house.set_of_text(text, property, device).is_some();
        CellView {
            says: told(setting, &value, house),
            from: where_in_house(house, text, property, device),
            source: Source { level: Level::House, device: house.source_of(text, property, device) },
            own,
            means: true,
            read: (property == Property::Colour)
                .then(|| {
                    let ground = house.text(text.ground.unwrap_or(&token::PAPER));
                    legibility(house, &ground, |property| house.of_text(text, property, device))
                })
                .flatten(),
            value,
        }
    };
    let line = field(setting, key_on(text, property, Device::Wide).into(), house, cell);
    Some(line.on_its_own())
}

/// The first live page, or card, that has such a piece, with the first of its products that gives it something to show,
/// in a situation in which the text is seen.
async fn sample(state: &State, kind: Kind, text: &Text) -> ApiResult<Option<TextSample>> {
    let (live, listed) = (live(state).await?, listed(state).await?);
    let purpose = kind.purpose();
    let all = live.all_of(purpose);
    let index = Index::new(all.iter().map(|t| Candidate { id: t.id, reach: &t.reach }), now(), &live.zone);
    for template in all {
        let Some(piece) = template.layout.first_of(kind) else { continue };
        let served = listed.iter().filter(|one| index.winner(&one.facts) == Some(template.id));
        for one in served.take(MOST_TRIED) {
            let known = known_or_sample(state, one.facts.handle.as_str()).await?;
            if kind.nothing_to_show(&known.product).is_none() || purpose == Purpose::Card {
                return Ok(Some(TextSample {
                    template: template.id,
                    piece: piece.id.clone(),
                    product: one.facts.handle.clone(),
                    name: one.name.clone(),
                    stock: match text.key {
                        "gone" => StockMood::None,
                        "few" => StockMood::Few,
                        _ => StockMood::AsItIs,
                    },
                    sale: match text.key {
                        "sale" | "old" | "saving" => SaleMood::On,
                        _ => SaleMood::AsItIs,
                    },
                    coming_soon: text.key == "coming",
                }));
            }
        }
    }
    Ok(None)
}
