use super::Home;
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use crate::upload::{Decoded, MOST_PICTURE_BYTES, decoded_in_turn, receive};
use actix_web::post;
use actix_web::web::{Data, Json, Payload, Query};
use compagina_core::limits::is_unseen;
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct Named {
    /// The product whose picture it is to be; none for the shop.
    product: Option<String>,
    /// The file's name as its owner knows it.
    name: String,
    /// The picture in whose place it is put.
    replaces: Option<u64>,
}

/// A picture that was put in.
#[derive(Serialize, ToSchema)]
pub struct Uploaded {
    id: u64,
}

/// Takes a picture, the body of the request, and puts it behind the others or in the place of one. Its sizes
/// are made afterwards.
#[utoipa::path(operation_id = "upload_picture", params(Named),
    request_body(content = Vec<u8>, content_type = "application/octet-stream"),
    responses((status = 200, body = Uploaded), (status = 413, body = ApiError), (status = 422, body = ApiError)))]
#[post("/pictures")]
pub async fn upload(
    state: Data<State>,
    caller: Caller,
    named: Query<Named>,
    body: Payload,
) -> ApiResult<Json<Uploaded>> {
    let Named { product, name, replaces } = named.into_inner();
    let home = Home::find(&state, product.as_deref()).await?;
    let name: String = name.chars().filter(|c| !is_unseen(*c)).take(200).collect();
    let file = receive(body, &name, MOST_PICTURE_BYTES).await?;
    let Decoded { hash, bytes, .. } = decoded_in_turn(&state, &name, file).await?;
    state.media.put(&hash, bytes).await.map_err(ApiError::unforeseen)?;
    let id = match replaces {
        Some(id) => {
            state.store.by(caller.by()).replace_picture(home.of(), id, &name, &hash).await?;
            id
        }
        None => state.store.by(caller.by()).add_picture(home.of(), &name, &hash).await?,
    };
    state.to_make.notify_one();
    Ok(Json(Uploaded { id }))
}
