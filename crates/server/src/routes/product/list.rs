use crate::error::ApiResult;
use crate::serving::edition::listed;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::find::{Wanted, best};
use compagina_core::ids::Handle;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use utoipa::{IntoParams, ToSchema};

/// Products that are told at once.
const AT_ONCE: usize = 20;
/// As wide as a product's picture in a list is, on a screen with two dots for each pixel.
const SMALL: u32 = 64;

#[derive(Deserialize, IntoParams)]
pub struct Typed {
    /// Words of its name, its type or its handle; all where there are none.
    #[serde(default)]
    find: String,
    /// So many are passed over.
    #[serde(default)]
    skip: usize,
}

/// Products to pick one from, part by part.
#[derive(Serialize, ToSchema)]
pub struct ProductsFound {
    /// How many there are in all.
    count: usize,
    products: Vec<ProductLine>,
}

/// A product in a list from which one is picked.
#[derive(Serialize, ToSchema)]
pub struct ProductLine {
    handle: Handle,
    name: String,
    /// The name of its type.
    kind: String,
    /// The address of its first picture.
    picture: Option<String>,
}

/// Products by their names, those first that fit best.
#[utoipa::path(operation_id = "list_products", params(Typed), responses((status = 200, body = ProductsFound)))]
#[get("/products")]
pub async fn list(
    state: Data<State>,
    _caller: Caller,
    typed: Query<Typed>,
) -> ApiResult<Json<ProductsFound>> {
    let wanted = Wanted::new(&typed.find);
    let kinds: BTreeMap<Handle, String> =
        state.store.types().await?.into_iter().map(|row| (row.kind.handle, row.kind.name)).collect();
    let kind = |handle: &Handle| kinds.get(handle).map_or("", String::as_str);
    let listed = listed(&state).await?;
    let found = listed.iter().filter_map(|one| {
        Some((wanted.fit(&one.name, &[kind(&one.facts.kind), one.facts.handle.as_str()])?, one))
    });
    let found = if wanted.is_empty() { found.map(|(_, one)| one).collect() } else { best(found) };
    let part: Vec<_> = found.iter().skip(typed.skip).take(AT_ONCE).collect();
    let handles: Vec<Handle> = part.iter().map(|one| one.facts.handle.clone()).collect();
    let mut pictures = pictures(&state, &handles).await?;
    let products = part.into_iter().map(|one| ProductLine {
        picture: pictures.remove(&one.facts.handle),
        handle: one.facts.handle.clone(),
        name: one.name.clone(),
        kind: kind(&one.facts.kind).to_owned(),
    });
    Ok(Json(ProductsFound { products: products.collect(), count: found.len() }))
}

/// The addresses of the small pictures that stand for some products.
pub(in crate::routes) async fn pictures(
    state: &State,
    products: &[Handle],
) -> ApiResult<BTreeMap<Handle, String>> {
    let pictures = state.store.lead_pictures(products).await?.into_iter();
    Ok(pictures.filter_map(|(handle, p)| Some((handle, p.at_least(SMALL)?.address()))).collect())
}
