use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::comparison::{HEADING, LIFT, STRIPES, TABLE};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let rows = styled.chain.rows(&TABLE);
    let lift = usize::try_from(styled.chain.number(&LIFT, Device::Wide)).unwrap_or(0);
    let table = table(ctx, &rows, lift)?;
    Some(html! { (styled.heading(&HEADING)) (table) })
}

/// A table that slides sideways where it is wider than its place. The first row and column are heads.
pub(super) fn table(ctx: &Ctx<'_>, rows: &[Vec<String>], lift: usize) -> Option<Markup> {
    let (head, body) = rows.split_first()?;
    let lifted = |place: usize| (lift > 1 && place + 1 == lift).then_some("lifted");
    Some(html! {
        div.slides-over tabindex="0" role="group" aria-label=(ctx.say("slide-region")) {
            table {
                thead { tr { @for (c, cell) in head.iter().enumerate() {
                    @if cell.is_empty() { td {} } @else { th scope="col" class=[lifted(c)] { (cell) } }
                } } }
                tbody {
                    @for row in body {
                        tr {
                            @for (c, cell) in row.iter().enumerate() {
                                @if c == 0 { th scope="row" { (cell) } } @else { td class=[lifted(c)] { (cell) } }
                            }
                        }
                    }
                }
            }
        }
    })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    stripes(root, styled.chain.flag(&STRIPES, device))
}

pub(super) fn stripes(root: &str, striped: bool) -> String {
    if striped { format!("{root} tbody tr:nth-child(odd){{background:var(--tint)}}") } else { String::new() }
}
