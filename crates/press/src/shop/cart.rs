use super::{plain_page, say_hindrance, say_next};
use crate::document::Nav;
use compagina_core::cart::{Line, MOST_OF_ONE};
use compagina_core::media::Picture;
use compagina_core::money::Money;
use compagina_core::page::Frame;
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// A line of the cart with what is needed to show it.
pub struct CartLine<'a> {
    pub id: u64,
    pub name: &'a str,
    /// Back to the page with this choice.
    pub href: String,
    /// `Colour: Ember · Sail: 2.1 m`
    pub choice: String,
    pub picture: Option<&'a Picture>,
    pub line: &'a Line,
}

/// The cart as it stands.
pub struct CartPage<'a> {
    pub lines: Vec<CartLine<'a>>,
    pub total: Money,
    pub stands: bool,
    pub notice: Option<String>,
    /// What was just taken out and can be put back.
    pub gone: Option<Gone>,
}

/// A line that was just taken out.
pub struct Gone {
    pub name: String,
    pub product: String,
    pub sku: String,
    pub quantity: u32,
}

#[must_use]
pub fn cart(nav: &Nav, page: &CartPage<'_>) -> String {
    let title = nav.words.say("cart-title");
    let body = html! { div.columns.till { h1 { (title) } (content(nav, page)) } };
    plain_page(nav, &title, Frame::Whole, body)
}

/// The cart as it opens at the side of a page: without the page around it.
#[must_use]
pub fn side_cart(nav: &Nav, page: &CartPage<'_>) -> String {
    html! { div.till data-close=(nav.words.say("cart-close")) { h2 { (nav.words.say("cart-title")) } (content(nav, page)) } }.into_string()
}

fn content(nav: &Nav, page: &CartPage<'_>) -> Markup {
    let say = |key| nav.words.say(key);
    html! {
        @if let Some(notice) = &page.notice { p.notice role="status" { (notice) } }
        @if let Some(gone) = &page.gone { (put_back(nav, gone)) }
        @if page.lines.is_empty() {
            p { (say("cart-empty")) }
            p { a href="/shop" { (say("cart-look-around")) } }
        } @else {
            ul.cart-lines { @for line in &page.lines { (cart_line(nav, line)) } }
            (sum(nav, page))
        }
    }
}

fn put_back(nav: &Nav, gone: &Gone) -> Markup {
    html! {
        form.notice role="status" method="post" action="/shop/cart/back" {
            span { (nav.words.say_with("cart-gone", &[("name", Arg::Text(&gone.name))])) }
            input type="hidden" name="product" value=(gone.product);
            input type="hidden" name="sku" value=(gone.sku);
            input type="hidden" name="quantity" value=(gone.quantity);
            button.plain { (nav.words.say("cart-put-back")) }
        }
    }
}

fn sum(nav: &Nav, page: &CartPage<'_>) -> Markup {
    let say = |key| nav.words.say(key);
    html! {
        div.cart-sum {
            p { span { (say("cart-total")) } strong { (page.total.format(nav.shop.locale)) } }
            @if page.stands { a.buy href="/shop/checkout" { (say("cart-checkout")) } }
            @else {
                p.problem { (say("cart-changed")) }
                form method="post" action="/shop/cart/accept" { button.buy { (say("cart-accept")) } }
            }
        }
    }
}

fn cart_line(nav: &Nav, line: &CartLine<'_>) -> Markup {
    let quote = &line.line.quote;
    let money = |m: Money| m.format(nav.shop.locale);
    let (words, name) = (&nav.words, [("name", Arg::Text(line.name))]);
    html! {
        li.cart-line {
            a.cart-picture href=(line.href) tabindex="-1" aria-hidden="true" {
                @if let Some(picture) = line.picture { (crate::image::thumb(picture)) }
            }
            div.cart-what {
                a href=(line.href) { (line.name) }
                @if !line.choice.is_empty() { span.soft { (line.choice) } }
                @if let Some(was) = line.line.was {
                    span.problem { (words.say_with("cart-price-changed", &[("was", Arg::Text(&money(was))), ("now", Arg::Text(&money(quote.unit)))])) }
                }
                @if let Some(next) = line.line.next { span.soft { (say_next(words, nav.shop.locale, next)) } }
                @if let Some(hindrance) = &line.line.hindrance { span.problem { (say_hindrance(words, hindrance)) } }
            }
            form.cart-quantity method="post" action="/shop/cart/set" {
                input type="hidden" name="line" value=(line.id);
                label { span.unseen { (words.say_with("cart-quantity-of", &name)) } input type="number" name="quantity" min="0" max=(MOST_OF_ONE) value=(quote.quantity) inputmode="numeric"; }
                button.plain { (words.say("cart-change")) }
                button.plain name="remove" value="1" aria-label=(words.say_with("cart-take-out-of", &name)) { (words.say("cart-take-out")) }
            }
            span.cart-unit.soft { @if let Some(old) = quote.old { s { (money(old)) } " " } (words.say_with("cart-each", &[("amount", Arg::Text(&money(quote.unit)))])) }
            strong.cart-price { (money(quote.line)) }
        }
    }
}
