use super::with_cards;
use crate::amount::{amount, plan_words, whole};
use crate::ctx::Dealer;
use crate::deck::{Deck, Lead};
use crate::document::Nav;
use crate::piece::card::{card, css};
use crate::say::{say_hindrance, say_next};
use compagina_core::cart::{Line, MOST_OF_ONE};
use compagina_core::catalog::Product;
use compagina_core::media::Picture;
use compagina_core::money::Money;
use compagina_core::price::{Prices, VatShown};
use compagina_core::template::CardPlace;
use compagina_core::wording::Arg;
use maud::{Markup, PreEscaped, html};

/// A line of the cart with what is needed to show it.
pub struct CartLine<'a> {
    /// Its number.
    pub id: u64,
    /// What it is called.
    pub name: &'a str,
    /// Back to the page with this choice.
    pub href: String,
    /// `Colour: Ember · Sail: 2.1 m`
    pub choice: String,
    /// Its picture.
    pub picture: Option<&'a Picture>,
    /// The product.
    pub product: &'a Product,
    /// What it comes to.
    pub line: &'a Line,
    /// What is written onto it.
    pub text: Option<&'a str>,
}

/// The cart as it stands.
pub struct CartPage<'a> {
    /// Its lines, in their order.
    pub lines: Vec<CartLine<'a>>,
    /// What all of it comes to.
    pub total: Money,
    /// The tax in it.
    pub vat: Money,
    /// The shop's prices for this cart.
    pub prices: &'a Prices,
    /// What goes with what is in it.
    pub goes_with: Vec<GoesWith<'a>>,
    /// The card among them on which something is still to be chosen.
    pub lead: Option<&'a Lead>,
    /// Whether it can be sold as it was seen.
    pub stands: bool,
    /// What is told on top of it.
    pub notice: Option<String>,
    /// What was just taken out and can be put back.
    pub gone: Option<Gone>,
}

/// Something that is offered for less with what is in the cart.
pub struct GoesWith<'a> {
    /// The product.
    pub product: &'a Product,
    /// Its picture.
    pub picture: Option<&'a Picture>,
    /// The least for which it can be had.
    pub unit: Money,
    /// What it cost before.
    pub old: Option<Money>,
    /// Where only one choice can be made of it: its SKU.
    pub sku: Option<&'a str>,
}

/// A line that was just taken out.
pub struct Gone {
    /// Its name.
    pub name: String,
    /// Its handle.
    pub product: String,
    /// Its SKU.
    pub sku: String,
    /// How many pieces.
    pub quantity: u32,
    /// The number of its plan, 0 for none, and what was written onto it.
    pub plan: u64,
    /// What is written onto it.
    pub text: String,
}

/// The page of a cart.
#[must_use]
pub fn cart(nav: &Nav, page: &CartPage<'_>) -> String {
    let title = nav.words.say("cart-title");
    let deck = Deck::default();
    let body = html! { div.columns.till { h1 { (title) } (content(nav, page, &deck)) } };
    with_cards(nav, &title, None, body, &deck)
}

/// The cart as it opens at the side of a page: without the page around it.
#[must_use]
pub fn side_cart(nav: &Nav, page: &CartPage<'_>) -> String {
    let deck = Deck::aside();
    let content = content(nav, page, &deck);
    let laid = css(&deck, &nav.words, &nav.house);
    html! {
        div.till data-close=(nav.words.say("cart-close")) {
            @if !laid.is_empty() { style { (PreEscaped(laid)) } }
            h2 { (nav.words.say("cart-title")) }
            (content)
        }
    }
    .into_string()
}

fn content(nav: &Nav, page: &CartPage<'_>, deck: &Deck) -> Markup {
    let say = |key| nav.words.say(key);
    html! {
        @if let Some(notice) = &page.notice { p.notice role="status" { (notice) } }
        @if let Some(gone) = &page.gone { (put_back(nav, gone)) }
        @if page.lines.is_empty() {
            p { (say("cart-empty")) }
            p { a href="/shop" { (say("cart-look-around")) } }
        } @else {
            ul.cart-lines { @for line in &page.lines { (cart_line(nav, page.prices, line)) } }
            (goes_with(nav, page, deck))
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
            @if gone.plan > 0 { input type="hidden" name="plan" value=(gone.plan); }
            @if !gone.text.is_empty() { input type="hidden" name="text" value=(gone.text); }
            button.plain { (nav.words.say("cart-put-back")) }
        }
    }
}

fn sum(nav: &Nav, page: &CartPage<'_>) -> Markup {
    let say = |key| nav.words.say(key);
    html! {
        div.cart-sum {
            (total_rows(nav, page.prices, page.total, page.vat))
            @if page.stands { a.buy href="/shop/checkout" { (say("cart-checkout")) } }
            @else {
                p.problem { (say("cart-changed")) }
                form method="post" action="/shop/cart/accept" { button.buy { (say("cart-accept")) } }
            }
        }
    }
}

/// The total and the tax: in it, or on top of it, as the shop shows its prices.
pub(super) fn total_rows(nav: &Nav, prices: &Prices, total: Money, vat: Money) -> Markup {
    let say = |key| nav.words.say(key);
    let money = |amount| whole(&nav.shop, prices, amount);
    let before = Money::new(total.minor - vat.minor, total.currency);
    html! {
        @if vat.minor > 0 && prices.book().vat.shown == VatShown::Without {
            p.soft { span { (say("cart-before-vat")) } span { (money(before)) } }
            p.soft { span { (say("cart-vat")) } span { (money(vat)) } }
            p { span { (say("cart-to-pay")) } strong { (money(total)) } }
        } @else {
            p { span { (say("cart-total")) } strong { (money(total)) } }
            @if vat.minor > 0 { p.soft { span { (say("cart-vat-in-it")) } span { (money(vat)) } } }
        }
    }
}

/// What goes with the cart for less: on its card where one was composed for that; otherwise a line, with one click where
/// there is nothing to choose.
fn goes_with(nav: &Nav, page: &CartPage<'_>, deck: &Deck) -> Markup {
    let dealer = Dealer { prices: page.prices, here: "/shop/cart", ..nav.dealer(deck, page.lead) };
    let (on_cards, plain): (Vec<_>, Vec<_>) =
        page.goes_with.iter().partition(|one| nav.cards.composed(one.product, CardPlace::Cart).is_some());
    let offer = |one: &GoesWith<'_>| {
        let money = |m: Money| amount(&nav.shop, page.prices, one.product, m);
        let unit = money(one.unit);
        let unit = [("amount", Arg::Text(&unit))];
        let href = one.product.path();
        html! {
            li.goes {
                @if let Some(picture) = one.picture { span.goes-picture { (crate::image::thumb(picture)) } }
                span.goes-what { a href=(href) { (one.product.name) } @if let Some(old) = one.old { " " s.soft { (money(old)) } } }
                @if let Some(sku) = one.sku {
                    form method="post" action="/shop/cart/back" {
                        input type="hidden" name="product" value=(one.product.handle);
                        input type="hidden" name="sku" value=(sku);
                        input type="hidden" name="quantity" value=(one.product.terms.first());
                        button.plain { (nav.words.say_with("cart-goes-add", &unit)) }
                    }
                } @else { a.plain href=(href) { (nav.words.say_with("cart-goes-choose", &unit)) } }
            }
        }
    };
    html! {
        @if !page.goes_with.is_empty() {
            section.goes-with aria-label=(nav.words.say("cart-goes-with")) {
                h2 { (nav.words.say("cart-goes-with")) }
                @if !on_cards.is_empty() { ul.cards { @for one in on_cards { (card(dealer, one.product, CardPlace::Cart)) } } }
                @if !plain.is_empty() { ul { @for one in plain { (offer(one)) } } }
            }
        }
    }
}

/// What lowered a line, and what was added to it.
fn effects(nav: &Nav, line: &Line, money: &dyn Fn(Money) -> String) -> Markup {
    let words = &nav.words;
    let told = |key, name: &str, m: Money| {
        words.say_with(key, &[("name", Arg::Text(name)), ("amount", Arg::Text(&money(m)))])
    };
    html! {
        @for (name, off) in &line.effects.rules { span.effect { (told("cart-rule", name, *off)) } }
        @if let Some(off) = line.effects.plan { span.effect { (told("cart-plan-saving", "", off)) } }
        @if let Some(more) = line.effects.surcharge { span.effect.more { (told("cart-surcharge", "", more)) } }
    }
}

fn cart_line(nav: &Nav, prices: &Prices, line: &CartLine<'_>) -> Markup {
    let quote = &line.line.quote;
    let money = |m: Money| amount(&nav.shop, prices, line.product, m);
    let most = line.product.most_per_order.unwrap_or(MOST_OF_ONE);
    let step = line.product.terms.step;
    let (words, name) = (&nav.words, [("name", Arg::Text(line.name))]);
    html! {
        li.cart-line {
            a.cart-picture href=(line.href) tabindex="-1" aria-hidden="true" {
                @if let Some(picture) = line.picture { (crate::image::thumb(picture)) }
            }
            div.cart-what {
                a href=(line.href) { (line.name) }
                @if !line.choice.is_empty() { span.soft { (line.choice) } }
                @if let Some(plan) = &line.line.plan { span.soft { (plan_words(words, plan)) } }
                @if let Some(text) = line.text { span.written { (words.say_with("cart-text", &[("text", Arg::Text(&text.replace('\n', " / ")))])) } }
                (effects(nav, line.line, &money))
                @if let Some(was) = line.line.was {
                    span.problem { (words.say_with("cart-price-changed", &[("was", Arg::Text(&money(was))), ("now", Arg::Text(&money(quote.unit)))])) }
                }
                @if let Some(next) = line.line.next { span.soft { (say_next(words, &money(next.unit), next)) } }
                @if let Some(hindrance) = &line.line.hindrance { span.problem { (say_hindrance(words, hindrance)) } }
            }
            form.cart-quantity method="post" action="/shop/cart/set" {
                input type="hidden" name="line" value=(line.id);
                label { span.unseen { (words.say_with("cart-quantity-of", &name)) } input type="number" name="quantity" min="0" step=[(step > 1).then_some(step)] max=(most) value=(quote.quantity) inputmode="numeric"; }
                button.plain { (words.say("cart-change")) }
                button.plain name="remove" value="1" aria-label=(words.say_with("cart-take-out-of", &name)) { (words.say("cart-take-out")) }
            }
            span.cart-unit.soft { @if let Some(old) = quote.old { s { (money(old)) } " " } (words.say_with("cart-each", &[("amount", Arg::Text(&money(quote.unit)))])) }
            strong.cart-price { (money(quote.line)) }
        }
    }
}
