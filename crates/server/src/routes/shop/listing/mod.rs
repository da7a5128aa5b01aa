//! Listings: of the whole shop, of a type, of a tag, of a search.

mod asked;

use super::{found_at, html_for, or_message};
use crate::error::{ApiError, ApiResult};
use crate::routes::shop::product::send;
use crate::routes::till::back::{asked, named};
use crate::serving::edition::Edition;
use crate::serving::edition::page::{LONGEST_QUERY, Pairs, cards_hold_until};
use crate::serving::edition::pages::{Asked, MadeOf, Ready};
use crate::serving::known::known_numbered;
use crate::serving::reading::{Reading, Side, live_nav, nav};
use crate::state::State;
use actix_web::web::{Data, Path, Query};
use actix_web::{HttpRequest, HttpResponse, get};
use asked::{asks, page_asked_for, wanted, words};
use compagina_core::catalog::{Product, ProductType, Tag};
use compagina_core::ids::{Handle, ProductId};
use compagina_core::listing::{ListingFacts, ListingOf, OwnListing, found};
use compagina_core::time::Moment;
use compagina_core::wording::{Arg, Language};
use compagina_press::shop::{Leaf, Listing, Shelf, Sift, listing, tag_path};
use compagina_press::{Nav, Notice};
use std::collections::HashMap;
use std::sync::Arc;

/// Products of each type on the front page, and on each page of a listing.
const ON_FRONT: usize = 8;
const ON_PAGE: usize = 48;

/// Of which products a listing is.
enum Meant {
    All,
    Type(ProductType),
    Tag(Tag),
    /// With the place of each product, the one that fits best first.
    Search {
        words: String,
        places: HashMap<ProductId, usize>,
    },
}

impl Meant {
    fn holds(&self, product: &Product) -> bool {
        match self {
            Self::All => true,
            Self::Type(kind) => product.kind.handle == kind.handle,
            Self::Tag(tag) => product.tags.contains(tag),
            Self::Search { places, .. } => places.contains_key(&product.id),
        }
    }

    fn path(&self) -> String {
        match self {
            Self::All => "/shop".to_owned(),
            Self::Type(kind) => format!("/shop/types/{}", kind.handle),
            Self::Tag(tag) => tag_path(tag),
            Self::Search { .. } => "/shop/search".to_owned(),
        }
    }

    fn title(&self, nav: &Nav) -> String {
        match self {
            Self::All => nav.words.say("listing-all"),
            Self::Type(kind) => kind.name.clone(),
            Self::Tag(tag) => tag.to_string(),
            Self::Search { words, .. } if words.is_empty() => nav.words.say("listing-search"),
            Self::Search { words, .. } => {
                nav.words.say_with("listing-searched", &[("words", Arg::Text(words))])
            }
        }
    }

    /// Which listing it is to its owner.
    fn of(&self) -> Option<ListingOf> {
        match self {
            Self::All => Some(ListingOf::All),
            Self::Type(kind) => Some(ListingOf::Type(kind.handle.clone())),
            Self::Tag(tag) => Some(ListingOf::Tag(tag.clone())),
            Self::Search { .. } => None,
        }
    }

    fn words(&self) -> Option<&str> {
        match self {
            Self::Search { words, .. } => Some(words),
            _ => None,
        }
    }
}

/// The whole shop: type by type, or as it is asked for.
#[get("/shop")]
pub async fn front(state: Data<State>, request: HttpRequest) -> HttpResponse {
    kept_or(&state, &request, async || Ok(Meant::All)).await
}

/// The products of one type.
#[get("/shop/types/{handle}")]
pub async fn of_type(state: Data<State>, handle: Path<String>, request: HttpRequest) -> HttpResponse {
    let meant = async || {
        // A type all of whose products are withdrawn keeps its address; one that never had any has none yet.
        let types = state.store.types().await?;
        let found = types.into_iter().find(|t| t.products > 0 && t.kind.handle.as_str() == handle.as_str());
        Ok(Meant::Type(found.ok_or_else(|| ApiError::no_such("product type"))?.kind))
    };
    kept_or(&state, &request, meant).await
}

/// The products with one tag.
#[get("/shop/tags/{tag}")]
pub async fn of_tag(state: Data<State>, tag: Path<String>, request: HttpRequest) -> HttpResponse {
    let meant = async || {
        let on_show = state.editions.current().on_show(&state).await?.clone();
        Ok(Meant::Tag(on_show.tag(&Tag::from(tag.as_str())).ok_or_else(ApiError::nothing_here)?.clone()))
    };
    kept_or(&state, &request, meant).await
}

/// What is found by words.
#[get("/shop/search")]
pub async fn search(state: Data<State>, request: HttpRequest) -> HttpResponse {
    let meant = async || {
        let sought = words(&pairs(&request));
        let found = state.store.products_sought(&sought).await?;
        Ok(Meant::Search { words: sought.text, places: found.into_iter().zip(0..).collect() })
    };
    kept_or(&state, &request, meant).await
}

fn pairs(request: &HttpRequest) -> Pairs {
    Query::from_query(request.query_string()).map(Query::into_inner).unwrap_or_default()
}

/// A listing as it is kept ready, or made now.
async fn kept_or(
    state: &State,
    request: &HttpRequest,
    meant: impl AsyncFnOnce() -> ApiResult<Meant>,
) -> HttpResponse {
    let asked = Asked {
        language: Reading::of(request).language,
        address: request.path().to_owned(),
        query: request.query_string().to_owned(),
    };
    let edition = state.editions.current();
    if let Some(ready) = edition.listing(&asked) {
        return send(&ready, request);
    }
    let answer = async {
        let meant = meant().await?;
        let (everywhere, live) = (edition.everywhere(state).await?, edition.live(state).await?);
        let nav = live_nav(state, (everywhere, live), &Reading::of(request));
        let own = meant.of().and_then(|of| everywhere.listings.of(&of).cloned()).unwrap_or_default();
        let drawn = draw(state, &edition, &nav, (&meant, &own), &pairs(request)).await?;
        // What is told to one shopper, or typed by one, is nobody else's.
        let common = drawn.common && meant.words().is_none() && asked.query.len() <= LONGEST_QUERY;
        if !common {
            return Ok(found_at(html_for(request, drawn.html), drawn.address.as_deref(), request));
        }
        let made_of = MadeOf { known: None, beside: vec![], open: false, until: drawn.until };
        let ready = Arc::new(Ready::new(drawn.html, made_of, 0).at(drawn.address));
        edition.keep_listing(asked, ready.clone());
        Ok(send(&ready, request))
    };
    or_message(state, request, answer.await).await
}

struct Drawn {
    html: String,
    /// The address that stands for it; none of a search.
    address: Option<String>,
    /// Whether all who ask so are answered the same.
    common: bool,
    until: Option<Moment>,
}

/// A page of a listing, as far as its address asks for one.
struct Part {
    filled: Vec<(ProductType, Vec<Arc<Product>>)>,
    leaf: Option<Leaf>,
}

/// The front page: the first products of each type.
async fn first_of_each<'a>(
    state: &State,
    types: &[ProductType],
    all: impl Iterator<Item = (ProductId, &'a Handle)> + Clone,
) -> ApiResult<Part> {
    let mut filled = Vec::new();
    for kind in types {
        let first = all.clone().filter(|(_, of)| **of == kind.handle).map(|(id, _)| id);
        let first: Vec<ProductId> = first.take(ON_FRONT).collect();
        filled.push((kind.clone(), known_numbered(state, &first).await?));
    }
    Ok(Part { filled, leaf: None })
}

async fn leaf_of(state: &State, all: &[ProductId], number: u32) -> ApiResult<Part> {
    let of = u32::try_from(all.len().div_ceil(ON_PAGE)).unwrap_or(u32::MAX).max(1);
    if number > of {
        return Err(ApiError::nothing_here());
    }
    let here = all.iter().skip((number as usize - 1) * ON_PAGE).take(ON_PAGE).copied();
    let products = known_numbered(state, &here.collect::<Vec<_>>()).await?;
    // Of types mixed there is none to name.
    let kind = products.first().map(|first| first.kind.clone());
    Ok(Part {
        filled: kind.map(|kind| (kind, products)).into_iter().collect(),
        leaf: Some(Leaf { number, of }),
    })
}

/// A listing as its owner is making it, before anything is asked of it.
pub async fn draft(state: &State, of: ListingOf, own: &OwnListing) -> ApiResult<String> {
    let meant = match of {
        ListingOf::All => Meant::All,
        ListingOf::Tag(tag) => Meant::Tag(tag),
        ListingOf::Type(handle) => {
            let found = state.store.types().await?.into_iter().find(|one| one.kind.handle == handle);
            Meant::Type(found.ok_or_else(|| ApiError::no_such("product type"))?.kind)
        }
    };
    let reading =
        Reading { language: Language::default(), side: Side::Draft, template: None, here: meant.path() };
    let nav = nav(state, &reading).await?;
    Ok(draw(state, &state.editions.current(), &nav, (&meant, own), &vec![]).await?.html)
}

/// A listing, ordered and narrowed as its address asks.
async fn draw(
    state: &State,
    edition: &Edition,
    nav: &Nav,
    (meant, own): (&Meant, &OwnListing),
    pairs: &Pairs,
) -> ApiResult<Drawn> {
    let (everywhere, live) = (edition.everywhere(state).await?, edition.live(state).await?);
    let on_show = edition.on_show(state).await?;
    let mut facts = on_show.facts(&nav.prices, own, |product| meant.holds(product));
    if let Meant::Search { places, .. } = meant {
        facts.sort_by_key(|(id, _)| places.get(id));
    }
    let wanted = wanted(pairs, own.order, nav.shop.currency, &everywhere.types, &on_show.options);
    let all: Vec<ListingFacts<'_>> = facts.iter().map(|(_, facts)| *facts).collect();
    let found = found(&all, &wanted);
    let left = || found.places.iter().filter_map(|place| facts.get(*place)).map(|(id, of)| (*id, of.kind));
    let Part { filled, leaf } = match meant {
        Meant::All if !asks(pairs) => first_of_each(state, &everywhere.types, left()).await?,
        _ => {
            let ids: Vec<ProductId> = left().map(|(id, _)| id).collect();
            leaf_of(state, &ids, page_asked_for(pairs)).await?
        }
    };
    let sets = found.sets.iter().filter_map(|(place, of)| Some((facts.get(*place)?.0, *of))).collect();
    let shelves: Vec<_> = filled
        .iter()
        .map(|(kind, products)| Shelf { kind, products: products.iter().map(Arc::as_ref).collect() })
        .collect();
    let (path, types) = (meant.path(), everywhere.types.as_slice());
    let title = if own.title.is_empty() { meant.title(nav) } else { own.title.clone() };
    let above: Vec<&str> = own.paragraphs().collect();
    let rated = all.iter().any(|one| one.stars.is_some());
    let (words, options) = (meant.words(), on_show.options.as_slice());
    let sift = Sift { path: &path, words, wanted: &wanted, found: &found, types, options, rated };
    let address = words.is_none().then(|| sift.itself(leaf));
    let products = || filled.iter().flat_map(|(_, products)| products).map(Arc::as_ref);
    let lead = asked(nav, pairs, products());
    let notice = told(nav, pairs, products());
    let of = Listing {
        title: &title,
        words: &above,
        shelves: &shelves,
        leaf,
        sift: Some(sift),
        lead: lead.as_ref(),
        sets: Some(&sets),
        notice: notice.as_ref(),
    };
    let common = lead.is_none() && notice.is_none();
    Ok(Drawn { html: listing(nav, &of), address, common, until: cards_hold_until(live, &nav.prices) })
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
