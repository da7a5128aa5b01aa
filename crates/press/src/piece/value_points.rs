use super::Drawn;
use crate::ctx::Styled;
use compagina_core::page::Device;
use compagina_core::page::piece::value_points::{COUNT, HEADING, MARK, Mark, POINTS};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |_, styled| draw(styled),
    css: |root, styled, device, _| css(root, styled, device),
    ..Drawn::NOTHING
};

fn draw(styled: &Styled<'_>) -> Option<Markup> {
    let points = styled.entries(&POINTS);
    if points.is_empty() {
        return None;
    }
    Some(html! {
        (styled.heading(&HEADING))
        ol.points {
            @for point in &points {
                li { strong { (point[0]) } @if let Some(more) = point.get(1).filter(|m| !m.is_empty()) { p { (more) } } }
            }
        }
    })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let mark = match styled.choice::<Mark>(&MARK, device) {
        Some(Mark::Tick) => "\"✓\"",
        Some(Mark::None) => "none",
        _ => "counter(point)",
    };
    let count = styled.chain.number(&COUNT, device);
    format!("{root} .points{{--mark:{mark};grid-template-columns:repeat({count},minmax(0,1fr))}}")
}
