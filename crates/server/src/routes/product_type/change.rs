use super::{check_fields, type_name, type_of};
use crate::error::{ApiError, ApiResult};
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{HttpResponse, delete, put};
use compagina_core::catalog::TypeFields;
use compagina_core::template::ReachRule;
use serde::Deserialize;
use utoipa::ToSchema;

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TypeChange {
    name: String,
    fields: TypeFields,
}

/// Gives a type another name, and its sample other fields.
#[utoipa::path(operation_id = "change_type", params(("handle" = String, Path)), responses((status = 200, body = TypeFields), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[put("/types/{handle}")]
pub async fn change(
    state: Data<State>,
    _caller: Caller,
    handle: Path<String>,
    body: Json<TypeChange>,
) -> ApiResult<Json<TypeFields>> {
    let row = type_of(&state, &handle).await?;
    let TypeChange { name, fields } = body.into_inner();
    let name = type_name(&name)?;
    check_fields(&state, &fields).await?;
    state.store.set_type(row.id, &name, &fields).await?;
    Ok(Json(fields))
}

/// Removes a type that has no products.
#[utoipa::path(operation_id = "remove_type", params(("handle" = String, Path)), responses((status = 204), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[delete("/types/{handle}")]
pub async fn remove(state: Data<State>, _caller: Caller, handle: Path<String>) -> ApiResult<HttpResponse> {
    let row = type_of(&state, &handle).await?;
    if row.products > 0 {
        return Err(ApiError::refused(format!("“{}” has products", row.kind.name)));
    }
    let mut arrangement = state.store.arrangement().await?;
    for (_, reach) in &mut arrangement.all {
        if let ReachRule::Types { types } = &mut reach.rule {
            types.retain(|named| *named != row.kind.handle);
        }
    }
    state.store.remove_type(row.id, &arrangement).await?;
    Ok(HttpResponse::NoContent().finish())
}
