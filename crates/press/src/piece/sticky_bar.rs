use super::{buy_button, device_slots, draw_slots, price, slot};
use crate::ctx::{Ctx, Styled};
use crate::offers::{BuyState, buy_state};
use compagina_core::page::piece::sticky_bar::{EDGE, Edge, NAME, WORDS};
use compagina_core::page::{Device, Kind};
use compagina_core::style::Chain;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// Its own words while it can be used; otherwise the words in which the house says why not.
pub(super) fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    let say = |device| match buy_state(ctx.offer) {
        BuyState::Ready => styled.chain.text(&WORDS, device),
        _ => Chain::default()
            .saying(ctx.words, Kind::BuyButton)
            .text(buy_button::setting_for(ctx.offer.hindrance.as_ref()), device),
    };
    device_slots(&name(styled), Device::ALL.map(say))
}

/// Hidden until the script finds the buy button out of sight; without script the page has its buy button anyway.
pub(super) fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let text = |name: &str| price::slots(ctx).remove(name).unwrap_or_default();
    html! {
        div.bar data-sticky hidden {
            strong.bar-name { (ctx.product.name) }
            span.bar-price { (slot("price", &text("price"))) s { (slot("old", &text("old"))) } }
            button.buy type="submit" form="buy" data-buy disabled[buy_button::is_off_for_good(ctx)]
                aria-disabled=[(buy_state(ctx.offer) == BuyState::Off).then_some("true")] {
                (draw_slots(&name(styled), &slots(ctx, styled)))
            }
        }
    }
}

fn name(styled: &Styled<'_>) -> String {
    format!("bar.{}", styled.id())
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let (edge, other) = match styled.choice::<Edge>(&EDGE, device) {
        Some(Edge::Top) => ("top", "bottom"),
        _ => ("bottom", "top"),
    };
    let name = if styled.chain.flag(&NAME, device) { "block" } else { "none" };
    format!(
        "{root} .bar{{{edge}:0;{other}:auto;border-{other}:1px solid var(--line)}}{root} .bar-name{{display:{name}}}"
    )
}
