use super::Drawn;
use super::reviews::{count_words, stars};
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::rating_line::{COUNT, EMPTY, LINKED};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let tenths = ctx.product.rating.tenths();
    if tenths.is_none() && !styled.chain.flag(&EMPTY, Device::Wide) {
        return None;
    }
    let line = html! { (stars(ctx, tenths.unwrap_or(0))) span.how-many { (count_words(ctx)) } };
    let linked = tenths.is_some() && styled.chain.flag(&LINKED, Device::Wide) && ctx.has_reviews();
    Some(html! { @if linked { a href="#reviews" { (line) } } @else { p { (line) } } })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    if styled.chain.flag(&COUNT, device) {
        String::new()
    } else {
        format!("{root} .how-many{{display:none}}")
    }
}
