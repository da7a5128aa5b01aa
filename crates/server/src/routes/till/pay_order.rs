use super::payer;
use actix_web::web::{Json, Query};
use actix_web::{HttpRequest, get};
use compagina_core::pay::{Because, in_order};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

/// A provider, and why it stands where it does.
#[derive(Serialize, ToSchema)]
pub struct PayPlace {
    provider: &'static str,
    because: Because,
}

/// What the script knows of the device.
#[derive(Deserialize, IntoParams)]
pub struct OnDevice {
    /// 1 where it is used with a finger.
    #[serde(default)]
    touch: u8,
}

/// In which order a shopper meets the providers: what was used last, what suits the device, what is at home in the country.
#[utoipa::path(operation_id = "pay_order", params(OnDevice), responses((status = 200, body = Vec<PayPlace>)))]
#[get("/shop/pay-order")]
pub async fn tell(request: HttpRequest, device: Query<OnDevice>) -> Json<Vec<PayPlace>> {
    let mut known = payer(&request);
    known.on_phone |= device.touch == 1;
    let place =
        |(one, because): (&compagina_core::pay::Provider, Because)| PayPlace { provider: one.id, because };
    Json(in_order(known.as_payer()).into_iter().map(place).collect())
}
