use super::proof::with_page;
use super::situation::on_screens;
use super::tidy::tidy;
use super::{DraftView, Look, draft_view};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::TemplateId;
use compagina_core::page::{Op, along, apply};
use compagina_press::{Page, render};
use compagina_storage::{Change, Draft, History, TemplateRow};
use serde::Deserialize;
use std::sync::Arc;
use utoipa::ToSchema;

/// A step, with the revision on which it was made.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Operation {
    revision: u64,
    op: Op,
    /// The situation in which the page is wanted with the answer.
    look: Option<Look>,
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct DraftStep {
    revision: u64,
    look: Option<Look>,
}

/// Makes an edit; it is kept before it is answered.
#[utoipa::path(responses(
    (status = 200, body = DraftView), (status = 403, body = ApiError),
    (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/{id}/operations")]
pub async fn operate(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    body: Json<Operation>,
) -> ApiResult<Json<DraftView>> {
    let Operation { revision, op, look } = body.into_inner();
    change(&state, &caller, *id, revision, Change::Edit(tidy(op)), look).await
}

/// Takes the last edit back.
#[utoipa::path(responses((status = 200, body = DraftView), (status = 409, body = ApiError)))]
#[post("/templates/{id}/undo")]
pub async fn undo(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    step: Json<DraftStep>,
) -> ApiResult<Json<DraftView>> {
    let DraftStep { revision, look } = step.into_inner();
    change(&state, &caller, *id, revision, Change::Undo, look).await
}

/// Makes again what was taken back last.
#[utoipa::path(responses((status = 200, body = DraftView), (status = 409, body = ApiError)))]
#[post("/templates/{id}/redo")]
pub async fn redo(
    state: Data<State>,
    caller: Caller,
    id: Path<u64>,
    step: Json<DraftStep>,
) -> ApiResult<Json<DraftView>> {
    let DraftStep { revision, look } = step.into_inner();
    change(&state, &caller, *id, revision, Change::Redo, look).await
}

pub(super) async fn change(
    state: &State,
    caller: &Caller,
    id: u64,
    revision: u64,
    change: Change<'_>,
    look: Option<Look>,
) -> ApiResult<Json<DraftView>> {
    let id = TemplateId(id);
    let foreseen = foreseen(state, id, revision, &change, look.as_ref());
    let kept = state.store.change_draft(id, caller.session.owner_id, revision, change.clone());
    let (foreseen, kept) = tokio::join!(foreseen, kept);
    let kept = kept?;
    match foreseen.filter(|foreseen| foreseen.came_true(&kept)) {
        Some(foreseen) => Ok(Json(foreseen.view)),
        None => Ok(Json(draft_now(state, id, look.as_ref()).await?)),
    }
}

/// What an edit most likely comes to, made ready while it is being kept.
struct Foreseen {
    view: DraftView,
    published_revision: Option<u64>,
}

impl Foreseen {
    fn came_true(&self, kept: &Draft) -> bool {
        let same = (self.view.revision, self.published_revision) == (kept.revision, kept.published_revision);
        same && self.view.layout == kept.layout
    }
}

/// None where it can't be told beforehand.
async fn foreseen(
    state: &State,
    id: TemplateId,
    revision: u64,
    change: &Change<'_>,
    look: Option<&Look>,
) -> Option<Foreseen> {
    let (Change::Edit(op), Some(look)) = (change, look) else { return None };
    let mut template =
        state.store.template(id).await.ok().filter(|template| template.revision == revision)?;
    let op = along(&template.draft, op.clone());
    apply(&mut template.draft, op).ok()?;
    template.revision += 1;
    // An edit can be taken back, and ends what could be made again.
    let history = History { undo: 1, redo: 0 };
    let view = view(state, &template, history, Some(look)).await.ok().filter(|view| view.proof.is_some())?;
    Some(Foreseen { view, published_revision: template.published_revision })
}

/// A draft as it is now, with the page that it makes under a situation where one is given.
pub(super) async fn draft_now(state: &State, id: TemplateId, look: Option<&Look>) -> ApiResult<DraftView> {
    let (template, history) = tokio::try_join!(state.store.template(id), state.store.history(id))?;
    view(state, &template, history, look).await
}

async fn view(
    state: &State,
    template: &TemplateRow,
    history: History,
    look: Option<&Look>,
) -> ApiResult<DraftView> {
    let view = draft_view(state, template, history);
    let Some(look) = look else { return view.await };
    let (pages, has) = (Arc::clone(&state.pages), look.has.clone());
    let told = move |page: &Page<'_>| Ok(pages.tell(render(page)?, has.as_deref()));
    let page = with_page(state, template.id, &template.draft, look, None, told);
    let (page, view, on_screens) = tokio::join!(page, view, on_screens(state, &template.draft, look));
    let mut view = view?;
    // A step is kept already: a page that can't be drawn must not make it look as if it weren't.
    view.proof = page.ok();
    view.on_screens = on_screens.ok();
    Ok(view)
}
