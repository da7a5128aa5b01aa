//! Two options become one, and one becomes two.

use super::change::new_option;
use super::{OptionInBook, option_of, option_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path, Query};
use actix_web::{get, post};
use compagina_core::catalog::{Merge, Side, merge, split};
use compagina_core::ids::{Handle, ValueId};
use compagina_core::swatch::{Swatch, SwatchSource};
use compagina_storage::{UsedOption, User};
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;
use utoipa::{IntoParams, ToSchema};

/// A product that uses an option.
#[derive(Serialize, ToSchema)]
pub struct OptionUser {
    product: Handle,
    name: String,
    /// The values that it offers.
    values: Vec<ValueId>,
}

/// Every product that uses an option.
#[utoipa::path(operation_id = "option_users", params(("handle" = String, Path)),
    responses((status = 200, body = Vec<OptionUser>), (status = 404, body = ApiError)))]
#[get("/options/{handle}/products")]
pub async fn list_users(
    state: Data<State>,
    _caller: Caller,
    handle: Path<String>,
) -> ApiResult<Json<Vec<OptionUser>>> {
    let option = option_of(&state, &handle).await?;
    let users = state.store.users_of(option.id).await?;
    let view = |user: User| OptionUser { product: user.handle, name: user.name, values: user.values };
    Ok(Json(users.into_iter().map(view).collect()))
}

/// What merging one option into another comes to.
#[derive(Serialize, ToSchema)]
pub struct MergePlan {
    /// Names of values that both have.
    same: Vec<String>,
    /// Names of values that come over.
    over: Vec<String>,
    /// Names of products that go along.
    products: Vec<String>,
}

#[derive(Deserialize, IntoParams, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MergeInto {
    /// The option that stays, by its handle.
    into: String,
}

async fn used(state: &State, handle: &str) -> ApiResult<UsedOption> {
    let option = option_of(state, handle).await?;
    let users = state.store.users_of(option.id).await?;
    Ok(UsedOption { option, users })
}

/// Core's view of an option with those that use it.
fn with_side<T>(used: &UsedOption, look: impl FnOnce(Side<'_>) -> T) -> T {
    let values: Vec<_> = used.option.values.iter().map(|v| (v.id, v.name.as_str())).collect();
    let products: Vec<_> = used.users.iter().map(|u| (u.handle.as_str(), u.name.as_str())).collect();
    look(Side {
        id: used.option.id,
        name: &used.option.name,
        values: &values,
        products: &products,
        of_one: used.option.of_product.is_some(),
    })
}

fn merged(from: &UsedOption, into: &UsedOption) -> Result<Merge, String> {
    with_side(from, |from| with_side(into, |into| merge(from, into))).map_err(|why| why.to_string())
}

/// Tells what merging would come to, and changes nothing.
#[utoipa::path(operation_id = "plan_merge", params(("handle" = String, Path), MergeInto),
    responses((status = 200, body = MergePlan), (status = 422, body = ApiError)))]
#[get("/options/{handle}/merge")]
pub async fn plan_merge(
    state: Data<State>,
    _caller: Caller,
    handle: Path<String>,
    wanted: Query<MergeInto>,
) -> ApiResult<Json<MergePlan>> {
    let (from, into) = (used(&state, &handle).await?, used(&state, &wanted.into).await?);
    let merge = merged(&from, &into).map_err(ApiError::refused)?;
    let name = |id: ValueId| {
        from.option.values.iter().find(|v| v.id == id).map(|v| v.name.clone()).unwrap_or_default()
    };
    Ok(Json(MergePlan {
        same: merge.same.iter().map(|(id, _)| name(*id)).collect(),
        over: merge.over.iter().map(|id| name(*id)).collect(),
        products: from.users.iter().map(|user| user.name.clone()).collect(),
    }))
}

/// Merges an option into another, which is answered: values of one name become one, the others come over, and every
/// product goes along.
#[utoipa::path(operation_id = "merge_options", params(("handle" = String, Path)), request_body = MergeInto,
    responses((status = 200, body = OptionInBook), (status = 422, body = ApiError)))]
#[post("/options/{handle}/merge")]
pub async fn merge_into(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<MergeInto>,
) -> ApiResult<Json<OptionInBook>> {
    let (from, into) = (option_of(&state, &handle).await?, option_of(&state, &wanted.into).await?);
    state.store.by(caller.by()).merge_options(from.id, into.id, &merged).await?;
    Ok(Json(option_view(&state, &wanted.into).await?))
}

/// Which products get an option of their own, and what it is called.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SplitOption {
    name: String,
    /// Handles.
    products: Vec<String>,
}

/// Splits an option, so that it can look different on some products: the new one, which is answered, begins as a copy.
#[utoipa::path(operation_id = "split_option", params(("handle" = String, Path)), request_body = SplitOption,
    responses((status = 200, body = OptionInBook), (status = 422, body = ApiError)))]
#[post("/options/{handle}/split")]
pub async fn split_off(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<SplitOption>,
) -> ApiResult<Json<OptionInBook>> {
    let from = used(&state, &handle).await?;
    let gone = |user: &&User| wanted.products.iter().any(|product| user.handle.as_str() == product);
    let products: Vec<_> = from.users.iter().filter(gone).map(|user| user.id).collect();
    let decide = |from: &UsedOption| split_values(from, &wanted.products);
    decide(&from).map_err(ApiError::refused)?;
    let (name, new) = new_option(&state, &wanted.name, None).await?;
    state.store.by(caller.by()).split_option(from.option.id, &products, &new, &name, &decide).await?;
    Ok(Json(option_view(&state, new.as_str()).await?))
}

/// The values that some products offer, each with the swatch that it shows now.
fn split_values(from: &UsedOption, products: &[String]) -> Result<Vec<(ValueId, Option<Swatch>)>, String> {
    let products: Vec<&str> = products.iter().map(String::as_str).collect();
    with_side(from, |from| split(from, &products)).map_err(|why| why.to_string())?;
    let gone = from.users.iter().filter(|user| products.contains(&user.handle.as_str()));
    let used: BTreeSet<ValueId> = gone.flat_map(|user| user.values.clone()).collect();
    let values = from.option.values.iter().filter(|value| used.contains(&value.id));
    let with_swatch = values.map(|value| {
        let shown = value.shown();
        let kept = matches!(shown.from, SwatchSource::Book | SwatchSource::File);
        (value.id, Some(shown.swatch).filter(|_| kept))
    });
    Ok(with_swatch.collect())
}
