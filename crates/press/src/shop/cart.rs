use super::{plain_page, say_hindrance};
use crate::document::Nav;
use compagina_core::cart::{Line, MOST_OF_ONE};
use compagina_core::media::Picture;
use compagina_core::money::Money;
use compagina_core::page::Frame;
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
}

#[must_use]
pub fn cart(nav: &Nav, page: &CartPage<'_>) -> String {
    let body = html! {
        div.columns.till {
            h1 { "Cart" }
            @if let Some(notice) = &page.notice { p.notice role="status" { (notice) } }
            @if page.lines.is_empty() {
                p { "Your cart is empty." }
                p { a href="/shop" { "Look around the shop" } }
            } @else {
                ul.cart-lines { @for line in &page.lines { (cart_line(nav, line)) } }
                (sum(nav, page))
            }
        }
    };
    plain_page(nav, "Cart", Frame::Whole, body)
}

fn sum(nav: &Nav, page: &CartPage<'_>) -> Markup {
    html! {
        div.cart-sum {
            p { span { "Total, with VAT" } strong { (page.total.format(nav.shop.locale)) } }
            @if page.stands { a.buy href="/shop/checkout" { "To the checkout" } }
            @else {
                p.problem { "Something changed since you filled the cart. Look at the marked lines; then go on." }
                form method="post" action="/shop/cart/accept" { button.buy { "Take the cart as it is now" } }
            }
        }
    }
}

fn cart_line(nav: &Nav, line: &CartLine<'_>) -> Markup {
    let quote = &line.line.quote;
    let money = |m: Money| m.format(nav.shop.locale);
    html! {
        li.cart-line {
            a.cart-picture href=(line.href) tabindex="-1" aria-hidden="true" {
                @if let Some(picture) = line.picture { (crate::piece::gallery::thumb(picture)) }
            }
            div.cart-what {
                a href=(line.href) { (line.name) }
                @if !line.choice.is_empty() { span.soft { (line.choice) } }
                @if let Some(was) = line.line.was {
                    span.problem { "The price changed: it was " (money(was)) ", now it is " (money(quote.unit)) "." }
                }
                @if let Some(hindrance) = &line.line.hindrance { span.problem { (say_hindrance(hindrance)) } }
            }
            form.cart-quantity method="post" action="/shop/cart/set" {
                input type="hidden" name="line" value=(line.id);
                label { span.unseen { "Quantity of " (line.name) } input type="number" name="quantity" min="0" max=(MOST_OF_ONE) value=(quote.quantity) inputmode="numeric"; }
                button.plain { "Change" }
                button.plain name="remove" value="1" aria-label={ "Take " (line.name) " out" } { "Take out" }
            }
            span.cart-unit.soft { (money(quote.unit)) " each" }
            strong.cart-price { (money(quote.line)) }
        }
    }
}
