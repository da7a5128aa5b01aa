//! In which language a page is read, and whether with the shop's words and looks as they are live or as they are being
//! worked on.

use crate::clock::now;
use crate::error::ApiResult;
use crate::serving::Serving;
use crate::serving::edition::cards::LiveCards;
use crate::serving::edition::everywhere::Everywhere;
use crate::serving::edition::live::Live;
use crate::serving::edition::{everywhere, live};
use actix_web::HttpRequest;
use compagina_core::house::House;
use compagina_core::ids::TemplateId;
use compagina_core::wording::{Book, Language, Words};
use compagina_press::{Nav, NavItem};
use compagina_storage::{Document, DocumentName};
use std::sync::Arc;

pub const LANGUAGE_COOKIE: &str = "language";

/// Which state of the shop's documents a page is made of.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Side {
    Live,
    Draft,
}

/// How a page is read.
#[derive(Debug, Clone)]
pub struct Reading {
    pub language: Language,
    pub side: Side,
    /// The template whose own words count.
    pub template: Option<TemplateId>,
    /// Path and query, to come back to in another language.
    pub here: String,
}

impl Reading {
    /// A shopper's: in the language that was chosen last.
    pub fn of(request: &HttpRequest) -> Self {
        let chosen = request.cookie(LANGUAGE_COOKIE).and_then(|cookie| Language::from_tag(cookie.value()));
        let here = request.uri().path_and_query().map_or("/shop", |p| p.as_str()).to_owned();
        Self { language: chosen.unwrap_or_default(), side: Side::Live, template: None, here }
    }
    /// An owner's, on the desk.
    pub fn draft(template: TemplateId, language: Language) -> Self {
        Self { language, side: Side::Draft, template: Some(template), here: "/shop".into() }
    }
    pub fn under(self, template: TemplateId) -> Self {
        Self { template: Some(template), ..self }
    }
}

/// What surrounds every page.
pub async fn nav(serving: &Serving, reading: &Reading) -> ApiResult<Nav> {
    let (everywhere, live) = (everywhere(serving).await?, live(serving).await?);
    match reading.side {
        Side::Live => Ok(live_nav(serving, (&everywhere, &live), reading)),
        Side::Draft => {
            let (house, book): (Document<House>, Document<Book>) = tokio::try_join!(
                serving.store.document(DocumentName::House),
                serving.store.document(DocumentName::Wording)
            )?;
            Ok(nav_with(serving, (&everywhere, &live), reading, &book.draft, house.draft))
        }
    }
}

/// What surrounds every page as shoppers see it.
pub fn live_nav(serving: &Serving, (everywhere, live): (&Everywhere, &Arc<Live>), reading: &Reading) -> Nav {
    nav_with(serving, (everywhere, live), reading, &everywhere.book, everywhere.house.clone())
}

fn nav_with(
    serving: &Serving,
    (everywhere, live): (&Everywhere, &Arc<Live>),
    reading: &Reading,
    book: &Book,
    house: House,
) -> Nav {
    let mut shop = everywhere.shop.clone();
    shop.locale = reading.language.locale(shop.locale);
    Nav {
        shop,
        items: everywhere.types.iter().cloned().map(NavItem::of).collect(),
        assets: serving.assets.clone(),
        words: words(serving, reading, book),
        house,
        prices: everywhere.prices.at(now()),
        here: reading.here.clone(),
        cards: Arc::new(LiveCards(live.clone())),
    }
}

/// The words of a language as they are being worked on, under a template.
pub async fn words_in(serving: &Serving, template: TemplateId, language: Language) -> ApiResult<Words> {
    let book: Document<Book> = serving.store.document(DocumentName::Wording).await?;
    Ok(words(serving, &Reading::draft(template, language), &book.draft))
}

/// Words are read from their sources once and then kept ready.
fn words(serving: &Serving, reading: &Reading, book: &Book) -> Words {
    let own = book.own(reading.language, reading.template);
    let key = format!("{} {}", reading.language.tag(), serde_json::to_string(&own).unwrap_or_default());
    if let Some(words) = serving.words.get(&key) {
        return words;
    }
    let words = Words::with(reading.language, &own);
    serving.words.insert(key, words.clone());
    words
}
