use super::{OfOne, VariantsView, Which, product_of, variants_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Query};
use actix_web::{delete, patch};
use compagina_core::catalog::{LONGEST_SKU, Measure, Product, is_sku};
use compagina_core::format::{read_amount, read_stock};
use compagina_core::ids::VariantId;
use compagina_core::media::PLAN;
use compagina_storage::{PicturesOf, VariantChange};
use serde::Deserialize;
use utoipa::ToSchema;

/// What is to be changed of some variants, as it was typed; what isn't here stays as it is.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ChangeVariants {
    ids: Vec<VariantId>,
    sku: Option<String>,
    /// A plain number; empty for the product's price.
    price: Option<String>,
    old_price: Option<String>,
    /// A whole number; empty where it isn't counted.
    stock: Option<String>,
    /// How much there is in it, such as `25 m`; empty for none told.
    measure: Option<String>,
    /// A picture of the product, by its number; 0 for none of its own.
    picture: Option<u64>,
}

/// What was typed of a variant.
pub(super) struct Typed {
    pub sku: Option<String>,
    pub price: Option<String>,
    pub old_price: Option<String>,
    pub stock: Option<String>,
    pub measure: Option<String>,
}

/// Changes variants of a product: one, or many in the same way.
#[utoipa::path(operation_id = "change_variants", params(OfOne), request_body = ChangeVariants,
    responses((status = 200, body = VariantsView), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[patch("/variants")]
pub async fn change(
    state: Data<State>,
    caller: Caller,
    of: Query<OfOne>,
    wanted: Json<ChangeVariants>,
) -> ApiResult<Json<VariantsView>> {
    let product = product_of(&state, &of.product).await?;
    let ChangeVariants { ids, sku, price, old_price, stock, measure, picture } = wanted.into_inner();
    let mut change =
        read_change(&product, Typed { sku, price, old_price, stock, measure }).map_err(ApiError::refused)?;
    if let Some(sku) = &change.sku {
        free_sku(&state, &product, &ids, sku).await?;
    }
    change.picture = match picture {
        Some(0) => Some(None),
        Some(id) => Some(Some(picture_of(&state, &product, id).await?)),
        None => None,
    };
    state.store.by(caller.by()).change_variants(product.id, &ids, &change).await?;
    Ok(Json(variants_view(&state, &of.product, Which::Since(caller.by().seen)).await?))
}

/// Reads what was typed; or tells what is wrong with it.
pub(super) fn read_change(product: &Product, typed: Typed) -> Result<VariantChange, String> {
    let Typed { sku, price, old_price, stock, measure } = typed;
    let amount =
        |text: String| read_amount(text.trim(), product.price.currency).map_err(|why| why.to_string());
    Ok(VariantChange {
        sku: sku.map(|sku| read_sku(&sku)).transpose()?,
        price_minor: price.map(amount).transpose()?,
        old_price_minor: old_price.map(amount).transpose()?,
        stock: stock.map(|text| read_stock(text.trim()).map_err(|why| why.to_string())).transpose()?,
        measure: measure.map(read_measure).transpose()?,
        picture: None,
    })
}

fn read_measure(text: String) -> Result<Option<Measure>, String> {
    if text.trim().is_empty() {
        return Ok(None);
    }
    Measure::try_from(text).map(Some).map_err(|why| why.to_string())
}

/// A picture of this product.
async fn picture_of(state: &State, product: &Product, id: u64) -> ApiResult<u64> {
    let kept = state.store.pictures_of(PicturesOf::Product(product.id), PLAN).await?;
    kept.iter()
        .find(|picture| picture.id == id)
        .map(|picture| picture.id)
        .ok_or_else(|| ApiError::no_such("picture"))
}

fn read_sku(sku: &str) -> Result<String, String> {
    let sku = sku.trim();
    if is_sku(sku) {
        return Ok(sku.to_owned());
    }
    Err(format!("a SKU is one line of at most {LONGEST_SKU} characters, all of which can be seen"))
}

/// A SKU must belong to nothing else.
async fn free_sku(state: &State, product: &Product, ids: &[VariantId], sku: &String) -> ApiResult<()> {
    let here = product.variants.iter().any(|v| v.sku.eq_ignore_ascii_case(sku) && !ids.contains(&v.id));
    let owners = state.store.sku_owners(std::slice::from_ref(sku), &[product.id]).await?;
    let owner = if here { Some(&product.name) } else { owners.values().next() };
    match owner {
        Some(owner) => Err(ApiError::refused(format!("“{sku}” belongs to another variant, of {owner}"))),
        None if ids.len() != 1 => Err(ApiError::refused("every variant has a SKU of its own")),
        None => Ok(()),
    }
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct VariantIds {
    ids: Vec<VariantId>,
}

/// Takes variants out of a product, and out of every cart.
#[utoipa::path(operation_id = "remove_variants", params(OfOne), request_body = VariantIds,
    responses((status = 200, body = VariantsView), (status = 404, body = ApiError)))]
#[delete("/variants")]
pub async fn remove(
    state: Data<State>,
    caller: Caller,
    of: Query<OfOne>,
    wanted: Json<VariantIds>,
) -> ApiResult<Json<VariantsView>> {
    let product = product_of(&state, &of.product).await?;
    state.store.by(caller.by()).remove_variants(product.id, &wanted.ids).await?;
    Ok(Json(variants_view(&state, &of.product, Which::Since(caller.by().seen)).await?))
}
