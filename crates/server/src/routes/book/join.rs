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
use compagina_storage::{BookOption, User};
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

/// An option with the products that use it.
struct Used {
    option: BookOption,
    users: Vec<User>,
}

impl Used {
    async fn find(state: &State, handle: &str) -> ApiResult<Self> {
        let option = option_of(state, handle).await?;
        let users = state.store.users_of(option.id).await?;
        Ok(Self { option, users })
    }
    /// Core's view of it.
    fn with<T>(&self, look: impl FnOnce(Side<'_>) -> T) -> T {
        let values: Vec<_> = self.option.values.iter().map(|v| (v.id, v.name.as_str())).collect();
        let products: Vec<_> = self.users.iter().map(|u| (u.handle.as_str(), u.name.as_str())).collect();
        look(Side {
            id: self.option.id,
            name: &self.option.name,
            values: &values,
            products: &products,
            of_one: self.option.of_product.is_some(),
        })
    }
}

async fn planned(state: &State, from: &str, into: &str) -> ApiResult<(Used, Used, Merge)> {
    let (from, into) = (Used::find(state, from).await?, Used::find(state, into).await?);
    let merge = from.with(|from| into.with(|into| merge(from, into))).map_err(ApiError::refused)?;
    Ok((from, into, merge))
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
    let (from, _, merge) = planned(&state, &handle, &wanted.into).await?;
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
    _caller: Caller,
    handle: Path<String>,
    wanted: Json<MergeInto>,
) -> ApiResult<Json<OptionInBook>> {
    let (from, into, merge) = planned(&state, &handle, &wanted.into).await?;
    state.store.merge_options(from.option.id, into.option.id, &merge).await?;
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
    _caller: Caller,
    handle: Path<String>,
    wanted: Json<SplitOption>,
) -> ApiResult<Json<OptionInBook>> {
    let from = Used::find(&state, &handle).await?;
    let products: Vec<&str> = wanted.products.iter().map(String::as_str).collect();
    from.with(|from| split(from, &products)).map_err(ApiError::refused)?;
    let (name, new) = new_option(&state, &wanted.name, None).await?;
    let gone = |user: &&User| products.contains(&user.handle.as_str());
    let used: BTreeSet<ValueId> = from.users.iter().filter(gone).flat_map(|u| u.values.clone()).collect();
    let values = from.option.values.iter().filter(|value| used.contains(&value.id)).map(|value| {
        let shown = value.shown();
        let kept = matches!(shown.from, SwatchSource::Book | SwatchSource::File);
        (value.id, Some(shown.swatch).filter(|_| kept))
    });
    let values: Vec<(ValueId, Option<Swatch>)> = values.collect();
    let products: Vec<_> = from.users.iter().filter(gone).map(|user| user.id).collect();
    state.store.split_option(from.option.id, &products, &new, &name, &values).await?;
    Ok(Json(option_view(&state, new.as_str()).await?))
}
