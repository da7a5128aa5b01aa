use super::{Drawn, to_page};
use crate::ctx::{Ctx, Styled};
use crate::image::{Load, img_within};
use crate::piece::gallery::{crops_to, ratio_css};
use compagina_core::media::{Crop, Focus, Picture};
use compagina_core::page::Device;
use compagina_core::page::piece::card::picture::{FIT, POINTING, Pointing, SHAPE};
use compagina_core::page::piece::gallery::Shape;
use maud::{Markup, html};
use std::collections::BTreeMap;
use std::ops::RangeInclusive;

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    slots: |ctx, styled| slots(ctx, pointing(styled)),
};

/// How wide a card is: two side by side on phones, about as wide elsewhere.
const SIZES: &str = "(max-width:640px) calc(50vw - 24px), 300px";
/// That is from 160 pixels on the smallest phone to 320 on a dense screen with three of its own to each.
const WIDTHS: RangeInclusive<u32> = 216..=1080;
/// Pictures that follow one another while the card is pointed at.
const MOST: usize = 5;
/// At least as wide a picture takes the place of another.
const WIDTH: u32 = 480;

fn pointing(styled: &Styled<'_>) -> Pointing {
    styled.choice(&POINTING, Device::Wide).unwrap_or(Pointing::Nothing)
}

/// The pictures of the choice; none that is a film.
fn pictures<'a>(ctx: &Ctx<'a>) -> Vec<&'a Picture> {
    let of_choice = ctx.offer.pictures.iter().filter_map(|place| ctx.product.pictures.get(*place));
    let still: Vec<&Picture> = of_choice.filter(|picture| picture.film.is_none()).collect();
    if still.is_empty() { ctx.product.lead_picture().into_iter().collect() } else { still }
}

/// Those that come while it is pointed at.
fn others<'a>(ctx: &Ctx<'a>, pointing: Pointing) -> Vec<&'a Picture> {
    let most = match pointing {
        Pointing::Nothing => 0,
        Pointing::Second => 1,
        Pointing::Turn => MOST - 1,
    };
    pictures(ctx).into_iter().skip(1).take(most).collect()
}

fn address(picture: &Picture) -> String {
    picture.at_least(WIDTH).map(|size| size.address()).unwrap_or_default()
}

fn addresses(pictures: &[&Picture]) -> String {
    pictures.iter().map(|picture| address(picture)).collect::<Vec<_>>().join(" ")
}

fn slots(ctx: &Ctx<'_>, pointing: Pointing) -> BTreeMap<String, String> {
    let first = pictures(ctx).first().map(|picture| address(picture)).unwrap_or_default();
    let others = addresses(&others(ctx, pointing));
    BTreeMap::from([("card-picture".into(), first), ("card-others".into(), others)])
}

/// Without script the second one is there, too; what comes in turn is the script's.
fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let pointing = pointing(styled);
    let (first, others) = (pictures(ctx).into_iter().next(), others(ctx, pointing));
    let load = ctx.card.map_or(Load::Later, |card| card.load);
    let turn = (pointing == Pointing::Turn).then(|| addresses(&others));
    html! {
        a.card-picture href=(to_page(ctx)) data-to[ctx.changes()] tabindex="-1" aria-hidden="true" {
            @if let Some(picture) = first {
                span.shown data-picture="card-picture" style={ (crop(styled, picture)) } { (img_within(picture, WIDTHS, SIZES, load)) }
                @if let Some(second) = others.first() {
                    span.second data-others="card-others" data-turn[turn.is_some()] data-pictures=[turn] style={ (crop(styled, second)) } {
                        (img_within(second, WIDTHS, SIZES, Load::Later))
                    }
                }
            } @else { span.no-picture { (ctx.product.name) } }
        }
    }
}

/// Where what must stay in sight lies, and the shape of the picture itself.
fn crop(styled: &Styled<'_>, picture: &Picture) -> String {
    let (width, height) = picture.ratio();
    let own = format!("--own:{width}/{height}");
    let frame = crops_to(styled.choice::<Shape>(&SHAPE, Device::Wide));
    match frame.filter(|_| picture.focus != Focus::default()) {
        Some(frame) => {
            let Crop { x, y } = Crop::around(picture.focus, picture.ratio(), frame);
            format!("{own};--at:{}.{}% {}.{}%", x / 10, x % 10, y / 10, y % 10)
        }
        None => own,
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let ratio = ratio_css(styled.choice(&SHAPE, device), "var(--own,1)");
    let fit = match styled.chain.text(&FIT, device).as_str() {
        "whole" => "contain",
        _ => "cover",
    };
    format!("{root} .card-picture{{--frame:{ratio};--fit:{fit}}}")
}
