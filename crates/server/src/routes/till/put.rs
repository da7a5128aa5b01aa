//! What is put into the cart: from a product's page, from the wish list, or back.

use super::back::FromCard;
use super::cart::{Told, at_the_side, told_to_script};
use super::{cart_facts, cart_for, count_cookie, prices_for_cart, see_other, see_other_with_count};
use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::product::find_public;
use crate::routes::shop::{check_origin, html, or_message};
use crate::serving::edition::page::{Served, plan_of};
use crate::serving::reading::{Reading, nav};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Form};
use actix_web::{HttpRequest, HttpResponse, post};
use compagina_core::cart::MOST_OF_ONE;
use compagina_core::catalog::{Product, TextProblem};
use compagina_core::choice::{Selection, variant_of};
use compagina_core::pay::provider;
use compagina_core::price::{Extras, Hindrance, PlanId, Surface};
use compagina_core::situation::Situation;
use compagina_core::wording::{Arg, Words};
use compagina_press::say_hindrance;
use compagina_press::{Mode, Notice};
use compagina_storage::{CartChange, LineExtra};
use serde::Deserialize;

type Pairs = Vec<(String, String)>;

/// What a form asks for.
struct Wish<'a> {
    product: &'a Product,
    selection: Selection,
    quantity: u32,
    plan: Option<PlanId>,
    /// As it was written.
    text: &'a str,
    by_script: bool,
}

impl Wish<'_> {
    fn extras(&self) -> Extras {
        Extras { plan: self.plan, written: !self.text.trim().is_empty() }
    }
}

/// Puts a choice into the cart.
#[post("/shop/cart")]
pub async fn put(state: Data<State>, request: HttpRequest, form: Form<Pairs>) -> HttpResponse {
    let answer = put_choice(&state, &request, &form).await;
    or_message(&state, &request, answer).await
}

async fn put_choice(state: &State, request: &HttpRequest, form: &Pairs) -> ApiResult<HttpResponse> {
    check_origin(request)?;
    let field = |wanted: &str| form.iter().find(|(name, _)| name == wanted).map(|(_, value)| value.as_str());
    let product = find_public(state, field("product").unwrap_or_default(), request).await?;
    let selection = chosen(&product, form)?;
    let first = product.terms.first();
    let quantity = field("quantity").map_or(Ok(first), str::parse::<u32>);
    let mut wish = Wish {
        product: &product,
        selection,
        quantity: first,
        plan: plan_of(form.iter().map(|(n, v)| (n.as_str(), v.as_str()))),
        text: field("text").unwrap_or_default(),
        by_script: field("script").is_some(),
    };
    let Some(quantity) = quantity.ok().filter(|q| (1..=MOST_OF_ONE).contains(q)) else {
        let status = StatusCode::UNPROCESSABLE_ENTITY;
        return refuse(state, request, wish, status, |words| words.say("cart-bad-quantity")).await;
    };
    wish.quantity = quantity;
    let prices = prices_for_cart(state, request, state.store.prices(now()).await?).await?;
    let prices = prices.with_extras(wish.extras());
    let offered = prices.offer(&product, &wish.selection, quantity, Surface::Page)?;
    let card = if wish.by_script { None } else { FromCard::of(form) };
    if let (Some(Hindrance::ChooseFirst(_)), Some(card)) = (&offered.hindrance, &card) {
        return Ok(see_other(&card.asking(&product, &wish.selection)));
    }
    if let Some(hindrance) = &offered.hindrance {
        let status = match hindrance {
            Hindrance::ChooseFirst(_) => StatusCode::UNPROCESSABLE_ENTITY,
            _ => StatusCode::CONFLICT,
        };
        let why = |words: &Words| refusal(words, &product, hindrance);
        return refuse(state, request, wish, status, why).await;
    }
    let variant = variant_of(&product, &wish.selection).ok_or_else(|| ApiError::no_such("choice"))?;
    let text = match product.terms.text.as_ref().map(|terms| terms.read(wish.text)).transpose() {
        Ok(text) => text.flatten(),
        Err(problem) => {
            let status = StatusCode::UNPROCESSABLE_ENTITY;
            return refuse(state, request, wish, status, |words| say_text_problem(words, &problem)).await;
        }
    };
    let plan = prices.plan_for(&product, variant, wish.plan).map(|plan| plan.id);
    if wish.plan.is_some() && plan != wish.plan {
        let why = |words: &Words| words.say("plan-gone");
        return refuse(state, request, wish, StatusCode::CONFLICT, why).await;
    }
    let seen =
        prices.with_extras(Extras { plan, written: text.is_some() }).quote(&product, variant, quantity)?;
    let (cart, cookie) = cart_for(state, request).await?;
    let along = state.store.cart_count(cart).await? > 0;
    let extra = LineExtra { plan, text };
    let change = CartChange::Put { variant: variant.id, extra: &extra, quantity, seen: seen.quote.unit };
    state.store.change_cart(cart, &change, now()).await?;
    let mut answer = if wish.by_script {
        let words = nav(state, &Reading::of(request)).await?.words;
        let notice = words.say_with("cart-added", &[("name", Arg::Text(&product.name))]);
        at_the_side(state, request, cart, Told { notice: Some(notice), ..Told::default() }).await?
    } else {
        see_other(&next_place(form, &product, &wish.selection, (along, card)))
    };
    for cookie in cookie.into_iter().chain([count_cookie(state, cart).await?]) {
        answer.add_cookie(&cookie).map_err(ApiError::unforeseen)?;
    }
    Ok(answer)
}

/// What a form chooses: a variant by its SKU, or values of options.
fn chosen(product: &Product, form: &Pairs) -> ApiResult<Selection> {
    // The button that was clicked comes after what the form says for all.
    match form.iter().rev().find(|(name, sku)| name == "sku" && !sku.is_empty()) {
        Some((_, sku)) => {
            let variant = product.variants.iter().find(|variant| variant.sku == *sku);
            let variant = variant.ok_or_else(|| ApiError::no_such("variant"))?;
            Ok(Selection::of_variant(product, variant))
        }
        None => Ok(Selection::from_pairs(product, form.iter().map(|(n, v)| (n.as_str(), v.as_str()))).0),
    }
}

/// Where a form without script leads: to the provider that was clicked, or to what the button says. `along`: what lay in
/// the cart before comes along to the checkout, which says so.
fn next_place(
    form: &Pairs,
    product: &Product,
    selection: &Selection,
    (along, card): (bool, Option<FromCard<'_>>),
) -> String {
    let last = |wanted: &str| form.iter().rev().find(|(name, _)| name == wanted).map(|(_, v)| v.as_str());
    if let Some(provider) = last("pay").and_then(provider) {
        return format!("/shop/checkout?pay={}{}", provider.id, if along { "&along=1" } else { "" });
    }
    // The button that was clicked comes after what the form says for all.
    match last("after") {
        Some("stay" | "side") => {
            if let Some(card) = card {
                return card.with("added", product.handle.as_str());
            }
            format!("{}?{}&added=1", product.path(), selection.to_query(product))
        }
        Some("checkout") => format!("/shop/checkout{}", if along { "?along=1" } else { "" }),
        _ => "/shop/cart".to_owned(),
    }
}

fn refusal(words: &Words, product: &Product, hindrance: &Hindrance) -> String {
    match hindrance {
        Hindrance::ChooseFirst(open) => {
            let names: Vec<&str> =
                open.iter().filter_map(|o| Some(product.options.get(*o)?.name.as_str())).collect();
            words.say_with("cart-choose-first", &[("options", Arg::Text(&names.join(", ")))])
        }
        other => say_hindrance(words, other),
    }
}

fn say_text_problem(words: &Words, problem: &TextProblem) -> String {
    match problem {
        TextProblem::Missing => words.say("text-missing"),
        TextProblem::TooManyLines { most } => {
            words.say_with("text-too-many-lines", &[("most", Arg::Number(*most))])
        }
        TextProblem::TooLong { line, most } => {
            let line = line.to_string();
            words.say_with("text-too-long", &[("line", Arg::Text(&line)), ("most", Arg::Number(*most))])
        }
        TextProblem::Sign(sign) => words.say_with("text-sign", &[("sign", Arg::Text(&sign.to_string()))]),
    }
}

/// The product's page once more, with everything kept and the reason told; the reason alone for the page's script.
async fn refuse(
    state: &State,
    request: &HttpRequest,
    wish: Wish<'_>,
    status: StatusCode,
    why: impl FnOnce(&Words) -> String,
) -> ApiResult<HttpResponse> {
    if wish.by_script {
        return told_to_script(state, request, status, why).await;
    }
    let Wish { product, selection, quantity, plan, text, .. } = wish;
    let served = Served::now(state, product, Reading::of(request)).await?;
    let plain = Situation::plain(product.options.len(), served.nav.prices.today());
    let cart = cart_facts(state, request).await?;
    let situation = Situation { selection, quantity, cart, plan, text: text.to_owned(), ..plain };
    let notice = Notice { text: why(&served.nav.words), leads: None };
    let page = served.draw(state, product, &situation, Mode::Shop, Some(&notice)).await?;
    Ok(html(status, page))
}

#[derive(Deserialize)]
pub struct PutBack {
    product: String,
    sku: String,
    quantity: u32,
    #[serde(default)]
    plan: u64,
    #[serde(default)]
    text: String,
    script: Option<String>,
}

/// Puts back what was just taken out, or in what goes with the cart.
#[post("/shop/cart/back")]
pub async fn put_back(state: Data<State>, request: HttpRequest, form: Form<PutBack>) -> HttpResponse {
    let answer = async {
        check_origin(&request)?;
        let product = find_public(&state, &form.product, &request).await?;
        let variant = product.variants.iter().find(|variant| variant.sku == form.sku);
        let variant = variant.ok_or_else(|| ApiError::no_such("variant"))?;
        let text = product.terms.text.as_ref().map(|terms| terms.read(&form.text)).transpose();
        let text = text.map_err(ApiError::refused)?.flatten();
        let prices = prices_for_cart(&state, &request, state.store.prices(now()).await?).await?;
        let asked = (form.plan > 0).then_some(PlanId(form.plan));
        let plan = prices.plan_for(&product, variant, asked).map(|plan| plan.id);
        let prices = prices.with_extras(Extras { plan, written: text.is_some() });
        let quantity = form.quantity.clamp(1, MOST_OF_ONE);
        let seen = prices.quote(&product, variant, quantity)?.quote.unit;
        let (cart, cookie) = cart_for(&state, &request).await?;
        let extra = LineExtra { plan, text };
        let change = CartChange::Put { variant: variant.id, extra: &extra, quantity, seen };
        state.store.change_cart(cart, &change, now()).await?;
        let mut answer = match form.script {
            Some(_) => at_the_side(&state, &request, cart, Told::default()).await?,
            None => see_other_with_count(&state, cart, "/shop/cart").await?,
        };
        if let Some(cookie) = cookie {
            answer.add_cookie(&cookie).map_err(ApiError::unforeseen)?;
        }
        Ok(answer)
    };
    or_message(&state, &request, answer.await).await
}
