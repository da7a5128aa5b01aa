use super::Drawn;
use crate::ctx::Styled;
use compagina_core::page::Device;
use compagina_core::page::piece::quotes::{AS, As, HEADING, QUOTES};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |_, styled| draw(styled),
    css: |root, styled, device, _| css(root, styled, device),
    ..Drawn::NOTHING
};

fn draw(styled: &Styled<'_>) -> Option<Markup> {
    let quotes = styled.entries(&QUOTES);
    if quotes.is_empty() {
        return None;
    }
    Some(html! {
        (styled.heading(&HEADING))
        div.quotes {
            @for quote in &quotes {
                figure {
                    blockquote { p { (quote[0]) } }
                    @if let Some(who) = quote.get(1).filter(|w| !w.is_empty()) { figcaption { (who) } }
                }
            }
        }
    })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    match styled.choice::<As>(&AS, device) {
        Some(As::List) => format!("{root} .quotes{{grid-template-columns:minmax(0,1fr)}}"),
        _ => format!("{root} .quotes{{grid-template-columns:repeat(auto-fit,minmax(240px,1fr))}}"),
    }
}
