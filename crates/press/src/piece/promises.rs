use super::Drawn;
use crate::ctx::Styled;
use compagina_core::page::Device;
use compagina_core::page::piece::promises::{LINES, MARK, Mark, RUN, Run};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |_, styled| draw(styled),
    css: |root, styled, device, _| css(root, styled, device),
    ..Drawn::NOTHING
};

fn draw(styled: &Styled<'_>) -> Option<Markup> {
    let lines: Vec<String> =
        styled.chain.lines(&LINES).into_iter().filter(|l| !l.trim().is_empty()).collect();
    if lines.is_empty() {
        return None;
    }
    Some(html! { ul { @for line in &lines { li { (line) } } } })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let mark = match styled.choice::<Mark>(&MARK, device) {
        Some(Mark::Dot) => "\"•\"",
        Some(Mark::None) => "none",
        _ => "\"✓\"",
    };
    let run = match styled.choice::<Run>(&RUN, device) {
        Some(Run::Row) => "flex-flow:row wrap;column-gap:24px",
        _ => "flex-flow:column",
    };
    format!("{root}{{--tick:{mark}}}{root} ul{{{run}}}")
}
