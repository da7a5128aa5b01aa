use super::address::free_for;
use crate::error::{ApiError, ApiResult};
use crate::names::one_line;
use crate::routes::product_type::{fields, type_of};
use crate::serving::edition::everywhere;
use crate::serving::sample::sample_of;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{get, post};
use compagina_core::catalog::{ProductOption, ProductValue, tidied_summary};
use compagina_core::format::read_amount;
use compagina_core::ids::{Handle, ValueId};
use compagina_core::money::Money;
use compagina_core::sample::{MOST_VARIANTS, SampleOf};
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
    /// A plain number, as it was typed; what the type says where it is empty.
    #[serde(default)]
    price: String,
    /// Values that it is made in; of an option of which none is here, all.
    #[serde(default)]
    values: Vec<ValueId>,
    #[serde(default)]
    summary: String,
}

/// With what a product of a type begins.
#[derive(Serialize, ToSchema)]
pub struct Beginning {
    options: Vec<BeginningOption>,
    /// A plain number.
    price: String,
    currency: &'static str,
    /// So many variants are made at once at the most.
    most: usize,
}

#[derive(Serialize, ToSchema)]
pub struct BeginningOption {
    name: String,
    values: Vec<BeginningValue>,
}

#[derive(Serialize, ToSchema)]
pub struct BeginningValue {
    id: ValueId,
    name: String,
}

/// With what a product of a type begins where nothing else is said: options, values, price.
#[utoipa::path(operation_id = "show_beginning", params(("handle" = String, Path)), responses((status = 200, body = Beginning), (status = 404, body = ApiError)))]
#[get("/types/{handle}/beginning")]
pub async fn beginning(
    state: Data<State>,
    _caller: Caller,
    handle: Path<String>,
) -> ApiResult<Json<Beginning>> {
    let row = type_of(&state, &handle).await?;
    let row = TypeRow { fields: fields::fields_of(&state, &row).await?, ..row };
    let SampleOf { options, currency, .. } = sample_of(&state, &row).await?;
    let value = |value: ProductValue| BeginningValue { id: value.id, name: value.name };
    let option = |option: ProductOption| BeginningOption {
        name: option.name,
        values: option.values.into_iter().map(value).collect(),
    };
    Ok(Json(Beginning {
        options: options.into_iter().map(option).collect(),
        price: Money::new(row.fields.price_minor, currency).plain(),
        currency: currency.code(),
        most: MOST_VARIANTS,
    }))
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

/// Adds a product with what its type has: options, a variant for each choice, price and terms. It has no pictures or stock
/// yet, of texts no more than a summary, and shoppers don't see it until it is put on sale.
#[utoipa::path(operation_id = "add_product", responses((status = 200, body = AddedProduct), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/products")]
pub async fn add(
    state: Data<State>,
    caller: Caller,
    body: Json<AddProduct>,
) -> ApiResult<Json<AddedProduct>> {
    let AddProduct { kind, name, price, values, summary } = body.into_inner();
    let row = type_of(&state, kind.as_str()).await?;
    let mut fields = fields::fields_of(&state, &row).await?;
    let currency = everywhere(&state).await?.shop.currency;
    if let Some(minor) = read_amount(price.trim(), currency).map_err(ApiError::refused)? {
        fields.price_minor = minor;
    }
    fields.check()?;
    let name = one_line("a product's name", &name, LONGEST_NAME).map(str::to_owned)?;
    let handle = free_for(&state, &name).await?;
    let row = TypeRow { fields, ..row };
    let sample = sample_of(&state, &row).await?;
    let known = |id: &ValueId| sample.options.iter().any(|o| o.values.iter().any(|value| value.id == *id));
    if !values.iter().all(known) {
        let why = "a value that was chosen isn't in the swatch book any more; choose anew";
        return Err(ApiError::refused(why));
    }
    let mut product = sample.begun(handle, name, &values);
    product.summary = tidied_summary(&summary)?;
    let skus: Vec<String> = product.variants.iter().map(|variant| variant.sku.clone()).collect();
    if let Some((sku, owner)) = state.store.sku_owners(&skus, &[]).await?.into_iter().next() {
        return Err(ApiError::refused(format!(
            "the SKU “{sku}”, which a variant of it would get, belongs to {owner}; name it otherwise"
        )));
    }
    state.store.by(caller.by()).add_product(&product).await?;
    Ok(Json(AddedProduct::at(product.handle)))
}
