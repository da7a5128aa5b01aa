//! What columns hold, read.

use crate::{Result, StorageError};
use compagina_core::catalog::{ProductState, Way};
use compagina_core::ids::Handle;

pub(crate) fn way(text: &str) -> Result<Way> {
    Way::try_from(text).map_err(|e| StorageError::damaged("way")(&e))
}

pub(crate) fn handle(text: String) -> Result<Handle> {
    Handle::try_from(text).map_err(|e| StorageError::damaged("handle")(&e))
}

pub(crate) fn product_state(text: String) -> Result<ProductState> {
    serde_json::from_value(text.into()).map_err(|e| StorageError::damaged("product")(&e))
}
