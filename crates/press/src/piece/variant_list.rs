use super::Drawn;
use crate::ctx::{Ctx, Styled};
use crate::image::thumb;
use compagina_core::catalog::Variant;
use compagina_core::choice::Selection;
use compagina_core::page::piece::variant_list::{HEADING, LEFT_OUT, MOST, PICTURES, PRICES};
use compagina_core::page::{Device, Kind};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

/// A line for each variant. A line leads to the page with this choice made; the script makes it at once.
fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let out = styled.chain.lines(&LEFT_OUT);
    let offered: Vec<&Variant> = ctx
        .product
        .variants
        .iter()
        .filter(|variant| !out.iter().any(|sku| sku.trim().eq_ignore_ascii_case(&variant.sku)))
        .take(styled.most(&MOST))
        .collect();
    if offered.len() < 2 {
        return None;
    }
    Some(html! {
        (styled.heading(&HEADING))
        ul.variant-list { @for variant in offered { li { (line(ctx, styled, variant)) } } }
        (carried(ctx))
    })
}

fn line(ctx: &Ctx<'_>, styled: &Styled<'_>, variant: &Variant) -> Markup {
    let selection = Selection::of_variant(ctx.product, variant);
    let key = selection.to_query(ctx.product);
    let names: Vec<&str> = ctx.product.names_of(variant).collect();
    let chosen = ctx.offer.variant == Some(variant.id);
    let gone = ctx.product.is_sold() && !variant.stock.is_in();
    let picture = ctx.product.picture_of(variant);
    let price = ctx.prices.shown(ctx.product, variant, 1, ctx.place).ok().map(|shown| shown.quote);
    html! {
        a href={ (ctx.product.path()) "?" (key) } data-key=(key) data-state=(if gone { "sold_out" } else { "open" })
            aria-current=[chosen.then_some("true")] {
            @if styled.flag_anywhere(&PICTURES) { span.pic { @if let Some(picture) = picture { (thumb(picture)) } } }
            span.text { @if names.is_empty() { (variant.sku) } @else { (names.join(" · ")) } }
            @if gone { span.gone { (ctx.say("state-sold-out")) } }
            @if let Some(quote) = price.filter(|_| styled.flag_anywhere(&PRICES)) {
                span.line-price { (ctx.money(quote.unit)) @if let Some(old) = quote.old { " " s { (ctx.money(old)) } } }
            }
        }
    }
}

/// Where no options piece carries the choice into the cart, hidden fields do.
fn carried(ctx: &Ctx<'_>) -> Markup {
    let by_others = ctx.layout.first_of(Kind::Options).is_some();
    html! {
        @if !by_others {
            @for (place, option) in ctx.product.options.iter().enumerate() {
                @let value = ctx.offer.selection.get(place).and_then(|v| option.values.get(usize::from(v)));
                input type="hidden" form="buy" name=(option.handle) data-carry value=(value.map_or("", |v| v.handle.as_str()));
            }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let shown = |setting, class: &str| {
        if styled.chain.flag(setting, device) {
            String::new()
        } else {
            format!("{root} .{class}{{display:none}}")
        }
    };
    format!("{}{}", shown(&PICTURES, "pic"), shown(&PRICES, "line-price"))
}
