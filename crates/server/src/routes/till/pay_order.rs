use super::payer;
use actix_web::web::Json;
use actix_web::{HttpRequest, get};
use compagina_core::pay::{Because, in_order};
use serde::Serialize;
use utoipa::ToSchema;

/// A provider, and why it stands where it does.
#[derive(Serialize, ToSchema)]
pub struct PayPlace {
    provider: &'static str,
    because: Because,
}

/// In which order a shopper meets the providers: what was used last, what suits the device, what is at home in the country.
#[utoipa::path(operation_id = "pay_order", responses((status = 200, body = Vec<PayPlace>)))]
#[get("/shop/pay-order")]
pub async fn tell(request: HttpRequest) -> Json<Vec<PayPlace>> {
    let known = payer(&request);
    let place =
        |(one, because): (&compagina_core::pay::Provider, Because)| PayPlace { provider: one.id, because };
    Json(in_order(known.as_payer()).into_iter().map(place).collect())
}
