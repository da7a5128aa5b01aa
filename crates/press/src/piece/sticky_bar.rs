use super::Drawn;
use super::{buy_button, device_slots, draw_slots, options, price, slot};
use crate::buy::{BuyState, buy_state};
use crate::ctx::{Ctx, Styled};
use crate::image::thumb;
use compagina_core::media::Picture;
use compagina_core::page::piece::sticky_bar::{CHOOSER, EDGE, Edge, NAME, PICTURE, PRICE, VALUES, WORDS};
use compagina_core::page::{Device, Kind};
use compagina_core::style::Chain;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    slots,
};

/// Its own words while it can be used; otherwise the words in which the house says why not.
fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    let say = |device| match buy_state(ctx.offer) {
        BuyState::Ready => styled.chain.text(&WORDS, device),
        _ => Chain::default()
            .saying(ctx.words, Kind::BuyButton)
            .text(buy_button::setting_for(ctx.offer.hindrance.as_ref()), device),
    };
    let mut slots = device_slots(&name(styled), Device::ALL.map(say));
    slots.insert(format!("bar-values.{}", styled.id()), chosen(ctx));
    let picture = picture(ctx).and_then(|picture| picture.sizes.first());
    let address = picture.map(|size| size.address());
    slots.insert(format!("bar-picture.{}", styled.id()), address.unwrap_or_default());
    slots
}

/// The first picture of the choice.
fn picture<'a>(ctx: &Ctx<'a>) -> Option<&'a Picture> {
    let of_choice = ctx.offer.pictures.first().and_then(|place| ctx.product.pictures.get(*place));
    of_choice.or(ctx.product.lead_picture())
}

/// `Ember, 1.6 m`
fn chosen(ctx: &Ctx<'_>) -> String {
    let name = |(option, value): (usize, u16)| {
        ctx.product.options.get(option)?.values.get(usize::from(value)).map(|value| value.name.as_str())
    };
    ctx.offer.selection.chosen().filter_map(name).collect::<Vec<_>>().join(", ")
}

/// Hidden until the script finds the buy button out of sight; without script the page has its buy button anyway.
fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let text = |name: &str| price::slots(ctx).remove(name).unwrap_or_default();
    let values = format!("bar-values.{}", styled.id());
    html! {
        div.bar data-sticky hidden {
            @if let Some(picture) = picture(ctx).filter(|_| styled.flag_anywhere(&PICTURE)) {
                span.bar-picture data-picture={ "bar-picture." (styled.id()) } { (thumb(picture)) }
            }
            span.bar-what {
                strong.bar-name { (ctx.product.name) }
                @if styled.flag_anywhere(&VALUES) { span.bar-values { (slot(&values, &chosen(ctx))) } }
            }
            @if styled.flag_anywhere(&CHOOSER) { span.bar-chooser { (options::small(ctx)) } }
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

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let (edge, other) = match styled.choice::<Edge>(&EDGE, device) {
        Some(Edge::Top) => ("top", "bottom"),
        _ => ("bottom", "top"),
    };
    let parts = [
        (&PICTURE, "bar-picture"),
        (&NAME, "bar-name"),
        (&VALUES, "bar-values"),
        (&CHOOSER, "bar-chooser"),
        (&PRICE, "bar-price"),
    ];
    let away: String = parts
        .into_iter()
        .filter(|(setting, _)| !styled.chain.flag(setting, device))
        .map(|(_, class)| format!("{root} .{class}{{display:none}}"))
        .collect();
    format!("{root} .bar{{{edge}:0;{other}:auto;border-{other}:1px solid var(--line)}}{away}")
}
