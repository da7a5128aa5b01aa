use super::Drawn;
use super::{device_slots, draw_slots, slot};
use crate::buy::{BuyState, buy_state};
use crate::ctx::{Ctx, Styled};
use crate::say::say_hindrance;
use compagina_core::catalog::ProductState;
use compagina_core::page::piece::buy_button::{
    ADDED, ADDING, CHOOSE, COMING, GONE, ICON, Icon, NOW, SOLD_OUT, TONE, Tone, WIDTH, WORDS, Width,
};
use compagina_core::page::{Device, Setting};
use compagina_core::price::{Hindrance, PriceTag};
use compagina_core::wording::Arg;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    slots,
};

/// Outlines on a ground of 24 by 24.
fn outline(icon: Icon) -> Option<&'static str> {
    match icon {
        Icon::None => None,
        Icon::Bag => Some("M6 8h12l1 12H5L6 8zm3 0V6.5a3 3 0 0 1 6 0V8"),
        Icon::Basket => Some("M3 10h18l-2 10H5L3 10zm5 0 3-6m5 6-3-6"),
    }
}

fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    let setting = setting_for(ctx.offer.hindrance.as_ref());
    let mut say = device_slots(&name(styled), Device::ALL.map(|device| styled.chain.text(setting, device)));
    say.insert("hint".to_owned(), hint(ctx));
    let waits = matches!(ctx.offer.hindrance, Some(Hindrance::SoldOut | Hindrance::ComingSoon));
    say.insert("interest".to_owned(), if waits { ctx.say("interest-label") } else { String::new() });
    say
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let say = slots(ctx, styled);
    let accent = styled.choice(&TONE, Device::Wide) == Some(Tone::Accent);
    let words = |setting| styled.chain.text(setting, Device::Wide);
    let disabled = (buy_state(ctx.offer) == BuyState::Off).then_some("true");
    html! {
        button.buy.accent[accent] type="submit" form="buy" data-buy disabled[is_off_for_good(ctx)]
            aria-disabled=[disabled] data-adding=(words(&ADDING)) data-added=(words(&ADDED)) {
            @if let Some(path) = styled.choice(&ICON, Device::Wide).and_then(outline) {
                svg.icon viewBox="0 0 24 24" width="20" height="20" aria-hidden="true" { path d=(path) {} }
            }
            (draw_slots(&name(styled), &say))
            span.told data-told aria-live="polite" hidden {}
        }
        @if styled.has_words(&NOW) && !is_off_for_good(ctx) {
            button.buy.second type="submit" form="buy" name="after" value="checkout" data-buy aria-disabled=[disabled] {
                (styled.words(&NOW))
            }
        }
        @if can_be_waited_for(ctx) { (interest(ctx, say.get("interest").map_or("", String::as_str))) }
        p.hint aria-live="polite" { (slot("hint", say.get("hint").map_or("", String::as_str))) }
    }
}

/// Whether some choice may be sold out, or all of it is still to come.
pub(super) fn can_be_waited_for(ctx: &Ctx<'_>) -> bool {
    match ctx.product.state {
        ProductState::OnSale => ctx.product.variants.iter().any(|variant| !variant.stock.is_in()),
        ProductState::ComingSoon => true,
        ProductState::New | ProductState::Withdrawn => false,
    }
}

/// Where a shopper leaves an address to hear when the choice can be had. It belongs to the form that has the choice.
fn interest(ctx: &Ctx<'_>, label: &str) -> Markup {
    html! {
        div.interest data-shows="interest" hidden[label.is_empty()] {
            label { (slot("interest", label)) input type="email" form="buy" name="email" autocomplete="email" maxlength="200"; }
            button.plain type="submit" form="buy" formaction="/shop/interest" formnovalidate { (ctx.say("interest-button")) }
        }
    }
}

/// No other choice would help either. A button that only this choice stops stays usable without script, where another
/// choice can be sent together with the click.
pub(super) fn is_off_for_good(ctx: &Ctx<'_>) -> bool {
    !ctx.product.can_be_bought()
}

fn name(styled: &Styled<'_>) -> String {
    format!("buy.{}", styled.id())
}

/// The words that fit what keeps the shopper from buying, if anything does.
pub(super) fn setting_for(hindrance: Option<&Hindrance>) -> &'static Setting {
    match hindrance {
        Some(Hindrance::SoldOut | Hindrance::NotMade) => &SOLD_OUT,
        Some(Hindrance::ChooseFirst(_)) => &CHOOSE,
        Some(Hindrance::ComingSoon) => &COMING,
        Some(Hindrance::Withdrawn) => &GONE,
        Some(
            Hindrance::OnlyLeft(_)
            | Hindrance::MostPerOrder(_)
            | Hindrance::LeastPerOrder(_)
            | Hindrance::InSteps(_)
            | Hindrance::PlanGone
            | Hindrance::TextNotTaken,
        )
        | None => &WORDS,
    }
}

/// What stands under the button: the sum for several, or why so many can't be had.
fn hint(ctx: &Ctx<'_>) -> String {
    match (&ctx.offer.hindrance, &ctx.offer.tag) {
        (Some(Hindrance::OnlyLeft(left)), _) => {
            ctx.say_with("hint-only-left", &[("count", Arg::Number(*left))])
        }
        (
            Some(why @ (Hindrance::MostPerOrder(_) | Hindrance::LeastPerOrder(_) | Hindrance::InSteps(_))),
            _,
        ) => say_hindrance(ctx.words, why),
        (None, PriceTag::Exact(quote)) if quote.quantity > 1 => {
            let amount = ctx.money(quote.line);
            ctx.say_with(
                "hint-sum",
                &[("count", Arg::Number(quote.quantity)), ("amount", Arg::Text(&amount))],
            )
        }
        _ => String::new(),
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    match styled.choice::<Width>(&WIDTH, device) {
        // The second one stands beside it, and under it where there is no room.
        Some(Width::Words) => {
            format!("{root} .buy{{width:auto}}{root} .buy:has(+ .second){{margin-right:8px}}")
        }
        _ => format!("{root} .buy{{width:100%}}{root} .buy:has(+ .second){{margin-right:0}}"),
    }
}
