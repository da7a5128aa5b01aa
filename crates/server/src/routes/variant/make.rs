use super::{OfOne, VariantsView, Which, product_of, variants_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Query};
use compagina_core::catalog::Product;
use compagina_core::choice::{Choices, combinations};
use compagina_core::ids::{OptionId, ValueId};
use serde::Deserialize;
use utoipa::ToSchema;

/// Which combinations are to be made.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MakeVariants {
    /// Values to be combined; of an option none of whose values is here, all are.
    #[serde(default)]
    values: Vec<ValueId>,
    /// Options that don't matter: any.
    #[serde(default)]
    any: Vec<OptionId>,
}

/// Makes the combinations that have no variant yet, each with a SKU made from the names, and none in stock.
#[utoipa::path(operation_id = "make_variants", params(OfOne), request_body = MakeVariants,
    responses((status = 200, body = VariantsView), (status = 422, body = ApiError)))]
#[post("/variants/make")]
pub async fn make(
    state: Data<State>,
    caller: Caller,
    of: Query<OfOne>,
    wanted: Json<MakeVariants>,
) -> ApiResult<Json<VariantsView>> {
    let product = product_of(&state, &of.product).await?;
    let decide = |product: &Product| {
        let choices = Choices { values: &wanted.values, any: &wanted.any };
        let made = combinations(product, &choices).map_err(|why| why.to_string())?;
        Ok(made.into_iter().map(|new| (new.sku, new.values)).collect())
    };
    state.store.by(caller.by()).make_variants(product.id, &decide).await?;
    Ok(Json(variants_view(&state, &of.product, Which::Since(caller.by().seen)).await?))
}
