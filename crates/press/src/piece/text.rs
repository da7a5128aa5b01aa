use super::Drawn;
use crate::ctx::Styled;
use crate::rich::clean;
use compagina_core::page::Device;
use compagina_core::page::piece::text::{BODY, MEASURE, Measure};
use maud::{Markup, PreEscaped, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |_, styled| draw(styled),
    css: |root, styled, device, _| css(root, styled, device),
    ..Drawn::NOTHING
};

fn draw(styled: &Styled<'_>) -> Option<Markup> {
    let body = clean(&styled.chain.text(&BODY, Device::Wide));
    let empty = body.replace("<p>", "").replace("</p>", "").trim().is_empty();
    (!empty).then(|| html! { div.rich { (PreEscaped(body)) } })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    match styled.choice::<Measure>(&MEASURE, device) {
        Some(Measure::Column) => format!("{root} .rich{{max-width:none}}"),
        _ => String::new(),
    }
}
