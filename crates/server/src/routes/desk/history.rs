use super::operate::change;
use super::{DraftView, moment, told};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path, Query};
use actix_web::{get, post};
use chrono::{DateTime, Utc};
use compagina_core::ids::TemplateId;
use compagina_core::page::op::say;
use compagina_core::page::{Op, differences};
use compagina_storage::{Change, DraftId};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

/// Edits that are listed at the most.
const MOST_EDITS: u32 = 300;

/// A moment that one can look at and go back to.
#[derive(Serialize, ToSchema)]
pub struct MomentView {
    /// As an address names it: `edit-12`, `publication-3`.
    key: String,
    /// What was done, or the name under which it was published.
    what: String,
    who: Option<String>,
    at: DateTime<Utc>,
    published: bool,
}

/// A template's edits that stand and everything that was published, the newest first.
#[utoipa::path(operation_id = "show_history", responses((status = 200, body = Vec<MomentView>), (status = 404, body = ApiError)))]
#[get("/templates/{id}/history")]
pub async fn show(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<Json<Vec<MomentView>>> {
    let id = TemplateId(*id);
    let template = state.store.template(id).await?;
    let edits = state.store.edits(id, MOST_EDITS).await?.into_iter().map(|edit| MomentView {
        key: format!("edit-{}", edit.id),
        what: say(&edit.op, &template.draft),
        who: edit.who,
        at: edit.at,
        published: false,
    });
    let published =
        state.store.publications(DraftId::Template(id)).await?.into_iter().map(|row| MomentView {
            key: format!("publication-{}", row.id),
            what: if row.name.is_empty() { format!("Published as draft {}", row.revision) } else { row.name },
            who: row.who,
            at: row.at,
            published: true,
        });
    let mut all: Vec<MomentView> = published.chain(edits).collect();
    all.sort_by_key(|moment| std::cmp::Reverse(moment.at));
    Ok(Json(all))
}

#[derive(Debug, Deserialize, IntoParams)]
pub struct Between {
    from: String,
    to: String,
}

/// In what two moments differ, in sentences.
#[utoipa::path(operation_id = "compare_moments", params(Between), responses((status = 200, body = Vec<String>), (status = 404, body = ApiError)))]
#[get("/templates/{id}/differences")]
pub async fn compare(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    between: Query<Between>,
) -> ApiResult<Json<Vec<String>>> {
    let id = TemplateId(*id);
    let from = state.store.layout_at(id, moment(&between.from)?).await?;
    let to = state.store.layout_at(id, moment(&between.to)?).await?;
    Ok(Json(told(&state, &differences(&from, &to), &to).await?))
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct BringBack {
    revision: u64,
    moment: String,
}

/// Makes the draft as it was at a moment. One step, which can be undone.
#[utoipa::path(responses((status = 200, body = DraftView), (status = 404, body = ApiError), (status = 409, body = ApiError)))]
#[post("/templates/{id}/bring-back")]
pub async fn bring_back(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<BringBack>,
) -> ApiResult<Json<DraftView>> {
    let layout = state.store.layout_at(TemplateId(*id), moment(&body.moment)?).await?;
    change(&state, &caller, *id, body.revision, Change::Edit(Op::Lay { layout }), None).await
}
