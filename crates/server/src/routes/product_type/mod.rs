//! Product types: what their products have, told before there are any.

pub mod add;
pub mod change;
pub mod fields;

use crate::error::{ApiError, ApiResult};
use crate::names::one_line;
use crate::state::State;
use compagina_core::catalog::TypeFields;
use compagina_core::ids::Handle;
use compagina_storage::TypeRow;

const LONGEST_NAME: usize = 120;

/// The type that an address names.
pub async fn type_of(state: &State, handle: &str) -> ApiResult<TypeRow> {
    let types = state.store.types().await?;
    let row = types.into_iter().find(|row| row.kind.handle.as_str() == handle);
    row.ok_or_else(|| ApiError::no_such("product type"))
}

fn type_name(text: &str) -> ApiResult<String> {
    let name = one_line("a type's name", text, LONGEST_NAME).map(str::to_owned)?;
    if name.is_empty() { Err(ApiError::refused("a type needs a name")) } else { Ok(name) }
}

/// Fields that can be kept: sound, and with options that the whole shop has.
async fn check_fields(state: &State, fields: &TypeFields) -> ApiResult<()> {
    fields.check()?;
    let book = state.store.swatch_book().await?;
    let is_there =
        |handle: &Handle| book.iter().any(|option| option.handle == *handle && option.of_product.is_none());
    match fields.options.iter().find(|handle| !is_there(handle)) {
        Some(missing) => Err(ApiError::refused(format!("the swatch book has no option “{missing}”"))),
        None => Ok(()),
    }
}
