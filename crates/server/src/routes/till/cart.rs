use super::{
    cart_facts, cart_for, cart_of, changing, count_cookie, prices_for_cart, reckoned, see_other,
    see_other_with_count,
};
use crate::error::{ApiError, ApiResult};
use crate::reading::{Reading, nav, now, today};
use crate::routes::shop::product::{draw, find};
use crate::routes::shop::{check_origin, html, or_message, published_layout};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Form, Query};
use actix_web::{HttpRequest, HttpResponse, get, post};
use compagina_core::cart::{MOST_OF_ONE, Reckoning, reckon};
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, variant_of};
use compagina_core::price::{Hindrance, Place};
use compagina_core::situation::Situation;
use compagina_core::wording::{Arg, Words};
use compagina_press::shop::{CartLine, CartPage, Gone, cart, say_hindrance, side_cart};
use compagina_press::{Mode, Nav, Notice};
use compagina_storage::{CartItem, CartRow};
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
    let told = Told { notice: notice.map(|key| nav.words.say(key)), gone: gone(state, request).await };
    let (items, reckoning) = match cart_of(state, request).await? {
        Some(cart) => reckoned(state, cart).await?,
        None => (vec![], reckon(&[], nav.shop.currency, &nav.prices)?),
    };
    Ok(html(status, drawn(&nav, &items, &reckoning, told, cart)))
}

/// What is said over a cart.
#[derive(Default)]
struct Told {
    notice: Option<String>,
    gone: Option<Gone>,
}

/// What an address says was just taken out: `?out=whimbrel&sku=WHI-EMB-16&n=2`.
async fn gone(state: &State, request: &HttpRequest) -> Option<Gone> {
    let pairs: Pairs = Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default();
    let of = |wanted: &str| pairs.iter().find(|(name, _)| name == wanted).map(|(_, value)| value.as_str());
    let product = find(state, of("out")?).await.ok()?;
    let sku = of("sku").filter(|sku| product.variants.iter().any(|v| v.sku == *sku))?.to_owned();
    let quantity = of("n")?.parse().ok()?;
    Some(Gone { name: product.name, product: product.handle.to_string(), sku, quantity })
}

/// The cart, as a page or as the part of one that opens at the side.
fn drawn(
    nav: &Nav,
    items: &[CartItem],
    reckoning: &Reckoning,
    told: Told,
    draw: fn(&Nav, &CartPage<'_>) -> String,
) -> String {
    let lines = items.iter().zip(&reckoning.lines).map(|(item, line)| {
        let variant = &item.product.variants[item.variant];
        let selection = Selection::from_values(variant.values.clone());
        CartLine {
            id: item.line_id,
            name: &item.product.name,
            href: format!("/shop/products/{}?{}", item.product.handle, selection.to_query(&item.product)),
            choice: choice_of(&item.product, &selection),
            picture: item.product.picture_of(variant).or(item.product.lead_picture()),
            line,
        }
    });
    let view = CartPage {
        lines: lines.collect(),
        total: reckoning.total,
        stands: reckoning.stands(),
        notice: told.notice,
        gone: told.gone,
    };
    draw(nav, &view)
}

/// The cart at the side of a page, for its script.
async fn at_the_side(
    state: &State,
    request: &HttpRequest,
    cart: CartRow,
    told: Told,
) -> ApiResult<HttpResponse> {
    let nav = nav(state, &Reading::of(request)).await?;
    let (items, reckoning) = reckoned(state, cart).await?;
    let mut answer = html(StatusCode::OK, drawn(&nav, &items, &reckoning, told, side_cart));
    answer.add_cookie(&count_cookie(state, cart).await?).map_err(ApiError::unforeseen)?;
    Ok(answer)
}

/// `Colour: Ember · Sail: 2.1 m`
fn choice_of(product: &Product, selection: &Selection) -> String {
    let names = selection.chosen().filter_map(|(o, v)| {
        let option = product.options.get(o)?;
        Some(format!("{}: {}", option.name, option.values.get(usize::from(v))?.name))
    });
    names.collect::<Vec<_>>().join(" · ")
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
    let product = find(state, field("product").unwrap_or_default()).await?;
    let (selection, _) = Selection::from_pairs(&product, form.iter().map(|(n, v)| (n.as_str(), v.as_str())));
    let quantity = field("quantity").map_or(Ok(1), str::parse::<u32>);
    let by_script = field("script").is_some();
    let Some(quantity) = quantity.ok().filter(|q| (1..=99).contains(q)) else {
        let status = StatusCode::UNPROCESSABLE_ENTITY;
        if by_script {
            return told_to_script(state, request, status, |words| words.say("cart-bad-quantity")).await;
        }
        return again(state, request, &product, selection, 1, status, |words| words.say("cart-bad-quantity"))
            .await;
    };
    let prices = prices_for_cart(state, request, state.store.prices(now()).await?).await?;
    let offered = prices.offer(&product, &selection, quantity, Place::Page)?;
    if let Some(hindrance) = &offered.hindrance {
        let status = match hindrance {
            Hindrance::ChooseFirst(_) => StatusCode::UNPROCESSABLE_ENTITY,
            _ => StatusCode::CONFLICT,
        };
        let why = |words: &Words| refusal(words, &product, hindrance);
        if by_script {
            return told_to_script(state, request, status, why).await;
        }
        return again(state, request, &product, selection, quantity, status, why).await;
    }
    let variant = variant_of(&product, &selection).ok_or_else(|| ApiError::no_such("choice"))?;
    let seen = prices.quote(&product, variant, quantity)?.quote.unit;
    let (cart, cookie) = cart_for(state, request).await?;
    changing(state, cart, state.store.put_into_cart(cart, variant.id, quantity, seen)).await?;
    // The button that was clicked comes after what the form says for all.
    let after = form.iter().rev().find(|(name, _)| name == "after").map(|(_, value)| value.as_str());
    let mut answer = if by_script {
        let words = nav(state, &Reading::of(request)).await?.words;
        let notice = words.say_with("cart-added", &[("name", Arg::Text(&product.name))]);
        at_the_side(state, request, cart, Told { notice: Some(notice), gone: None }).await?
    } else {
        let back = format!("/shop/products/{}?{}&added=1", product.handle, selection.to_query(&product));
        see_other(match after {
            Some("stay" | "side") => &back,
            Some("checkout") => "/shop/checkout",
            _ => "/shop/cart",
        })
    };
    for cookie in cookie.into_iter().chain([count_cookie(state, cart).await?]) {
        answer.add_cookie(&cookie).map_err(ApiError::unforeseen)?;
    }
    Ok(answer)
}

/// Why something wasn't put in, for the page's script.
async fn told_to_script(
    state: &State,
    request: &HttpRequest,
    status: StatusCode,
    why: impl FnOnce(&Words) -> String,
) -> ApiResult<HttpResponse> {
    let words = nav(state, &Reading::of(request)).await?.words;
    let text = "text/plain; charset=utf-8";
    Ok(HttpResponse::build(status).content_type(text).body(why(&words)))
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

/// The product's page once more, with the choice kept and the reason told.
async fn again(
    state: &State,
    request: &HttpRequest,
    product: &Product,
    selection: Selection,
    quantity: u32,
    status: StatusCode,
    why: impl FnOnce(&Words) -> String,
) -> ApiResult<HttpResponse> {
    let (template, layout) = published_layout(state, product).await?;
    let plain = Situation::plain(product.options.len(), today());
    let situation = Situation { selection, quantity, cart: cart_facts(state, request).await?, ..plain };
    let nav = nav(state, &Reading::of(request).under(template)).await?;
    let notice = Notice { text: why(&nav.words), to_cart: false };
    let (page, _) = draw(state, &nav, product, &layout, &situation, Mode::Shop, Some(&notice)).await?;
    Ok(html(status, page))
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
    });
    changing(state, cart, state.store.set_cart_line(cart, form.line, quantity)).await?;
    if form.script.is_some() {
        return at_the_side(state, request, cart, Told { notice: None, gone }).await;
    }
    let to = match gone {
        Some(Gone { product, sku, quantity, .. }) => {
            let query = [("out", product), ("sku", sku), ("n", quantity.to_string())];
            format!("/shop/cart?{}", serde_urlencoded::to_string(query).map_err(ApiError::unforeseen)?)
        }
        None => "/shop/cart".to_owned(),
    };
    see_other_with_count(state, cart, &to).await
}

#[derive(Deserialize)]
pub struct PutBack {
    product: String,
    sku: String,
    quantity: u32,
    script: Option<String>,
}

/// Puts back what was just taken out.
#[post("/shop/cart/back")]
pub async fn put_back(state: Data<State>, request: HttpRequest, form: Form<PutBack>) -> HttpResponse {
    let answer = async {
        check_origin(&request)?;
        let product = find(&state, &form.product).await?;
        let variant = product.variants.iter().find(|variant| variant.sku == form.sku);
        let variant = variant.ok_or_else(|| ApiError::no_such("variant"))?;
        let prices = prices_for_cart(&state, &request, state.store.prices(now()).await?).await?;
        let quantity = form.quantity.clamp(1, MOST_OF_ONE);
        let seen = prices.quote(&product, variant, quantity)?.quote.unit;
        let (cart, cookie) = cart_for(&state, &request).await?;
        changing(&state, cart, state.store.put_into_cart(cart, variant.id, quantity, seen)).await?;
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

/// Takes the cart as it is now: new prices, what is left, without what is gone.
#[post("/shop/cart/accept")]
pub async fn accept(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        check_origin(&request)?;
        let Some(cart) = cart_of(&state, &request).await? else { return Ok(see_other("/shop/cart")) };
        let (items, reckoning) = reckoned(&state, cart).await?;
        for (item, line) in items.iter().zip(reckoning.lines) {
            if let Some(hindrance) = line.hindrance {
                let left = match hindrance {
                    Hindrance::OnlyLeft(left) => left,
                    Hindrance::MostPerOrder(most) => most,
                    _ => 0,
                };
                state.store.set_cart_line(cart, item.line_id, left).await?;
            }
        }
        // With other quantities other prices may hold.
        let (items, reckoning) = reckoned(&state, cart).await?;
        for (item, line) in items.iter().zip(reckoning.lines) {
            state.store.see_price(cart, item.line_id, line.quote.unit).await?;
        }
        see_other_with_count(&state, cart, "/shop/cart").await
    };
    or_message(&state, &request, answer.await).await
}
