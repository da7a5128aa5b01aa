use super::Drawn;
use crate::ctx::Styled;
use compagina_core::house::House;
use compagina_core::page::Device;
use compagina_core::page::piece::space::HEIGHT;
use maud::Markup;

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw: |_, _| Some(Markup::default()), css, ..Drawn::NOTHING };

fn css(root: &str, styled: &Styled<'_>, device: Device, house: &House) -> String {
    format!("{root}{{height:{}px}}", styled.pixels(&HEIGHT, device, house))
}
