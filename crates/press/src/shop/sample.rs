use super::plain_page;
use crate::document::Nav;
use compagina_core::page::Frame;
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// Everything that the house style sets, on one page: texts, colours, spaces, buttons in all their states, fields and
/// marks, and a small buy box in which they meet.
#[must_use]
pub fn sample(nav: &Nav) -> String {
    let body = html! {
        div.columns.sample {
            (texts())
            (buy_box(nav))
            (buttons(nav))
            (marks(nav))
            (grounds())
        }
    };
    plain_page(nav, "House style", Frame::None, body)
}

fn texts() -> Markup {
    html! {
        section {
            p.sample-heading { "Heading: a kite for every wind" }
            p.sample-subheading { "Subheading: sewn by two" }
            p.sample-lead { "Lead. A forgiving two-line kite for steady winds." }
            p { "Body. Sewn in ripstop with a fibreglass frame that takes a crash; " a href="#" { "how we sew" } "." }
            p.sample-fine.soft { "Fine print. Prices with VAT, sending not included." }
        }
    }
}

fn buy_box(nav: &Nav) -> Markup {
    let saving = nav.words.say_with("mark-saving", &[("percent", Arg::Number(20))]);
    html! {
        section.sample-box {
            h2 { "Whimbrel" }
            p.k-price { strong.now { "£68.00" } s.old { "£85.00" } span.saving { span { (saving) } } }
            label { span.soft { "Sail " } select { option { "1.6 m" } option { "2.1 m" } } }
            label { span.soft { "Quantity " } input type="number" value="1"; }
            button.buy type="button" { "Add to cart" }
        }
    }
}

fn buttons(nav: &Nav) -> Markup {
    html! {
        section.sample-row aria-label="Buttons" {
            div { button.buy type="button" { "Idle" } }
            div { button.buy.is-hover type="button" { "Pointer" } }
            div { button.buy.is-pressed type="button" { "Pressed" } }
            div { button.buy type="button" disabled { (nav.words.say("mark-sold-out")) } }
        }
    }
}

fn marks(nav: &Nav) -> Markup {
    html! {
        section.sample-row aria-label="Marks" {
            span.badge.sale { (nav.words.say_with("mark-saving", &[("percent", Arg::Number(20))])) }
            span.badge.gone { (nav.words.say("mark-sold-out")) }
            span.badge.coming { (nav.words.say("mark-coming-soon")) }
        }
    }
}

fn grounds() -> Markup {
    html! {
        section.sample-row aria-label="Grounds" {
            div.sample-ground { "Paper" }
            div.sample-ground.ground-tinted { "Tint" span.soft { " soft" } }
            div.sample-ground.ground-ink { "Dark" span.soft { " soft" } }
        }
    }
}
