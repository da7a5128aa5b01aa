use super::{Home, OfProduct, PicturesView, pictures_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};

/// The pictures of a product, or the shop's own, in order.
#[utoipa::path(operation_id = "list_pictures", params(OfProduct), responses((status = 200, body = PicturesView), (status = 404, body = ApiError)))]
#[get("/pictures")]
pub async fn list(
    state: Data<State>,
    _caller: Caller,
    of: Query<OfProduct>,
) -> ApiResult<Json<PicturesView>> {
    let home = Home::find(&state, of.product.as_deref()).await?;
    Ok(Json(pictures_view(&state, &home).await?))
}
