use super::{Look, look};
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::{nav, related};
use crate::session::Caller;
use crate::state::State;
use actix_web::http::header;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpResponse, get};
use compagina_core::ids::TemplateId;
use compagina_press::{Mode, Page, render};

/// The draft as the real page, under a situation.
#[utoipa::path(params(Look), responses((status = 200, body = String, content_type = "text/html"), (status = 401, body = ApiError), (status = 404, body = ApiError)))]
#[get("/templates/{id}/proof")]
pub async fn proof(
    state: Data<State>,
    _caller: Caller,
    id: Path<u64>,
    query: Query<Look>,
) -> ApiResult<HttpResponse> {
    let template = state.store.template(TemplateId(*id)).await?;
    let (product, situation) = look(&state, &template.draft, &query).await?;
    let (nav, related) = (nav(&state).await?, related(&state, &product).await?);
    let html = render(&Page {
        nav: &nav,
        product: &product,
        layout: &template.draft,
        related: &related,
        situation: &situation,
        mode: Mode::Proof,
        notice: None,
    })?;
    Ok(HttpResponse::Ok()
        .content_type("text/html; charset=utf-8")
        .insert_header((header::CACHE_CONTROL, "no-store"))
        .body(html))
}
