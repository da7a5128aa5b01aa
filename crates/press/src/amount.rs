//! Amounts as the shop writes them: with tax or without, in its style, in the page's locale.

use compagina_core::catalog::{Product, Shop};
use compagina_core::money::{Locale, Money};
use compagina_core::price::{Period, Plan, Prices};
use compagina_core::wording::{Arg, Words};

/// An amount of a product, as shoppers see it.
#[must_use]
pub fn amount(shop: &Shop, prices: &Prices, product: &Product, amount: Money) -> String {
    whole(shop, prices, prices.as_seen(product, amount))
}

/// An amount that stands as it is: a total, a tax.
#[must_use]
pub fn whole(shop: &Shop, prices: &Prices, amount: Money) -> String {
    amount.written(shop.locale, prices.book().style)
}

/// `Every 8 weeks`
#[must_use]
pub fn plan_words(words: &Words, plan: &Plan) -> String {
    let key = match plan.period {
        Period::Weeks => "plan-weeks",
        Period::Months => "plan-months",
    };
    words.say_with(key, &[("count", Arg::Number(plan.every))])
}

/// What a line of a cart holds besides what it is: its plan, what is written onto it.
#[must_use]
pub fn besides(words: &Words, plan: Option<&Plan>, text: &str) -> Vec<String> {
    let written = text.replace('\n', " / ");
    let text = (!text.is_empty()).then(|| words.say_with("cart-text", &[("text", Arg::Text(&written))]));
    plan.map(|plan| plan_words(words, plan)).into_iter().chain(text).collect()
}

/// Hundredths of a percent as people write them: `12.5`.
pub(crate) fn percent(locale: Locale, hundredths: u32) -> String {
    let (whole, part) = (hundredths / 100, hundredths % 100);
    match format!("{part:02}").trim_end_matches('0') {
        "" => whole.to_string(),
        part => format!("{whole}{}{part}", locale.decimal_mark()),
    }
}
