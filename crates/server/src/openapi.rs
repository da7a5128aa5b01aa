//! The document that describes the owner's API and the shop's offers; the client's types are made from it.

use crate::once::KEY_HEADER;
use crate::routes;
use actix_web::web::Json;
use actix_web::{App, get};
use compagina_core::page::SetValue;
use compagina_core::situation::{CartMood, SaleMood, StockMood};
use compagina_core::wording::Language;
use std::sync::LazyLock;
use utoipa::OpenApi;
use utoipa::openapi::path::{Operation, ParameterBuilder, ParameterIn};
use utoipa::openapi::schema::{ObjectBuilder, Type};
use utoipa::openapi::{ContentBuilder, OpenApi as Document, Ref, RefOr, ResponseBuilder};
use utoipa_actix_web::AppExt;

#[derive(OpenApi)]
#[openapi(
    info(
        title = "Compagina",
        description = "The owner's API, and what the shop offers",
        license(name = "MIT")
    ),
    paths(routes::shop::offer::tell),
    components(schemas(StockMood, SaleMood, CartMood, Language, SetValue))
)]
struct Head;

pub fn head() -> Document {
    Head::openapi()
}

/// The whole document, with every route of the API.
#[must_use]
pub fn document() -> Document {
    let mut document = App::new()
        .into_utoipa_app()
        .openapi(head())
        .service(utoipa_actix_web::scope("/api").configure(routes::api))
        .split_for_parts()
        .1;
    let for_owners = document.paths.paths.iter_mut().filter(|(path, _)| path.starts_with("/api/"));
    for (_, path) in for_owners {
        let operations = [&mut path.get, &mut path.post, &mut path.put, &mut path.patch, &mut path.delete];
        operations.into_iter().flatten().for_each(asks_for_an_owner);
        let changing = [&mut path.post, &mut path.put, &mut path.patch, &mut path.delete];
        changing.into_iter().flatten().for_each(may_carry_a_key);
    }
    document
}

static DOCUMENT: LazyLock<Document> = LazyLock::new(document);

/// The document that describes this API.
#[get("/api/openapi.json")]
pub async fn show() -> Json<&'static Document> {
    Json(&DOCUMENT)
}

/// Whoever isn't signed in is refused, wherever it doesn't say otherwise.
fn asks_for_an_owner(operation: &mut Operation) {
    let error = RefOr::Ref(Ref::from_schema_name("ApiError"));
    let refusal =
        ResponseBuilder::new().content("application/json", ContentBuilder::new().schema(Some(error)).build());
    operation.responses.responses.entry("401".into()).or_insert_with(|| RefOr::T(refusal.build()));
}

/// Whatever changes something can be sent again under the same key, and is taken once.
fn may_carry_a_key(operation: &mut Operation) {
    let key = ObjectBuilder::new().schema_type(Type::String).min_length(Some(8)).max_length(Some(64));
    let header = ParameterBuilder::new()
        .name(KEY_HEADER)
        .parameter_in(ParameterIn::Header)
        .description(Some(
            "Sent again under the same key within a day, it is taken once and answered as the first time.",
        ))
        .schema(Some(key));
    operation.parameters.get_or_insert_default().push(RefOr::T(header.build()));
}

#[cfg(test)]
mod tests {
    use std::collections::BTreeMap;
    use std::path::Path;

    fn sources(folder: &Path, found: &mut Vec<(String, String)>) {
        for entry in std::fs::read_dir(folder).unwrap().map(Result::unwrap) {
            let path = entry.path();
            if path.is_dir() {
                sources(&path, found);
            } else if path.extension().is_some_and(|ending| ending == "rs") {
                found.push((path.display().to_string(), std::fs::read_to_string(&path).unwrap()));
            }
        }
    }

    /// The document names types without their modules: of two that share a name one would describe both.
    #[test]
    fn no_two_types_of_the_document_share_a_name() {
        let crates = Path::new(concat!(env!("CARGO_MANIFEST_DIR"), "/.."));
        let mut all = Vec::new();
        for room in ["core/src", "server/src"] {
            sources(&crates.join(room), &mut all);
        }
        let mut named: BTreeMap<String, String> = BTreeMap::new();
        for (path, text) in all {
            let mut in_document = false;
            for line in text.lines().map(str::trim) {
                if line.starts_with("#[") {
                    in_document |= line.contains("ToSchema");
                } else if let Some(rest) =
                    line.strip_prefix("pub struct ").or_else(|| line.strip_prefix("pub enum "))
                {
                    let name: String = rest.chars().take_while(|c| c.is_alphanumeric()).collect();
                    if std::mem::take(&mut in_document)
                        // A macro's own.
                        && !name.is_empty()
                        && let Some(other) = named.insert(name.clone(), path.clone())
                    {
                        panic!("{name} stands in {other} and in {path}");
                    }
                } else if !line.starts_with("///") {
                    in_document = false;
                }
            }
        }
        assert!(named.len() > 100, "{}", named.len());
    }
}
