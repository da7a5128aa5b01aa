use crate::error::ApiResult;
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json};
use compagina_core::time::{Local, Moment};
use serde::Serialize;
use utoipa::ToSchema;

/// So many messages are shown.
const MOST_SHOWN: u32 = 200;

/// A message as it was written to a shopper.
#[derive(Serialize, ToSchema)]
pub struct OutboxMessage {
    address: String,
    subject: String,
    body: String,
    /// By the shop's clocks.
    at: Local,
}

/// Messages to shoppers, the newest first. Nothing is sent from here.
#[utoipa::path(operation_id = "list_outbox", responses((status = 200, body = Vec<OutboxMessage>)))]
#[get("/outbox")]
pub async fn list(state: Data<State>, _caller: Caller) -> ApiResult<Json<Vec<OutboxMessage>>> {
    let zone = state.store.zone().await?;
    let written = |(message, at): (compagina_storage::Message, Moment)| OutboxMessage {
        address: message.address,
        subject: message.subject,
        body: message.body,
        at: zone.local(at),
    };
    Ok(Json(state.store.outbox(MOST_SHOWN).await?.into_iter().map(written).collect()))
}
