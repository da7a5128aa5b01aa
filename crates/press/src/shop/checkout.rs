use super::cart::total_rows;
use super::plain_page;
use crate::amount::whole;
use crate::document::Nav;
use crate::say::provider_name;
use compagina_core::money::Money;
use compagina_core::page::Frame;
use compagina_core::pay::{Because, Provider};
use compagina_core::wording::{Arg, Words};
use maud::{Markup, html};
use std::collections::BTreeMap;

/// A field that the checkout asks for.
pub struct Field {
    /// Its name in the form.
    pub name: &'static str,
    /// What is typed into it.
    pub kind: &'static str,
    /// What browsers may fill in.
    pub autocomplete: &'static str,
    /// The most signs.
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
pub const PAYMENTS: [&str; 5] = ["accept", "refuse", "slow", "twice", "never"];

/// What the shopper has typed so far, and what is wrong with it.
#[derive(Default)]
pub struct CheckoutForm {
    /// What was typed, by field.
    pub values: BTreeMap<String, String>,
    /// What is wrong, by field.
    pub problems: BTreeMap<String, String>,
    /// Whether something lay in the cart before the product that was to be bought now.
    pub along: bool,
}

/// The checkout as it stands.
pub struct CheckoutPage<'a> {
    /// Its lines, in their order.
    pub lines: Vec<Bought>,
    /// What all of it comes to.
    pub total: Money,
    /// The tax in it.
    pub vat: Money,
    /// What was typed.
    pub form: &'a CheckoutForm,
    /// What is wrong with it.
    pub problem: Option<&'a str>,
    /// In the order in which this shopper meets them.
    pub providers: Vec<(&'static Provider, Because)>,
    /// What makes one order of a form that is sent twice.
    pub once: &'a str,
}

/// A line of an order: what, what besides, and for how much.
pub struct Bought {
    /// What was bought.
    pub what: String,
    /// What was said besides, a line each.
    pub besides: Vec<String>,
    /// What all its pieces cost.
    pub line: Money,
}

/// The page on which an order is placed.
#[must_use]
pub fn checkout(nav: &Nav, page: &CheckoutPage<'_>) -> String {
    let say = |key| nav.words.say(key);
    let body = html! {
        div.columns.till.checkout {
            h1 { (say("checkout-title")) }
            @if page.form.along {
                div.notice role="status" {
                    span { (say("checkout-along")) }
                    a href="/shop/cart" { (say("checkout-along-look")) }
                }
            }
            @if let Some(problem) = page.problem { p.notice.bad role="alert" { (problem) } }
            form method="post" action="/shop/checkout" novalidate {
                fieldset.address {
                    legend { (say("checkout-where")) }
                    @for field in &FIELDS { (input(nav, field, page.form)) }
                }
                input type="hidden" name="once" value=(page.once);
                (providers(nav, page))
                fieldset.payment {
                    legend { (say("checkout-payment")) }
                    p.soft { (say("checkout-no-money")) }
                    @let chosen = page.form.values.get("payment").map_or("accept", String::as_str);
                    @for value in PAYMENTS {
                        label { input type="radio" name="payment" value=(value) checked[value == chosen]; span { (nav.words.say(&format!("payment-{value}"))) } }
                    }
                }
                button.buy { (nav.words.say_with("checkout-pay", &[("amount", Arg::Text(&whole(&nav.shop, &nav.prices, page.total)))])) }
            }
            aside.order-lines {
                h2 { (say("checkout-order")) }
                (lines(nav, &page.lines, page.total, page.vat))
                a href="/shop/cart" { (say("checkout-back")) }
            }
        }
    };
    plain_page(nav, &say("checkout-title"), Frame::Slim, body)
}

/// The providers, with why the first ones stand where they do.
fn providers(nav: &Nav, page: &CheckoutPage<'_>) -> Markup {
    let asked = page.form.values.get("provider").map(String::as_str);
    let known = asked.filter(|asked| page.providers.iter().any(|(one, _)| one.id == *asked));
    let chosen = known.or(page.providers.first().map(|(one, _)| one.id));
    let why = |because: &Because| match because {
        Because::UsedLast => Some("pay-used-last"),
        Because::Device => Some("pay-device"),
        Because::Country => Some("pay-country"),
        Because::Listed | Because::Elsewhere => None,
    };
    html! {
        fieldset.payment.providers {
            legend { (nav.words.say("checkout-provider")) }
            @for (provider, because) in &page.providers {
                label {
                    input type="radio" name="provider" value=(provider.id) checked[chosen == Some(provider.id)];
                    span { (provider_name(&nav.words, provider)) @if let Some(key) = why(because) { " " span.soft { (nav.words.say(key)) } } }
                }
            }
        }
    }
}

fn lines(nav: &Nav, lines: &[Bought], total: Money, vat: Money) -> Markup {
    html! {
        ul {
            @for Bought { what, besides, line } in lines {
                li {
                    span { (what) @for one in besides { span.soft { (one) } } }
                    span { (whole(&nav.shop, &nav.prices, *line)) }
                }
            }
            li.total { div.cart-sum { (total_rows(nav, &nav.prices, total, vat)) } }
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

/// How an order stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Paid {
    /// It is.
    Yes,
    /// The provider hasn't answered yet.
    Waiting,
    /// It isn’t.
    No,
}

/// An order after checkout.
pub struct Receipt {
    /// Its number.
    pub number: u64,
    /// The address that mail goes to.
    pub email: String,
    /// By whom it is paid.
    pub provider: &'static Provider,
    /// Whether it is paid.
    pub paid: Paid,
    /// Its lines, in their order.
    pub lines: Vec<Bought>,
    /// What all of it comes to.
    pub total: Money,
    /// The tax in it.
    pub vat: Money,
}

/// The page of an order that was placed.
#[must_use]
pub fn receipt(nav: &Nav, order: &Receipt) -> String {
    let say = |key| nav.words.say(key);
    let number = order.number.to_string();
    let provider = provider_name(&nav.words, order.provider);
    let arguments = [
        ("number", Arg::Text(&number)),
        ("email", Arg::Text(&order.email)),
        ("provider", Arg::Text(&provider)),
    ];
    let (title, told) = match order.paid {
        Paid::Yes => ("receipt-title", "receipt-paid"),
        Paid::Waiting => ("receipt-waiting-title", "receipt-waiting"),
        Paid::No => ("receipt-refused-title", "receipt-refused"),
    };
    let body = html! {
        div.columns.till.checkout {
            h1 { (say(title)) }
            p { (nav.words.say_with(told, &arguments)) }
            aside.order-lines { (lines(nav, &order.lines, order.total, order.vat)) }
            p {
                @if order.paid == Paid::No { a href="/shop/cart" { (say("receipt-to-cart")) } }
                @else { a href="/shop" { (say("receipt-back")) } }
            }
        }
    };
    plain_page(nav, &say(title), Frame::Slim, body)
}
