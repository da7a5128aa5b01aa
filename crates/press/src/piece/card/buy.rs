use super::{Drawn, slot, to_page};
use crate::buy::{BuyState, buy_state};
use crate::ctx::{Ctx, Styled};
use crate::piece::buy_button::{can_be_waited_for, is_off_for_good};
use crate::piece::{device_slots, draw_slots};
use crate::say::say_hindrance;
use compagina_core::page::piece::buy_button::{Tone, Width};
use compagina_core::page::piece::card::buy::{
    ADDED, ADDING, CHOOSE, COMING, ON_PAGE, SOLD_OUT, TELL, TONE, WIDTH, WORDS,
};
use compagina_core::page::{Device, Setting};
use compagina_core::price::Hindrance;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), slots };

/// Whether more is to be said than a card has room for.
pub(super) fn leads_to_page(ctx: &Ctx<'_>) -> bool {
    ctx.product.terms.text.is_some() || ctx.prices.has_plans(ctx.product)
}

fn setting_for(hindrance: Option<&Hindrance>) -> &'static Setting {
    match hindrance {
        Some(Hindrance::SoldOut | Hindrance::NotMade | Hindrance::Withdrawn) => &SOLD_OUT,
        Some(Hindrance::ChooseFirst(_)) => &CHOOSE,
        Some(Hindrance::ComingSoon) => &COMING,
        _ => &WORDS,
    }
}

fn waits(ctx: &Ctx<'_>) -> bool {
    matches!(ctx.offer.hindrance, Some(Hindrance::SoldOut | Hindrance::ComingSoon))
}

fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    let setting = setting_for(ctx.offer.hindrance.as_ref());
    let mut say = device_slots("card-buy", Device::ALL.map(|device| styled.chain.text(setting, device)));
    let tell = if waits(ctx) { styled.chain.text(&TELL, Device::Wide) } else { String::new() };
    say.insert("card-tell".into(), tell);
    say.insert("card-hint".into(), hint(ctx));
    say
}

/// Why so many can't be had; the button says the rest.
fn hint(ctx: &Ctx<'_>) -> String {
    match &ctx.offer.hindrance {
        Some(
            why @ (Hindrance::OnlyLeft(_)
            | Hindrance::MostPerOrder(_)
            | Hindrance::LeastPerOrder(_)
            | Hindrance::InSteps(_)),
        ) => say_hindrance(ctx.words, why),
        _ => String::new(),
    }
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let card = ctx.card?;
    let say = slots(ctx, styled);
    let text = |name: &str| say.get(name).map_or("", String::as_str);
    let accent = styled.choice(&TONE, Device::Wide) == Some(Tone::Accent);
    let words = |setting| styled.chain.text(setting, Device::Wide);
    let on_page = leads_to_page(ctx) && !is_off_for_good(ctx);
    Some(html! {
        @if on_page { a.buy.accent[accent] href=(to_page(ctx)) data-to[ctx.changes()] { (styled.words(&ON_PAGE)) span.unseen { ": " (ctx.product.name) } } }
        @else {
            button.buy.accent[accent] type="submit" form=(card.form) data-buy data-shows-unless="card-tell" hidden[!text("card-tell").is_empty()]
                disabled[is_off_for_good(ctx)] aria-disabled=[(buy_state(ctx.offer) == BuyState::Off && !is_off_for_good(ctx)).then_some("true")]
                data-adding=(words(&ADDING)) data-added=(words(&ADDED)) {
                (draw_slots("card-buy", &say)) span.unseen { ": " (ctx.product.name) }
                span.told data-told aria-live="polite" hidden {}
            }
            @if can_be_waited_for(ctx) && !words(&TELL).is_empty() { (tell(ctx, &card.form, text("card-tell"))) }
            p.hint aria-live="polite" { (slot("card-hint", text("card-hint"))) }
        }
    })
}

/// Folded: where a shopper leaves an address to hear when the choice can be had.
fn tell(ctx: &Ctx<'_>, form: &str, words: &str) -> Markup {
    html! {
        details.card-tell data-shows="card-tell" hidden[words.is_empty()] {
            summary { (slot("card-tell", words)) span.unseen { ": " (ctx.product.name) } }
            label { span { (ctx.say("interest-label")) } input type="email" form=(form) name="email" autocomplete="email" maxlength="200"; }
            button.plain type="submit" form=(form) formaction="/shop/interest" formnovalidate { (ctx.say("interest-button")) }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    match styled.choice::<Width>(&WIDTH, device) {
        Some(Width::Words) => format!("{root} .buy{{width:auto}}"),
        _ => format!("{root} .buy{{width:100%}}"),
    }
}
