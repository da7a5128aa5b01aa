//! The shop's pages around the product page: listing, cart, checkout, receipt, and a page for what went wrong.

mod cart;
mod checkout;
mod listing;
mod message;
mod sample;
mod wishes;

pub use cart::{CartLine, CartPage, GoesWith, Gone, cart, side_cart};
pub use checkout::{
    Bought, CheckoutForm, CheckoutPage, FIELDS, Field, PAYMENTS, Paid, Receipt, checkout, receipt,
};
pub use listing::{Leaf, Shelf, listing};
pub use message::message;
pub use sample::sample;
pub use wishes::{WishLine, wishes};

use crate::document::{Head, Nav, document};
use compagina_core::page::Frame;
use maud::Markup;

fn plain_page(nav: &Nav, title: &str, frame: Frame, body: Markup) -> String {
    let head = Head {
        title,
        description: None,
        laid: None,
        preload: None,
        script: Some(&nav.assets.script),
        data: None,
        frame,
        canonical: None,
    };
    document(nav, &head, body).into_string()
}
