use super::{OfOne, PartOf, VariantsView, Which, product_of, variants_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::http::header;
use actix_web::web::{Data, Json, Query};
use actix_web::{HttpResponse, get};
use compagina_core::format::write_variants;
use compagina_storage::Seen;

/// The variants of a product, part by part, or those that became otherwise since it was seen.
#[utoipa::path(operation_id = "list_variants", params(PartOf),
    responses((status = 200, body = VariantsView), (status = 404, body = ApiError)))]
#[get("/variants")]
pub async fn list(state: Data<State>, _caller: Caller, of: Query<PartOf>) -> ApiResult<Json<VariantsView>> {
    let which = match &of.since {
        Some(seen) => Which::Since(Seen::read(seen)),
        None => Which::After(of.skip),
    };
    Ok(Json(variants_view(&state, &of.product, which).await?))
}

/// The variants of a product as CSV, as they can be brought in again.
#[utoipa::path(operation_id = "write_variants", params(OfOne),
    responses((status = 200, body = String, content_type = "text/csv"), (status = 404, body = ApiError)))]
#[get("/variants.csv")]
pub async fn write(state: Data<State>, _caller: Caller, of: Query<OfOne>) -> ApiResult<HttpResponse> {
    let product = product_of(&state, &of.product).await?;
    let name = format!("attachment; filename=\"{}-variants.csv\"", product.handle);
    Ok(HttpResponse::Ok()
        .content_type("text/csv; charset=utf-8")
        .insert_header((header::CONTENT_DISPOSITION, name))
        .body(write_variants(&[product])))
}
