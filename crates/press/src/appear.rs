//! Whether something appears: by the product, the cart and the day.

use crate::ctx::Ctx;
use compagina_core::catalog::Product;
use compagina_core::money::Locale;
use compagina_core::page::piece::shared;
use compagina_core::page::{Facts, Values, Verdict, judge};
use compagina_core::price::Prices;
use compagina_core::situation::Situation;
use compagina_core::style::Chain;

/// Whether something appears, for this product, cart and day.
#[must_use]
pub fn verdict(
    locale: Locale,
    prices: &Prices,
    product: &Product,
    situation: &Situation,
    values: &Values,
) -> Verdict {
    let rule = Chain::of_template(values).rule(&shared::APPEARS);
    judge(&rule, &Facts { product, cart: &situation.cart, day: &situation.day, prices, locale })
}

pub(crate) fn appears(ctx: &Ctx<'_>, values: &Values) -> bool {
    verdict(ctx.shop.locale, ctx.prices, ctx.product, ctx.situation, values).holds
}
