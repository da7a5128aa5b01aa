use super::plain_page;
use crate::card::card;
use crate::document::Nav;
use compagina_core::catalog::{Product, ProductType};
use compagina_core::page::Frame;
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// Products of one type, as the listing shows them.
pub struct Shelf<'a> {
    /// The type.
    pub kind: &'a ProductType,
    /// Those that are shown.
    pub products: Vec<&'a Product>,
}

/// A page of a long listing.
#[derive(Debug, Clone, Copy)]
pub struct Leaf {
    /// Counted from 1.
    pub number: u32,
    /// Whether more follow.
    pub more: bool,
}

/// The listing: of the whole shop, or of one type where only that one is given.
#[must_use]
pub fn listing(nav: &Nav, title: &str, shelves: &[Shelf<'_>], leaf: Option<Leaf>) -> String {
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
            @if let Some(leaf) = leaf.filter(|leaf| leaf.number > 1 || leaf.more) { (leaves(nav, leaf)) }
        }
    };
    plain_page(nav, title, Frame::Whole, body)
}

/// The ways to the page before and the page after.
fn leaves(nav: &Nav, Leaf { number, more }: Leaf) -> Markup {
    let to = |number: u32| format!("?page={number}");
    html! {
        nav.leaves aria-label=(nav.words.say("listing-pages")) {
            @if number > 1 { a rel="prev" href=(to(number - 1)) { (nav.words.say("listing-before")) } }
            span { (nav.words.say_with("listing-page", &[("number", Arg::Number(number))])) }
            @if more { a rel="next" href=(to(number + 1)) { (nav.words.say("listing-next")) } }
        }
    }
}
