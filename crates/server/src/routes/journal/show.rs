use super::{Of, subject_of};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_storage::StepRow;
use serde::Serialize;
use utoipa::ToSchema;

const MOST_STEPS: u32 = 200;

/// What was done to something, and what can be taken back.
#[derive(Serialize, ToSchema)]
pub struct JournalView {
    /// The newest first.
    steps: Vec<JournalStep>,
    /// What taking back would take back: the caller's own last step.
    undo: Option<String>,
    /// What would be made again.
    redo: Option<String>,
}

#[derive(Serialize, ToSchema)]
pub struct JournalStep {
    id: u64,
    /// None where nobody was asked: when the shop was filled.
    who: Option<String>,
    /// As of RFC 3339, in UTC.
    at: String,
    told: String,
    /// Whether it was taken back.
    taken_back: bool,
    /// Whether it took something back or made it again.
    turns: bool,
}

/// What was done to a product, to the swatch book, to the shop's pictures, or which products came and went.
#[utoipa::path(operation_id = "show_journal", params(Of),
    responses((status = 200, body = JournalView), (status = 404, body = ApiError)))]
#[get("/journal")]
pub async fn show(state: Data<State>, caller: Caller, of: Query<Of>) -> ApiResult<Json<JournalView>> {
    let subject = subject_of(&state, &of).await?;
    let steps = state.store.steps(subject, None, MOST_STEPS).await?;
    let hand = state.store.by(caller.by());
    let (undo, redo) = (hand.next_undo(subject).await?, hand.next_redo(subject).await?);
    Ok(Json(JournalView {
        steps: steps.into_iter().map(step_view).collect(),
        undo: undo.map(|(_, told)| told),
        redo: redo.map(|(_, told)| told),
    }))
}

fn step_view(row: StepRow) -> JournalStep {
    JournalStep {
        id: row.id,
        who: row.who,
        at: row.at.to_rfc3339(),
        told: row.told,
        taken_back: row.taken_back,
        turns: row.turns,
    }
}
