use super::card::{Shelf, ShelfProduct};
use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::{Search, ShelfOrder, Standing};
use compagina_core::find::Wanted;
use compagina_core::ids::{Handle, TemplateId};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

/// Products that are told at once.
const AT_ONCE: usize = 48;

#[derive(Deserialize, IntoParams)]
pub struct Wish {
    /// Words of its name, its type or its handle.
    #[serde(default)]
    find: String,
    /// Only products of this type.
    #[serde(rename = "type")]
    kind: Option<Handle>,
    /// Only products that this template serves.
    template: Option<u64>,
    /// Only products that stand so.
    standing: Option<Standing>,
    #[serde(default)]
    order: ShelfOrder,
    /// So many of those found are passed over.
    #[serde(default)]
    skip: usize,
}

/// What was found, part by part.
#[derive(Serialize, ToSchema)]
pub struct ShelfFound {
    /// How many there are in all.
    count: usize,
    /// In this order.
    order: ShelfOrder,
    products: Vec<ShelfProduct>,
    /// What else could be wished for, with how many there would be.
    types: Vec<TypeChoice>,
    templates: Vec<TemplateChoice>,
    standings: Vec<StandingChoice>,
}

#[derive(Serialize, ToSchema)]
pub struct TypeChoice {
    handle: Handle,
    name: String,
    count: usize,
}

#[derive(Serialize, ToSchema)]
pub struct TemplateChoice {
    id: TemplateId,
    name: String,
    count: usize,
}

#[derive(Serialize, ToSchema)]
pub struct StandingChoice {
    standing: Standing,
    says: &'static str,
    count: usize,
}

/// Products looked for by name, type, template and how they stand.
#[utoipa::path(operation_id = "search_shelf", params(Wish), responses((status = 200, body = ShelfFound)))]
#[get("/shelf/products")]
pub async fn search(state: Data<State>, _caller: Caller, wish: Query<Wish>) -> ApiResult<Json<ShelfFound>> {
    let wish = wish.into_inner();
    let shelf = Shelf::read(&state).await?;
    let index = shelf.live.index();
    let search = Search {
        words: Wanted::new(&wish.find),
        kind: wish.kind,
        template: wish.template.map(TemplateId),
        standing: wish.standing,
        order: wish.order,
    };
    let mut found = search.through(&shelf.lines(&index));
    let part: Vec<_> =
        found.places.iter().skip(wish.skip).take(AT_ONCE).map(|place| &shelf.listed[*place]).collect();
    let products = shelf.cards(&state, &index, &part).await?;
    let types = state.store.types().await?.into_iter().filter_map(|row| {
        let count = found.kinds.remove(&row.kind.handle)?;
        Some(TypeChoice { handle: row.kind.handle, name: row.kind.name, count })
    });
    Ok(Json(ShelfFound {
        count: found.places.len(),
        order: search.order,
        products,
        types: types.collect(),
        templates: found
            .templates
            .into_iter()
            .map(|(id, count)| TemplateChoice { id, name: shelf.telling.name(id), count })
            .collect(),
        standings: found
            .standings
            .into_iter()
            .map(|(standing, count)| StandingChoice { standing, says: standing.label(), count })
            .collect(),
    }))
}
