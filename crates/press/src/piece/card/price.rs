use super::{Drawn, slot};
use crate::ctx::{Ctx, Styled};
use crate::piece::price;
use compagina_core::money::Money;
use compagina_core::page::Device;
use compagina_core::page::piece::card::price::{MEASURE, OLD, SAVING};
use compagina_core::page::piece::price::SavingAs;
use compagina_core::price::PriceTag;
use compagina_core::wording::Arg;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    slots: |ctx, _| BTreeMap::from([("tag".to_owned(), tag(ctx))]),
};

/// `£42.00`, or `from £42.00` while prices differ.
fn tag(ctx: &Ctx<'_>) -> String {
    let from = |amount: Money| ctx.say_with("card-from", &[("amount", Arg::Text(&ctx.money(amount)))]);
    if let Some(set) = ctx.card.and_then(|card| card.of_set).filter(|set| set.differs) {
        return from(Money::new(set.least, ctx.product.price.currency));
    }
    match &ctx.offer.tag {
        PriceTag::Exact(quote) => ctx.money(quote.unit),
        PriceTag::Span { from: least, .. } => from(*least),
        PriceTag::None => String::new(),
    }
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let say = price::slots(ctx);
    let text = |name: &str| say.get(name).map_or("", String::as_str);
    let is_there = |name: &str| ctx.changes() || !text(name).is_empty();
    let saving = |of: SavingAs| styled.anywhere(&SAVING, of);
    html! {
        strong.now { (slot("tag", &tag(ctx))) }
        @if styled.flag_anywhere(&OLD) && is_there("old") {
            s.old data-shows="old" hidden[text("old").is_empty()] { span.unseen { (ctx.say("price-before")) " " } (slot("old", text("old"))) }
        }
        @if saving(SavingAs::Percent) && is_there("percent") { span.saving.percent { (slot("percent", text("percent"))) } }
        @if saving(SavingAs::Amount) && is_there("amount") { span.saving.amount { (slot("amount", text("amount"))) } }
        @if styled.flag_anywhere(&MEASURE) && is_there("measure") { span.per { (slot("measure", text("measure"))) } }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let away = match styled.choice::<SavingAs>(&SAVING, device) {
        Some(SavingAs::Percent) => ".amount",
        Some(SavingAs::Amount) => ".percent",
        _ => ".saving",
    };
    let gone = [(&OLD, "old"), (&MEASURE, "per")].into_iter();
    let gone = gone.filter(|(setting, _)| !styled.chain.flag(setting, device));
    let gone: String = gone.map(|(_, class)| format!("{root} .{class}{{display:none}}")).collect();
    format!("{root} {away}{{display:none}}{gone}")
}
