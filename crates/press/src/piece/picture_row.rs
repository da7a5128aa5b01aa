use super::Drawn;
use crate::ctx::{Ctx, Styled};
use crate::image::{Load, img};
use compagina_core::page::Device;
use compagina_core::page::piece::picture_row::{AS, As, COUNT, HEADING, PICTURES, SHAPE, Shape};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let pictures = styled.pictures(&PICTURES, ctx.media);
    if pictures.is_empty() {
        return None;
    }
    // A strip that slides must be reachable by keyboard.
    let slides = styled.anywhere(&AS, As::Strip);
    Some(html! {
        (styled.heading(&HEADING))
        ul.pictures tabindex=[slides.then_some("0")] aria-label=[slides.then(|| ctx.say("slide-region"))] {
            @for picture in pictures { li { (img(picture, ctx.sizes("(max-width:640px) 60vw, 400px"), Load::Later)) } }
        }
    })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let ratio = match styled.choice::<Shape>(&SHAPE, device) {
        Some(Shape::Tall) => "4/5",
        Some(Shape::Wide) => "4/3",
        _ => "1/1",
    };
    let count = styled.chain.number(&COUNT, device);
    let list = match styled.choice::<As>(&AS, device) {
        Some(As::Strip) => format!(
            "display:grid;grid-auto-flow:column;grid-auto-columns:calc((100% - {} * 12px) / {count});overflow-x:auto;scroll-snap-type:x mandatory",
            count - 1
        ),
        _ => format!("display:grid;grid-template-columns:repeat({count},minmax(0,1fr))"),
    };
    format!("{root} .pictures{{{list}}}{root} .pictures img{{aspect-ratio:{ratio}}}")
}
