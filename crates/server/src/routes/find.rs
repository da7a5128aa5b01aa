use crate::error::ApiResult;
use crate::serving::edition::{listed, live};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Query};
use compagina_core::find::{Fit, Wanted, best};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::price::{PriceBook, RuleId};
use compagina_storage::{Document, DocumentName};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use utoipa::{IntoParams, ToSchema};

/// So many of a kind are told at most.
const MOST: usize = 6;

#[derive(Deserialize, IntoParams)]
pub struct Typed {
    words: String,
}

/// Something of the shop that has a name.
#[derive(Serialize, ToSchema)]
#[serde(rename_all = "snake_case", tag = "what")]
pub enum Found {
    Product { handle: Handle, name: String, kind: String, template: Option<TemplateId> },
    Template { id: TemplateId, name: String },
    Option { handle: Handle, name: String },
    Rule { id: RuleId, name: String },
}

/// Products, templates, options and price rules by their names, the best first.
#[utoipa::path(operation_id = "find_anything", params(Typed), responses((status = 200, body = Vec<Found>)))]
#[get("/find")]
pub async fn find(state: Data<State>, _caller: Caller, typed: Query<Typed>) -> ApiResult<Json<Vec<Found>>> {
    let wanted = Wanted::new(&typed.words);
    if wanted.is_empty() {
        return Ok(Json(vec![]));
    }
    let kinds: BTreeMap<Handle, String> =
        state.store.types().await?.into_iter().map(|row| (row.kind.handle, row.kind.name)).collect();
    let (live, listed) = (live(&state).await?, listed(&state).await?);
    let index = live.index();
    let products = listed.iter().filter_map(|one| {
        let kind = kinds.get(&one.facts.kind).map_or("", String::as_str);
        Some((wanted.fit(&one.name, &[kind, one.facts.handle.as_str()])?, (one, kind)))
    });
    let products = first(products).into_iter().map(|(one, kind)| Found::Product {
        handle: one.facts.handle.clone(),
        name: one.name.clone(),
        kind: kind.to_owned(),
        template: index.serving(&one.facts).map(|serving| serving.template),
    });
    let names = state.store.template_names().await?;
    let templates =
        names.into_iter().filter_map(|(id, name)| Some((wanted.fit(&name, &["template"])?, (id, name))));
    let templates = first(templates).into_iter().map(|(id, name)| Found::Template { id, name });
    let options = state.store.swatch_book().await?.into_iter();
    let options = options.filter_map(|one| Some((wanted.fit(&one.name, &["option"])?, one)));
    let options = first(options).into_iter().map(|one| Found::Option { handle: one.handle, name: one.name });
    let book: Document<PriceBook> = state.store.document(DocumentName::Prices).await?;
    let rules = book.draft.rules.into_iter();
    let rules = rules.filter_map(|one| Some((wanted.fit(&one.name, &["price rule"])?, one)));
    let rules = first(rules).into_iter().map(|one| Found::Rule { id: one.id, name: one.name });
    Ok(Json(products.chain(templates).chain(options).chain(rules).collect()))
}

/// The best of a kind.
fn first<T>(found: impl Iterator<Item = (Fit, T)>) -> Vec<T> {
    let mut all = best(found);
    all.truncate(MOST);
    all
}
