use super::{OptionInBook, option_of, option_view};
use crate::error::{ApiError, ApiResult};
use crate::names::one_line;
use crate::routes::picture::Home;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{patch, post};
use compagina_core::catalog::{Product, Way};
use compagina_core::ids::{Handle, ValueId};
use compagina_core::letters::{folded, words_of};
use compagina_core::swatch::Swatch;
use compagina_storage::{BookOption, OptionChange, ValueChange};
use serde::Deserialize;
use utoipa::ToSchema;

const LONGEST_NAME: usize = 80;

/// What is to be changed of an option; what isn't here stays as it is.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ChangeOption {
    name: Option<String>,
    about: Option<String>,
    page: Option<Way>,
    card: Option<Way>,
    quick: Option<Way>,
    from_variants: Option<bool>,
}

/// Changes an option on every product that uses it.
#[utoipa::path(operation_id = "change_option", params(("handle" = String, Path)), request_body = ChangeOption,
    responses((status = 200, body = OptionInBook), (status = 422, body = ApiError)))]
#[patch("/options/{handle}")]
pub async fn change_option(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<ChangeOption>,
) -> ApiResult<Json<OptionInBook>> {
    let option = option_of(&state, &handle).await?;
    let ChangeOption { name, about, page, card, quick, from_variants } = wanted.into_inner();
    if [page, quick].contains(&Some(Way::Nothing)) {
        return Err(ApiError::refused("pages and quick looks have to offer every choice that a product has"));
    }
    if card == Some(Way::Radios) {
        return Err(ApiError::refused("a card has no room for a radio list"));
    }
    let name = name.map(|name| named("an option's name", &name)).transpose()?;
    let about =
        about.map(|about| one_line("what an option is about", &about, 300).map(str::to_owned)).transpose()?;
    let change = OptionChange { name, about, page, card, quick, from_variants };
    state.store.by(caller.by()).change_option(option.id, &change).await?;
    Ok(Json(option_view(&state, &handle).await?))
}

pub(super) fn named(what: &str, name: &str) -> ApiResult<String> {
    let name = one_line(what, name, LONGEST_NAME).map(str::to_owned)?;
    if folded(&name).is_empty() {
        return Err(ApiError::refused(format!("{what} needs a letter or a digit")));
    }
    Ok(name)
}

/// What is to be changed of some values; what isn't here stays as it is.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ChangeValues {
    ids: Vec<ValueId>,
    name: Option<String>,
    note: Option<String>,
    swatch: Option<Swatch>,
    /// Takes the book's swatch away, so that palette, file or text are shown again.
    #[serde(default)]
    no_swatch: bool,
}

/// Changes values of an option: one, or many in the same way.
#[utoipa::path(operation_id = "change_values", params(("handle" = String, Path)), request_body = ChangeValues,
    responses((status = 200, body = OptionInBook), (status = 422, body = ApiError)))]
#[patch("/options/{handle}/values")]
pub async fn change_values(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<ChangeValues>,
) -> ApiResult<Json<OptionInBook>> {
    let option = option_of(&state, &handle).await?;
    let ChangeValues { ids, name, note, swatch, no_swatch } = wanted.into_inner();
    if swatch.as_ref().is_some_and(|swatch| !swatch.is_sound()) {
        return Err(ApiError::refused("a swatch has one to four colours, or a picture"));
    }
    let name = name.map(|name| named("a value's name", &name)).transpose()?;
    if let Some(name) = &name {
        let same =
            |v: &&compagina_storage::BookValue| folded(&v.name) == folded(name) && !ids.contains(&v.id);
        if ids.len() != 1 || option.values.iter().any(|v| same(&v)) {
            return Err(ApiError::refused(format!(
                "“{name}” would be the name of two values of this option"
            )));
        }
    }
    let note = note.map(|note| one_line("a note", &note, 200).map(str::to_owned)).transpose()?;
    let swatch = if no_swatch { Some(None) } else { swatch.map(Some) };
    state
        .store
        .by(caller.by())
        .change_values(option.id, &ids, &ValueChange { name, note, swatch, closer: None })
        .await?;
    Ok(Json(option_view(&state, &handle).await?))
}

/// Adds an option to the shop, or to one product only; it has no values yet.
#[utoipa::path(operation_id = "add_option", request_body = NewOptionOf,
    responses((status = 200, body = OptionInBook), (status = 422, body = ApiError)))]
#[post("/options")]
pub async fn add_option(
    state: Data<State>,
    caller: Caller,
    wanted: Json<NewOptionOf>,
) -> ApiResult<Json<OptionInBook>> {
    let NewOptionOf { name, product } = wanted.into_inner();
    let home = Home::find(&state, product.as_deref()).await?;
    let (name, handle) = new_option(&state, &name, home.product()).await?;
    state.store.by(caller.by()).add_option(&handle, &name, home.product().map(|product| product.id)).await?;
    Ok(Json(option_view(&state, handle.as_str()).await?))
}

/// A name that no option has beside which it would stand, and a handle that none has at all.
pub(super) async fn new_option(
    state: &State,
    name: &str,
    product: Option<&Product>,
) -> ApiResult<(String, Handle)> {
    let name = named("an option's name", name)?;
    let book = state.store.swatch_book().await?;
    let own = product.map(|product| product.id);
    let beside = |option: &&BookOption| option.of_product.is_none() || option.of_product == own;
    if book.iter().filter(beside).any(|option| folded(&option.name) == folded(&name)) {
        return Err(ApiError::refused(format!("the shop has an option called “{name}” already")));
    }
    let mut words = words_of(&name);
    words.extend(product.map(|product| product.handle.to_string()));
    Handle::from_text(&words.join("-"))
        .filter(|handle| book.iter().all(|option| option.handle != *handle))
        .map(|handle| (name.clone(), handle))
        .ok_or_else(|| {
            ApiError::refused(format!("“{name}” is too like another option for an address of its own"))
        })
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewOptionOf {
    name: String,
    /// The only product that may use it, by its handle; none for an option of the whole shop.
    product: Option<String>,
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewName {
    name: String,
}

/// Adds a value; products that use the whole option have it at once.
#[utoipa::path(operation_id = "add_value", params(("handle" = String, Path)), request_body = NewName,
    responses((status = 200, body = OptionInBook), (status = 422, body = ApiError)))]
#[post("/options/{handle}/values")]
pub async fn add_value(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<NewName>,
) -> ApiResult<Json<OptionInBook>> {
    let option = option_of(&state, &handle).await?;
    let name = named("a value's name", &wanted.name)?;
    if option.values.iter().any(|value| folded(&value.name) == folded(&name)) {
        return Err(ApiError::refused(format!("this option has “{name}” already")));
    }
    let address = Handle::from_text(&words_of(&name).join("-"));
    let address = address.ok_or_else(|| ApiError::refused("a value's name needs a letter or a digit"))?;
    let value = address.free(|name| option.values.iter().any(|value| value.handle == *name));
    state.store.by(caller.by()).add_value(option.id, &value, &name).await?;
    Ok(Json(option_view(&state, &handle).await?))
}
