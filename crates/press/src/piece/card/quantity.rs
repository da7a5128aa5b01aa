use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::card::quantity::{LABEL, LABELLED};
use maud::{Markup, html};

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let card = ctx.card?;
    let (first, step) = (ctx.product.terms.first(), ctx.product.terms.step);
    let most = ctx.product.most_of(ctx.chosen()).max(first);
    Some(html! {
        label {
            span.label { (styled.words(&LABEL)) }
            input type="number" form=(card.form) name="quantity" inputmode="numeric" min=(first) step=[(step > 1).then_some(step)]
                max=(most) data-most="most" value=(ctx.situation.quantity.max(first));
        }
    })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    if styled.chain.flag(&LABELLED, device) {
        return String::new();
    }
    format!("{root} .label{{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}}")
}
