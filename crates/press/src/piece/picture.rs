use super::Drawn;
use crate::ctx::{Ctx, Styled};
use crate::image::img;
use compagina_core::media::Picture;
use compagina_core::page::Device;
use compagina_core::page::piece::picture::{ALT, CAPTION, LINK, PICTURE, RATIO, Ratio};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let picture = styled.picture(&PICTURE, ctx.media)?;
    let (own, link) = (styled.chain.text(&ALT, Device::Wide), styled.chain.text(&LINK, Device::Wide));
    let alt = if own.is_empty() { picture.alt.clone() } else { own };
    let picture = Picture { alt, ..picture.clone() };
    let shown = html! { (img(&picture, ctx.sizes("(max-width:640px) 100vw, 1200px"), ctx.load_of(&styled.piece.id))) };
    Some(html! {
        figure.framed {
            @if link.is_empty() { (shown) } @else { a href=(link) { (shown) } }
            @if styled.has_words(&CAPTION) { figcaption { (styled.words(&CAPTION)) } }
        }
    })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let ratio = match styled.choice::<Ratio>(&RATIO, device) {
        Some(Ratio::Square) => "1/1",
        Some(Ratio::Tall) => "4/5",
        Some(Ratio::Wide) => "16/9",
        Some(Ratio::Strip) => "4/1",
        _ => return String::new(),
    };
    format!("{root} img{{width:100%;aspect-ratio:{ratio};object-fit:cover}}")
}
