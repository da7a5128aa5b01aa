use super::change::{Typed, read_change};
use super::{OfOne, VariantsView, Which, product_of, variants_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::patch;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::Product;
use compagina_core::ids::VariantId;
use compagina_storage::VariantChange;
use serde::Deserialize;
use std::collections::BTreeSet;
use utoipa::ToSchema;

/// A block of the grid, as it was pasted: one line for each of some variants.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FillVariants {
    rows: Vec<FilledRow>,
}

/// What is to be changed of a variant, as it was typed; what isn't here stays as it is.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FilledRow {
    id: VariantId,
    sku: Option<String>,
    price: Option<String>,
    old_price: Option<String>,
    stock: Option<String>,
    measure: Option<String>,
}

/// Changes variants of a product, each in its own way; all or none.
#[utoipa::path(operation_id = "fill_variants", params(OfOne), request_body = FillVariants,
    responses((status = 200, body = VariantsView), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[patch("/variants/fill")]
pub async fn fill(
    state: Data<State>,
    caller: Caller,
    of: Query<OfOne>,
    wanted: Json<FillVariants>,
) -> ApiResult<Json<VariantsView>> {
    let product = product_of(&state, &of.product).await?;
    let rows: Vec<(VariantId, VariantChange)> = wanted
        .into_inner()
        .rows
        .into_iter()
        .map(|row| {
            let FilledRow { id, sku, price, old_price, stock, measure } = row;
            let named = |why: String| ApiError::refused(format!("{}: {why}", called(&product, id)));
            Ok((id, read_change(&product, Typed { sku, price, old_price, stock, measure }).map_err(named)?))
        })
        .collect::<ApiResult<_>>()?;
    free_skus(&state, &product, &rows).await?;
    state.store.by(caller.by()).fill_variants(product.id, &rows).await?;
    Ok(Json(variants_view(&state, &of.product, Which::Since(caller.by().seen)).await?))
}

fn called(product: &Product, id: VariantId) -> &str {
    product.variants.iter().find(|variant| variant.id == id).map_or("a variant that is gone", |v| &v.sku)
}

/// SKUs that are no other variant's, once all of them are set.
async fn free_skus(state: &State, product: &Product, rows: &[(VariantId, VariantChange)]) -> ApiResult<()> {
    let new: Vec<String> = rows.iter().filter_map(|(_, change)| change.sku.clone()).collect();
    let renamed: BTreeSet<VariantId> =
        rows.iter().filter(|(_, change)| change.sku.is_some()).map(|(id, _)| *id).collect();
    let stay = product.variants.iter().filter(|variant| !renamed.contains(&variant.id));
    let mut taken: BTreeSet<String> = stay.map(|variant| variant.sku.to_ascii_lowercase()).collect();
    for sku in &new {
        if !taken.insert(sku.to_ascii_lowercase()) {
            return Err(ApiError::refused(format!(
                "“{sku}” would belong to two variants of {}",
                product.name
            )));
        }
    }
    let owners = state.store.sku_owners(&new, &[product.id]).await?;
    match owners.into_iter().next() {
        Some((sku, owner)) => {
            Err(ApiError::refused(format!("“{sku}” belongs to another variant, of {owner}")))
        }
        None => Ok(()),
    }
}
