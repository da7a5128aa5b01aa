use super::address::free_for;
use crate::error::{ApiError, ApiResult};
use crate::names::one_line;
use crate::routes::product_type::{fields, type_of};
use crate::serving::sample::sample_of;
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json};
use compagina_core::ids::Handle;
use compagina_storage::TypeRow;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

const LONGEST_NAME: usize = 200;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct AddProduct {
    /// Its type, by its handle.
    kind: Handle,
    name: String,
    /// In minor units; what the type says without one.
    price_minor: Option<i64>,
}

#[derive(Serialize, ToSchema)]
pub struct AddedProduct {
    handle: Handle,
}

impl AddedProduct {
    pub(super) fn at(handle: Handle) -> Self {
        Self { handle }
    }
}

/// Adds a product with what its type has: options, a variant for each choice, price and terms. It has no pictures, texts
/// or stock yet, and shoppers don't see it until it is put on sale.
#[utoipa::path(operation_id = "add_product", responses((status = 200, body = AddedProduct), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/products")]
pub async fn add(
    state: Data<State>,
    caller: Caller,
    body: Json<AddProduct>,
) -> ApiResult<Json<AddedProduct>> {
    let AddProduct { kind, name, price_minor } = body.into_inner();
    let row = type_of(&state, kind.as_str()).await?;
    let mut fields = fields::fields_of(&state, &row).await?;
    fields.price_minor = price_minor.unwrap_or(fields.price_minor);
    fields.check()?;
    let name = one_line("a product's name", &name, LONGEST_NAME).map(str::to_owned)?;
    let handle = free_for(&state, &name).await?;
    let row = TypeRow { fields, ..row };
    let product = sample_of(&state, &row).await?.begun(handle, name);
    let skus: Vec<String> = product.variants.iter().map(|variant| variant.sku.clone()).collect();
    if let Some((sku, owner)) = state.store.sku_owners(&skus, &[]).await?.into_iter().next() {
        return Err(ApiError::refused(format!(
            "the SKU “{sku}”, which a variant of it would get, belongs to {owner}; name it otherwise"
        )));
    }
    state.store.by(caller.by()).add_product(&product).await?;
    Ok(Json(AddedProduct::at(product.handle)))
}
