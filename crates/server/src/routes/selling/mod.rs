//! How one product is sold: price, limits, what can be written onto it.

use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::product::find;
use crate::session::Caller;
use crate::state::State;
use actix_web::web::{Data, Json, Path};
use actix_web::{get, put};
use compagina_core::catalog::{Product, ProductState, Selling, Signs, Terms, TextTerms};
use compagina_core::format::read_amount;
use compagina_core::money::{Currency, Money};
use compagina_core::price::{OldFrom, PriceChange};
use compagina_core::time::Local;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// How a product is sold, as an owner writes it: amounts as plain numbers.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SellingForm {
    state: ProductState,
    price: String,
    /// Empty for none.
    old_price: String,
    /// None where one order may hold any number.
    most_per_order: Option<u32>,
    least: u32,
    step: u32,
    text: Option<TextForm>,
}

/// What is to be otherwise.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SellingChange {
    /// That of which it was made: where somebody else has changed the same field since, nothing is kept.
    was: SellingForm,
    selling: SellingForm,
}

/// What a shopper may write onto it.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TextForm {
    label: String,
    lines: u32,
    most: u32,
    signs: Signs,
    surcharge: String,
    needed: bool,
}

#[derive(Serialize, ToSchema)]
pub struct SellingView {
    name: String,
    currency: Currency,
    #[serde(flatten)]
    selling: SellingForm,
    /// What it cost before, the newest change first.
    history: Vec<PastPriceView>,
    /// A typed old price that is above what the history bears out: the lowest price that does.
    overstated: Option<Money>,
    /// The same as a plain number; empty where nothing is.
    honest: String,
}

/// A price that was, until a time by the shop's clocks.
#[derive(Serialize, ToSchema)]
pub struct PastPriceView {
    /// The SKU of a variant with a price of its own; none for the product's price.
    sku: Option<String>,
    /// None where the variant took the product's price.
    was: Option<Money>,
    until: Local,
}

/// How a product is sold.
#[utoipa::path(operation_id = "show_selling", params(("handle" = String, Path)),
    responses((status = 200, body = SellingView), (status = 404, body = ApiError)))]
#[get("/products/{handle}/selling")]
pub async fn show(state: Data<State>, _caller: Caller, handle: Path<String>) -> ApiResult<Json<SellingView>> {
    Ok(Json(view(&state, &handle).await?))
}

/// Sets how a product is sold. A change of its price goes into the price history.
#[utoipa::path(operation_id = "set_selling", params(("handle" = String, Path)), request_body = SellingChange,
    responses((status = 200, body = SellingView), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[put("/products/{handle}/selling")]
pub async fn set(
    state: Data<State>,
    caller: Caller,
    handle: Path<String>,
    wanted: Json<SellingChange>,
) -> ApiResult<Json<SellingView>> {
    let product = find(&state, &handle).await?;
    let SellingChange { was, selling } = wanted.into_inner();
    let (was, selling) = (read(was, product.price.currency)?, read(selling, product.price.currency)?);
    selling.terms.check(selling.most_per_order).map_err(ApiError::refused)?;
    state.store.by(caller.by()).set_selling(product.id, &was, &selling).await?;
    Ok(Json(view(&state, &handle).await?))
}

async fn view(state: &State, handle: &str) -> ApiResult<SellingView> {
    let product = find(state, handle).await?;
    let zone = state.store.zone().await?;
    let prices = state.store.prices(now()).await?.with_past(state.store.past_prices().await?);
    // Where old prices come from the history, what is typed isn't shown.
    let typed = prices.book().old == OldFrom::Typed;
    let mut told = product.variants.iter().filter(|_| typed).filter_map(|v| prices.overstated(&product, v));
    let overstated = told.next();
    let past = |change: &PriceChange| PastPriceView {
        sku: change
            .variant
            .and_then(|id| product.variants.iter().find(|v| v.id == id))
            .map(|v| v.sku.clone()),
        was: change.was.map(|minor| Money::new(minor, product.price.currency)),
        until: zone.local(change.at),
    };
    Ok(SellingView {
        history: product.history.iter().rev().take(20).map(past).collect(),
        honest: overstated.map(|(_, lowest)| lowest.amount.plain()).unwrap_or_default(),
        overstated: overstated.map(|(_, lowest)| lowest.amount),
        currency: product.price.currency,
        selling: form(&product),
        name: product.name,
    })
}

fn form(product: &Product) -> SellingForm {
    let currency = product.price.currency;
    let text = |text: &TextTerms| TextForm {
        label: text.label.clone(),
        lines: text.lines,
        most: text.most,
        signs: text.signs,
        surcharge: Money::new(text.surcharge, currency).plain(),
        needed: text.needed,
    };
    SellingForm {
        state: product.state,
        price: product.price.plain(),
        old_price: product.old_price.map(Money::plain).unwrap_or_default(),
        most_per_order: product.most_per_order,
        least: product.terms.least,
        step: product.terms.step,
        text: product.terms.text.as_ref().map(text),
    }
}

fn read(form: SellingForm, currency: Currency) -> ApiResult<Selling> {
    let amount = |what: &str, text: &str| {
        read_amount(text.trim(), currency).map_err(|why| ApiError::refused(format!("{what}: {why}")))
    };
    let text = match form.text {
        Some(text) => Some(TextTerms {
            surcharge: amount("Surcharge", &text.surcharge)?.unwrap_or(0),
            label: text.label.trim().to_owned(),
            lines: text.lines,
            most: text.most,
            signs: text.signs,
            needed: text.needed,
        }),
        None => None,
    };
    if form.most_per_order == Some(0) {
        return Err(ApiError::refused("one order holds at least one; leave the field empty for any number"));
    }
    let price = amount("Price", &form.price)?;
    Ok(Selling {
        state: form.state,
        price_minor: price.ok_or_else(|| ApiError::refused("Price: a product needs one, if only 0"))?,
        old_price_minor: amount("Old price", &form.old_price)?,
        most_per_order: form.most_per_order,
        terms: Terms { least: form.least, step: form.step, text },
    })
}
