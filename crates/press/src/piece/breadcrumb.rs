use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::breadcrumb::{DIVIDER, Divider, HOME, LAST};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    ..Drawn::NOTHING
};

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let kind = &ctx.product.kind;
    html! {
        nav aria-label=(ctx.say("where-you-are")) {
            ol {
                li { a href="/shop" { (styled.words(&HOME)) } }
                li { a href={ "/shop/types/" (kind.handle) } { (kind.name) } }
                li.last aria-current="page" { (ctx.product.name) }
            }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let sign = match styled.choice::<Divider>(&DIVIDER, device) {
        Some(Divider::Angle) => "›",
        Some(Divider::Dot) => "·",
        _ => "/",
    };
    let last = if styled.chain.flag(&LAST, device) { "" } else { "display:none" };
    format!("{root}{{--divider:\"{sign}\"}}{root} .last{{{last}}}")
}
