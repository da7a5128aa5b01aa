use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::house::House;
use compagina_core::page::Device;
use compagina_core::page::piece::title::SIZE;
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw: |ctx, _| Some(draw(ctx)), css, ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>) -> Markup {
    html! { h1 { (ctx.product.name) } }
}

fn css(root: &str, styled: &Styled<'_>, device: Device, house: &House) -> String {
    format!("{root} h1{{font-size:{}px}}", styled.pixels(&SIZE, device, house))
}
