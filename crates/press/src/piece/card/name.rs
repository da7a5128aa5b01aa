use super::{Drawn, clamp, to_page};
use compagina_core::page::piece::card::name::LINES;
use maud::html;

/// How it is drawn: as the link to the page.
pub(in crate::piece) const DRAWN: Drawn = Drawn {
    draw: |ctx, _| {
        Some(html! { a.card-name.clamped href=(to_page(ctx)) data-to[ctx.changes()] { (ctx.product.name) } })
    },
    css: |root, styled, device, _| clamp(root, styled.chain.number(&LINES, device)),
    ..Drawn::NOTHING
};
