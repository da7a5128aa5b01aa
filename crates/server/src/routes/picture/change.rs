use super::{Home, OfProduct, PicturesView, pictures_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::patch;
use actix_web::web::{Data, Json, Query};
use actix_web::{delete, put};
use compagina_core::ids::ValueId;
use compagina_core::limits::is_unseen;
use compagina_core::media::Focus;
use compagina_storage::PictureChange;
use serde::Deserialize;
use utoipa::ToSchema;

const MOST_ALT: usize = 300;

/// What is to be changed of some pictures; what isn't here stays as it is.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ChangePictures {
    ids: Vec<u64>,
    alt: Option<String>,
    /// The values that all of them are to belong to; an empty list for every choice.
    values: Option<Vec<ValueId>>,
    focus: Option<Focus>,
}

/// Changes pictures: one, or many in the same way.
#[utoipa::path(operation_id = "change_pictures", params(OfProduct), request_body = ChangePictures,
    responses((status = 200, body = PicturesView), (status = 400, body = ApiError), (status = 404, body = ApiError)))]
#[patch("/pictures")]
pub async fn change(
    state: Data<State>,
    caller: Caller,
    of: Query<OfProduct>,
    wanted: Json<ChangePictures>,
) -> ApiResult<Json<PicturesView>> {
    let home = Home::find(&state, of.product.as_deref()).await?;
    let ChangePictures { ids, alt, values, focus } = wanted.into_inner();
    let alt = alt.map(|alt| alt.trim().to_owned());
    check(&home, alt.as_deref(), values.as_deref(), focus)?;
    state
        .store
        .by(caller.by())
        .change_pictures(home.of(), &ids, &PictureChange { alt, values, focus })
        .await?;
    Ok(Json(pictures_view(&state, &home).await?))
}

fn check(home: &Home, alt: Option<&str>, values: Option<&[ValueId]>, focus: Option<Focus>) -> ApiResult<()> {
    let bad = |message: &str| Err(ApiError::new(StatusCode::BAD_REQUEST, "bad_picture", message));
    if alt.is_some_and(|alt| alt.chars().count() > MOST_ALT || alt.chars().any(is_unseen)) {
        return bad("What a picture shows is told in one line of at most 300 characters.");
    }
    let options = home.product().into_iter().flat_map(|product| &product.options);
    let known: Vec<ValueId> = options.flat_map(|o| o.values.iter().map(|v| v.id)).collect();
    if values.is_some_and(|values| !values.iter().all(|value| known.contains(value))) {
        return bad("The product doesn't have one of these values any more. Load the page again.");
    }
    if focus.is_some_and(|focus| !focus.is_inside()) {
        return bad("The point lies outside the picture.");
    }
    Ok(())
}

/// Pictures by their numbers.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PictureIds {
    ids: Vec<u64>,
}

/// Puts pictures into an order.
#[utoipa::path(operation_id = "order_pictures", params(OfProduct), request_body = PictureIds,
    responses((status = 200, body = PicturesView), (status = 404, body = ApiError)))]
#[put("/pictures/order")]
pub async fn order(
    state: Data<State>,
    caller: Caller,
    of: Query<OfProduct>,
    wanted: Json<PictureIds>,
) -> ApiResult<Json<PicturesView>> {
    let home = Home::find(&state, of.product.as_deref()).await?;
    state.store.by(caller.by()).order_pictures(home.of(), &wanted.ids).await?;
    Ok(Json(pictures_view(&state, &home).await?))
}

/// Takes pictures out.
#[utoipa::path(operation_id = "remove_pictures", params(OfProduct), request_body = PictureIds,
    responses((status = 200, body = PicturesView), (status = 404, body = ApiError)))]
#[delete("/pictures")]
pub async fn remove(
    state: Data<State>,
    caller: Caller,
    of: Query<OfProduct>,
    wanted: Json<PictureIds>,
) -> ApiResult<Json<PicturesView>> {
    let home = Home::find(&state, of.product.as_deref()).await?;
    state.store.by(caller.by()).remove_pictures(home.of(), &wanted.ids).await?;
    Ok(Json(pictures_view(&state, &home).await?))
}
