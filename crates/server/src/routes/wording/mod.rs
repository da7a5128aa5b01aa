//! Wording: every word that a shopper reads, in each language, for the shop and for single templates.

pub mod set;
pub mod show;

use crate::error::ApiResult;
use crate::state::State;
use compagina_core::ids::TemplateId;
use compagina_core::page::Kind;
use compagina_core::wording::{Book, Language, entries, shipped};
use compagina_storage::{Document, DocumentName};
use serde::Serialize;
use utoipa::ToSchema;

#[derive(Serialize, ToSchema)]
pub struct WordingView {
    revision: u64,
    language: Language,
    languages: Vec<LanguageView>,
    /// The template whose own words these are, or none for the whole shop.
    template: Option<TemplateId>,
    words: Vec<WordView>,
    changes_not_live: usize,
    can_undo: bool,
    can_redo: bool,
}

#[derive(Serialize, ToSchema)]
pub struct LanguageView {
    language: Language,
    name: &'static str,
}

/// A word with where it appears.
#[derive(Serialize, ToSchema)]
pub struct WordView {
    key: String,
    /// What is said, in Fluent.
    text: String,
    /// What would be said without the own words.
    under: String,
    place: String,
    kind: Option<Kind>,
    own: bool,
}

async fn view(state: &State, language: Language, template: Option<TemplateId>) -> ApiResult<WordingView> {
    let document: Document<Book> = state.store.document(DocumentName::Wording).await?;
    let book = &document.draft;
    let shipped = shipped(language);
    let words = entries().into_iter().map(|entry| {
        let of_shop = book.text(language, None, &entry.key).filter(|_| template.is_some());
        let under =
            of_shop.map_or_else(|| shipped.get(&entry.key).cloned().unwrap_or(entry.english), str::to_owned);
        let own = book.text(language, template, &entry.key);
        WordView {
            text: own.map_or_else(|| under.clone(), str::to_owned),
            own: own.is_some(),
            under,
            place: entry.place,
            kind: entry.kind,
            key: entry.key,
        }
    });
    Ok(WordingView {
        revision: document.revision,
        language,
        languages: Language::ALL.map(|language| LanguageView { language, name: language.name() }).into(),
        template,
        words: words.collect(),
        changes_not_live: book.differences(&document.published),
        can_undo: document.can_undo,
        can_redo: document.can_redo,
    })
}
