use super::Drawn;
use super::comparison::stripes;
use crate::ctx::{Ctx, Styled};
use crate::swatch::cloth;
use compagina_core::page::Device;
use compagina_core::page::piece::facts::{COLUMNS, HEADING, OPTIONS, STRIPES};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    ..Drawn::NOTHING
};

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    html! {
        (styled.heading(&HEADING))
        dl.facts {
            @for fact in &ctx.product.facts { div { dt { (fact.name) } dd { (fact.value) } } }
            @if styled.chain.flag(&OPTIONS, Device::Wide) {
                @for option in &ctx.product.options {
                    div { dt { (option.name) } dd.swatches { @for value in &option.values {
                        span { @if let Some(cloth) = cloth(value, ctx.house) { (cloth) } (value.name) }
                    } } }
                }
            }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let columns = styled.chain.number(&COLUMNS, device);
    let striped = stripes(root, styled.chain.flag(&STRIPES, device)).replace("tbody tr", ".facts>div");
    format!("{root} .facts{{columns:{columns}}}{striped}")
}
