use super::{PicturesView, pictures_view, product_of};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path};

/// The pictures of a product, in order.
#[utoipa::path(operation_id = "list_pictures", params(("handle" = String, Path)), responses((status = 200, body = PicturesView), (status = 404, body = ApiError)))]
#[get("/products/{handle}/pictures")]
pub async fn list(
    state: Data<State>,
    _caller: Caller,
    handle: Path<String>,
) -> ApiResult<Json<PicturesView>> {
    let product = product_of(&state, &handle).await?;
    Ok(Json(pictures_view(&state, &product).await?))
}
