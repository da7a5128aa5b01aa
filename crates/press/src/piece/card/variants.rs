use super::{Drawn, to_page};
use crate::ctx::{Ctx, Styled, per_device};
use compagina_core::catalog::Variant;
use compagina_core::choice::Selection;
use compagina_core::page::Device;
use compagina_core::page::piece::card::variants::{BUYS, MOST, PRICES};
use compagina_core::price::hindrance;
use maud::{Markup, html};

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

/// A line for each variant: one that chooses it, or one that buys it at once.
fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let card = ctx.card?;
    let variants = &ctx.product.variants;
    if variants.len() < 2 {
        return None;
    }
    let on_page = super::buy::leads_to_page(ctx);
    let buys = styled.chain.flag(&BUYS, Device::Wide);
    let more = Device::ALL.map(|device| {
        let most = usize::try_from(styled.chain.number(&MOST, device)).unwrap_or(1);
        if variants.len() > most { format!("+{}", variants.len() - most) } else { String::new() }
    });
    let most = styled.most(&MOST);
    Some(html! {
        ul.card-lines {
            @for variant in variants.iter().take(most) { li { (line(ctx, styled, variant, &card.form, (buys, on_page))) } }
        }
        @if more.iter().any(|words| !words.is_empty()) { a.more href=(to_page(ctx)) data-to[ctx.changes()] { (per_device(&more)) } }
    })
}

fn line(
    ctx: &Ctx<'_>,
    styled: &Styled<'_>,
    variant: &Variant,
    form: &str,
    (buys, on_page): (bool, bool),
) -> Markup {
    let selection = Selection::of_variant(ctx.product, variant);
    let key = selection.to_query(ctx.product);
    let names = ctx.product.names_of(variant).collect::<Vec<_>>().join(" · ");
    let names = if names.is_empty() { variant.sku.clone() } else { names };
    let gone = ctx.product.is_sold() && !variant.stock.is_in();
    let off = hindrance(ctx.product, variant, ctx.product.terms.first()).is_some();
    let state = if gone { "sold_out" } else { "open" };
    let price = ctx.prices.shown(ctx.product, variant, 1, ctx.place).ok().map(|shown| shown.quote);
    let inner = html! {
        span.text { (names) }
        @if gone { span.gone { (ctx.say("state-sold-out")) } }
        @if let Some(quote) = price.filter(|_| styled.flag_anywhere(&PRICES)) {
            span.line-price { (ctx.money(quote.unit)) @if let Some(old) = quote.old { " " s { (ctx.money(old)) } } }
        }
    };
    html! {
        @if on_page { a.line href={ (ctx.product.path()) "?" (key) } data-state=(state) { (inner) } }
        @else if buys {
            button.line type="submit" form=(form) name="sku" value=(variant.sku) data-state=(state) disabled[off] { (inner) }
        } @else {
            label.line data-state=(state) {
                input type="radio" form=(form) name="sku" value=(variant.sku) data-line=(key) checked[ctx.offer.variant == Some(variant.id)];
                (inner)
            }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let from = styled.chain.number(&MOST, device) + 1;
    let price = if styled.chain.flag(&PRICES, device) {
        String::new()
    } else {
        format!("{root} .line-price{{display:none}}")
    };
    format!("{root} li:nth-child(n+{from}){{display:none}}{price}")
}
