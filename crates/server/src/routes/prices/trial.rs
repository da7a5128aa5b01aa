use super::{plan_says, prices_of_draft};
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::product::find;
use crate::serving::edition::{everywhere, listed};
use crate::session::Caller;
use crate::state::State;
use actix_web::post;
use actix_web::web::{Data, Json};
use compagina_core::catalog::{Product, Variant};
use compagina_core::ids::Handle;
use compagina_core::money::Money;
use compagina_core::price::{Extras, Lowest, Next, Outcome, PlanId, PriceBook, Priced, RuleId, Saving, Work};
use compagina_core::time::Local;
use compagina_storage::{Document, DocumentName};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// What is put onto the bench.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Try {
    /// A product by its handle, and one of its variants by its SKU; the first where there is none.
    product: String,
    sku: Option<String>,
    quantity: u32,
    /// What is in the cart besides.
    #[serde(default)]
    cart: Vec<TryLine>,
    /// By the shop's clocks; now where there is none.
    at: Option<Local>,
    /// By which plan it is bought; once without one.
    plan: Option<PlanId>,
    /// Whether something is written onto it.
    #[serde(default)]
    written: bool,
}

#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TryLine {
    product: String,
    sku: Option<String>,
    quantity: u32,
}

/// A price with its working, under the draft.
#[derive(Serialize, ToSchema)]
pub struct Tried {
    sku: String,
    skus: Vec<String>,
    base: Money,
    unit: Money,
    old: Option<Money>,
    saving: Option<Saving>,
    line: Money,
    next: Option<Next>,
    working: Vec<WorkView>,
    /// How many other rules aren't for this.
    others: usize,
    /// The plans by which it can be bought, and what the one tried makes of the price.
    plans: Vec<TriedPlan>,
    /// Whether it can be bought without a plan.
    once: bool,
    /// The price that the rules make, before a plan and what is written onto it.
    ruled: Money,
    planned: Option<Money>,
    /// What writing onto it adds; none where nothing can be.
    surcharge: Option<Money>,
    /// The lowest price before the present one, from the history.
    lowest: Option<Lowest>,
    lowest_at: Option<Local>,
    /// Unit price by quantity, without the cart.
    ladder: Vec<Rung>,
    at: Local,
}

/// What one rule did.
#[derive(Serialize, ToSchema)]
pub struct WorkView {
    rule: RuleId,
    name: String,
    /// Whether it made the price.
    applied: bool,
    /// What it did, or why it did nothing.
    says: String,
    /// What it makes of the price, or would.
    price: String,
}

#[derive(Serialize, ToSchema)]
pub struct TriedPlan {
    id: PlanId,
    says: String,
    /// Whether it is the one by which the price was tried.
    taken: bool,
}

#[derive(Serialize, ToSchema)]
pub struct Rung {
    from: u32,
    unit: Money,
}

/// Works out a price under the rules as they are being worked on, and tells what each of them did.
#[utoipa::path(operation_id = "try_price", request_body = Try,
    responses((status = 200, body = Tried), (status = 404, body = ApiError), (status = 422, body = ApiError)))]
#[post("/prices/try")]
pub async fn try_price(state: Data<State>, _caller: Caller, body: Json<Try>) -> ApiResult<Json<Tried>> {
    let wanted = body.into_inner();
    let document: Document<PriceBook> = state.store.document(DocumentName::Prices).await?;
    let zone = state.store.zone().await?;
    let at = wanted.at.unwrap_or_else(|| zone.local(crate::clock::now()));
    let product = find(&state, &wanted.product).await?;
    let variant = variant_of(&product, wanted.sku.as_deref())?;
    let mut cart = Vec::new();
    for line in &wanted.cart {
        cart.push((find(&state, &line.product).await?, line.sku.clone(), pieces(line.quantity)?));
    }
    let mut lines = Vec::new();
    for (product, sku, quantity) in &cart {
        lines.push((product, variant_of(product, sku.as_deref())?, *quantity));
    }
    let prices = prices_of_draft(&state, document, zone.clone(), zone.moment(&at)).await?.with_cart(lines)?;
    let prices = prices.with_extras(Extras { plan: wanted.plan, written: wanted.written });
    let taken = prices.plan_for(&product, variant, wanted.plan).map(|plan| plan.id);
    let text = product.terms.text.as_ref();
    let surcharge = text.map(|text| Money::new(text.surcharge, product.price.currency));
    let added = if wanted.written { surcharge.map_or(0, |more| more.minor) } else { 0 };
    let lowest = prices.lowest_before(&product, variant);
    let (Priced { quote, base, next }, working) =
        prices.explain(&product, variant, pieces(wanted.quantity)?)?;
    let rung = |(from, unit)| Rung { from, unit };
    let (products, locale) = (listed(&state).await?, everywhere(&state).await?.shop.locale);
    let called = |handle: &Handle| {
        let one = products.iter().find(|one| one.facts.handle == *handle);
        one.map_or_else(|| handle.to_string(), |one| one.name.clone())
    };
    let applied = |work: &Work| matches!(work.outcome, Outcome::Applied { .. });
    let work_view = |work: &Work| WorkView {
        rule: work.rule,
        name: work.name.clone(),
        applied: applied(work),
        says: work.outcome.told(called, locale),
        price: work.price_told(locale),
    };
    let for_this: Vec<&Work> = working.iter().filter(|work| work.outcome != Outcome::NotFor).collect();
    Ok(Json(Tried {
        plans: prices
            .plans(&product, variant)
            .map(|plan| TriedPlan { id: plan.id, says: plan_says(plan), taken: taken == Some(plan.id) })
            .collect(),
        once: prices.can_be_bought_once(&product, variant),
        planned: taken.map(|_| Money::new(quote.unit.minor - added, quote.unit.currency)),
        ruled: working.iter().rev().find(|work| applied(work)).map_or(base, |work| work.after),
        surcharge,
        lowest,
        lowest_at: lowest.map(|lowest| zone.local(lowest.at)),
        ladder: prices.ladder(&product, variant).into_iter().map(rung).collect(),
        sku: variant.sku.clone(),
        skus: product.variants.iter().map(|v| v.sku.clone()).collect(),
        base,
        unit: quote.unit,
        old: quote.old,
        saving: quote.saving,
        line: quote.line,
        next,
        others: working.len() - for_this.len(),
        working: for_this.into_iter().map(work_view).collect(),
        at,
    }))
}

fn pieces(quantity: u32) -> ApiResult<u32> {
    if (1..=99).contains(&quantity) {
        Ok(quantity)
    } else {
        Err(ApiError::refused("a line has 1 to 99 pieces"))
    }
}

fn variant_of<'a>(product: &'a Product, sku: Option<&str>) -> ApiResult<&'a Variant> {
    let named = |v: &&Variant| sku.is_none_or(|sku| v.sku.eq_ignore_ascii_case(sku));
    product.variants.iter().find(named).ok_or_else(|| ApiError::no_such("variant"))
}
