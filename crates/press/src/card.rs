//! A product on a card: in listings and among related products.

use crate::image::{Load, img};
use compagina_core::catalog::{Product, ProductState, Shop};
use compagina_core::choice::Selection;
use compagina_core::price::{Hindrance, Offer, Tag, offer};
use compagina_core::wording::{Arg, Words};
use maud::{Markup, html};

pub(crate) fn card(shop: &Shop, words: &Words, product: &Product, with_price: bool) -> Markup {
    let tag = offer(product, &Selection::none(product.options.len()), 1).map(|o| o.tag).unwrap_or(Tag::None);
    html! {
        a.card href={ "/shop/products/" (product.handle) } {
            div.card-picture {
                @if let Some(picture) = product.lead_picture() { (img(picture, "(max-width:640px) 50vw, 300px", Load::Later)) }
                @else { span.no-picture { (product.name) } }
                @if let Some(mark) = mark(words, product, &tag) { (mark) }
            }
            span.card-name { (product.name) }
            @if with_price {
                span.card-price {
                    @match tag {
                        Tag::Exact(quote) => {
                            (quote.unit.format(shop.locale))
                            @if let Some(old) = quote.old { " " s { (old.format(shop.locale)) } }
                        }
                        Tag::Span { from, .. } => { (words.say_with("card-from", &[("amount", Arg::Text(&from.format(shop.locale)))])) }
                        Tag::None => {}
                    }
                }
            }
        }
    }
}

/// What is said over the picture, in the house style's marks.
fn mark(words: &Words, product: &Product, tag: &Tag) -> Option<Markup> {
    let (class, said) = said(words, product, !product.can_be_bought(), tag)?;
    Some(html! { span class={ "badge " (class) } { (said) } })
}

/// The same for a choice: the class of the mark and its words.
pub(crate) fn mark_of(words: &Words, product: &Product, offer: &Offer) -> Option<(&'static str, String)> {
    said(words, product, offer.hindrance == Some(Hindrance::SoldOut), &offer.tag)
}

fn said(words: &Words, product: &Product, gone: bool, tag: &Tag) -> Option<(&'static str, String)> {
    Some(match (product.state, tag) {
        (ProductState::ComingSoon, _) => ("coming", words.say("mark-coming-soon")),
        _ if gone => ("gone", words.say("mark-sold-out")),
        (_, Tag::Exact(quote)) => {
            let percent = quote.saving.map(|s| s.percent).filter(|percent| *percent > 0)?;
            ("sale", words.say_with("mark-saving", &[("percent", Arg::Number(percent))]))
        }
        _ => return None,
    })
}
