//! What shoppers keep for later.

use super::back::FromCard;
use super::{cart_for, cart_of, choice_of, see_other};
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::product::find_public;
use crate::routes::shop::{check_origin, html, or_message};
use crate::serving::reading::{Reading, nav};
use crate::state::State;
use actix_web::cookie::{Cookie, SameSite};
use actix_web::http::StatusCode;
use actix_web::web::{Data, Form};
use actix_web::{HttpRequest, HttpResponse, get, post};
use compagina_core::choice::Selection;
use compagina_press::shop::{WishLine, wishes};
use compagina_storage::CartRow;

/// The wish list.
#[get("/shop/wishes")]
pub async fn show(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        let nav = nav(&state, &Reading::of(&request)).await?;
        let kept = match cart_of(&state, &request).await? {
            Some(cart) => state.store.wishes(cart).await?,
            None => vec![],
        };
        let lines: Vec<WishLine<'_>> = kept
            .iter()
            .map(|wish| {
                let pairs = wish.choice.split('&').filter_map(|pair| pair.split_once('='));
                let (selection, _) = Selection::from_pairs(&wish.product, pairs);
                let variant = compagina_core::choice::variant_of(&wish.product, &selection);
                let own = variant.and_then(|variant| wish.product.picture_of(variant));
                WishLine {
                    href: format!("{}?{}", wish.product.path(), selection.to_query(&wish.product)),
                    choice: choice_of(&wish.product, &selection),
                    picture: own.or(wish.product.lead_picture()),
                    product: &wish.product,
                    selection,
                }
            })
            .collect();
        Ok(html(StatusCode::OK, wishes(&nav, &lines)))
    };
    or_message(&state, &request, answer.await).await
}

/// Keeps a product for later, or takes it off the list.
#[post("/shop/wishes")]
pub async fn change(
    state: Data<State>,
    request: HttpRequest,
    form: Form<Vec<(String, String)>>,
) -> HttpResponse {
    let answer = answer(&state, &request, &form).await;
    or_message(&state, &request, answer).await
}

async fn answer(state: &State, request: &HttpRequest, form: &[(String, String)]) -> ApiResult<HttpResponse> {
    check_origin(request)?;
    let field = |wanted: &str| form.iter().find(|(name, _)| name == wanted).map(|(_, value)| value.as_str());
    let product = find_public(state, field("product").unwrap_or_default(), request).await?;
    let (cart, cookie) = cart_for(state, request).await?;
    let dropped = field("drop").is_some();
    let pairs = form.iter().map(|(name, value)| (name.as_str(), value.as_str()));
    let choice = Selection::from_pairs(&product, pairs).0.to_query(&product);
    if dropped {
        state.store.drop_wish(cart, product.id).await?;
    } else {
        state.store.keep_wish(cart, product.id, &choice).await?;
    }
    let mut answer = match (field("script"), FromCard::of(form)) {
        (Some(_), _) => HttpResponse::NoContent().finish(),
        (None, _) if dropped => see_other("/shop/wishes"),
        (None, Some(card)) => see_other(&card.with("kept", product.handle.as_str())),
        (None, None) => see_other(&format!("{}?{choice}&kept=1", product.path())),
    };
    for cookie in cookie.into_iter().chain([kept_cookie(state, cart).await?]) {
        answer.add_cookie(&cookie).map_err(ApiError::unforeseen)?;
    }
    Ok(answer)
}

/// The numbers of what is kept, for the script that marks it on pages that are made for all. No secret.
async fn kept_cookie(state: &State, cart: CartRow) -> ApiResult<Cookie<'static>> {
    let ids: Vec<String> = state.store.wished(cart).await?.iter().map(u64::to_string).collect();
    Ok(Cookie::build("wishes", ids.join(".")).path("/shop").same_site(SameSite::Lax).finish())
}
