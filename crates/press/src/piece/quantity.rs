use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::quantity::{BESIDE, LABEL};
use maud::{Markup, html};

pub(super) fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let most = ctx.product.most_per_order.unwrap_or(99);
    html! {
        label {
            span { (styled.words(&LABEL)) }
            input type="number" form="buy" name="quantity" inputmode="numeric" min="1" max=(most) value=(ctx.situation.quantity);
        }
    }
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let flow = if styled.chain.flag(&BESIDE, device) { "row" } else { "column" };
    let align = if flow == "row" { "center" } else { "flex-start" };
    format!("{root} label{{flex-direction:{flow};align-items:{align}}}")
}
