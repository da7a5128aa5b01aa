//! What is said in a mark: on a page's pictures, on cards.

use crate::ctx::Ctx;
use compagina_core::catalog::{Product, ProductState, Stock};
use compagina_core::house::House;
use compagina_core::house::token::MARK_FEW;
use compagina_core::price::{Hindrance, PriceTag};
use compagina_core::wording::{Arg, Words};

/// What is said of a choice in a mark: its class and its words.
pub(crate) fn mark_of(ctx: &Ctx<'_>) -> Option<(&'static str, String)> {
    let Ctx { words, house, product, offer, .. } = ctx;
    // On a card nothing may be chosen yet: then it is about the product as a whole.
    let whole = ctx.card.is_some() && offer.variant.is_none();
    let gone = if whole { !product.can_be_bought() } else { offer.hindrance == Some(Hindrance::SoldOut) };
    let left = if whole {
        product.variants.iter().map(|variant| variant.stock.left()).sum()
    } else {
        offer.stock.and_then(Stock::left)
    };
    let percent = match &offer.tag {
        PriceTag::Exact(quote) => quote.saving.map_or(0, |saving| saving.percent),
        _ => 0,
    };
    let set = ctx.card.and_then(|card| card.of_set).map_or(0, |set| set.saves);
    said(words, house, product, gone, percent.max(set), left)
}

/// One mark: that it is coming, gone, for less, or nearly gone, in this order.
fn said(
    words: &Words,
    house: &House,
    product: &Product,
    gone: bool,
    percent: u32,
    left: Option<u32>,
) -> Option<(&'static str, String)> {
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
