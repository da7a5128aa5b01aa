//! Where a product's page stands in the shop, and from where it is led on to.

use crate::error::{ApiError, ApiResult};
use crate::routes::shop::product::find;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{delete, get, put};
use compagina_core::ids::Handle;
use compagina_core::letters::words_of;
use compagina_storage::At;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// Where a page stands.
#[derive(Serialize, ToSchema)]
pub struct AddressView {
    address: Handle,
    /// From there it is led on to, the last one first.
    was_at: Vec<Handle>,
}

async fn view(state: &State, handle: &str) -> ApiResult<Json<AddressView>> {
    let product = find(state, handle).await?;
    let was_at = state.store.old_addresses(product.id).await?;
    Ok(Json(AddressView { address: product.address, was_at }))
}

/// Where a product's page stands.
#[utoipa::path(operation_id = "show_address", params(("handle" = String, Path)),
    responses((status = 200, body = AddressView), (status = 404, body = ApiError)))]
#[get("/products/{handle}/address")]
pub async fn show(state: Data<State>, _caller: Caller, handle: Path<String>) -> ApiResult<Json<AddressView>> {
    view(&state, &handle).await
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OtherAddress {
    /// As it is typed: capitals, spaces and accents become what an address can hold.
    address: String,
}

/// Gives a product's page another address. Where it stood leads on to it.
#[utoipa::path(operation_id = "move_page", params(("handle" = String, Path)), request_body = OtherAddress,
    responses((status = 200, body = AddressView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/products/{handle}/address")]
pub async fn set(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<OtherAddress>,
) -> ApiResult<Json<AddressView>> {
    let product = find(&state, &handle).await?;
    let to = Handle::from_text(&words_of(&wanted.address).join("-"))
        .ok_or_else(|| ApiError::refused("an address needs a letter or a digit"))?;
    state.store.by(caller.by()).move_page(product.id, &to).await?;
    view(&state, &handle).await
}

/// Lets an old address lead on no longer.
#[utoipa::path(operation_id = "let_address_go", params(("handle" = String, Path), ("address" = String, Path)),
    responses((status = 200, body = AddressView), (status = 404, body = ApiError), (status = 409, body = ApiError)))]
#[delete("/products/{handle}/address/{address}")]
pub async fn let_go(
    state: Data<State>,
    caller: Caller,
    path: Path<(String, String)>,
) -> ApiResult<Json<AddressView>> {
    let (handle, address) = path.into_inner();
    let product = find(&state, &handle).await?;
    let address = Handle::try_from(address.as_str()).map_err(|_| ApiError::no_such("address"))?;
    state.store.by(caller.by()).let_address_go(product.id, &address).await?;
    view(&state, &handle).await
}

/// The address and handle that a product gets by its name, where nothing stands there and nothing is led on from there.
pub(super) async fn free_for(state: &State, name: &str) -> ApiResult<Handle> {
    let handle = Handle::from_text(&words_of(name).join("-"))
        .ok_or_else(|| ApiError::refused("a product's name needs a letter or a digit"))?;
    let named = state.store.product(&handle).await?.map(|product| product.name);
    let standing = state.store.at(&handle).await?.map(|At { name, .. }| name);
    match standing.or(named) {
        Some(other) => Err(ApiError::refused(format!(
            "the address “{handle}” belongs to {other}; give it another name, and another address afterwards"
        ))),
        None => Ok(handle),
    }
}
