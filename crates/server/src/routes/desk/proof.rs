use super::{Look, Seen, look, moment};
use crate::error::{ApiError, ApiResult};
use crate::serving::edition::cards::DeskCards;
use crate::serving::edition::everywhere;
use crate::serving::reading::{Reading, nav};
use crate::serving::related::around_page;
use crate::session::Caller;
use crate::state::State;
use actix_web::http::header;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpResponse, get};
use compagina_core::ids::{PieceId, TemplateId};
use compagina_core::money::MoneyError;
use compagina_core::page::starter::{Filling, starter};
use compagina_core::page::{Layout, Purpose};
use compagina_press::{Mode, Nav, Page, render};
use serde::Deserialize;
use std::sync::Arc;
use utoipa::IntoParams;

/// What of a template is shown.
#[derive(Debug, Deserialize, IntoParams)]
pub struct Which {
    /// One piece alone.
    only: Option<String>,
    /// As it was at this moment of its history.
    moment: Option<String>,
    /// As it would be laid by this starter.
    starter: Option<String>,
    /// With how much a page that has nothing is filled by it.
    #[serde(default)]
    filling: Filling,
}

/// A template as the real page, under a situation.
#[utoipa::path(params(Look, Which), responses((status = 200, body = String, content_type = "text/html"), (status = 404, body = ApiError)))]
#[get("/templates/{id}/proof")]
pub async fn proof(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    query: Query<Look>,
    which: Query<Which>,
) -> ApiResult<HttpResponse> {
    let id = TemplateId(*id);
    let layout = layout(&state, id, &which).await?;
    let only =
        which.only.clone().map(PieceId::try_from).transpose().map_err(|_| ApiError::no_such("piece"))?;
    let html = draw(&state, id, &layout, &query, only.as_ref()).await?;
    Ok(HttpResponse::Ok()
        .content_type("text/html; charset=utf-8")
        .insert_header((header::CACHE_CONTROL, "no-store"))
        .body(html))
}

/// A layout of a template as the real page, under a situation.
pub async fn draw(
    state: &State,
    id: TemplateId,
    layout: &Layout,
    wanted: &Look,
    only: Option<&PieceId>,
) -> ApiResult<String> {
    with_page(state, id, layout, wanted, only, render).await
}

/// Does something with the page that a layout makes under a situation; beside this thread, so that an edit goes on being
/// kept while its page is drawn.
pub async fn with_page<T: Send + 'static>(
    state: &State,
    id: TemplateId,
    layout: &Layout,
    wanted: &Look,
    only: Option<&PieceId>,
    then: impl FnOnce(&Page<'_>) -> Result<T, MoneyError> + Send + 'static,
) -> ApiResult<T> {
    let draft = layout;
    let Seen { known, around, layout, situation, prices } = look(state, draft, wanted).await?;
    let around = match around {
        Some(around) => around,
        None => around_page(state, &known, &layout).await?.around,
    };
    let everywhere = everywhere(state).await?;
    let reading = Reading::draft(id, wanted.language);
    let mut nav = Nav { prices, ..nav(state, &reading).await? };
    if draft.purpose == Purpose::Card {
        nav.cards = Arc::new(DeskCards::of(state, id, draft.clone()).await?);
    }
    let only = only.cloned();
    let done = tokio::task::spawn_blocking(move || {
        then(&Page {
            nav: &nav,
            product: &known.product,
            layout: &layout,
            around: &around,
            media: &everywhere.media,
            situation: &situation,
            mode: Mode::Proof,
            notice: None,
            only: only.as_ref(),
        })
    });
    Ok(done.await.map_err(ApiError::unforeseen)??)
}

async fn layout(state: &State, id: TemplateId, which: &Which) -> ApiResult<Layout> {
    let layout = match &which.moment {
        Some(text) => state.store.layout_at(id, moment(text)?).await?,
        None => state.store.template(id).await?.draft,
    };
    match &which.starter {
        Some(key) => {
            let starter = starter(layout.purpose, key).ok_or_else(|| ApiError::no_such("starter"))?;
            Ok(starter.lay_with(&layout, which.filling).layout)
        }
        None => Ok(layout),
    }
}
