//! The HTML document around a page: head, the shop's frame, footer.

use crate::ctx::Dealer;
use crate::deck::{Cards, Deck, Lead};
use crate::escape::encoded;
use crate::font;
use crate::house;
use compagina_core::catalog::{ProductType, Shop};
use compagina_core::house::House;
use compagina_core::page::Frame;
use compagina_core::price::Prices;
use compagina_core::wording::{Language, Words};
use maud::{DOCTYPE, Markup, PreEscaped, html};
use std::sync::Arc;

/// Addresses of the files that every page needs.
#[derive(Debug, Clone)]
pub struct Assets {
    /// The address of the styles.
    pub style: String,
    /// The address of the script.
    pub script: String,
    /// The script that a product's page takes besides.
    pub product: String,
    /// The script that a proof carries: reports boxes and clicks to the desk.
    pub agent: String,
    /// Font files for Latin letters, each by the name that its address has.
    pub fonts: Vec<String>,
}

/// A step of the shop's navigation.
#[derive(Debug, Clone)]
pub struct NavItem {
    /// Its name.
    pub name: String,
    /// Where it leads.
    pub href: String,
}

impl NavItem {
    /// The step that leads to a type's listing.
    #[must_use]
    pub fn of(kind: ProductType) -> Self {
        Self { href: format!("/shop/types/{}", kind.handle), name: kind.name }
    }
}

/// What the shop's frame holds on every page.
#[derive(Debug, Clone)]
pub struct Nav {
    /// With the locale of the language in which the page is read.
    pub shop: Shop,
    /// Its entries, in their order.
    pub items: Vec<NavItem>,
    /// Addresses of styles and scripts.
    pub assets: Assets,
    /// The words that it speaks.
    pub words: Words,
    /// The house style.
    pub house: House,
    /// The price rules in force.
    pub prices: Prices,
    /// The page's own path and query, to come back to in another language.
    pub here: String,
    /// Which card each product has.
    pub cards: Arc<dyn Cards>,
}

impl Nav {
    /// What the cards of a document are drawn with.
    pub(crate) fn dealer<'a>(&'a self, deck: &'a Deck, lead: Option<&'a Lead>) -> Dealer<'a> {
        let Self { shop, words, house, prices, here, .. } = self;
        Dealer { shop, words, house, prices, cards: self.cards.as_ref(), deck, here, lead, sets: None }
    }
}

/// What a document needs besides its body.
pub(crate) struct Head<'a> {
    pub title: &'a str,
    pub description: Option<&'a str>,
    pub preload: Option<Markup>,
    /// What the pieces and bands of a product's page are set to.
    pub laid: Option<&'a str>,
    pub script: Option<&'a str>,
    pub data: Option<&'a str>,
    pub frame: Frame,
}

/// Wraps a body into a whole document.
pub(crate) fn document(nav: &Nav, head: &Head<'_>, body: Markup) -> Markup {
    html! {
        (DOCTYPE)
        html lang=(nav.shop.locale.tag()) {
            head {
                meta charset="utf-8";
                meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover, interactive-widget=resizes-content";
                title { (head.title) " · " (nav.shop.name) }
                @if let Some(text) = head.description { meta name="description" content=(text); }
                @if let Some(link) = &head.preload { (link) }
                // On their way before the style sheet asks for them, so that little moves when they arrive.
                @for href in font::fonts(&nav.house, &nav.assets.fonts) { link rel="preload" as="font" type="font/woff2" href=(href) crossorigin; }
                link rel="stylesheet" href=(nav.assets.style);
                style #house { (PreEscaped(house::css(&nav.house))) }
                @if let Some(css) = head.laid { style #laid { (PreEscaped(css)) } }
                @if let Some(json) = head.data { script type="application/json" id="offers" { (PreEscaped(json)) } }
                @if let Some(src) = head.script { script type="module" src=(src) {} }
            }
            body {
                a.skip href="#content" { (nav.words.say("to-content")) }
                (top(nav, head.frame))
                main #content { (body) }
                @if head.frame == Frame::Whole { (foot(nav)) }
            }
        }
    }
}

fn top(nav: &Nav, frame: Frame) -> Markup {
    html! {
        @if frame != Frame::None {
            header.top {
                a.shop-name href="/shop" { (nav.shop.name) }
                @if frame == Frame::Whole {
                    nav aria-label=(nav.words.say("nav-shop")) {
                        @for item in &nav.items { a href=(item.href) { (item.name) } }
                    }
                }
                @if frame == Frame::Whole { a.search-link href="/shop/search" { (nav.words.say("listing-search")) } }
                // Shown by the script once something is kept; without one the page tells the way.
                a.wish-link href="/shop/wishes" data-wish-link hidden { (nav.words.say("wish-link")) span data-wish-count {} }
                a.cart-link href="/shop/cart" { (nav.words.say("cart-link")) span data-cart-count {} }
            }
        }
    }
}

fn foot(nav: &Nav) -> Markup {
    html! {
        footer.foot {
            span { (nav.shop.name) }
            nav aria-label=(nav.words.say("nav-foot")) {
                @for item in &nav.items { a href=(item.href) { (item.name) } }
            }
            (languages(nav))
        }
    }
}

/// The same page in the shop's other languages. Plain links, so that it works without script.
fn languages(nav: &Nav) -> Markup {
    html! {
        nav.languages aria-label=(nav.words.say("language")) {
            @for language in Language::ALL {
                @if language == nav.words.language { span lang=(language.tag()) aria-current="true" { (language.name()) } }
                @else {
                    a href={ "/shop/language/" (language.tag()) "?to=" (encoded(&nav.here)) } lang=(language.tag()) hreflang=(language.tag()) rel="nofollow" { (language.name()) }
                }
            }
        }
    }
}
