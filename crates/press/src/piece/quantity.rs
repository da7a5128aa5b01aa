use super::Drawn;
use super::slot;
use crate::ctx::{Ctx, Styled};
use compagina_core::catalog::Terms;
use compagina_core::page::Device;
use compagina_core::page::piece::quantity::{BESIDE, LABEL};
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    slots: |ctx, _| slots(ctx),
};

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let Terms { step, .. } = ctx.product.terms;
    let first = ctx.product.terms.first();
    let most = ctx.product.most_of(ctx.chosen()).max(first);
    html! {
        label {
            span { (styled.words(&LABEL)) }
            input type="number" form="buy" name="quantity" inputmode="numeric" min=(first) step=[(step > 1).then_some(step)]
                max=(most) data-most="most" value=(ctx.situation.quantity.max(first));
        }
        @if first > 1 || step > 1 { span.hint { (slot("terms", &terms(ctx))) } }
    }
}

/// `At least 4, in steps of 2.`
fn terms(ctx: &Ctx<'_>) -> String {
    let (first, step) = (ctx.product.terms.first(), ctx.product.terms.step);
    let count = |key, number| ctx.say_with(key, &[("count", Arg::Number(number))]);
    match (first > step, step > 1) {
        (true, true) => {
            ctx.say_with("hint-least-steps", &[("least", Arg::Number(first)), ("step", Arg::Number(step))])
        }
        (true, false) => count("hint-least", first),
        (false, true) => count("hint-steps", step),
        (false, false) => String::new(),
    }
}

fn slots(ctx: &Ctx<'_>) -> std::collections::BTreeMap<String, String> {
    std::collections::BTreeMap::from([("terms".to_owned(), terms(ctx))])
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let flow = if styled.chain.flag(&BESIDE, device) { "row" } else { "column" };
    let align = if flow == "row" { "center" } else { "flex-start" };
    format!("{root} label{{flex-direction:{flow};align-items:{align}}}")
}
