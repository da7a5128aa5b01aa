use super::{OfOne, VariantsView, product_of, variants_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::put;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::change_uses;
use compagina_core::ids::{OptionId, ValueId};
use serde::Deserialize;
use utoipa::ToSchema;

/// An option by which a product is chosen, with the values that it offers, in order.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OptionUse {
    option: OptionId,
    values: Vec<ValueId>,
}

/// Says by which options and values a product is chosen. An option that is new to it doesn't matter to the variants that
/// there are; one that two variants differ by can't be dropped.
#[utoipa::path(operation_id = "set_uses", params(OfOne), request_body = Vec<OptionUse>,
    responses((status = 200, body = VariantsView), (status = 422, body = ApiError)))]
#[put("/variants/options")]
pub async fn set(
    state: Data<State>,
    _caller: Caller,
    of: Query<OfOne>,
    wanted: Json<Vec<OptionUse>>,
) -> ApiResult<Json<VariantsView>> {
    let product = product_of(&state, &of.product).await?;
    let book = state.store.swatch_book().await?;
    let mut uses = Vec::new();
    for OptionUse { option, values } in wanted.into_inner() {
        let known = book.iter().find(|o| o.id == option).ok_or_else(|| ApiError::no_such("option"))?;
        if known.of_product.is_some_and(|only| only != product.id) {
            let why = format!("“{}” belongs to another product only", known.name);
            return Err(ApiError::refused(why));
        }
        if !values.iter().all(|value| known.values.iter().any(|v| v.id == *value)) {
            return Err(ApiError::no_such("value"));
        }
        let whole = values.len() == known.values.len();
        uses.push((option, known.name.clone(), values, whole));
    }
    let plain: Vec<_> =
        uses.iter().map(|(id, name, values, _)| (*id, name.clone(), values.clone())).collect();
    let chosen = change_uses(&product, &plain).map_err(ApiError::refused)?;
    let chosen: Vec<_> = product.variants.iter().map(|variant| variant.id).zip(chosen).collect();
    let uses: Vec<_> = uses.into_iter().map(|(id, _, values, whole)| (id, values, whole)).collect();
    state.store.set_uses(product.id, &uses, &chosen).await?;
    Ok(Json(variants_view(&state, &of.product).await?))
}
