//! The shop's pages around the product page: listing, cart, checkout, receipt, and a page for what went wrong.

mod cart;
mod checkout;
mod listing;
mod message;

pub use cart::{CartLine, CartPage, cart};
pub use checkout::{CheckoutForm, CheckoutPage, FIELDS, Field, PAYMENTS, Receipt, checkout, receipt};
pub use listing::{Shelf, listing};
pub use message::message;

use crate::document::{Head, Nav, document};
use compagina_core::page::Frame;
use compagina_core::price::Hindrance;
use maud::Markup;

fn plain_page(nav: &Nav, title: &str, frame: Frame, body: Markup) -> String {
    let head = Head {
        title,
        description: None,
        css: "",
        script: &nav.assets.script,
        data: None,
        frame,
        canonical: None,
    };
    document(nav, &head, body).into_string()
}

/// Why a shopper can't have something, as a sentence.
#[must_use]
pub fn say_hindrance(hindrance: &Hindrance) -> String {
    match hindrance {
        Hindrance::ComingSoon => "This isn't sold yet.".into(),
        Hindrance::Withdrawn => "This is no longer sold.".into(),
        Hindrance::ChooseFirst(_) => "Please make your choice first.".into(),
        Hindrance::NotMade => "This isn't made in that choice.".into(),
        Hindrance::SoldOut => "This choice is sold out.".into(),
        Hindrance::OnlyLeft(1) => "There is only 1 left.".into(),
        Hindrance::OnlyLeft(left) => format!("There are only {left} left."),
        Hindrance::MostPerOrder(most) => format!("One order can hold {most} of these."),
    }
}
