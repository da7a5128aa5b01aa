use super::Drawn;
use crate::ctx::Styled;
use compagina_core::page::Device;
use compagina_core::page::piece::questions::{FIRST_OPEN, HEADING, QUESTIONS};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw: |_, styled| draw(styled), ..Drawn::NOTHING };

/// Native rows that fold: they work without script, by keyboard and in the browser's own search.
fn draw(styled: &Styled<'_>) -> Option<Markup> {
    let questions = styled.entries(&QUESTIONS);
    if questions.is_empty() {
        return None;
    }
    let first_open = styled.chain.flag(&FIRST_OPEN, Device::Wide);
    Some(html! {
        (styled.heading(&HEADING))
        div.rows {
            @for (i, row) in questions.iter().enumerate() {
                details open[i == 0 && first_open] {
                    summary { (row[0]) }
                    div.fold-text { p { (row.get(1).map_or("", String::as_str)) } }
                }
            }
        }
    })
}
