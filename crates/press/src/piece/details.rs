use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::details::{AS, As, FIRST_OPEN};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    ..Drawn::NOTHING
};

/// Rows that fold by themselves, without script; on a screen that shows tabs the same rows are laid out as tabs.
fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let tabs = styled.anywhere(&AS, As::Tabs);
    let first_open = tabs || styled.chain.flag(&FIRST_OPEN, Device::Wide);
    let name = format!("d-{}", styled.id());
    html! {
        div.folds {
            @for (i, detail) in ctx.product.details.iter().enumerate() {
                details name=(name) open[i == 0 && first_open] {
                    summary { (detail.title) }
                    div.fold-text {
                        @for paragraph in detail.text.split("\n\n").map(str::trim).filter(|p| !p.is_empty()) {
                            p { (paragraph) }
                        }
                    }
                }
            }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let folds = format!("{root} .folds");
    match styled.choice::<As>(&AS, device) {
        Some(As::Folding) => format!(
            "{folds} details{{border-bottom:1px solid var(--line)}}{folds} summary{{display:flex;justify-content:space-between;padding:14px 0;font-weight:600}}{folds} summary::after{{content:\"+\";font-weight:400}}{folds} [open]>summary::after{{content:\"–\"}}{folds} .fold-text{{padding-bottom:14px}}"
        ),
        _ => format!(
            "{folds}{{display:flex;flex-wrap:wrap;column-gap:28px}}{folds} details{{display:contents}}{folds} summary{{order:0;padding:8px 0;border-bottom:2px solid transparent;color:var(--soft)}}{folds} [open]>summary{{color:var(--ink);font-weight:600;border-color:currentColor}}{folds} details::details-content{{order:1;flex-basis:100%;padding-top:14px}}"
        ),
    }
}
