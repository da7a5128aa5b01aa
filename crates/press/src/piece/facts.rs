use super::comparison::stripes;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::facts::{COLUMNS, HEADING, STRIPES};
use maud::{Markup, html};

pub(super) fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    html! {
        (styled.heading(&HEADING))
        dl.facts { @for fact in &ctx.product.facts { div { dt { (fact.name) } dd { (fact.value) } } } }
    }
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let columns = styled.chain.number(&COLUMNS, device);
    let striped = stripes(root, styled.chain.flag(&STRIPES, device)).replace("tbody tr", ".facts>div");
    format!("{root} .facts{{columns:{columns}}}{striped}")
}
