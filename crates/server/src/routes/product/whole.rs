//! A product as a whole: what hangs on it, taken away, copied, made one of another type.

use super::add::AddedProduct;
use super::address::free_for;
use crate::error::{ApiError, ApiResult};
use crate::names::one_line;
use crate::routes::product_type::type_of;
use crate::routes::shop::product::find;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{delete, get, post, put};
use compagina_core::ids::Handle;
use compagina_core::page::Whom;
use compagina_core::price::{PriceBook, RuleReach};
use compagina_core::template::ReachRule;
use compagina_storage::DocumentName;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

const LONGEST_NAME: usize = 200;

/// What hangs on a product.
#[derive(Serialize, ToSchema)]
pub struct HangingView {
    name: String,
    variants: u64,
    pictures: u64,
    reviews: u64,
    /// Carts in which it lies.
    carts: u64,
    /// Shoppers who keep it for later or want to hear of it.
    waiting: u64,
    /// Orders that sold it; they keep what they sold.
    orders: u64,
    /// Templates that name it: in their reach, or because its page keeps something different.
    templates: Vec<String>,
    /// Price rules that name it.
    rules: Vec<String>,
}

/// What hangs on a product: told before it is taken away.
#[utoipa::path(operation_id = "show_hanging", params(("handle" = String, Path)),
    responses((status = 200, body = HangingView), (status = 404, body = ApiError)))]
#[get("/products/{handle}/hanging")]
pub async fn hanging(
    state: Data<State>,
    _caller: Caller,
    handle: Path<String>,
) -> ApiResult<Json<HangingView>> {
    let product = find(&state, &handle).await?;
    let hanging = state.store.hanging_on(product.id).await?;
    let whom = Whom::Product(product.handle.clone());
    let templates = state.store.templates().await?.into_iter().filter(|template| {
        let named =
            template.reach.also.contains(&product.handle) || template.reach.except.contains(&product.handle);
        named && template.reach.rule != ReachRule::Fallback || !template.draft.departures_of(&whom).is_empty()
    });
    let prices = state.store.document::<PriceBook>(DocumentName::Prices).await?;
    let rules = prices.draft.rules.iter().filter(|rule| {
        let reached =
            matches!(&rule.reach, RuleReach::Products { products } if products.contains(&product.handle));
        reached || rule.except.contains(&product.handle) || rule.with.contains(&product.handle)
    });
    Ok(Json(HangingView {
        variants: hanging.variants,
        pictures: hanging.pictures,
        reviews: hanging.reviews,
        carts: hanging.carts,
        waiting: hanging.waiting,
        orders: hanging.orders,
        templates: templates.map(|template| template.name).collect(),
        rules: rules.map(|rule| rule.name.clone()).collect(),
        name: product.name,
    }))
}

/// Takes a product away; it can be brought back. Orders keep what they sold.
#[utoipa::path(operation_id = "remove_product", params(("handle" = String, Path)),
    responses((status = 204), (status = 404, body = ApiError)))]
#[delete("/products/{handle}")]
pub async fn remove(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
) -> ApiResult<actix_web::HttpResponse> {
    let product = find(&state, &handle).await?;
    state.store.by(caller.by()).remove_product(product.id).await?;
    Ok(actix_web::HttpResponse::NoContent().finish())
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CopyName {
    name: String,
}

/// Makes a product that begins as a copy: not on sale yet, with none in stock and SKUs of its own.
#[utoipa::path(operation_id = "copy_product", params(("handle" = String, Path)), request_body = CopyName,
    responses((status = 200, body = AddedProduct), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/products/{handle}/copy")]
pub async fn copy(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<CopyName>,
) -> ApiResult<Json<AddedProduct>> {
    let product = find(&state, &handle).await?;
    let name = one_line("a product's name", &wanted.name, LONGEST_NAME).map(str::to_owned)?;
    let handle = free_for(&state, &name).await?;
    state.store.by(caller.by()).copy_product(product.id, &handle, &name).await?;
    Ok(Json(AddedProduct::at(handle)))
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OtherPlace {
    /// The handle of the product of the same type behind which it is put; none for the first place.
    behind: Option<Handle>,
}

/// Puts a product at another place among those of its type.
#[utoipa::path(operation_id = "place_product", params(("handle" = String, Path)), request_body = OtherPlace,
    responses((status = 204), (status = 404, body = ApiError), (status = 409, body = ApiError)))]
#[put("/products/{handle}/place")]
pub async fn place(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<OtherPlace>,
) -> ApiResult<actix_web::HttpResponse> {
    let product = find(&state, &handle).await?;
    let behind = match &wanted.behind {
        Some(behind) => Some(find(&state, behind.as_str()).await?),
        None => None,
    };
    if behind.as_ref().is_some_and(|behind| behind.kind != product.kind) {
        return Err(ApiError::refused("both have to be products of the same type"));
    }
    state.store.by(caller.by()).place_product(product.id, behind.map(|behind| behind.id)).await?;
    Ok(actix_web::HttpResponse::NoContent().finish())
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OtherType {
    /// By its handle.
    kind: Handle,
}

/// Makes a product one of another type, the last of its products.
#[utoipa::path(operation_id = "move_product", params(("handle" = String, Path)), request_body = OtherType,
    responses((status = 204), (status = 404, body = ApiError)))]
#[put("/products/{handle}/type")]
pub async fn move_to(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<OtherType>,
) -> ApiResult<actix_web::HttpResponse> {
    let product = find(&state, &handle).await?;
    let kind = type_of(&state, wanted.kind.as_str()).await?;
    state.store.by(caller.by()).move_product(product.id, kind.id).await?;
    Ok(actix_web::HttpResponse::NoContent().finish())
}
