//! What owners did to the catalogue: told, taken back, made again.

pub mod back;
pub mod show;

use crate::error::{ApiError, ApiResult};
use crate::routes::picture::Home;
use crate::state::State;
use compagina_core::catalog::journal::{Area, Subject};
use serde::Deserialize;
use utoipa::{IntoParams, ToSchema};

/// Whose journal.
#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct Of {
    /// A product, by its handle; none for what belongs to no product.
    product: Option<String>,
    /// What is worked on; none for all of a product.
    #[param(inline)]
    view: Option<View>,
}

/// A view in which an owner works on the catalogue.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum View {
    Texts,
    Variants,
    /// Of a product, or of the shop.
    Pictures,
    Book,
    Shelf,
}

/// What a journal is about.
pub async fn subject_of(state: &State, of: &Of) -> ApiResult<Subject> {
    let home = Home::find(state, of.product.as_deref()).await?;
    let id = home.product().map(|product| product.id);
    match (id, of.view) {
        (Some(id), None) => Ok(Subject::Product(id)),
        (Some(id), Some(View::Texts)) => Ok(Subject::Within(id, Area::Texts)),
        (Some(id), Some(View::Variants)) => Ok(Subject::Within(id, Area::Variants)),
        (Some(id), Some(View::Pictures)) => Ok(Subject::Within(id, Area::Pictures)),
        (None, Some(View::Pictures)) => Ok(Subject::ShopPictures),
        (None, Some(View::Book)) => Ok(Subject::Book),
        (None, Some(View::Shelf)) => Ok(Subject::Shelf),
        _ => Err(ApiError::unreadable("there is no such journal")),
    }
}
