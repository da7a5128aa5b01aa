use super::{html, or_message};
use crate::error::{ApiError, ApiResult};
use crate::routes::till::back::chose;
use crate::serving::edition::live::{AllListed, Listed};
use crate::serving::edition::page::Pairs;
use crate::serving::edition::{everywhere, listed};
use crate::serving::reading::{Reading, nav};
use crate::state::State;
use actix_web::http::StatusCode;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use compagina_core::catalog::{Product, ProductType, Standing, Tag};
use compagina_core::choice::Selection;
use compagina_core::format::read_amount;
use compagina_core::ids::ProductId;
use compagina_core::listing::{Found, ListingFacts, Order, Wanted, found};
use compagina_core::money::Currency;
use compagina_core::situation::Situation;
use compagina_core::wording::Arg;
use compagina_press::shop::{Leaf, Listing, Shelf, Sift, listing};
use compagina_press::{Lead, LookedAt, Nav, Notice};
use compagina_storage::Which;

/// Pages of one listing.
const MOST_PAGES: u32 = 10_000;
/// Products of each type on the front page, and on each page of a listing.
const ON_FRONT: u32 = 8;
const ON_PAGE: usize = 48;
/// Tags that are asked for at once.
const MOST_TAGS: usize = 20;

/// The whole shop: type by type, or as it is asked for.
#[get("/shop")]
pub async fn front(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let answer = async {
        let pairs = pairs(&request);
        let mut filled = Vec::new();
        if asks(&pairs) {
            return sifted(&state, &request, None, |_| true).await;
        }
        for (type_id, kind) in state.store.types_on_show().await? {
            let first = Which::OnShow { type_id, most: ON_FRONT, skip: 0 };
            filled.push((kind, state.store.products(first).await?));
        }
        let listed = listed(&state).await?;
        let facts = facts(&listed, |_| true);
        let (wanted, found) = sift(&facts, &pairs, &state).await?;
        let sift = Sift { path: "/shop", wanted: &wanted, found: &found };
        page(&state, &request, None, filled, (None, Some(sift))).await
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
        let kind = found.ok_or_else(|| ApiError::no_such("product type"))?.kind;
        let of_kind = kind.handle.clone();
        sifted(&state, &request, Some(kind), move |one| one.facts.kind == of_kind).await
    };
    or_message(&state, &request, answer.await).await
}

fn pairs(request: &HttpRequest) -> Pairs {
    Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default()
}

/// Whether an address asks for an order or for some of the products.
fn asks(pairs: &Pairs) -> bool {
    let of_sift = |name: &str| matches!(name, "order" | "tag" | "from" | "to" | "stock" | "page");
    pairs.iter().any(|(name, value)| of_sift(name) && !value.is_empty())
}

/// What stands in listings of the products that are meant.
fn facts<'a>(all: &'a AllListed, meant: impl Fn(&Listed) -> bool) -> Vec<(ProductId, ListingFacts<'a>)> {
    let is_shown = |one: &&std::sync::Arc<Listed>| {
        matches!(one.standing, Standing::OnSale | Standing::SoldOut | Standing::ComingSoon) && meant(one)
    };
    let of = |one: &'a std::sync::Arc<Listed>| {
        let facts = ListingFacts {
            name: &one.name,
            number: one.id.0,
            price: one.facts.price,
            tags: &one.facts.tags,
            in_stock: one.standing == Standing::OnSale,
        };
        (one.id, facts)
    };
    all.iter().filter(is_shown).map(of).collect()
}

/// What an address asks for. What can't be read is passed over: shoppers write prices as they like.
fn wanted(pairs: &Pairs, currency: Currency) -> Wanted {
    let last = |name: &str| pairs.iter().rev().find(|(one, _)| one == name).map(|(_, value)| value.trim());
    let price = |name: &str| last(name).and_then(|text| read_amount(text, currency).ok().flatten());
    let tags = pairs.iter().filter(|(name, _)| name == "tag").map(|(_, tag)| Tag::from(tag.as_str()));
    Wanted {
        order: last("order").and_then(Order::from_key).unwrap_or_default(),
        tags: tags.filter(Tag::is_sound).take(MOST_TAGS).collect(),
        least: price("from"),
        most: price("to"),
        in_stock: last("stock") == Some("1"),
    }
}

async fn sift(
    facts: &[(ProductId, ListingFacts<'_>)],
    pairs: &Pairs,
    state: &State,
) -> ApiResult<(Wanted, Found)> {
    let wanted = wanted(pairs, everywhere(state).await?.shop.currency);
    let all: Vec<ListingFacts<'_>> = facts.iter().map(|(_, facts)| *facts).collect();
    let found = found(&all, &wanted);
    Ok((wanted, found))
}

/// A listing of the products that are meant, ordered and narrowed as its address asks; of one type where one is given.
async fn sifted(
    state: &State,
    request: &HttpRequest,
    kind: Option<ProductType>,
    meant: impl Fn(&Listed) -> bool,
) -> ApiResult<HttpResponse> {
    let (pairs, listed) = (pairs(request), listed(state).await?);
    let facts = facts(&listed, meant);
    let (wanted, found) = sift(&facts, &pairs, state).await?;
    let of = u32::try_from(found.places.len().div_ceil(ON_PAGE)).unwrap_or(u32::MAX).max(1);
    let number = page_asked_for(&pairs);
    if number > of {
        return Err(ApiError::nothing_here());
    }
    let from = (number as usize - 1) * ON_PAGE;
    let here = found.places.iter().skip(from).take(ON_PAGE);
    let ids: Vec<ProductId> = here.filter_map(|place| Some(facts.get(*place)?.0)).collect();
    let products = state.store.products_numbered(&ids).await?;
    let path = kind.as_ref().map_or("/shop".to_owned(), |kind| format!("/shop/types/{}", kind.handle));
    let title = kind.as_ref().map(|kind| kind.name.clone());
    let sift = Sift { path: &path, wanted: &wanted, found: &found };
    // Of all types mixed there is none to name.
    let filled = match (kind, products.first()) {
        (Some(kind), _) => vec![(kind, products)],
        (None, Some(first)) => vec![(first.kind.clone(), products)],
        (None, None) => vec![],
    };
    page(state, request, title, filled, (Some(Leaf { number, of }), Some(sift))).await
}

/// The page of a long listing that an address names: `?page=2`; the first one otherwise.
fn page_asked_for(pairs: &Pairs) -> u32 {
    let number = pairs.iter().find(|(name, _)| name == "page").and_then(|(_, text)| text.parse().ok());
    number.filter(|number| (1..=MOST_PAGES).contains(number)).unwrap_or(1)
}

async fn page(
    state: &State,
    request: &HttpRequest,
    title: Option<String>,
    filled: Vec<(ProductType, Vec<Product>)>,
    (leaf, sift): (Option<Leaf>, Option<Sift<'_>>),
) -> ApiResult<HttpResponse> {
    let shelves: Vec<_> =
        filled.iter().map(|(kind, products)| Shelf { kind, products: products.iter().collect() }).collect();
    let nav = nav(state, &Reading::of(request)).await?;
    let title = title.unwrap_or_else(|| nav.words.say("listing-all"));
    let products = || filled.iter().flat_map(|(_, products)| products);
    let pairs = pairs(request);
    let lead = asked(&nav, &pairs, products());
    let notice = told(&nav, &pairs, products());
    let of = Listing {
        title: &title,
        shelves: &shelves,
        leaf,
        sift,
        lead: lead.as_ref(),
        notice: notice.as_ref(),
    };
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
