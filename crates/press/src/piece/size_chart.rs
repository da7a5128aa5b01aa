use super::Drawn;
use super::comparison::table;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::size_chart::{AS, As, HEADING, NOTE, TABLE};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw, ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let table = table(ctx, &styled.chain.rows(&TABLE), 0)?;
    let open = styled.choice::<As>(&AS, Device::Wide) == Some(As::Open);
    Some(html! {
        div.rows {
            details open[open] {
                summary { (styled.words(&HEADING)) }
                div.fold-text {
                    (table)
                    @if styled.has_words(&NOTE) { p.soft { (styled.words(&NOTE)) } }
                }
            }
        }
    })
}
