//! The product's pictures. The markup is the carousel of the ARIA Authoring Practices; without script it is a strip that
//! can be scrolled. What the script needs stands in `data-gallery`, for each screen.

mod behaviour;
mod frame;
mod look;
pub(crate) mod weight;

use super::Drawn;
pub(super) use frame::ratio_of as crops_to;
pub(super) use look::{css, ratio as ratio_css};

use crate::ctx::{Ctx, Styled};
use crate::image::{Load, img, preload as preloaded, sizes, srcset};
use crate::mark::mark_of;
use behaviour::behaviours;
use compagina_core::media::{FilmFile, Picture, address};
use compagina_core::page::Device;
use compagina_core::page::piece::gallery::{
    ADVANCE, ARROWS, Arrows, FILM_CONTROLS, FILM_FIRST, FILM_LOOP, FILM_STARTS, FOLLOW, FULL_SCREEN, Follow,
    FullScreen, THUMBNAILS, Thumbnails,
};
use compagina_core::wording::Arg;
use frame::{crop_style, own_ratio, shown_rooms, tallest, thumb_rooms};
use maud::{Markup, html};
use std::collections::BTreeMap;

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), slots: |ctx, _| mark_slots(ctx) };

/// Thumbnails are never shown wider than this many device pixels.
const MOST_SMALL: u32 = 480;

/// Pictures by their places in the product, in the order in which the choice shows them; from `shown` on they belong to
/// other choices and are hidden.
struct Order {
    places: Vec<usize>,
    shown: usize,
}

fn order(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Order {
    let pictures = &ctx.product.pictures;
    let chosen = &ctx.offer.pictures;
    let (mut places, mut rest): (Vec<usize>, Vec<usize>) = match follow(styled) {
        Follow::Chosen => (chosen.clone(), (0..pictures.len()).filter(|i| !chosen.contains(i)).collect()),
        Follow::Jump | Follow::All => ((0..pictures.len()).collect(), vec![]),
    };
    if styled.chain.flag(&FILM_FIRST, Device::Wide) {
        places.sort_by_key(|place| pictures[*place].film.is_none());
    }
    let shown = places.len();
    places.append(&mut rest);
    Order { places, shown }
}

fn follow(styled: &Styled<'_>) -> Follow {
    styled.choice(&FOLLOW, Device::Wide).unwrap_or(Follow::Chosen)
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let pictures = &ctx.product.pictures;
    let order = order(ctx, styled);
    let many = pictures.len() > 1;
    let film_first = styled.chain.flag(&FILM_FIRST, Device::Wide);
    Some(html! {
        section.gallery.lone[order.shown < 2] data-gallery=(behaviours(styled)) data-follow=(follow_name(styled)) data-film-first[film_first]
            data-words=(label_pattern(ctx)) data-whole-words=(whole_words(ctx))
            aria-roledescription=(ctx.say("gallery-kind")) aria-label=(ctx.say("pictures"))
            style={ "--tallest:" (tallest(pictures)) } {
            div.stage { div.frame {
                @if many { (controls(ctx, styled)) }
                div.slides tabindex=[many.then_some("0")] role="group" aria-label=(ctx.say("pictures")) {
                    div.run {
                        @for (nth, place) in order.places.iter().enumerate() { (slide(ctx, styled, &order, nth, *place)) }
                    }
                }
                (marks(ctx))
            } }
            @if many { (thumbnails(ctx, styled, &order)) }
        }
    })
}

fn follow_name(styled: &Styled<'_>) -> &'static str {
    match follow(styled) {
        Follow::Chosen => "chosen",
        Follow::Jump => "jump",
        Follow::All => "all",
    }
}

/// What moves the pictures, before them in the order of the keyboard. Seen only while a script drives them.
fn controls(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let advances = styled.most(&ADVANCE) > 0;
    let arrows = Device::ALL.into_iter().any(|d| styled.choice::<Arrows>(&ARROWS, d) != Some(Arrows::Never));
    let button = styled.anywhere(&FULL_SCREEN, FullScreen::Button);
    let arrow = |class: &str, key: &str, path: &str| {
        let name = ctx.say(key);
        html! {
            button type="button" class={ "arrow " (class) } aria-label=(name) title=(name) { (sign(path)) }
        }
    };
    html! {
        @if advances {
            button.rest type="button" aria-label=(ctx.say("gallery-rest")) title=(ctx.say("gallery-rest")) { (sign("M8 5v14M16 5v14")) }
        }
        @if arrows {
            div.arrows {
                (arrow("back", "gallery-back", "M14.5 5l-7 7 7 7"))
                (arrow("on", "gallery-on", "M9.5 5l7 7-7 7"))
            }
        }
        @if button {
            button.whole type="button" aria-label=(ctx.say("gallery-whole")) title=(ctx.say("gallery-whole")) {
                (sign("M4 9V4h5M20 9V4h-5M4 15v5h5M20 15v5h-5"))
            }
        }
    }
}

fn sign(path: &str) -> Markup {
    html! {
        svg viewBox="0 0 24 24" width="22" height="22" aria-hidden="true" fill="none" stroke="currentColor" stroke-width="2" {
            path d=(path) {}
        }
    }
}

fn slide(ctx: &Ctx<'_>, styled: &Styled<'_>, order: &Order, nth: usize, place: usize) -> Markup {
    let picture = &ctx.product.pictures[place];
    let largest = picture.largest();
    let label = numbered(ctx, nth + 1, order.shown, &picture.alt);
    let rooms = shown_rooms(ctx, styled, picture);
    let load = if nth == 0 { Load::First } else { Load::Later };
    html! {
        div.slide id={ "m-" (styled.id()) "-" (place) } role="group" aria-roledescription=(ctx.say("gallery-slide")) aria-label=(label)
            data-picture=(place) hidden[nth >= order.shown] data-film[picture.film.is_some()] data-cut-out[picture.cut_out]
            data-large=[largest.map(|size| size.address())]
            data-width=[largest.map(|size| size.width)] data-height=[largest.map(|size| size.height)]
            style={ "--own:" (own_ratio(picture)) (crop_style(styled, ctx, picture)) } {
            @match &picture.film {
                Some(film) => (self::film(styled, picture, film)),
                None => (img(picture, ctx.sizes(&sizes(&rooms)), load)),
            }
        }
    }
}

fn film(styled: &Styled<'_>, poster: &Picture, film: &FilmFile) -> Markup {
    let flag = |setting| styled.chain.flag(setting, Device::Wide);
    let (starts, controls) = (flag(&FILM_STARTS), flag(&FILM_CONTROLS));
    let still = poster.at_least(720).map(|size| size.address());
    html! {
        video src=(address(&film.hash)) width=(film.width) height=(film.height) poster=[still] preload="none"
            playsinline muted[starts] loop[flag(&FILM_LOOP)] controls[controls || !starts] data-starts[starts] aria-label=(poster.alt) {}
    }
}

fn numbered(ctx: &Ctx<'_>, number: usize, of: usize, shows: &str) -> String {
    let count = |n: usize| Arg::Number(u32::try_from(n).unwrap_or(0));
    ctx.say_with(
        "picture-of",
        &[("number", count(number)), ("count", count(of)), ("shows", Arg::Text(shows))],
    )
}

/// How a picture is named, for the script to fill in when a choice shows others.
fn label_pattern(ctx: &Ctx<'_>) -> String {
    let part = |text| Arg::Text(text);
    ctx.say_with(
        "picture-of",
        &[("number", part("{n}")), ("count", part("{of}")), ("shows", part("{shows}"))],
    )
}

/// The words of the full screen: close, zoom, back, on, and what is said where a picture can't be loaded.
fn whole_words(ctx: &Ctx<'_>) -> String {
    ["whole-close", "whole-zoom", "gallery-back", "gallery-on", "whole-broken"]
        .map(|key| ctx.say(key))
        .join("|")
}

/// Small pictures or dots that lead to the large ones, whichever the screens need.
fn thumbnails(ctx: &Ctx<'_>, styled: &Styled<'_>, order: &Order) -> Markup {
    let dots = styled.anywhere(&THUMBNAILS, Thumbnails::Dots);
    let small = Device::ALL.into_iter().any(|device| {
        let here = styled.choice::<Thumbnails>(&THUMBNAILS, device);
        !matches!(here, Some(Thumbnails::Dots | Thumbnails::None))
    });
    let rooms = thumb_rooms(ctx, styled);
    let link = |nth: usize, place: usize, inner: Markup| {
        let picture = &ctx.product.pictures[place];
        html! {
            li data-picture=(place) hidden[nth >= order.shown] data-film[picture.film.is_some()] data-cut-out[picture.cut_out] style={ "--own:" (own_ratio(picture)) (crop_style(styled, ctx, picture)) } {
                a href={ "#m-" (styled.id()) "-" (place) } aria-label=(numbered(ctx, nth + 1, order.shown, &picture.alt)) aria-current=[(nth == 0).then_some("true")] { (inner) }
            }
        }
    };
    let little = |picture: &Picture| {
        html! {
            @if let Some(size) = picture.at_least(96) {
                img src=(size.address()) srcset=(srcset(picture, ..=MOST_SMALL)) sizes=(sizes(&rooms)) width=(size.width) height=(size.height) alt="" loading="lazy" decoding="async";
            }
        }
    };
    let all = || order.places.iter().copied().enumerate();
    html! {
        @if small { ul.thumbs { @for (nth, place) in all() { (link(nth, place, little(&ctx.product.pictures[place]))) } } }
        @if dots { ul.dots { @for (nth, place) in all() { (link(nth, place, Markup::default())) } } }
    }
}

/// What is said on the picture: sold out, coming soon, or what is saved.
fn marks(ctx: &Ctx<'_>) -> Markup {
    html! { p.marks { (badges(ctx)) } }
}

/// A mark of each kind; only one of them has something to say.
pub(in crate::piece) fn badges(ctx: &Ctx<'_>) -> Markup {
    let said = mark_slots(ctx);
    let text = |name: &str| said.get(name).map_or("", String::as_str);
    html! {
            @for (slot, class) in [("mark-sale", "sale"), ("mark-gone", "gone"), ("mark-coming", "coming"), ("mark-few", "few")].into_iter().filter(|(slot, _)| ctx.changes() || !text(slot).is_empty()) {
                span class={ "badge " (class) } data-say=(slot) hidden[text(slot).is_empty()] { (text(slot)) }
            }
    }
}

/// The marks' words, which change with the choice.
pub(in crate::piece) fn mark_slots(ctx: &Ctx<'_>) -> BTreeMap<String, String> {
    let mark = mark_of(ctx);
    ["sale", "gone", "coming", "few"]
        .map(|class| {
            let said = mark.as_ref().filter(|(is, _)| *is == class).map(|(_, said)| said.clone());
            (format!("mark-{class}"), said.unwrap_or_default())
        })
        .into()
}

/// Has the first large picture loaded before anything else.
pub(crate) fn preload(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let first = *order(ctx, styled).places.first()?;
    let picture = &ctx.product.pictures[first];
    let rooms = shown_rooms(ctx, styled, picture);
    Some(match picture.film {
        Some(_) => {
            let size = picture.at_least(720)?;
            html! { link rel="preload" as="image" href=(size.address()) fetchpriority="high"; }
        }
        None => preloaded(picture, ctx.sizes(&sizes(&rooms))),
    })
}
