use super::{check_fields, type_name};
use crate::error::{ApiError, ApiResult};
use crate::routes::template::set::template_name;
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json};
use compagina_core::catalog::{ProductType, TypeFields};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::letters::words_of;
use compagina_core::page::{Layout, Purpose};
use compagina_core::template::{Reach, Shift, move_type};
use compagina_storage::{Arrangement, ServedBy};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// Which template is to serve a new type.
#[derive(Deserialize, ToSchema)]
#[serde(rename_all = "snake_case", tag = "by", deny_unknown_fields)]
pub enum TemplateFor {
    /// One that there is.
    Template { id: TemplateId },
    /// A new one: a copy of another one's draft, or empty. It isn't live until it is published.
    New { name: String, copy_of: Option<TemplateId> },
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewType {
    name: String,
    #[serde(default)]
    fields: TypeFields,
    template: TemplateFor,
}

/// A type as it was added: where to compose its page.
#[derive(Serialize, ToSchema)]
pub struct AddedType {
    handle: Handle,
    template: TemplateId,
    sample: Handle,
}

/// Adds a product type that has no products yet. A sample made from its fields stands in for them on the desk of the
/// template that serves it.
#[utoipa::path(operation_id = "add_type", responses((status = 200, body = AddedType), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/types")]
pub async fn add(state: Data<State>, _caller: Caller, body: Json<NewType>) -> ApiResult<Json<AddedType>> {
    let NewType { name, fields, template } = body.into_inner();
    let name = type_name(&name)?;
    check_fields(&state, &fields).await?;
    let handle = Handle::from_text(&words_of(&name).join("-"));
    let handle = handle.ok_or_else(|| ApiError::refused("a type's name needs a letter or a digit"))?;
    let kind = ProductType { handle, name };
    if state.store.types().await?.iter().any(|row| row.kind.handle == kind.handle) {
        return Err(ApiError::refused(format!("the shop has a type called “{}” already", kind.name)));
    }
    let sample = kind.sample_handle();
    let sample =
        sample.ok_or_else(|| ApiError::refused("the name is too long for an address; shorten it"))?;
    let served = match &template {
        TemplateFor::Template { id } => moved_to(&state, &kind, *id).await?,
        TemplateFor::New { name, copy_of } => {
            let layout = match copy_of {
                Some(from) => state.store.template(*from).await?.draft,
                None => Layout::default(),
            };
            let reach = Reach::types(vec![kind.handle.clone()]);
            ServedBy::New { name: template_name(name)?.to_owned(), reach, layout: Box::new(layout) }
        }
    };
    let made = state.store.add_type(&kind, &fields, &served).await?;
    let template = match (made, template) {
        (None, TemplateFor::Template { id }) | (Some(id), _) => id,
        (None, TemplateFor::New { .. }) => return Err(ApiError::no_such("template")),
    };
    Ok(Json(AddedType { handle: kind.handle, template, sample }))
}

async fn moved_to(state: &State, kind: &ProductType, to: TemplateId) -> ApiResult<ServedBy> {
    let revision = state.store.arrangement_revision().await?;
    let rows = state.store.templates_of(Purpose::Page).await?.into_iter();
    let mut all: Vec<Shift> = rows.map(|t| Shift { id: t.id, name: t.name, reach: t.reach }).collect();
    if !all.iter().any(|one| one.id == to) {
        return Err(ApiError::no_such("template"));
    }
    move_type(&mut all, &kind.handle, to)?;
    let all = all.into_iter().map(|one| (one.id, one.reach)).collect();
    Ok(ServedBy::Arranged(Arrangement { revision, all }))
}
