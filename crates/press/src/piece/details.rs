use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::catalog::Detail;
use compagina_core::page::Device;
use compagina_core::page::piece::details::{AS, As, COLUMNS, FIRST_OPEN, TITLES, taken};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn folds(form: Option<As>) -> bool {
    !matches!(form, Some(As::Below | As::Columns))
}

/// Rows that fold by themselves, without script; on a screen that shows tabs the same rows are laid out as tabs. Where a
/// screen shows all texts at once they stand there as they are: nothing is folded that can be read.
fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let details = taken(ctx.product, &styled.chain.lines(&TITLES));
    if details.is_empty() {
        return None;
    }
    let forms = Device::ALL.map(|device| folds(styled.choice(&AS, device)));
    let tabs = styled.anywhere(&AS, As::Tabs);
    let first_open = tabs || styled.chain.flag(&FIRST_OPEN, Device::Wide);
    let name = format!("d-{}", styled.id());
    Some(html! {
        @if forms.contains(&true) {
            div.folds {
                @for (i, detail) in details.iter().enumerate() {
                    details name=(name) open[i == 0 && first_open] {
                        summary { (detail.title) }
                        (text(detail))
                    }
                }
            }
        }
        @if forms.contains(&false) {
            div.texts { @for detail in &details { section { h2 { (detail.title) } (text(detail)) } } }
        }
    })
}

fn text(detail: &Detail) -> Markup {
    html! {
        div.fold-text {
            @for paragraph in detail.text.split("\n\n").map(str::trim).filter(|p| !p.is_empty()) {
                p { (paragraph) }
            }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let form = styled.choice::<As>(&AS, device);
    let both = Device::ALL.into_iter().any(|other| folds(styled.choice(&AS, other)) != folds(form));
    let other = if folds(form) { "texts" } else { "folds" };
    let away = if both { format!("{root} .{other}{{display:none}}") } else { String::new() };
    let folds = format!("{root} .folds");
    let laid = match form {
        Some(As::Below) => format!("{root} .texts{{grid-template-columns:minmax(0,1fr)}}"),
        Some(As::Columns) => {
            let count = styled.chain.number(&COLUMNS, device);
            format!("{root} .texts{{grid-template-columns:repeat({count},minmax(0,1fr))}}")
        }
        Some(As::Folding) => format!(
            "{folds} details{{border-bottom:1px solid var(--line)}}{folds} summary{{display:flex;justify-content:space-between;padding:14px 0;font-weight:600}}{folds} summary::after{{content:\"+\";font-weight:400}}{folds} [open]>summary::after{{content:\"–\"}}{folds} .fold-text{{padding-bottom:14px}}"
        ),
        _ => format!(
            "{folds}{{display:flex;flex-wrap:wrap;column-gap:28px}}{folds} details{{display:contents}}{folds} summary{{order:0;padding:8px 0;border-bottom:2px solid transparent;color:var(--soft)}}{folds} [open]>summary{{color:var(--ink);font-weight:600;border-color:currentColor}}{folds} details::details-content{{order:1;flex-basis:100%;padding-top:14px}}"
        ),
    };
    away + &laid
}
