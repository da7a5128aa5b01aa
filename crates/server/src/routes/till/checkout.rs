use super::{PAID_BY_COOKIE, cart, cart_of, payer, reckoned, see_other, see_other_with_count};
use crate::clock::now;
use crate::error::{ApiError, ApiResult};
use crate::news::confirmation;
use crate::routes::shop::{check_origin, html, or_message};
use crate::serving::reading::{Reading, nav};
use crate::state::State;
use actix_web::cookie::time::Duration;
use actix_web::cookie::{Cookie, SameSite};
use actix_web::http::StatusCode;
use actix_web::web::{Data, Form, Query};
use actix_web::{HttpRequest, HttpResponse, get, post};
use compagina_core::pay::{PROVIDERS, in_order, provider};
use compagina_core::wording::{Arg, Words};
use compagina_press::besides;
use compagina_press::shop::{Bought, CheckoutForm, CheckoutPage, FIELDS, PAYMENTS, checkout};
use compagina_storage::{CartRow, Contact, Paying, Placed};
use std::collections::BTreeMap;

/// How long the slow test card takes.
const SLOW: std::time::Duration = std::time::Duration::from_secs(3);

/// The checkout.
#[get("/shop/checkout")]
pub async fn show(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        let Some(cart) = cart_of(&state, &request).await? else { return Ok(see_other("/shop/cart")) };
        let pairs = Query::<Vec<(String, String)>>::from_query(request.query_string());
        let asked = pairs.map(Query::into_inner).unwrap_or_default();
        let along = asked.iter().any(|(name, said)| name == "along" && said == "1");
        let asked = asked.into_iter().find(|(name, _)| name == "pay").map(|(_, id)| ("provider".into(), id));
        let form = CheckoutForm { values: asked.into_iter().collect(), along, ..CheckoutForm::default() };
        page(&state, &request, cart, StatusCode::OK, &form, None).await
    };
    or_message(&state, &request, answer.await).await
}

/// The checkout with a sentence over it, by the key of its words.
async fn page(
    state: &State,
    request: &HttpRequest,
    cart: CartRow,
    status: StatusCode,
    form: &CheckoutForm,
    problem: Option<&str>,
) -> ApiResult<HttpResponse> {
    let (items, reckoning) = reckoned(state, cart).await?;
    let nav = nav(state, &Reading::of(request)).await?;
    if items.is_empty() || !reckoning.stands() {
        return Ok(see_other("/shop/cart"));
    }
    let lines = items.iter().zip(&reckoning.lines).map(|(item, line)| Bought {
        what: format!("{} × {}", item.quantity, item.product.described(&item.product.variants[item.variant])),
        besides: besides(&nav.words, line.plan.as_ref(), item.extra.text.as_deref().unwrap_or_default()),
        line: line.quote.line,
    });
    let problem = problem.map(|key| nav.words.say(key));
    let kept = form.values.get("once").filter(|once| is_once(once));
    let once = kept.cloned().unwrap_or_else(new_once);
    let view = CheckoutPage {
        lines: lines.collect(),
        total: reckoning.total,
        vat: reckoning.vat,
        form,
        problem: problem.as_deref(),
        providers: in_order(payer(request).as_payer()),
        once: &once,
    };
    Ok(html(status, checkout(&nav, &view)))
}

fn new_once() -> String {
    format!("{:032x}", rand::random::<u128>())
}

fn is_once(text: &str) -> bool {
    text.len() == 32 && text.bytes().all(|b| b.is_ascii_hexdigit())
}

/// Orders the cart and pays.
#[post("/shop/checkout")]
pub async fn pay(
    state: Data<State>,
    request: HttpRequest,
    form: Form<BTreeMap<String, String>>,
) -> HttpResponse {
    let answer = order(&state, &request, form.into_inner()).await;
    or_message(&state, &request, answer).await
}

async fn order(
    state: &State,
    request: &HttpRequest,
    values: BTreeMap<String, String>,
) -> ApiResult<HttpResponse> {
    check_origin(request)?;
    let Some(cart) = cart_of(state, request).await? else { return Ok(see_other("/shop/cart")) };
    let nav = nav(state, &Reading::of(request)).await?;
    let words = &nav.words;
    let form = CheckoutForm { problems: problems(words, &values), values, along: false };
    if !form.problems.is_empty() {
        let problem = Some("checkout-missing");
        return page(state, request, cart, StatusCode::UNPROCESSABLE_ENTITY, &form, problem).await;
    }
    let provider = form.values.get("provider").and_then(|id| provider(id)).unwrap_or(&PROVIDERS[0]);
    let once = form.values.get("once").filter(|once| is_once(once)).map_or("", String::as_str);
    let contact = contact(&form.values);
    let paying = Paying { contact: &contact, provider: provider.id, once };
    let id = match state.store.place_order(cart, &paying, now()).await? {
        Placed::Waiting(id) => id,
        Placed::Before(id) => return Ok(see_other(&format!("/shop/orders/{id}"))),
        Placed::Empty => return Ok(see_other("/shop/cart")),
        Placed::NotAsSeen => {
            return cart::page(state, request, StatusCode::CONFLICT, Some("checkout-not-as-seen")).await;
        }
    };
    let message = state.store.order(id, cart).await?.map(|order| confirmation(&nav, &order));
    let ends = simulated_payment(form.values.get("payment").map_or("", String::as_str)).await;
    for paid in &ends {
        state.store.settle_order(id, *paid, message.as_ref()).await?;
    }
    if ends.contains(&false) {
        // A form that is sent again after a refusal is another attempt.
        let values = form.values.into_iter().filter(|(name, _)| name != "once").collect();
        let form = CheckoutForm { values, ..CheckoutForm::default() };
        let status = StatusCode::PAYMENT_REQUIRED;
        return page(state, request, cart, status, &form, Some("checkout-refused")).await;
    }
    let mut answer = see_other_with_count(state, cart, &format!("/shop/orders/{id}")).await?;
    let last = Cookie::build(PAID_BY_COOKIE, provider.id).path("/shop").same_site(SameSite::Lax);
    answer.add_cookie(&last.max_age(Duration::days(365)).finish()).map_err(ApiError::unforeseen)?;
    Ok(answer)
}

/// What the provider answers: once, twice or never.
async fn simulated_payment(asked: &str) -> Vec<bool> {
    match asked {
        "refuse" => vec![false],
        "twice" => vec![true, true],
        "never" => vec![],
        "slow" => {
            actix_web::rt::time::sleep(SLOW).await;
            vec![true]
        }
        _ => vec![true],
    }
}

fn problems(words: &Words, values: &BTreeMap<String, String>) -> BTreeMap<String, String> {
    let text = |name: &str| values.get(name).map_or("", |v| v.trim());
    let mut problems = BTreeMap::new();
    for field in &FIELDS {
        let (given, name) = (text(field.name), field.label(words));
        let label = ("field", Arg::Text(&name));
        let problem = if given.is_empty() {
            words.say_with("field-missing", &[label])
        } else if given.chars().count() > field.most {
            words.say_with("field-too-long", &[label, ("most", Arg::Text(&field.most.to_string()))])
        } else if field.kind == "email" && !looks_like_email(given) {
            words.say("field-bad-email")
        } else {
            continue;
        };
        problems.insert(field.name.to_owned(), problem);
    }
    if !PAYMENTS.contains(&text("payment")) {
        problems.insert("payment".to_owned(), words.say("payment-missing"));
    }
    problems
}

pub(super) fn looks_like_email(text: &str) -> bool {
    text.split_once('@').is_some_and(|(name, place)| {
        !name.is_empty() && place.contains('.') && !place.starts_with('.') && !place.ends_with('.')
    }) && !text.contains(char::is_whitespace)
}

fn contact(values: &BTreeMap<String, String>) -> Contact {
    let text = |name: &str| values.get(name).map_or_else(String::new, |v| v.trim().to_owned());
    Contact {
        email: text("email"),
        name: text("name"),
        street: text("street"),
        town: text("town"),
        postcode: text("postcode"),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn problems(values: &BTreeMap<String, String>) -> BTreeMap<String, String> {
        super::problems(&words(), values)
    }

    fn words() -> Words {
        Words::of(compagina_core::wording::Language::En)
    }

    fn filled() -> BTreeMap<String, String> {
        let fields = [
            ("email", "jo@example.org"),
            ("name", "Jo"),
            ("street", "1 Quay"),
            ("town", "Wells"),
            ("postcode", "NR23"),
            ("payment", "accept"),
        ];
        fields.map(|(name, value)| (name.to_owned(), value.to_owned())).into()
    }

    #[test]
    fn a_filled_form_has_no_problems() {
        assert!(problems(&filled()).is_empty());
    }

    #[test]
    fn each_field_tells_what_is_missing_or_too_long() {
        for field in &FIELDS {
            for bad in ["  ".to_owned(), "x".repeat(field.most + 1)] {
                let mut form = filled();
                form.insert(field.name.into(), bad);
                let found = problems(&form);
                assert_eq!(found.keys().collect::<Vec<_>>(), [field.name]);
                assert!(found[field.name].contains(&field.label(&words())));
            }
        }
        let mut form = filled();
        form.insert("payment".into(), "gold".into());
        assert!(problems(&form).contains_key("payment"));
    }

    #[test]
    fn an_address_needs_a_name_an_at_and_a_place() {
        for good in ["a@b.co", "first.last+kites@sub.example.org"] {
            assert!(looks_like_email(good), "{good}");
        }
        for bad in ["", "a", "@b.co", "a@b", "a@.co", "a@b.", "a b@c.de", "a@b c.de"] {
            assert!(!looks_like_email(bad), "{bad}");
        }
    }
}
