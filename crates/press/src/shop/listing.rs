use super::plain_page;
use crate::card::card;
use crate::document::Nav;
use compagina_core::catalog::{Product, ProductType};
use compagina_core::page::Frame;
use maud::html;

/// Products of one type, as the listing shows them.
pub struct Shelf<'a> {
    pub kind: &'a ProductType,
    pub products: Vec<&'a Product>,
}

/// The listing: of the whole shop, or of one type where only that one is given.
#[must_use]
pub fn listing(nav: &Nav, title: &str, shelves: &[Shelf<'_>]) -> String {
    let one = shelves.len() == 1;
    let body = html! {
        div.columns.listing {
            h1 { (title) }
            @if shelves.iter().all(|s| s.products.is_empty()) { p { (nav.words.say("listing-empty")) } }
            @for shelf in shelves.iter().filter(|s| !s.products.is_empty()) {
                section {
                    @if !one { h2 { a href={ "/shop/types/" (shelf.kind.handle) } { (shelf.kind.name) } } }
                    div.cards { @for product in &shelf.products { (card(nav.dealer(), product, true)) } }
                }
            }
        }
    };
    plain_page(nav, title, Frame::Whole, body)
}
