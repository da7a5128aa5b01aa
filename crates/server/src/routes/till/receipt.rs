use super::cart_of;
use crate::error::ApiError;
use crate::routes::shop::{html, or_message};
use crate::serving::reading::{Reading, nav};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Path};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::pay::{PROVIDERS, provider};
use compagina_press::besides;
use compagina_press::shop::{Bought, Paid, Receipt, receipt as page};
use compagina_storage::OrderState;

/// An order, shown to the shopper who placed it and to nobody else.
#[get("/shop/orders/{id}")]
pub async fn receipt(state: Data<State>, request: HttpRequest, id: Path<u64>) -> HttpResponse {
    let answer = async {
        let missing = || ApiError::no_such("order");
        let cart = cart_of(&state, &request).await?.ok_or_else(missing)?;
        let order = state.store.order(*id, cart).await?;
        let order = order.ok_or_else(missing)?;
        let nav = nav(&state, &Reading::of(&request)).await?;
        let lines = order.lines.into_iter().map(|line| Bought {
            what: format!("{} × {}", line.quantity, line.what),
            besides: besides(&nav.words, line.plan.as_ref(), &line.text),
            line: line.line,
        });
        let view = Receipt {
            number: order.id,
            email: order.contact.email,
            provider: provider(&order.provider).unwrap_or(&PROVIDERS[0]),
            paid: match order.state {
                OrderState::Paid => Paid::Yes,
                OrderState::Waiting => Paid::Waiting,
                OrderState::Refused => Paid::No,
            },
            lines: lines.collect(),
            total: order.total,
            vat: order.vat,
        };
        Ok(html(StatusCode::OK, page(&nav, &view)))
    };
    or_message(&state, &request, answer.await).await
}
