use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};
use compagina_core::house::House;
use compagina_core::house::kept::place_of;
use compagina_core::page::{Device, Kind, Purpose};
use compagina_core::setting::Text;
use compagina_core::style::text_told;
use compagina_storage::{Document, DocumentName};
use serde::Serialize;
use utoipa::ToSchema;

/// Every text that pieces hold, as the house style's draft sets it.
#[derive(Serialize, ToSchema)]
pub struct HouseTextsView {
    revision: u64,
    kinds: Vec<KindTexts>,
    /// Looks that are kept under a name.
    looks: Vec<LookLine>,
}

/// A look that is kept under a name.
#[derive(Serialize, ToSchema)]
pub struct LookLine {
    /// As texts know it: `kept-1`.
    look: String,
    name: String,
    says: String,
    phone: String,
}

/// The texts of a kind of piece.
#[derive(Serialize, ToSchema)]
pub struct KindTexts {
    kind: Kind,
    label: &'static str,
    purpose: Purpose,
    texts: Vec<TextLine>,
}

/// A text in a line.
#[derive(Serialize, ToSchema)]
pub struct TextLine {
    key: &'static str,
    label: &'static str,
    /// How it is set on wide screens: `24 px, bold`.
    says: String,
    /// The same on phones.
    phone: String,
    /// Whether the house style sets anything of it.
    own: bool,
}

/// The texts of the whole shop.
#[utoipa::path(operation_id = "house_texts", responses((status = 200, body = HouseTextsView)))]
#[get("/house/texts")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<HouseTextsView>> {
    let document: Document<House> = state.store.document(DocumentName::House).await?;
    let house = &document.draft;
    let own: Vec<String> = house.own_texts().map(Text::name).collect();
    let of = |kind: Kind| KindTexts {
        kind,
        label: kind.label(),
        purpose: kind.purpose(),
        texts: kind
            .texts()
            .map(|text| TextLine {
                key: text.key,
                label: text.label,
                says: text_told(house, text, Device::Wide),
                phone: text_told(house, text, Device::Phone),
                own: own.contains(&text.name()),
            })
            .collect(),
    };
    let kinds = Kind::ALL.into_iter().map(of).filter(|kind| !kind.texts.is_empty());
    let look = |(look, name): (String, String)| {
        let place = place_of(&look)?;
        let [says, phone] = [Device::Wide, Device::Phone].map(|device| text_told(house, place, device));
        Some(LookLine { look, name, says, phone })
    };
    let looks = house.kept_looks().filter_map(look);
    Ok(Json(HouseTextsView { revision: document.revision, kinds: kinds.collect(), looks: looks.collect() }))
}
