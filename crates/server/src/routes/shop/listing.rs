use super::{html, or_message};
use crate::error::{ApiError, ApiResult};
use crate::routes::till::back::chose;
use crate::serving::edition::page::Pairs;
use crate::serving::reading::{Reading, nav};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::catalog::{Product, ProductType};
use compagina_core::choice::Selection;
use compagina_core::situation::Situation;
use compagina_core::wording::Arg;
use compagina_press::shop::{Leaf, Listing, Shelf, listing};
use compagina_press::{Lead, LookedAt, Nav, Notice};
use compagina_storage::Which;

/// Pages of one listing.
const MOST_PAGES: u32 = 10_000;
/// Products of each type on the front page, and on each page of a type's own.
const ON_FRONT: u32 = 8;
const ON_TYPE: u32 = 96;

/// The whole shop, type by type.
#[get("/shop")]
pub async fn front(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        let mut filled = Vec::new();
        for (type_id, kind) in state.store.types_on_show().await? {
            let first = Which::OnShow { type_id, most: ON_FRONT, skip: 0 };
            filled.push((kind, state.store.products(first).await?));
        }
        page(&state, &request, None, filled, None).await
    };
    or_message(&state, &request, answer.await).await
}

/// The products of one type.
#[get("/shop/types/{handle}")]
pub async fn of_type(state: Data<State>, handle: Path<String>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        // A type all of whose products are withdrawn keeps its address; one that never had any has none yet.
        let types = state.store.types().await?;
        let found = types.into_iter().find(|t| t.products > 0 && t.kind.handle.as_str() == handle.as_str());
        let found = found.ok_or_else(|| ApiError::no_such("product type"))?;
        let number = page_asked_for(&request);
        let skip = number.saturating_sub(1).saturating_mul(ON_TYPE);
        // One more than is shown tells whether there is another page.
        let wanted = Which::OnShow { type_id: found.id, most: ON_TYPE + 1, skip };
        let mut products = state.store.products(wanted).await?;
        if products.is_empty() && number > 1 {
            return Err(ApiError::nothing_here());
        }
        let more = products.len() > ON_TYPE as usize;
        products.truncate(ON_TYPE as usize);
        let pages = Leaf { number, more };
        page(&state, &request, Some(found.kind.name.clone()), vec![(found.kind, products)], Some(pages)).await
    };
    or_message(&state, &request, answer.await).await
}

/// The page of a long listing that an address names: `?page=2`; the first one otherwise.
fn page_asked_for(request: &HttpRequest) -> u32 {
    let pairs: Pairs = Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default();
    let number = pairs.iter().find(|(name, _)| name == "page").and_then(|(_, text)| text.parse().ok());
    number.filter(|number| (1..=MOST_PAGES).contains(number)).unwrap_or(1)
}

async fn page(
    state: &State,
    request: &HttpRequest,
    title: Option<String>,
    filled: Vec<(ProductType, Vec<Product>)>,
    leaf: Option<Leaf>,
) -> ApiResult<HttpResponse> {
    let shelves: Vec<_> =
        filled.iter().map(|(kind, products)| Shelf { kind, products: products.iter().collect() }).collect();
    let nav = nav(state, &Reading::of(request)).await?;
    let title = title.unwrap_or_else(|| nav.words.say("listing-all"));
    let products = || filled.iter().flat_map(|(_, products)| products);
    let pairs: Pairs = Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default();
    let lead = asked(&nav, &pairs, products());
    let notice = told(&nav, &pairs, products());
    let of = Listing { title: &title, shelves: &shelves, leaf, lead: lead.as_ref(), notice: notice.as_ref() };
    Ok(html(StatusCode::OK, listing(&nav, &of)))
}

fn named<'a>(
    pairs: &Pairs,
    name: &str,
    mut products: impl Iterator<Item = &'a Product>,
) -> Option<&'a Product> {
    let (_, handle) = pairs.iter().find(|(one, _)| one == name)?;
    products.find(|product| product.handle.as_str() == handle)
}

/// The card that asks for what is still to be chosen on it.
fn asked<'a>(nav: &Nav, pairs: &Pairs, products: impl Iterator<Item = &'a Product>) -> Option<Lead> {
    let product = named(pairs, "asked", products)?;
    let chosen = pairs.iter().find(|(name, _)| name == "chose").map_or("", |(_, text)| text.as_str());
    let (selection, _) = Selection::from_pairs(product, chose(chosen));
    let plain = Situation::plain(product.options.len(), nav.prices.today());
    let situation = Situation { selection, quantity: product.terms.first(), ..plain };
    Some(Lead { product: product.id, situation, looked_at: LookedAt::Asked })
}

/// What came of the shopper's last step on a card.
fn told<'a>(nav: &Nav, pairs: &Pairs, products: impl Iterator<Item = &'a Product> + Clone) -> Option<Notice> {
    let notice = |name: &str, words: String, leads| {
        named(pairs, name, products.clone()).map(|_| Notice { text: words, leads: Some(leads) })
    };
    let added = named(pairs, "added", products.clone());
    let added = added.map(|product| nav.words.say_with("cart-added", &[("name", Arg::Text(&product.name))]));
    notice("added", added.unwrap_or_default(), ("/shop/cart", "see-cart"))
        .or_else(|| notice("kept", nav.words.say("wish-kept"), ("/shop/wishes", "wish-see")))
}
