//! A product on a card: in listings and among related products.

use compagina_core::catalog::{Product, ProductState, Shop};
use compagina_core::choice::Selection;
use compagina_core::price::{Tag, offer};
use maud::{Markup, html};

pub(crate) fn card(shop: &Shop, product: &Product, with_price: bool) -> Markup {
    let tag = offer(product, &Selection::none(product.options.len()), 1).map(|o| o.tag).unwrap_or(Tag::None);
    html! {
        a.card href={ "/shop/products/" (product.handle) } {
            div.card-picture {
                @if let Some(picture) = product.lead_picture() { (crate::piece::gallery::img(picture, "(max-width:640px) 50vw, 300px", true)) }
                @else { span.no-picture { (product.name) } }
                @if let Some(mark) = mark(product, &tag) { span.badge { (mark) } }
            }
            span.card-name { (product.name) }
            @if with_price {
                span.card-price {
                    @match tag {
                        Tag::Exact(quote) => {
                            (quote.unit.format(shop.locale))
                            @if let Some(old) = quote.old { " " s { (old.format(shop.locale)) } }
                        }
                        Tag::Span { from, .. } => { "from " (from.format(shop.locale)) }
                        Tag::None => {}
                    }
                }
            }
        }
    }
}

fn mark(product: &Product, tag: &Tag) -> Option<String> {
    match (product.state, tag) {
        (ProductState::ComingSoon, _) => Some("Coming soon".into()),
        _ if !product.can_be_bought() => Some("Sold out".into()),
        (_, Tag::Exact(quote)) => quote.saving.filter(|s| s.percent > 0).map(|s| format!("−{} %", s.percent)),
        _ => None,
    }
}
