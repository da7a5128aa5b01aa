use super::Drawn;
use crate::ctx::Styled;
use compagina_core::page::Device;
use compagina_core::page::piece::rule::{LENGTH, Length, WEIGHT, Weight};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |_, _| Some(draw()),
    css: |root, styled, device, _| css(root, styled, device),
    ..Drawn::NOTHING
};

fn draw() -> Markup {
    html! { hr; }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let weight = match styled.choice::<Weight>(&WEIGHT, device) {
        Some(Weight::Strong) => "2px solid currentColor",
        Some(Weight::Dotted) => "2px dotted var(--line)",
        _ => "1px solid var(--line)",
    };
    let length = match styled.choice::<Length>(&LENGTH, device) {
        Some(Length::Half) => "50%",
        Some(Length::Short) => "64px",
        _ => "100%",
    };
    format!("{root} hr{{border-top:{weight};width:{length}}}{root}{{display:flex}}")
}
