//! Whatever has a draft: steps taken back, published at once or at a time, taken back, what was published before. The same
//! for templates, house style, wording, price rules and listings.

pub mod history;
pub mod plan;
pub mod publish;

use crate::error::{ApiError, ApiResult};
use crate::names;
use crate::state::State;
use chrono::{DateTime, Utc};
use compagina_core::house::House;
use compagina_core::listing::Listings;
use compagina_core::page::Layout;
use compagina_core::price::PriceBook;
use compagina_core::time::{Local, Moment};
use compagina_core::wording::Book;
use compagina_storage::{Document, DocumentName, DraftId};
use serde::Serialize;
use serde::de::DeserializeOwned;
use utoipa::ToSchema;

const MOST_CHARACTERS: usize = 120;

/// A draft as far as all drafts are alike.
#[derive(Serialize, ToSchema)]
pub struct DraftState {
    revision: u64,
    can_undo: bool,
    can_redo: bool,
    /// Whether shoppers see something else.
    differs: bool,
    planned: Option<Planned>,
    /// The newest first.
    publications: Vec<Published>,
}

/// A publication that is planned.
#[derive(Serialize, ToSchema)]
pub struct Planned {
    /// On the shop's clocks.
    pub at: Local,
    pub name: String,
    /// The draft as it was then is published, whatever is changed on it later.
    pub revision: u64,
}

/// What was published.
#[derive(Serialize, ToSchema)]
pub struct Published {
    id: u64,
    /// Empty where it got none.
    name: String,
    who: Option<String>,
    at: DateTime<Utc>,
}

/// The draft that an address names.
pub fn draft_of(text: &str) -> ApiResult<DraftId> {
    DraftId::read(text).ok_or_else(|| ApiError::no_such("draft"))
}

pub async fn state_of(state: &State, draft: DraftId) -> ApiResult<DraftState> {
    let planned = planned(state, draft).await?;
    let published = |row: compagina_storage::PublicationRow| Published {
        id: row.id,
        name: row.name,
        who: row.who,
        at: row.at,
    };
    let publications = state.store.publications(draft).await?.into_iter().map(published).collect();
    let (revision, can_undo, can_redo, differs) = match draft {
        DraftId::Template(id) => {
            let (template, history) = (state.store.template(id).await?, state.store.history(id).await?);
            let differs = template.published.as_ref() != Some(&template.draft);
            (template.revision, history.undo > 0, history.redo > 0, differs)
        }
        DraftId::Shop(name) => match name {
            DocumentName::House => facts(&state.store.document::<House>(name).await?),
            DocumentName::Wording => facts(&state.store.document::<Book>(name).await?),
            DocumentName::Listings => facts(&state.store.document::<Listings>(name).await?),
            DocumentName::Prices => facts(&state.store.document::<PriceBook>(name).await?),
        },
    };
    Ok(DraftState { revision, can_undo, can_redo, differs, planned, publications })
}

fn facts<T: PartialEq>(document: &Document<T>) -> (u64, bool, bool, bool) {
    (document.revision, document.can_undo, document.can_redo, document.draft != document.published)
}

pub async fn planned(state: &State, draft: DraftId) -> ApiResult<Option<Planned>> {
    let Some(row) = state.store.planned_publication(draft).await? else { return Ok(None) };
    let at = state.store.zone().await?.local(Moment(row.at.timestamp()));
    Ok(Some(Planned { at, name: row.name, revision: row.revision }))
}

fn publication_name(name: Option<&str>) -> ApiResult<&str> {
    names::one_line("a publication's name", name.unwrap_or_default(), MOST_CHARACTERS)
}

/// Puts what was published before in the place of the draft: one step, which can be undone.
async fn bring_back(
    state: &State,
    draft: DraftId,
    owner: u64,
    revision: u64,
    publication: u64,
) -> ApiResult<()> {
    let document = state.store.publication(draft, publication).await?;
    match draft {
        DraftId::Template(id) => {
            let layout: Layout = read(document)?;
            let change = compagina_storage::Change::Edit(compagina_core::page::Op::Lay { layout });
            state.store.change_draft(id, owner, revision, change).await?;
        }
        DraftId::Shop(name) => match name {
            DocumentName::House => {
                state.store.set_document(name, owner, revision, &read::<House>(document)?).await?;
            }
            DocumentName::Wording => {
                state.store.set_document(name, owner, revision, &read::<Book>(document)?).await?;
            }
            DocumentName::Listings => {
                state.store.set_document(name, owner, revision, &read::<Listings>(document)?).await?;
            }
            DocumentName::Prices => {
                state.store.set_document(name, owner, revision, &read::<PriceBook>(document)?).await?;
            }
        },
    }
    Ok(())
}

/// Earlier versions may have kept what today's no longer understands.
fn read<T: DeserializeOwned>(document: serde_json::Value) -> ApiResult<T> {
    serde_json::from_value(document).map_err(|_| {
        ApiError::refused("this was published by an earlier version that kept it in another way")
    })
}
