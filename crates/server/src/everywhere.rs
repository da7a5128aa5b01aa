//! What is the same on every page of the shop: its name and types, its published looks, words and price rules, its own
//! pictures. Read once and kept until anything changes, here or in another process.

use crate::error::{ApiError, ApiResult};
use crate::reading::now;
use crate::state::State;
use compagina_core::catalog::Shop;
use compagina_core::media::ShopMedia;
use compagina_core::price::{Prices, Zone};
use compagina_core::style::House;
use compagina_core::wording::Book;
use compagina_press::NavItem;
use compagina_storage::{Document, DocumentName};
use std::sync::Arc;

pub struct Everywhere {
    pub shop: Shop,
    /// The types in which a shopper finds something.
    pub items: Vec<NavItem>,
    pub media: ShopMedia,
    pub house: House,
    pub book: Book,
    /// At the moment when they were read.
    pub prices: Prices,
    pub zone: Zone,
    /// As told by [`crate::pages::Pages::age`].
    pub age: u64,
}

pub async fn everywhere(state: &State) -> ApiResult<Arc<Everywhere>> {
    let age = state.pages.age();
    if let Some(kept) = state.serving.everywhere().filter(|kept| kept.age == age) {
        return Ok(kept);
    }
    let store = &state.store;
    let (shop, types, media, house, book, prices, zone) = tokio::try_join!(
        store.shop(),
        store.types_on_show(),
        store.shop_media(),
        store.document(DocumentName::House),
        store.document(DocumentName::Wording),
        store.prices(now()),
        store.zone()
    )?;
    let (house, book): (Document<House>, Document<Book>) = (house, book);
    let read = Arc::new(Everywhere {
        shop: shop.ok_or_else(|| ApiError::no_such("shop"))?,
        items: types.into_iter().map(|(_, kind)| NavItem::of(kind)).collect(),
        media,
        house: house.published,
        book: book.published,
        prices,
        zone,
        age,
    });
    state.serving.keep_everywhere(read.clone());
    Ok(read)
}
