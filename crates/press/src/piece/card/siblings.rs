use super::Drawn;
use super::choices::{more_link, values_css};
use crate::ctx::{Ctx, Styled};
use crate::piece::siblings::{Look, Row, as_swatches, link, rows, slots};
use compagina_core::house::looks::Names;
use compagina_core::page::piece::card::choices::{BUTTONS_AS, NAMES, SOLD_OUT};
use compagina_core::page::piece::card::siblings::{EACH, MOST};
use compagina_core::page::{Choice, Device};
use maud::{Markup, html};

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn = Drawn {
    draw,
    css: |root, styled, device, _| values_css(root, styled, device, &MOST),
    slots: |ctx, _| slots(ctx),
};

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let each = styled.chain.flag(&EACH, Device::Wide);
    let rows: Vec<Row<'_>> = rows(ctx, styled).into_iter().filter(|(set, _)| each || set.one_card).collect();
    if rows.is_empty() {
        return None;
    }
    let names = styled.choice(&NAMES, Device::Wide).unwrap_or(Names::Hover);
    let look = Look { names, swatches: as_swatches(styled) };
    let as_set = |setting| styled.chain.text(setting, Device::Wide);
    Some(html! {
        div class={ "sold-" (as_set(&SOLD_OUT)) " buttons-" (as_set(&BUTTONS_AS)) " names-" (names.name()) } {
            @for (set, shown) in &rows {
                div.card-option role="group" aria-label={ (ctx.product.name) ": " (set.name) } {
                    div.values {
                        @for one in shown { (link(ctx, look, one)) }
                        (more_link(ctx, styled, (shown.len(), &MOST), &ctx.product.name))
                    }
                }
            }
        }
    })
}
