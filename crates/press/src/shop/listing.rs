use super::sift::{Sift, form, loosen, number};
use super::{head, with_cards};
use crate::ctx::Dealer;
use crate::deck::{Deck, Lead, LookedAt};
use crate::document::{Head, Nav, document};
use crate::page::{Mode, Notice, Page, draw_notice};
use crate::piece::card::{card, css};
use compagina_core::catalog::{Product, ProductType};
use compagina_core::ids::ProductId;
use compagina_core::listing::OfSet;
use compagina_core::page::Frame;
use compagina_core::template::CardPlace;
use compagina_core::wording::Arg;
use maud::{Markup, html};
use std::collections::BTreeMap;
use std::sync::Arc;

/// Products of one type, as the listing shows them.
pub struct Shelf<'a> {
    /// The type.
    pub kind: &'a ProductType,
    /// Those that are shown.
    pub products: Vec<&'a Product>,
}

/// A page of a long listing.
#[derive(Debug, Clone, Copy)]
pub struct Leaf {
    /// Counted from 1.
    pub number: u32,
    /// How many there are.
    pub of: u32,
}

/// What a listing is made of.
#[derive(Clone, Copy)]
pub struct Listing<'a> {
    /// What stands over it.
    pub title: &'a str,
    /// What is said above its products, in paragraphs.
    pub words: &'a [&'a str],
    /// Its products, type by type.
    pub shelves: &'a [Shelf<'a>],
    /// Which page of it this is, where it has several.
    pub leaf: Option<Leaf>,
    /// By what it is ordered and narrowed, where it can be.
    pub sift: Option<Sift<'a>>,
    /// The one card that isn't as all shoppers have it.
    pub lead: Option<&'a Lead>,
    /// The cards on which several products stand, by the one whose card it is.
    pub sets: Option<&'a BTreeMap<ProductId, OfSet>>,
    /// What is told on top of it.
    pub notice: Option<&'a Notice>,
}

/// The listing: of the whole shop, or of one type where only that one is given.
#[must_use]
pub fn listing(nav: &Nav, of: &Listing<'_>) -> String {
    let Listing { title, words, shelves, leaf, sift, lead, sets, notice } = *of;
    let empty = shelves.iter().all(|shelf| shelf.products.is_empty());
    let narrowed = sift.filter(|sift| !sift.wanted.narrows().is_empty());
    let one = shelves.len() == 1;
    let deck = Deck::default();
    let dealer = Dealer { sets, ..nav.dealer(&deck, lead) };
    let body = html! {
        @if let Some(notice) = notice { (draw_notice(&nav.words, notice)) }
        div.columns.listing {
            h1 { (title) }
            @if !words.is_empty() && leaf.is_none_or(|leaf| leaf.number == 1) {
                div.above { @for words in words { p { (words) } } }
            }
            @if let Some(words) = sift.and_then(|sift| sift.words) { (search(nav, words)) }
            @if let Some(sift) = &sift && (!empty || narrowed.is_some()) { (form(nav, sift, leaf.is_none())) }
            @if let Some(sift) = narrowed.as_ref().filter(|_| empty) { (loosen(nav, sift)) }
            @else if empty && sift.is_some_and(|sift| sift.words.is_some_and(|words| !words.is_empty())) { p { (nav.words.say("listing-none-found")) } }
            @else if empty && sift.is_none_or(|sift| sift.words.is_none()) { p { (nav.words.say("listing-empty")) } }
            @for shelf in shelves.iter().filter(|s| !s.products.is_empty()) {
                @if one { (cards(dealer, &shelf.products)) }
                @else {
                    section {
                        h2 { a href={ "/shop/types/" (shelf.kind.handle) } { (shelf.kind.name) } }
                        (cards(dealer, &shelf.products))
                    }
                }
            }
            @if let (Some(leaf), Some(sift)) = (leaf.filter(|leaf| leaf.of > 1), &sift) { (leaves(nav, leaf, sift)) }
        }
    };
    let count = sift.map_or(0, |sift| number(sift.found.places.len()));
    let told =
        [("title", Arg::Text(title)), ("count", Arg::Number(count)), ("shop", Arg::Text(&nav.shop.name))];
    let about = sift.is_some().then(|| match words.first() {
        Some(first) => (*first).to_owned(),
        None => nav.words.say_with("listing-about", &told),
    });
    with_cards(nav, title, about.as_deref(), body, &deck)
}

fn cards(dealer: Dealer<'_>, products: &[&Product]) -> Markup {
    html! { ul.cards { @for product in products { (card(dealer, product, CardPlace::Listing)) } } }
}

/// The listing in which a card stands that is composed: its own and those around it, or it alone.
pub(crate) fn looked_at(page: &Page<'_>) -> String {
    let nav = page.nav;
    let deck = Deck::default();
    let layout = Arc::new(page.layout.clone());
    let lead = Lead {
        product: page.product.id,
        situation: page.situation.clone(),
        looked_at: LookedAt::OnDesk(layout),
    };
    let alone = page.only.is_some() || page.around.listed.is_empty();
    let products =
        if alone { vec![page.product] } else { page.around.listed.iter().map(Arc::as_ref).collect() };
    let dealer = Dealer { sets: Some(&page.around.sets), ..nav.dealer(&deck, Some(&lead)) };
    let body = html! {
        @if let Some(notice) = page.notice { (draw_notice(&nav.words, notice)) }
        div.columns.listing {
            @if page.only.is_none() { h1 { (page.product.kind.name) } }
            ul.cards.one[page.only.is_some()] { @for product in products { (card(dealer, product, CardPlace::Listing)) } }
        }
    };
    let laid = css(&deck, &nav.words, &nav.house);
    let frame = if page.only.is_some() { Frame::None } else { Frame::Whole };
    let script = match page.mode {
        Mode::Shop | Mode::Quick => Some(nav.assets.script.as_str()),
        Mode::Proof => Some(nav.assets.agent.as_str()),
        Mode::Small => None,
    };
    document(nav, &Head { script, ..head(nav, &page.product.kind.name, frame, Some(&laid)) }, body)
        .into_string()
}

/// The field in which is typed what is searched for.
fn search(nav: &Nav, words: &str) -> Markup {
    html! {
        form.search method="get" action="/shop/search" role="search" {
            label { span.unseen { (nav.words.say("listing-search")) } input type="search" name="q" value=(words) maxlength="100" placeholder=(nav.words.say("listing-search-placeholder")) autofocus[words.is_empty()]; }
            button.plain { (nav.words.say("listing-search")) }
        }
    }
}

/// The ways to the page before and the page after.
fn leaves(nav: &Nav, Leaf { number, of }: Leaf, sift: &Sift<'_>) -> Markup {
    let to = |number: u32| sift.page(nav, number);
    let told = [("number", Arg::Number(number)), ("count", Arg::Number(of))];
    html! {
        nav.leaves aria-label=(nav.words.say("listing-pages")) data-more=(nav.words.say("listing-more")) {
            @if number > 1 { a rel="prev" href=(to(number - 1)) { (nav.words.say("listing-before")) } }
            span { (nav.words.say_with("listing-page-of", &told)) }
            @if number < of { a rel="next" href=(to(number + 1)) { (nav.words.say("listing-next")) } }
        }
    }
}
