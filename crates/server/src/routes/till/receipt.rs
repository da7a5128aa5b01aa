use super::cart_of;
use crate::error::ApiError;
use crate::reading::{Reading, nav};
use crate::routes::shop::{html, or_message};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Path};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_press::shop::{Receipt, receipt as page};
use compagina_storage::OrderState;

/// A paid order, shown to the shopper who placed it and to nobody else.
#[get("/shop/orders/{id}")]
pub async fn receipt(state: Data<State>, request: HttpRequest, id: Path<u64>) -> HttpResponse {
    let answer = async {
        let missing = || ApiError::no_such("order");
        let cart = cart_of(&state, &request).await?.ok_or_else(missing)?;
        let order = state.store.order(*id, cart).await?;
        let order = order.filter(|o| o.state == OrderState::Paid).ok_or_else(missing)?;
        let lines = order.lines.into_iter().map(|l| (format!("{} × {}", l.quantity, l.what), l.line));
        let view = Receipt {
            number: order.id,
            email: order.contact.email,
            lines: lines.collect(),
            total: order.total,
        };
        Ok(html(StatusCode::OK, page(&nav(&state, &Reading::of(&request)).await?, &view)))
    };
    or_message(&state, &request, answer.await).await
}
