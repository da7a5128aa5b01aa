use super::Drawn;
use super::{device_slots, draw_slots};
use crate::ctx::{Ctx, Styled};
use compagina_core::catalog::Stock;
use compagina_core::page::Device;
use compagina_core::page::piece::stock_line::{FEW, IN_STOCK, LOW, OUT, OUT_WHOLLY, UNDECIDED, WHEN, When};
use compagina_core::price::Hindrance;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw: |ctx, styled| Some(draw(ctx, styled)), slots, ..Drawn::NOTHING };

fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    device_slots(&name(styled), Device::ALL.map(|device| line(ctx, styled, device)))
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    html! { p aria-live="polite" { (draw_slots(&name(styled), &slots(ctx, styled))) } }
}

fn name(styled: &Styled<'_>) -> String {
    format!("stock.{}", styled.id())
}

fn line(ctx: &Ctx<'_>, styled: &Styled<'_>, device: Device) -> String {
    if !ctx.product.is_sold() {
        return String::new();
    }
    let chain = &styled.chain;
    let few = chain.number(&FEW, device);
    let always = chain.choice(&WHEN, device) != Some(When::Matters);
    let gone = ctx.offer.hindrance == Some(Hindrance::SoldOut);
    match ctx.offer.stock {
        _ if gone && !ctx.product.can_be_bought() => chain.text(&OUT_WHOLLY, device),
        Some(Stock::Counted(0)) => chain.text(&OUT, device),
        Some(Stock::Counted(left)) if i64::from(left) <= few => {
            chain.text(&LOW, device).replace("{count}", &left.to_string())
        }
        None if always => chain.text(&UNDECIDED, device),
        Some(_) if always => chain.text(&IN_STOCK, device),
        _ => String::new(),
    }
}
