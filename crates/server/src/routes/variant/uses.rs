use super::{OfOne, VariantsView, Which, product_of, variants_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::put;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::{Product, change_uses};
use compagina_core::ids::{OptionId, ValueId};
use compagina_storage::{BookOption, Uses};
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
    caller: Caller,
    of: Query<OfOne>,
    wanted: Json<Vec<OptionUse>>,
) -> ApiResult<Json<VariantsView>> {
    let product = product_of(&state, &of.product).await?;
    let wanted = wanted.into_inner();
    state.store.by(caller.by()).set_uses(product.id, &|product, book| decide(&wanted, product, book)).await?;
    Ok(Json(variants_view(&state, &of.product, Which::Since(caller.by().seen)).await?))
}

/// What is wanted of the product as it is.
fn decide(wanted: &[OptionUse], product: &Product, book: &[BookOption]) -> Result<Uses, String> {
    let mut uses = Vec::new();
    let mut named = Vec::new();
    for OptionUse { option, values } in wanted {
        let known = book
            .iter()
            .find(|o| o.id == *option)
            .ok_or("one of these options is gone; load the page again")?;
        if known.of_product.is_some_and(|only| only != product.id) {
            return Err(format!("“{}” belongs to another product only", known.name));
        }
        if !values.iter().all(|value| known.values.iter().any(|v| v.id == *value)) {
            return Err(format!("one of these values of “{}” is gone; load the page again", known.name));
        }
        uses.push((*option, values.clone(), values.len() == known.values.len()));
        named.push((*option, known.name.clone(), values.clone()));
    }
    let chosen = change_uses(product, &named).map_err(|why| why.to_string())?;
    let chosen = product.variants.iter().map(|variant| variant.id).zip(chosen).collect();
    Ok(Uses { uses, chosen })
}
