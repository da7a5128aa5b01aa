use super::type_of;
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path};
use compagina_core::catalog::TypeFields;
use compagina_storage::{TypeRow, Which};

/// Products that are looked at to tell what a type has.
const LOOKED_AT: u32 = 100;

/// What the products of a type have: as it was told while there are none, and after that what most of them do have.
#[utoipa::path(operation_id = "show_fields", params(("handle" = String, Path)), responses((status = 200, body = TypeFields), (status = 404, body = ApiError)))]
#[get("/types/{handle}/fields")]
pub async fn show(state: Data<State>, _caller: Caller, handle: Path<String>) -> ApiResult<Json<TypeFields>> {
    let row = type_of(&state, &handle).await?;
    Ok(Json(fields_of(&state, &row).await?))
}

pub async fn fields_of(state: &State, row: &TypeRow) -> ApiResult<TypeFields> {
    if row.products == 0 {
        return Ok(row.fields.clone());
    }
    let which = Which::OfType { type_id: row.id, most: LOOKED_AT, skip: 0 };
    let mut fields = TypeFields::of(&state.store.products(which).await?);
    // An option that only one product may use is none of the type's.
    let book = state.store.swatch_book().await?;
    fields.options.retain(|own| book.iter().any(|o| o.handle == *own && o.of_product.is_none()));
    Ok(fields)
}
