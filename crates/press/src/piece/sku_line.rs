use super::Drawn;
use super::slot;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::sku_line::{BRAND, LABEL};
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    slots: |ctx, _| slots(ctx),
};

/// The number of the chosen variant; nothing until one is chosen.
fn slots(ctx: &Ctx<'_>) -> BTreeMap<String, String> {
    let chosen = ctx.offer.variant.and_then(|id| ctx.product.variants.iter().find(|v| v.id == id));
    let sku = chosen.map_or_else(String::new, |variant| variant.sku.clone());
    BTreeMap::from([("sku".to_owned(), sku)])
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let sku = slots(ctx).remove("sku").unwrap_or_default();
    html! {
        p {
            @if !ctx.product.brand.is_empty() && styled.flag_anywhere(&BRAND) { span.brand { (ctx.product.brand) } " " }
            span data-shows="sku" hidden[sku.is_empty()] { (styled.words(&LABEL)) " " (slot("sku", &sku)) }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    if styled.chain.flag(&BRAND, device) { String::new() } else { format!("{root} .brand{{display:none}}") }
}
