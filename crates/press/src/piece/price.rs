use super::Drawn;
use super::slot;
use crate::amount::percent;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::price::{FROM, MEASURE, NOTE, OLD, OldPlace, SAVING, SavingAs, VAT};
use compagina_core::price::{PriceTag, Promise, VatShown};
use compagina_core::wording::Arg;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    ..Drawn::NOTHING
};

/// Every form of the price; which of them a piece shows is a matter of its markup and style.
pub(crate) fn slots(ctx: &Ctx<'_>) -> BTreeMap<String, String> {
    let mut say: BTreeMap<String, String> =
        ["from", "price", "old", "percent", "amount", "promise", "measure", "vat", "most"]
            .map(|name| (name.to_owned(), String::new()))
            .into();
    let mut put = |name: &str, text: String| say.insert(name.to_owned(), text);
    match &ctx.offer.tag {
        PriceTag::Exact(quote) => {
            put("price", ctx.money(quote.unit));
            if let (Some(old), Some(saving)) = (quote.old, quote.saving) {
                put("old", ctx.money(old));
                put(
                    "amount",
                    ctx.say_with("save-amount", &[("amount", Arg::Text(&ctx.money(saving.amount)))]),
                );
                if saving.percent > 0 {
                    put("percent", ctx.say_with("mark-saving", &[("percent", Arg::Number(saving.percent))]));
                }
            }
        }
        PriceTag::Span { from, .. } => {
            put("from", "from".to_owned());
            put("price", ctx.money(*from));
        }
        PriceTag::None => {
            put("price", "—".to_owned());
        }
    }
    let variant = ctx.chosen();
    if let (Some(measure), PriceTag::Exact(quote)) = (variant.and_then(|v| v.measure), &ctx.offer.tag) {
        let (per, unit) = measure.per(quote.unit);
        let arguments = [("amount", Arg::Text(&ctx.money(per))), ("unit", Arg::Text(unit.sign()))];
        say.insert("measure".to_owned(), ctx.say_with("per-measure", &arguments));
    }
    say.insert("vat".to_owned(), vat(ctx));
    say.insert("most".to_owned(), ctx.product.most_of(variant).to_string());
    if let Some(promise) = ctx.offer.promise {
        say.insert("promise".to_owned(), promised(ctx, promise));
    }
    say
}

/// `with 20 % VAT`; empty where there is none.
fn vat(ctx: &Ctx<'_>) -> String {
    let vat = &ctx.prices.book().vat;
    let rate = vat.rate(&ctx.product.kind.handle);
    let key = match vat.shown {
        _ if rate == 0 => return String::new(),
        VatShown::With => "vat-with",
        VatShown::Without => "vat-without",
    };
    ctx.say_with(key, &[("percent", Arg::Text(&percent(ctx.shop.locale, rate)))])
}

/// The condition of a price that isn't earned yet.
fn promised(ctx: &Ctx<'_>, promise: Promise) -> String {
    match (promise.pieces, promise.total) {
        (Some(pieces), _) => ctx.say_with("promise-pieces", &[("count", Arg::Number(pieces))]),
        (None, Some(total)) => ctx.say_with("promise-total", &[("amount", Arg::Text(&ctx.money(total)))]),
        (None, None) => String::new(),
    }
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let say = slots(ctx);
    let text = |name: &str| say.get(name).map_or("", String::as_str);
    html! {
        span.from data-shows="from" hidden[text("from").is_empty()] { (styled.words(&FROM)) }
        strong.now { (slot("price", text("price"))) }
        s.old data-shows="old" hidden[text("old").is_empty()] { span.unseen { (ctx.say("price-before")) " " } (slot("old", text("old"))) }
        @if styled.anywhere(&SAVING, SavingAs::Percent) { span.saving.percent { (slot("percent", text("percent"))) } }
        @if styled.anywhere(&SAVING, SavingAs::Amount) { span.saving.amount { (slot("amount", text("amount"))) } }
        span.promise { (slot("promise", text("promise"))) }
        @if styled.flag_anywhere(&MEASURE) { span.per { (slot("measure", text("measure"))) } }
        @if styled.flag_anywhere(&VAT) { span.vat { (slot("vat", text("vat"))) } }
        @if styled.has_words(&NOTE) { span.note { (styled.words(&NOTE)) } }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let old = match styled.choice::<OldPlace>(&OLD, device) {
        Some(OldPlace::Before) => "order:-1",
        Some(OldPlace::Under) => "order:1;flex-basis:100%",
        _ => "order:0",
    };
    let away = match styled.choice::<SavingAs>(&SAVING, device) {
        Some(SavingAs::Percent) => ".amount",
        Some(SavingAs::Amount) => ".percent",
        _ => ".saving",
    };
    let parts = [(&MEASURE, "per"), (&VAT, "vat")].into_iter();
    let parts = parts.filter(|(setting, _)| !styled.chain.flag(setting, device));
    let gone: String = parts.map(|(_, class)| format!("{root} .{class}{{display:none}}")).collect();
    format!("{root} .old{{{old}}}{root} {away}{{display:none}}{gone}")
}
