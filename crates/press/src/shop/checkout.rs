use super::plain_page;
use crate::document::Nav;
use compagina_core::money::Money;
use compagina_core::page::Frame;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// A field that the checkout asks for.
pub struct Field {
    pub name: &'static str,
    pub label: &'static str,
    pub kind: &'static str,
    pub autocomplete: &'static str,
    pub most: usize,
}

const fn field(
    name: &'static str,
    label: &'static str,
    kind: &'static str,
    autocomplete: &'static str,
    most: usize,
) -> Field {
    Field { name, label, kind, autocomplete, most }
}

/// What an order needs to know of the shopper.
pub const FIELDS: [Field; 5] = [
    field("email", "Email", "email", "email", 200),
    field("name", "Name", "text", "name", 120),
    field("street", "Street and number", "text", "street-address", 200),
    field("town", "Town", "text", "address-level2", 120),
    field("postcode", "Postcode", "text", "postal-code", 20),
];

/// The outcomes of the simulated payment.
pub const PAYMENTS: [(&str, &str); 3] = [
    ("accept", "Test card that is accepted"),
    ("refuse", "Test card that is refused"),
    ("slow", "Test card that takes a few seconds"),
];

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
    let body = html! {
        div.columns.till.checkout {
            h1 { "Checkout" }
            @if let Some(problem) = page.problem { p.notice.bad role="alert" { (problem) } }
            form method="post" action="/shop/checkout" novalidate {
                fieldset.address {
                    legend { "Where shall we send it?" }
                    @for field in &FIELDS { (input(field, page.form)) }
                }
                fieldset.payment {
                    legend { "Payment" }
                    p.soft { "This shop doesn't take real money. Choose how the payment shall end." }
                    @let chosen = page.form.values.get("payment").map_or("accept", String::as_str);
                    @for (value, label) in PAYMENTS {
                        label { input type="radio" name="payment" value=(value) checked[value == chosen]; span { (label) } }
                    }
                }
                button.buy { "Pay " (page.total.format(nav.shop.locale)) }
            }
            aside.order-lines {
                h2 { "Your order" }
                (lines(nav, &page.lines, page.total))
                a href="/shop/cart" { "Back to the cart" }
            }
        }
    };
    plain_page(nav, "Checkout", Frame::Slim, body)
}

fn lines(nav: &Nav, lines: &[(String, Money)], total: Money) -> Markup {
    html! {
        ul {
            @for (what, price) in lines { li { span { (what) } span { (price.format(nav.shop.locale)) } } }
            li.total { span { "Total, with VAT" } strong { (total.format(nav.shop.locale)) } }
        }
    }
}

fn input(field: &Field, form: &CheckoutForm) -> Markup {
    let problem = form.problems.get(field.name);
    let value = form.values.get(field.name).map_or("", String::as_str);
    let said_by = format!("{}-problem", field.name);
    html! {
        label {
            span { (field.label) }
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
    let body = html! {
        div.columns.till.checkout {
            h1 { "Thank you" }
            p { "Order " strong { (order.number) } " is paid. We write to " (order.email) " when it leaves the workshop." }
            aside.order-lines { (lines(nav, &order.lines, order.total)) }
            p { a href="/shop" { "Back to the shop" } }
        }
    };
    plain_page(nav, "Thank you", Frame::Slim, body)
}
