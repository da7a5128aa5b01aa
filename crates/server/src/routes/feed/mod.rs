//! What owners' open tabs are told as it happens: as a stream, or when they ask.

pub mod since;
pub mod stream;

use crate::error::{ApiError, ApiResult};
use serde::Deserialize;
use utoipa::IntoParams;

#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct After {
    /// This tab, by a name that the browser made up: up to 16 letters and digits.
    tab: String,
    /// The mark of what was told last.
    after: Option<String>,
}

/// A tab's name, if it can be one.
pub fn sound(tab: String) -> ApiResult<String> {
    let is_sound = (1..=16).contains(&tab.len()) && tab.bytes().all(|b| b.is_ascii_alphanumeric());
    if is_sound { Ok(tab) } else { Err(ApiError::refused("a tab is named by up to 16 letters and digits")) }
}
