use super::plain_page;
use crate::document::Nav;
use compagina_core::page::Frame;
use maud::html;

/// A page that says what happened and where to go.
#[must_use]
pub fn message(nav: &Nav, title: &str, text: &str) -> String {
    let body = html! {
        div.columns.till {
            h1 { (title) }
            p { (text) }
            p { a href="/shop" { (nav.words.say("message-to-shop")) } }
        }
    };
    plain_page(nav, title, Frame::Whole, body)
}
