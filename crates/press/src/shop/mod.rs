//! The shop's pages around the product page: listing, cart, checkout, receipt, and a page for what went wrong.

mod cart;
mod checkout;
mod listing;
mod message;
mod sample;
mod sift;
mod wishes;

pub use cart::{CartLine, CartPage, GoesWith, Gone, cart, side_cart};
pub use checkout::{
    Bought, CheckoutForm, CheckoutPage, FIELDS, Field, PAYMENTS, Paid, Receipt, checkout, receipt,
};
pub(crate) use listing::looked_at;
pub use listing::{Leaf, Listing, Shelf, listing};
pub use message::message;
pub use sample::sample;
pub use sift::{Sift, tag_path};
pub use wishes::{WishLine, wishes};

use crate::deck::Deck;
use crate::document::{Head, Nav, document};
use crate::piece::card::css;
use compagina_core::page::Frame;
use maud::Markup;

fn plain_page(nav: &Nav, title: &str, frame: Frame, body: Markup) -> String {
    document(nav, &head(nav, title, frame, None), body).into_string()
}

/// A page on which cards stand.
fn with_cards(nav: &Nav, title: &str, about: Option<&str>, body: Markup, deck: &Deck) -> String {
    let laid = css(deck, &nav.words, &nav.house);
    let head = Head { description: about, ..head(nav, title, Frame::Whole, Some(&laid)) };
    document(nav, &head, body).into_string()
}

fn head<'a>(nav: &'a Nav, title: &'a str, frame: Frame, laid: Option<&'a str>) -> Head<'a> {
    Head {
        title,
        description: None,
        laid,
        preload: None,
        script: Some(&nav.assets.script),
        data: None,
        frame,
    }
}
