//! A product on a card: in listings and among related products.

use crate::ctx::{Ctx, Dealer};
use crate::house::choice_classes;
use crate::image::{Load, img};
use crate::swatch::cloth;
use compagina_core::catalog::{Product, ProductOption, ProductState, ProductValue, Stock, Way};
use compagina_core::choice::{Selection, ValueState, states};
use compagina_core::house::House;
use compagina_core::house::token::MARK_FEW;
use compagina_core::price::{Hindrance, PriceTag, Surface};
use compagina_core::wording::{Arg, Words};
use maud::{Markup, html};

/// At most so many values of an option stand on a card; the page has all.
const MOST_VALUES: usize = 8;

pub(crate) fn card(dealer: Dealer<'_>, product: &Product, with_price: bool) -> Markup {
    let Dealer { words, house, .. } = dealer;
    let states = states(product, &Selection::none(product.options.len()));
    html! {
        div.on-card {
            (whole(dealer, product, with_price))
            // Shown by the script, which opens it; without one the card itself leads to the page.
            button.quick type="button" hidden data-quick={ (product.path()) "/quick" } data-close=(words.say("quick-close")) {
                (words.say("quick-look")) span.unseen { ": " (product.name) }
            }
            @for (option, states) in product.options.iter().zip(&states) { (choices(words, house, product, option, states)) }
        }
    }
}

/// What of an option the card offers: each value leads to the page with this choice made.
fn choices(
    words: &Words,
    house: &House,
    product: &Product,
    option: &ProductOption,
    states: &[ValueState],
) -> Markup {
    let made: Vec<(&ProductValue, ValueState)> = option
        .values
        .iter()
        .zip(states.iter().copied())
        .filter(|(_, state)| *state != ValueState::NotMade)
        .collect();
    let value = |(value, state): &(&ProductValue, ValueState)| {
        let cloth = if option.card == Way::Swatches { cloth(value, house) } else { None };
        let gone = *state == ValueState::SoldOut && product.is_sold();
        html! {
            a.value.swatch[cloth.is_some()].word[cloth.is_none()] title=(value.spoken())
                data-state=(if gone { "sold_out" } else { "open" })
                href={ (product.path()) "?" (option.handle) "=" (value.handle) } {
                @if let Some(cloth) = cloth { (cloth) span.unseen { (product.name) ", " (value.spoken()) } }
                @else { span.unseen { (product.name) ", " } span.text { (value.name) } }
                @if gone { span.unseen { ", " (words.say("state-sold-out")) } }
            }
        }
    };
    let row = html! {
        div class={ "values " (choice_classes(house)) } { @for one in made.iter().take(MOST_VALUES) { (value(one)) }
            @if made.len() > MOST_VALUES { a.more href={ (product.path()) } { "+" (made.len() - MOST_VALUES) span.unseen { " " (option.name) } } }
        }
    };
    html! {
        @match option.card {
            _ if made.len() < 2 => {}
            Way::Nothing => {}
            Way::List => { details.card-list { summary { (option.name) } (row) } }
            Way::Swatches | Way::Buttons | Way::Radios => { (row) }
        }
    }
}

fn whole(dealer: Dealer<'_>, product: &Product, with_price: bool) -> Markup {
    let Dealer { shop, words, prices, house } = dealer;
    let money = |amount| crate::amount::amount(shop, prices, product, amount);
    let selection = Selection::none(product.options.len());
    let tag = prices.offer(product, &selection, 1, Surface::Card).map(|o| o.tag).unwrap_or(PriceTag::None);
    html! {
        a.card href={ (product.path()) } {
            div.card-picture {
                @if let Some(picture) = product.lead_picture() { (img(picture, "(max-width:640px) 50vw, 300px", Load::Later)) }
                @else { span.no-picture { (product.name) } }
                @if let Some(mark) = mark(words, house, product, &tag) { (mark) }
            }
            span.card-name { (product.name) }
            @if with_price {
                span.card-price {
                    @match tag {
                        PriceTag::Exact(quote) => {
                            (money(quote.unit))
                            @if let Some(old) = quote.old { " " s { (money(old)) } }
                        }
                        PriceTag::Span { from, .. } => { (words.say_with("card-from", &[("amount", Arg::Text(&money(from)))])) }
                        PriceTag::None => {}
                    }
                }
            }
        }
    }
}

/// What is said over the picture, in the house style's marks.
fn mark(words: &Words, house: &House, product: &Product, tag: &PriceTag) -> Option<Markup> {
    let left = product.variants.iter().map(|variant| variant.stock.left()).sum();
    let (class, said) = said(words, house, product, !product.can_be_bought(), tag, left)?;
    Some(html! { span class={ "badge " (class) } { (said) } })
}

/// The same for a choice: the class of the mark and its words.
pub(crate) fn mark_of(ctx: &Ctx<'_>) -> Option<(&'static str, String)> {
    let Ctx { words, house, product, offer, .. } = ctx;
    let left = offer.stock.and_then(Stock::left);
    said(words, house, product, offer.hindrance == Some(Hindrance::SoldOut), &offer.tag, left)
}

/// One mark: that it is coming, gone, for less, or nearly gone, in this order.
fn said(
    words: &Words,
    house: &House,
    product: &Product,
    gone: bool,
    tag: &PriceTag,
    left: Option<u32>,
) -> Option<(&'static str, String)> {
    let percent = match tag {
        PriceTag::Exact(quote) => quote.saving.map_or(0, |saving| saving.percent),
        _ => 0,
    };
    let few = left.filter(|left| i64::from(*left) <= house.number(&MARK_FEW));
    Some(match (product.state, few) {
        (ProductState::New | ProductState::ComingSoon, _) => ("coming", words.say("mark-coming-soon")),
        (ProductState::Withdrawn, _) => ("gone", words.say("mark-sold-out")),
        _ if gone => ("gone", words.say("mark-sold-out")),
        _ if percent > 0 => ("sale", words.say_with("mark-saving", &[("percent", Arg::Number(percent))])),
        (_, Some(left)) => ("few", words.say_with("mark-few", &[("count", Arg::Number(left))])),
        _ => return None,
    })
}
