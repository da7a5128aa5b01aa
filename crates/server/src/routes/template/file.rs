use super::list::{TemplatesView, view};
use super::set::template_name;
use crate::error::{ApiError, ApiResult};
use crate::routes::desk::tidy;
use crate::serving::edition::listed;
use crate::session::Caller;
use crate::state::State;
use crate::upload;
use actix_web::http::header;
use actix_web::web::{Data, Json, Path, Payload};
use actix_web::{HttpResponse, get, post};
use compagina_core::format::{FileError, MOST_BYTES, TemplateFile, Unmatched, read_template, write_template};
use compagina_core::ids::TemplateId;
use compagina_core::page::Purpose;
use compagina_core::template::{Reach, ReachRule};
use serde::Serialize;
use utoipa::ToSchema;

/// A template as it was brought in.
#[derive(Serialize, ToSchema)]
pub struct BroughtIn {
    id: TemplateId,
    /// What the file names that this shop doesn't have.
    unmatched: Unmatched,
    /// Whether it reaches nothing now because this shop has a fallback of its own.
    other_fallback: bool,
    templates: TemplatesView,
}

/// A template's draft as a file.
#[utoipa::path(operation_id = "write_template_file", responses((status = 200, body = TemplateFile), (status = 404, body = ApiError)))]
#[get("/templates/{id}/file")]
pub async fn write(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<HttpResponse> {
    let template = state.store.template(TemplateId(*id)).await?;
    let name: String =
        template.name.chars().map(|c| if c.is_ascii_alphanumeric() { c } else { '-' }).collect();
    let named = format!("attachment; filename=\"{name}.template.json\"");
    Ok(HttpResponse::Ok()
        .content_type("application/json")
        .insert_header((header::CONTENT_DISPOSITION, named))
        .body(write_template(&template.name, &template.reach, &template.draft)))
}

/// Adds a template from a file. It isn't live. A file with a mistake is refused with its place, and nothing is changed.
#[utoipa::path(operation_id = "read_template_file", request_body(content = String, content_type = "application/octet-stream"), responses((status = 200, body = BroughtIn), (status = 413, body = ApiError), (status = 422, body = ApiError)))]
#[post("/templates/file")]
pub async fn read(state: Data<State>, _caller: Caller, body: Payload) -> ApiResult<Json<BroughtIn>> {
    let file = upload::receive(body, "A template file", MOST_BYTES as u64).await?;
    let bytes = upload::read(file).map_err(ApiError::unforeseen)?;
    let mut file = read_template(&bytes).map_err(ApiError::refused)?;
    let name = template_name(&file.name)?.to_owned();
    let (listed, media) = (listed(&state).await?, state.store.shop_media().await?);
    let has = Unmatched {
        types: state.store.types().await?.into_iter().map(|row| row.kind.handle).collect(),
        products: listed.iter().map(|one| one.facts.handle.clone()).collect(),
        tags: state.store.tags().await?.into_iter().collect(),
        media: media.pictures.into_keys().chain(media.films.into_keys()).collect(),
    };
    let unmatched = file.unmatched(&has);
    let templates = state.store.templates_of(file.layout.purpose).await?;
    let other_fallback = file.reach.is_fallback() && templates.iter().any(|t| t.reach.is_fallback());
    if other_fallback {
        file.reach = Reach { also: file.reach.also, ..ReachRule::Named.into() };
    }
    // There is no fallback among cards.
    if file.layout.purpose == Purpose::Card && file.reach.is_fallback() {
        file.reach.rule = ReachRule::All;
    }
    tidy::tidy_layout(&mut file.layout);
    let id = state.store.add_template(&name, &file.reach, &file.layout, false).await?;
    Ok(Json(BroughtIn { id, unmatched, other_fallback, templates: view(&state, file.layout.purpose).await? }))
}

impl From<FileError> for ApiError {
    fn from(why: FileError) -> Self {
        Self::refused(why)
    }
}
