use crate::ctx::{Ctx, Styled};
use crate::sheet::type_size;
use compagina_core::page::Device;
use compagina_core::page::piece::title::SIZE;
use maud::{Markup, html};

pub(super) fn draw(ctx: &Ctx<'_>) -> Markup {
    html! { h1 { (ctx.product.name) } }
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    format!("{root} h1{{font-size:{}px}}", type_size(styled.chain.number(&SIZE, device)))
}
