use super::Drawn;
use crate::piece::reviews::{count_words, stars};
use compagina_core::page::piece::card::rating::COUNT;
use maud::html;

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn = Drawn {
    draw: |ctx, _| {
        let tenths = ctx.product.rating.tenths()?;
        Some(html! { p { (stars(ctx, tenths)) span.how-many { (count_words(ctx)) } } })
    },
    css: |root, styled, device, _| {
        if styled.chain.flag(&COUNT, device) {
            String::new()
        } else {
            format!("{root} .how-many{{display:none}}")
        }
    },
    ..Drawn::NOTHING
};
