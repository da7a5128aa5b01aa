use crate::ctx::{Ctx, Styled};
use crate::sheet::type_size;
use compagina_core::page::Device;
use compagina_core::page::piece::summary::SIZE;
use maud::{Markup, html};

pub(super) fn draw(ctx: &Ctx<'_>) -> Markup {
    html! { p { (ctx.product.summary) } }
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    format!("{root} p{{font-size:{}px}}", type_size(styled.chain.number(&SIZE, device)))
}
