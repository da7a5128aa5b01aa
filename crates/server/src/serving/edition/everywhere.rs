//! What is the same on every page of the shop: its name and types, its published looks, words and price rules, its own
//! pictures.

use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use compagina_core::catalog::{ProductType, Shop};
use compagina_core::house::House;
use compagina_core::listing::Listings;
use compagina_core::media::ShopMedia;
use compagina_core::price::Prices;
use compagina_core::time::Zone;
use compagina_core::wording::Book;
use compagina_storage::{Document, DocumentName, Store};
use std::sync::Arc;

pub struct Everywhere {
    pub shop: Shop,
    /// The types in which a shopper finds something.
    pub types: Vec<ProductType>,
    pub media: ShopMedia,
    pub house: House,
    pub book: Book,
    pub listings: Listings,
    /// At the moment when they were read.
    pub prices: Prices,
    pub zone: Zone,
}

impl Everywhere {
    pub(super) async fn read(store: &Store) -> ApiResult<Arc<Self>> {
        let (shop, types, media, house, book, listings, prices, zone) = tokio::try_join!(
            store.shop(),
            store.types_on_show(),
            store.shop_media(),
            store.document(DocumentName::House),
            store.document(DocumentName::Wording),
            store.document(DocumentName::Listings),
            store.prices(now()),
            store.zone()
        )?;
        let (house, book): (Document<House>, Document<Book>) = (house, book);
        let listings: Document<Listings> = listings;
        Ok(Arc::new(Self {
            shop: shop.ok_or_else(|| ApiError::no_such("shop"))?,
            types: types.into_iter().map(|(_, kind)| kind).collect(),
            media,
            house: house.published,
            book: book.published,
            listings: listings.published,
            prices,
            zone,
        }))
    }
}
