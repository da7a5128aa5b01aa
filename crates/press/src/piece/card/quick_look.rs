use super::Drawn;
use compagina_core::page::piece::card::quick_look::WORDS;
use maud::html;

/// How it is drawn. Shown by the script, which opens it; without one the card itself leads to the page.
pub(in crate::piece) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| {
        Some(html! {
            button.quick type="button" hidden data-quick={ (ctx.product.path()) "/quick" } data-close=(ctx.say("quick-close")) {
                (styled.words(&WORDS)) span.unseen { ": " (ctx.product.name) }
            }
        })
    },
    ..Drawn::NOTHING
};
