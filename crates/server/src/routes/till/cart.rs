//! The cart as it stands, and what is changed in it.

use super::back::asked;
use super::{cart_of, choice_of, count_cookie, reckoned, see_other, see_other_with_count};
use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::product::find;
use crate::routes::shop::{check_origin, html, or_message};
use crate::serving::reading::{Reading, nav};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Form, Query};
use actix_web::{HttpRequest, HttpResponse, get, post};
use compagina_core::cart::{Reckoning, reckon};
use compagina_core::catalog::Product;
use compagina_core::choice::Selection;
use compagina_core::ids::Handle;
use compagina_core::price::{Prices, RuleReach};
use compagina_core::wording::Words;
use compagina_press::Nav;
use compagina_press::shop::{CartLine, CartPage, GoesWith, Gone, cart, side_cart};
use compagina_storage::{CartChange, CartItem, CartRow};
use serde::Deserialize;

type Pairs = Vec<(String, String)>;

/// The cart.
#[get("/shop/cart")]
pub async fn show(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let answer = page(&state, &request, StatusCode::OK, None).await;
    or_message(&state, &request, answer).await
}

/// The cart's page with a sentence over it, by the key of its words.
pub async fn page(
    state: &State,
    request: &HttpRequest,
    status: StatusCode,
    notice: Option<&str>,
) -> ApiResult<HttpResponse> {
    let nav = nav(state, &Reading::of(request)).await?;
    let pairs = pairs(request);
    let told = Told { notice: notice.map(|key| nav.words.say(key)), gone: gone(state, &pairs).await, pairs };
    let (items, reckoning) = match cart_of(state, request).await? {
        Some(cart) => reckoned(state, cart).await?,
        None => (vec![], reckon(&[], nav.shop.currency, &nav.prices)?),
    };
    Ok(html(status, drawn(state, &nav, &items, &reckoning, told, cart).await?))
}

/// What is said over a cart.
#[derive(Default)]
pub(super) struct Told {
    pub notice: Option<String>,
    pub gone: Option<Gone>,
    /// What its address says besides.
    pub pairs: Pairs,
}

fn pairs(request: &HttpRequest) -> Pairs {
    Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default()
}

/// What an address says was just taken out: `?out=whimbrel&sku=WHI-EMB-16&n=2`.
async fn gone(state: &State, pairs: &Pairs) -> Option<Gone> {
    let of = |wanted: &str| pairs.iter().find(|(name, _)| name == wanted).map(|(_, value)| value.as_str());
    let product = find(state, of("out")?).await.ok()?;
    let sku = of("sku").filter(|sku| product.variants.iter().any(|v| v.sku == *sku))?.to_owned();
    let quantity = of("n")?.parse().ok()?;
    let plan = of("plan").and_then(|plan| plan.parse().ok()).unwrap_or(0);
    let text = of("text").unwrap_or_default().chars().take(400).collect();
    Some(Gone { name: product.name, product: product.handle.to_string(), sku, quantity, plan, text })
}

/// The cart, as a page or as the part of one that opens at the side.
async fn drawn(
    state: &State,
    nav: &Nav,
    items: &[CartItem],
    reckoning: &Reckoning,
    told: Told,
    draw: fn(&Nav, &CartPage<'_>) -> String,
) -> ApiResult<String> {
    let in_cart =
        items.iter().map(|item| (&item.product, &item.product.variants[item.variant], item.quantity));
    let prices = nav.prices.clone().with_cart(in_cart)?;
    let offered = going_with(state, &prices, items).await?;
    let lines = items.iter().zip(&reckoning.lines).map(|(item, line)| {
        let variant = &item.product.variants[item.variant];
        let selection = Selection::from_values(variant.values.clone());
        CartLine {
            id: item.line_id,
            name: &item.product.name,
            href: format!("{}?{}", item.product.path(), selection.to_query(&item.product)),
            choice: choice_of(&item.product, &selection),
            picture: item.product.picture_of(variant).or(item.product.lead_picture()),
            product: &item.product,
            line,
            text: item.extra.text.as_deref(),
        }
    });
    let lead = asked(nav, &told.pairs, offered.iter());
    let view = CartPage {
        lines: lines.collect(),
        total: reckoning.total,
        vat: reckoning.vat,
        prices: &prices,
        goes_with: offered.iter().filter_map(|product| goes_with(&prices, product)).collect(),
        lead: lead.as_ref(),
        stands: reckoning.stands(),
        notice: told.notice,
        gone: told.gone,
    };
    Ok(draw(nav, &view))
}

/// At most so many things are offered with a cart.
const MOST_OFFERED: usize = 3;

/// The products that rules offer with what is in the cart, and that aren't in it.
async fn going_with(state: &State, prices: &Prices, items: &[CartItem]) -> ApiResult<Vec<Product>> {
    let mut handles: Vec<Handle> = Vec::new();
    for rule in prices.go_with() {
        match &rule.reach {
            RuleReach::Products { products } => handles.extend(products.iter().cloned()),
            RuleReach::Variants { skus } => handles.extend(state.store.products_of_skus(skus).await?),
            RuleReach::All | RuleReach::Types { .. } | RuleReach::Tags { .. } => {}
        }
    }
    let mut offered: Vec<Product> = Vec::new();
    for handle in handles {
        let known = items.iter().map(|item| &item.product).chain(&offered).any(|one| one.handle == handle);
        if known || offered.len() >= MOST_OFFERED {
            continue;
        }
        offered.extend(state.store.product(&handle).await?.filter(Product::can_be_bought));
    }
    Ok(offered)
}

/// What of a product is offered for least, where a rule lowers it here.
fn goes_with<'a>(prices: &Prices, product: &'a Product) -> Option<GoesWith<'a>> {
    let first = product.terms.first();
    let quotes = product.variants.iter().filter(|variant| variant.stock.covers(first));
    let quotes = quotes.filter_map(|variant| Some((variant, prices.quote(product, variant, first).ok()?)));
    let (variant, least) = quotes.min_by_key(|(_, priced)| priced.quote.unit.minor)?;
    if least.quote.unit.minor >= least.base.minor {
        return None;
    }
    let alone = product.variants.len() == 1 && product.terms.text.as_ref().is_none_or(|text| !text.needed);
    Some(GoesWith {
        product,
        picture: product.lead_picture(),
        unit: least.quote.unit,
        old: least.quote.old,
        sku: alone.then_some(variant.sku.as_str()),
    })
}

/// The cart at the side of a page, for its script.
pub(super) async fn at_the_side(
    state: &State,
    request: &HttpRequest,
    cart: CartRow,
    told: Told,
) -> ApiResult<HttpResponse> {
    let nav = nav(state, &Reading::of(request)).await?;
    let (items, reckoning) = reckoned(state, cart).await?;
    let mut answer = html(StatusCode::OK, drawn(state, &nav, &items, &reckoning, told, side_cart).await?);
    answer.add_cookie(&count_cookie(state, cart).await?).map_err(ApiError::unforeseen)?;
    Ok(answer)
}

/// Why something wasn't done, for the page's script.
pub(super) async fn told_to_script(
    state: &State,
    request: &HttpRequest,
    status: StatusCode,
    why: impl FnOnce(&Words) -> String,
) -> ApiResult<HttpResponse> {
    let words = nav(state, &Reading::of(request)).await?.words;
    let text = "text/plain; charset=utf-8";
    Ok(HttpResponse::build(status).content_type(text).body(why(&words)))
}

#[derive(Deserialize)]
pub struct LineChange {
    line: u64,
    quantity: Option<String>,
    remove: Option<String>,
    script: Option<String>,
}

/// Changes how many of a line, or takes it out.
#[post("/shop/cart/set")]
pub async fn set(state: Data<State>, request: HttpRequest, form: Form<LineChange>) -> HttpResponse {
    let answer = set_line(&state, &request, &form).await;
    or_message(&state, &request, answer).await
}

async fn set_line(state: &State, request: &HttpRequest, form: &LineChange) -> ApiResult<HttpResponse> {
    check_origin(request)?;
    let Some(cart) = cart_of(state, request).await? else { return Ok(see_other("/shop/cart")) };
    let asked = form.quantity.as_deref().and_then(|q| q.trim().parse::<u32>().ok()).filter(|q| *q <= 99);
    let quantity = if form.remove.is_some() { Some(0) } else { asked };
    let Some(quantity) = quantity else {
        let status = StatusCode::UNPROCESSABLE_ENTITY;
        if form.script.is_some() {
            return told_to_script(state, request, status, |words| words.say("cart-bad-change")).await;
        }
        return page(state, request, status, Some("cart-bad-change")).await;
    };
    let items = state.store.cart_items(cart).await?;
    let gone = items.iter().find(|item| quantity == 0 && item.line_id == form.line).map(|item| Gone {
        name: item.product.name.clone(),
        product: item.product.handle.to_string(),
        sku: item.product.variants[item.variant].sku.clone(),
        quantity: item.quantity,
        plan: item.extra.plan.map_or(0, |plan| plan.0),
        text: item.extra.text.clone().unwrap_or_default(),
    });
    state.store.change_cart(cart, &CartChange::Set { line: form.line, quantity }, now()).await?;
    if form.script.is_some() {
        return at_the_side(state, request, cart, Told { gone, ..Told::default() }).await;
    }
    let to = match gone {
        Some(Gone { product, sku, quantity, plan, text, .. }) => {
            let mut query = vec![("out", product), ("sku", sku), ("n", quantity.to_string())];
            query.extend((plan > 0).then(|| ("plan", plan.to_string())));
            query.extend((!text.is_empty()).then_some(("text", text)));
            format!("/shop/cart?{}", serde_urlencoded::to_string(query).map_err(ApiError::unforeseen)?)
        }
        None => "/shop/cart".to_owned(),
    };
    see_other_with_count(state, cart, &to).await
}

/// Takes the cart as it is now: new prices, what is left, without what is gone.
#[post("/shop/cart/accept")]
pub async fn accept(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        check_origin(&request)?;
        let Some(cart) = cart_of(&state, &request).await? else { return Ok(see_other("/shop/cart")) };
        state.store.accept_cart(cart, now()).await?;
        see_other_with_count(&state, cart, "/shop/cart").await
    };
    or_message(&state, &request, answer.await).await
}
