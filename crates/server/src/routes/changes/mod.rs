//! What changes where, of changes that aren't a template's: the house style, the price rules, one swatch. Every page of
//! the shop is made twice, as it is and as it would be; it changes if something else is seen.

pub mod change;
mod compared;
pub mod house;
pub mod now;
pub mod prices;
pub mod swatch;

use crate::error::ApiResult;
use crate::routes::shop::html;
use crate::serving::known::known;
use crate::state::State;
use crate::visit::Under;
use crate::walk::{ChangedPage, Found, Walk, told};
use actix_web::HttpResponse;
use actix_web::http::StatusCode;
use actix_web::web::Data;
use change::Change;
use compagina_core::ids::Handle;
use compared::Compared;
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

/// How pages change, in sentences.
#[derive(Debug, Clone, PartialEq, Eq, Hash, Serialize, ToSchema)]
pub struct WayTold {
    pub says: Vec<String>,
    /// What is to be mended then that needed no mending before.
    pub mend: Vec<String>,
    /// Whether only another product that stands on the page changes.
    pub near: bool,
}

impl WayTold {
    pub fn of_itself(says: Vec<String>, mend: Vec<String>) -> Self {
        Self { says, mend, near: false }
    }
    fn near() -> Self {
        Self { near: true, ..Self::of_itself(vec!["On the card of another product".into()], vec![]) }
    }
}

/// A part of what changes where: one line of the answer.
#[derive(Serialize, ToSchema)]
pub struct ChangePart {
    /// How many pages have been compared, of how many.
    done: usize,
    of: usize,
    /// Ways in which pages change that no earlier part had; they are counted on through all parts.
    ways: Vec<WayTold>,
    /// The pages that change.
    pages: Vec<ChangedPage>,
}

impl From<Found<WayTold>> for ChangePart {
    fn from(Found { done, of, ways, pages }: Found<WayTold>) -> Self {
        Self { done, of, ways, pages }
    }
}

/// The pages of the whole shop that a change changes.
async fn tell(state: Data<State>, change: Change, under: &Under) -> ApiResult<HttpResponse> {
    let pages = Compared::new(&state, change, under).await?;
    let types = state.store.types().await?;
    let walk = Walk::through(types.iter().filter(|row| row.products > 0).map(|row| row.id));
    Ok(told(state, pages, walk))
}

/// Whose page is wanted.
#[derive(Deserialize, IntoParams)]
pub struct Of {
    product: Handle,
}

/// One product's page after a change, under a visit.
async fn page(state: &State, change: Change, of: &Handle, under: &Under) -> ApiResult<HttpResponse> {
    let product = known(state, of.as_str()).await?.product.clone();
    let page = Compared::new(state, change, under).await?.page_after(&product)?;
    Ok(html(StatusCode::OK, page))
}
