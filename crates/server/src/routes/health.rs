use crate::state::State;
use actix_web::web::Data;
use actix_web::{HttpResponse, get};

/// Whether this process and its database answer.
#[get("/healthz")]
pub async fn health(state: Data<State>) -> HttpResponse {
    if state.store.is_well().await {
        HttpResponse::Ok().body("well")
    } else {
        HttpResponse::ServiceUnavailable().body("the database doesn't answer")
    }
}
