use super::plain_page;
use crate::document::Nav;
use crate::house::choice_classes;
use compagina_core::house::looks::Label;
use compagina_core::house::token as t;
use compagina_core::page::{Choice, Frame};
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
            (choices(nav))
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

/// Swatches, buttons and a radio list, each in every state.
fn choices(nav: &Nav) -> Markup {
    let gone = |state: &str| if state == "open" { String::new() } else { format!(", {state}") };
    let values = [
        ("Ember", "#C4491A", "open", false),
        ("Tide", "#14505C", "open", true),
        ("Chalk", "#F6F4EE", "open", false),
        ("Slate", "#4A5560", "sold_out", false),
        ("Plum", "#6B2D5C", "not_made", false),
    ];
    let label = Label::from_name(&nav.house.text(&t::CHOICE_LABEL)).unwrap_or(Label::Above);
    let names = nav.house.text(&t::CHOICE_NAMES);
    let width = nav.house.number(&t::CHOICE_LABEL_WIDTH);
    html! {
        section.k-options #sample-choices aria-label="Choices" {
            div class={ (choice_classes(&nav.house)) " names-" (names) " sample-label-" (label.name()) } style={ "--label-width:" (width) "px" } {
                fieldset.option {
                    legend { "Colour: " strong { "Tide" } }
                    div.values {
                        @for (name, colour, state, chosen) in values {
                            label.value.swatch data-state=(state) title=[(names == "hover").then_some(name)] {
                                input type="radio" name="colour" checked[chosen];
                                span.cloth.pale[name == "Chalk"] style={ "background:" (colour) } {}
                                @if names == "beside" || names == "below" { span.name { (name) } } @else { span.unseen { (name) (gone(state)) } }
                            }
                        }
                    }
                }
                fieldset.option {
                    legend { "Sail: " strong { "2.1 m" } }
                    div.values {
                        @for (name, state, chosen) in [("1.6 m", "open", false), ("2.1 m", "open", true), ("2.4 m", "sold_out", false), ("2.9 m", "not_made", false)] {
                            label.value.word data-state=(state) { input type="radio" name="sail" checked[chosen]; span.text { (name) } span.unseen { (gone(state)) } }
                        }
                    }
                }
                fieldset.option {
                    legend { "Line: " strong { "Braided" } }
                    div.values.lines {
                        @for (name, chosen) in [("Braided", true), ("Without", false)] {
                            label.value.line data-state="open" { input type="radio" name="line" checked[chosen]; span.text { (name) } }
                        }
                    }
                }
            }
        }
    }
}

fn buttons(nav: &Nav) -> Markup {
    html! {
        section.sample-row #sample-buttons aria-label="Buttons" {
            div { button.buy type="button" { "Idle" } }
            div { button.buy.is-hover type="button" { "Pointer" } }
            div { button.buy.is-pressed type="button" { "Pressed" } }
            div { button.buy type="button" disabled { (nav.words.say("mark-sold-out")) } }
        }
    }
}

fn marks(nav: &Nav) -> Markup {
    html! {
        section.sample-row #sample-marks aria-label="Marks" {
            span.badge.sale { (nav.words.say_with("mark-saving", &[("percent", Arg::Number(20))])) }
            span.badge.gone { (nav.words.say("mark-sold-out")) }
            span.badge.coming { (nav.words.say("mark-coming-soon")) }
            span.badge.few { (nav.words.say_with("mark-few", &[("count", Arg::Number(2))])) }
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
