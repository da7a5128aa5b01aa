use super::plain_page;
use crate::amount::amount;
use crate::document::Nav;
use compagina_core::catalog::Product;
use compagina_core::choice::Selection;
use compagina_core::media::Picture;
use compagina_core::page::Frame;
use compagina_core::price::{PriceTag, Surface};
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// Something that a shopper keeps for later.
pub struct WishLine<'a> {
    /// The product.
    pub product: &'a Product,
    /// Back to the page with this choice.
    pub href: String,
    /// `Colour: Ember · Sail: 2.1 m`
    pub choice: String,
    /// What is chosen.
    pub selection: Selection,
    /// Its picture.
    pub picture: Option<&'a Picture>,
}

/// The page of what is kept for later.
#[must_use]
pub fn wishes(nav: &Nav, lines: &[WishLine<'_>]) -> String {
    let title = nav.words.say("wish-title");
    let body = html! {
        div.columns.till {
            h1 { (title) }
            @if lines.is_empty() {
                p { (nav.words.say("wish-empty")) }
                p { a href="/shop" { (nav.words.say("cart-look-around")) } }
            } @else { ul.cart-lines { @for line in lines { (wish(nav, line)) } } }
        }
    };
    plain_page(nav, &title, Frame::Whole, body)
}

fn wish(nav: &Nav, line: &WishLine<'_>) -> Markup {
    let WishLine { product, href, choice, selection, picture } = line;
    let words = &nav.words;
    let first = product.terms.first();
    let offer = nav.prices.offer(product, selection, first, Surface::Page).ok();
    let money = |m| amount(&nav.shop, &nav.prices, product, m);
    let ready = offer.as_ref().is_some_and(|offer| offer.hindrance.is_none());
    let needs_words = product.terms.text.as_ref().is_some_and(|text| text.needed);
    let name = [("name", Arg::Text(product.name.as_str()))];
    html! {
        li.cart-line.wish-line {
            a.cart-picture href=(href) tabindex="-1" aria-hidden="true" {
                @if let Some(picture) = picture { (crate::image::thumb(picture)) }
            }
            div.cart-what {
                a href=(href) { (product.name) }
                @if !choice.is_empty() { span.soft { (choice) } }
                @if let Some(why) = offer.as_ref().and_then(|offer| offer.hindrance.as_ref()) {
                    span.problem { (crate::say::say_hindrance(words, why)) }
                }
            }
            strong.cart-price {
                @match offer.as_ref().map(|offer| offer.tag) {
                    Some(PriceTag::Exact(quote)) => { (money(quote.unit)) @if let Some(old) = quote.old { " " s.soft { (money(old)) } } }
                    Some(PriceTag::Span { from, .. }) => { (words.say_with("card-from", &[("amount", Arg::Text(&money(from)))])) }
                    Some(PriceTag::None) | None => {}
                }
            }
            div.wish-acts {
                @if ready && !needs_words {
                    form method="post" action="/shop/cart" {
                        input type="hidden" name="product" value=(product.handle);
                        input type="hidden" name="quantity" value=(first);
                        @for (option, value) in selection.chosen() {
                            @if let Some(uses) = product.options.get(option) {
                                input type="hidden" name=(uses.handle) value=[uses.values.get(usize::from(value)).map(|v| &v.handle)];
                            }
                        }
                        button.buy { (words.say("wish-to-cart")) }
                    }
                } @else { a.plain href=(href) { (words.say("wish-to-page")) } }
                form method="post" action="/shop/wishes" {
                    input type="hidden" name="product" value=(product.handle);
                    button.plain name="drop" value="1" aria-label=(words.say_with("wish-drop-of", &name)) { (words.say("wish-drop")) }
                }
            }
        }
    }
}
