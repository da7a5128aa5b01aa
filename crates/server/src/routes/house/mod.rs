//! The house style: its draft on the house-style view, and what shoppers see.

pub mod keep_look;
pub mod remove_look;
pub mod sample;
pub mod set;
pub mod show;
pub mod text;
pub mod texts;

use crate::error::ApiResult;
use crate::routes::desk::slip::{ShapeView, shape};
use crate::state::State;
use compagina_core::house::{Contrast, House};
use compagina_core::page::{Group, SetValue};
use compagina_storage::{Document, DocumentName};
use serde::Serialize;
use utoipa::ToSchema;

#[derive(Serialize, ToSchema)]
pub struct HouseView {
    revision: u64,
    tokens: Vec<TokenView>,
    contrasts: Vec<Contrast>,
    /// How many tokens shoppers don't see yet as they are here.
    changes_not_live: usize,
    can_undo: bool,
    can_redo: bool,
}

/// Something that can be set in the house style.
#[derive(Serialize, ToSchema)]
pub struct TokenView {
    key: &'static str,
    label: &'static str,
    group: Group,
    shape: ShapeView,
    value: SetValue,
    /// As it ships.
    shipped: SetValue,
    own: bool,
}

async fn view(state: &State) -> ApiResult<HouseView> {
    let document: Document<House> = state.store.document(DocumentName::House).await?;
    let house = &document.draft;
    let token = |token: &&'static compagina_core::page::Setting| TokenView {
        key: token.key,
        label: token.label,
        group: token.group,
        shape: shape(token.shape, house),
        value: house.value(token),
        shipped: token.wide.value(),
        own: house.is_own(token),
    };
    Ok(HouseView {
        revision: document.revision,
        tokens: House::TOKENS.iter().map(token).collect(),
        contrasts: house.contrasts(),
        changes_not_live: house.differences(&document.published),
        can_undo: document.can_undo,
        can_redo: document.can_redo,
    })
}
