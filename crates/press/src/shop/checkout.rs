use super::plain_page;
use crate::document::Nav;
use compagina_core::money::Money;
use compagina_core::page::Frame;
use compagina_core::wording::{Arg, Words};
use maud::{Markup, html};
use std::collections::BTreeMap;

/// A field that the checkout asks for.
pub struct Field {
    pub name: &'static str,
    pub kind: &'static str,
    pub autocomplete: &'static str,
    pub most: usize,
}

const fn field(name: &'static str, kind: &'static str, autocomplete: &'static str, most: usize) -> Field {
    Field { name, kind, autocomplete, most }
}

impl Field {
    /// What the shopper reads beside it.
    #[must_use]
    pub fn label(&self, words: &Words) -> String {
        words.say(&format!("field-{}", self.name))
    }
}

/// What an order needs to know of the shopper.
pub const FIELDS: [Field; 5] = [
    field("email", "email", "email", 200),
    field("name", "text", "name", 120),
    field("street", "text", "street-address", 200),
    field("town", "text", "address-level2", 120),
    field("postcode", "text", "postal-code", 20),
];

/// The outcomes of the simulated payment.
pub const PAYMENTS: [&str; 3] = ["accept", "refuse", "slow"];

/// What the shopper has typed so far, and what is wrong with it.
#[derive(Default)]
pub struct CheckoutForm {
    pub values: BTreeMap<String, String>,
    pub problems: BTreeMap<String, String>,
}

/// The checkout as it stands.
pub struct CheckoutPage<'a> {
    pub lines: Vec<(String, Money)>,
    pub total: Money,
    pub form: &'a CheckoutForm,
    pub problem: Option<&'a str>,
}

#[must_use]
pub fn checkout(nav: &Nav, page: &CheckoutPage<'_>) -> String {
    let say = |key| nav.words.say(key);
    let body = html! {
        div.columns.till.checkout {
            h1 { (say("checkout-title")) }
            @if let Some(problem) = page.problem { p.notice.bad role="alert" { (problem) } }
            form method="post" action="/shop/checkout" novalidate {
                fieldset.address {
                    legend { (say("checkout-where")) }
                    @for field in &FIELDS { (input(nav, field, page.form)) }
                }
                fieldset.payment {
                    legend { (say("checkout-payment")) }
                    p.soft { (say("checkout-no-money")) }
                    @let chosen = page.form.values.get("payment").map_or("accept", String::as_str);
                    @for value in PAYMENTS {
                        label { input type="radio" name="payment" value=(value) checked[value == chosen]; span { (nav.words.say(&format!("payment-{value}"))) } }
                    }
                }
                button.buy { (nav.words.say_with("checkout-pay", &[("amount", Arg::Text(&page.total.format(nav.shop.locale)))])) }
            }
            aside.order-lines {
                h2 { (say("checkout-order")) }
                (lines(nav, &page.lines, page.total))
                a href="/shop/cart" { (say("checkout-back")) }
            }
        }
    };
    plain_page(nav, &say("checkout-title"), Frame::Slim, body)
}

fn lines(nav: &Nav, lines: &[(String, Money)], total: Money) -> Markup {
    html! {
        ul {
            @for (what, price) in lines { li { span { (what) } span { (price.format(nav.shop.locale)) } } }
            li.total { span { (nav.words.say("cart-total")) } strong { (total.format(nav.shop.locale)) } }
        }
    }
}

fn input(nav: &Nav, field: &Field, form: &CheckoutForm) -> Markup {
    let problem = form.problems.get(field.name);
    let value = form.values.get(field.name).map_or("", String::as_str);
    let said_by = format!("{}-problem", field.name);
    html! {
        label {
            span { (field.label(&nav.words)) }
            input type=(field.kind) name=(field.name) value=(value) autocomplete=(field.autocomplete) maxlength=(field.most) required
                aria-invalid=[problem.map(|_| "true")] aria-describedby=[problem.map(|_| &said_by)];
            @if let Some(problem) = problem { span.problem id=(said_by) { (problem) } }
        }
    }
}

/// An order after payment.
pub struct Receipt {
    pub number: u64,
    pub email: String,
    pub lines: Vec<(String, Money)>,
    pub total: Money,
}

#[must_use]
pub fn receipt(nav: &Nav, order: &Receipt) -> String {
    let say = |key| nav.words.say(key);
    let number = order.number.to_string();
    let paid = nav
        .words
        .say_with("receipt-paid", &[("number", Arg::Text(&number)), ("email", Arg::Text(&order.email))]);
    let body = html! {
        div.columns.till.checkout {
            h1 { (say("receipt-title")) }
            p { (paid) }
            aside.order-lines { (lines(nav, &order.lines, order.total)) }
            p { a href="/shop" { (say("receipt-back")) } }
        }
    };
    plain_page(nav, &say("receipt-title"), Frame::Slim, body)
}
