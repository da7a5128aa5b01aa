//! A product on a card: in listings, among related products. Which pieces stand on it says its layout;
//! here are their renderers, one file for each kind.

pub(super) mod buy;
pub(super) mod choices;
pub(super) mod fact;
pub(super) mod marks;
pub(super) mod name;
pub(super) mod picture;
pub(super) mod price;
pub(super) mod quantity;
pub(super) mod quick_look;
pub(super) mod rating;
pub(super) mod siblings;
pub(super) mod text;
pub(super) mod variants;
pub(super) mod wish;

use super::Drawn;
use super::slot;
use crate::appear::appears;
use crate::ctx::{Around, Ctx, Dealer, Styled};
use crate::deck::{Deck, LookedAt, OnCard};
use crate::image::Load;
use crate::piece;
use crate::sheet::{Sheet, class_of};
use compagina_core::catalog::Product;
use compagina_core::choice::{Selection, card_opening};
use compagina_core::house::House;
use compagina_core::media::ShopMedia;
use compagina_core::page::piece::buy_button::After;
use compagina_core::page::piece::card::buy::AFTER;
use compagina_core::page::piece::card::choices::{CHOOSING, Choosing, LEADS};
use compagina_core::page::piece::card::marks::{AT as MARKS_AT, MarkPlace};
use compagina_core::page::piece::card::quick_look::AT as QUICK_AT;
use compagina_core::page::piece::card::wish::AT as WISH_AT;
use compagina_core::page::piece::shared;
use compagina_core::page::{Choice, Device, Kind, Layout, Piece};
use compagina_core::price::{Hindrance, Offer, Surface, offer};
use compagina_core::situation::Situation;
use compagina_core::style::Chain;
use compagina_core::template::CardPlace;
use compagina_core::wording::Words;
use maud::{Markup, html};
use std::sync::Arc;

/// What the pieces of all cards of a document are set to.
pub(crate) fn css(deck: &Deck, words: &Words, house: &House) -> String {
    let mut sheet = Sheet::default();
    for (number, layout) in deck.numbered() {
        for piece in layout.pieces() {
            let styled = Styled::new(piece, words, house);
            let root = format!(".deck-{number} .c-{}", piece.id);
            sheet.add(|device| piece::css(&root, &styled, device, house));
        }
    }
    sheet.finish()
}

/// What a card has chosen as it opens.
#[must_use]
pub fn card_selection(product: &Product, card: &Layout) -> Selection {
    match chosen_here(card) {
        Some(choices) => card_opening(product, choices.lines(&LEADS).first().map(String::as_str)),
        None => Selection::none(product.options.len()),
    }
}

/// The choices of a card, where choosing changes it and doesn't lead to the page.
fn chosen_here(card: &Layout) -> Option<Chain<'_>> {
    let choices = Chain::of_template(&card.first_of(Kind::CardChoices)?.values);
    (choices.choice(&CHOOSING, Device::Wide) == Some(Choosing::Card)).then_some(choices)
}

fn chooses(card: &Layout) -> bool {
    chosen_here(card).is_some() || card.first_of(Kind::CardVariants).is_some()
}

/// A product on its card.
pub(crate) fn card(dealer: Dealer<'_>, product: &Product, place: CardPlace) -> Markup {
    let lead = dealer.lead.filter(|lead| lead.product == product.id);
    let on_desk = lead.and_then(|lead| match &lead.looked_at {
        LookedAt::OnDesk(layout) => Some(layout),
        LookedAt::Asked => None,
    });
    let layout = on_desk.map_or_else(|| dealer.cards.card(product, place), Arc::clone);
    let product = &lead.map_or_else(|| product.clone(), |lead| lead.situation.apply(product));
    let situation = lead.map_or_else(
        || Situation {
            selection: card_selection(product, &layout),
            quantity: product.terms.first(),
            ..Situation::plain(product.options.len(), dealer.prices.today())
        },
        |lead| lead.situation.clone(),
    );
    let Some(offered) = offered(&dealer, product, &situation) else { return Markup::default() };
    let name = dealer.deck.name_of(product);
    let missing = match (&offered.hindrance, lead.map(|lead| &lead.looked_at)) {
        (Some(Hindrance::ChooseFirst(open)), Some(LookedAt::Asked)) => open.clone(),
        _ => vec![],
    };
    let load = if place == CardPlace::Listing { dealer.deck.load() } else { Load::Later };
    let chooses = chooses(&layout);
    let of_set = dealer.sets.and_then(|sets| sets.get(&product.id)).filter(|_| !chooses).copied();
    let on_card = OnCard { form: format!("{name}-form"), chooses, missing, load, of_set };
    let (around, media) = (Around::default(), ShopMedia::default());
    let ctx = dealer.ctx(product, &situation, &offered, &layout, (&around, &media), &on_card);
    let drawn = drawn(&ctx, &layout);
    let over = |piece: &Piece| is_over(piece.kind) && place_of(piece) != MarkPlace::Line;
    let pictured = drawn.iter().any(|(piece, _)| piece.kind == Kind::CardPicture);
    let asks = on_card.chooses && !product.options.is_empty();
    let named = on_desk.is_some();
    html! {
        li id=(name) class={ "on-card deck-" (dealer.deck.number_of(&layout)) }
            data-card=[asks.then_some(place.key())] data-ask=[asks.then(|| format!("{}/offer", product.path()))]
            data-key-now=[asks.then(|| offered.selection.to_query(product))]
            data-sold-out=[asks.then(|| ctx.say("state-sold-out"))] data-not-made=[asks.then(|| ctx.say("state-not-made"))] {
            @for (piece, markup) in &drawn {
                @if piece.kind == Kind::CardPicture {
                    div.pictured {
                        (wrapped(piece, "", named, markup))
                        @for (other, markup) in drawn.iter().filter(|(other, _)| over(other)) {
                            (wrapped(other, at_class(place_of(other)), named, markup))
                        }
                    }
                } @else if !(pictured && over(piece)) { (wrapped(piece, "", named, markup)) }
            }
            (form(&ctx, &name))
        }
    }
}

/// What is offered of it; where a rule's sum is too large, without rules.
fn offered(dealer: &Dealer<'_>, product: &Product, situation: &Situation) -> Option<Offer> {
    let (selection, quantity) = (&situation.selection, situation.quantity);
    let ruled = dealer.prices.offer(product, selection, quantity, Surface::Card);
    ruled.or_else(|_| offer(product, selection, quantity)).ok()
}

/// The pieces that have something to show.
fn drawn<'a>(ctx: &Ctx<'_>, layout: &'a Layout) -> Vec<(&'a Piece, Markup)> {
    let one = |piece: &'a Piece| {
        let appears =
            piece.kind.nothing_to_show_at(ctx.product, ctx.prices).is_none() && appears(ctx, &piece.values);
        if !appears {
            return None;
        }
        let styled = Styled::new(piece, ctx.words, ctx.house);
        let shown = styled.flag_anywhere(&shared::SHOWN);
        Some((piece, piece::draw(ctx, &styled).filter(|_| shown)?))
    };
    layout.pieces().filter_map(one).collect()
}

fn is_over(kind: Kind) -> bool {
    matches!(kind, Kind::CardMarks | Kind::CardWish | Kind::CardQuickLook)
}

fn wrapped(piece: &Piece, class: &str, named: bool, markup: &Markup) -> Markup {
    let kind = class_of(piece.kind);
    html! {
        div class={ "c-" (piece.id) " piece " (kind) @if !class.is_empty() { " " (class) } } data-piece=[named.then_some(&piece.id)] { (markup) }
    }
}

fn place_of(piece: &Piece) -> MarkPlace {
    let setting = match piece.kind {
        Kind::CardMarks => &MARKS_AT,
        Kind::CardWish => &WISH_AT,
        _ => &QUICK_AT,
    };
    Chain::of_template(&piece.values).choice(setting, Device::Wide).unwrap_or(MarkPlace::Line)
}

fn at_class(place: MarkPlace) -> &'static str {
    match place {
        MarkPlace::TopLeft => "over at-top at-start",
        MarkPlace::TopRight => "over at-top at-end",
        MarkPlace::BottomLeft => "over at-bottom at-start",
        MarkPlace::BottomRight => "over at-bottom at-end",
        MarkPlace::Line => "",
    }
}

/// The form to which a card's inputs and buttons belong, where it has some.
fn form(ctx: &Ctx<'_>, name: &str) -> Markup {
    let wants = |kind| ctx.layout.first_of(kind).is_some();
    let needed =
        [Kind::CardBuy, Kind::CardVariants, Kind::CardQuantity, Kind::CardWish].into_iter().any(wants)
            || ctx.card.is_some_and(|card| card.chooses);
    let after = after(ctx);
    html! {
        @if let Some(card) = ctx.card.filter(|_| needed) {
            form id=(card.form) method="post" action="/shop/cart" data-card-form {
                input type="hidden" name="product" value=(ctx.product.handle);
                input type="hidden" name="card" value=(name);
                input type="hidden" name="back" value=(ctx.here);
                @if after != After::Cart { input type="hidden" name="after" value=(after.name()); }
            }
        }
    }
}

/// What follows a click on the card's buy button, or on a line of its list.
pub(crate) fn after(ctx: &Ctx<'_>) -> After {
    let piece = ctx.layout.first_of(Kind::CardBuy);
    let set = piece.and_then(|piece| Chain::of_template(&piece.values).choice(&AFTER, Device::Wide));
    set.or(After::from_name("side")).unwrap_or(After::Cart)
}

/// The page of the product, with the choice that is made on its card.
fn to_page(ctx: &Ctx<'_>) -> String {
    match ctx.offer.selection.to_query(ctx.product) {
        choice if choice.is_empty() => ctx.product.path(),
        choice => format!("{}?{choice}", ctx.product.path()),
    }
}

/// A text of at most so many lines.
fn clamp(root: &str, lines: i64) -> String {
    format!("{root} .clamped{{-webkit-line-clamp:{lines}}}")
}
