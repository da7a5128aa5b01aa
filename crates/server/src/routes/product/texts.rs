use crate::error::{ApiError, ApiResult};
use crate::routes::product_type::{fields, type_of};
use crate::routes::shop::product::find;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{get, put};
use compagina_core::catalog::{Tag, Texts};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// What is told of a product in words.
#[derive(Serialize, ToSchema)]
pub struct TextsView {
    texts: Texts,
    /// What products of its type have, whether it has it or not.
    usual: UsualTexts,
}

#[derive(Serialize, ToSchema)]
pub struct UsualTexts {
    /// Titles of texts.
    details: Vec<String>,
    /// Names of facts.
    facts: Vec<String>,
    tags: Vec<Tag>,
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TextsForm {
    /// The texts of which these were made: where they are others by now, nothing is kept.
    was: Texts,
    texts: Texts,
}

/// The texts and facts of a product.
#[utoipa::path(operation_id = "show_texts", params(("handle" = String, Path)),
    responses((status = 200, body = TextsView), (status = 404, body = ApiError)))]
#[get("/products/{handle}/texts")]
pub async fn show(state: Data<State>, _caller: Caller, handle: Path<String>) -> ApiResult<Json<TextsView>> {
    Ok(Json(view(&state, &handle).await?))
}

/// Sets the texts and facts of a product; shoppers see them at once. What has a title or a name only is left out.
#[utoipa::path(operation_id = "set_texts", params(("handle" = String, Path)), request_body = TextsForm,
    responses((status = 200, body = TextsView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 422, body = ApiError)))]
#[put("/products/{handle}/texts")]
pub async fn set(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<TextsForm>,
) -> ApiResult<Json<TextsView>> {
    let product = find(&state, &handle).await?;
    let TextsForm { was, texts } = wanted.into_inner();
    state.store.by(caller.by()).set_texts(product.id, &was, &texts.tidied()?).await?;
    Ok(Json(view(&state, &handle).await?))
}

async fn view(state: &State, handle: &str) -> ApiResult<TextsView> {
    let product = find(state, handle).await?;
    let row = type_of(state, product.kind.handle.as_str()).await?;
    // The first products of a type lack what was meant for them; later ones have more than was thought of.
    let of_products = fields::fields_of(state, &row).await?;
    let meant = row.fields;
    let usual = UsualTexts {
        details: both(meant.details, of_products.details),
        facts: both(meant.facts, of_products.facts),
        tags: both(meant.tags, of_products.tags),
    };
    Ok(TextsView { texts: product.texts(), usual })
}

fn both<T: PartialEq>(mut some: Vec<T>, others: Vec<T>) -> Vec<T> {
    for other in others {
        if !some.contains(&other) {
            some.push(other);
        }
    }
    some
}
