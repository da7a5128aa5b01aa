//! What a band looks like: its space, its ground, and what lies behind it.

use crate::ctx::Ctx;
use crate::image::img;
use crate::piece::film::video;
use compagina_core::house::House;
use compagina_core::page::piece::band::{
    BEHIND, Behind, FILM, GAP, HEIGHT, Height, MOTION, Motion, PICTURE, REACH, Reach, SPACE_ABOVE,
    SPACE_BELOW, STAND, STAYS, Stand, Stays, VEIL, Veil,
};
use compagina_core::page::piece::shared::SHOWN;
use compagina_core::page::{Band, Device, SetValue};
use compagina_core::style::Chain;
use maud::{Markup, html};
use std::fmt::Write;

pub(crate) fn hidden(id: &str) -> String {
    format!("#{id}{{display:none}}")
}

pub(crate) fn css(id: &str, chain: &Chain<'_>, device: Device, house: &House) -> String {
    if !chain.flag(&SHOWN, device) {
        return hidden(id);
    }
    let pixels = |setting| house.space(chain.number(setting, device));
    let mut css =
        format!("#{id}{{padding-top:{}px;padding-bottom:{}px}}", pixels(&SPACE_ABOVE), pixels(&SPACE_BELOW));
    let _ = write!(css, "#{id}>.columns{{column-gap:{}px}}", pixels(&GAP));
    if chain.choice(&REACH, device) == Some(Reach::Edge) {
        let _ = write!(css, "#{id}>.columns{{max-width:none;padding-left:0;padding-right:0}}");
    }
    let middle = chain.choice(&STAND, device) == Some(Stand::Middle);
    if middle {
        let _ = write!(css, "#{id}>.columns{{align-items:center}}");
    }
    // In a proof the first screen is what its fold says, however high its frame is.
    let part = match chain.choice::<Height>(&HEIGHT, device) {
        Some(Height::Half) => "calc(var(--screen,100svh)/2)",
        Some(Height::Screen) => "var(--screen,100svh)",
        _ => "0",
    };
    if part != "0" {
        let stands = if middle { "center" } else { "start" };
        let _ = write!(css, "#{id}{{display:grid;align-content:{stands};min-height:{part}}}");
    }
    let staying = match chain.choice::<Stays>(&STAYS, device) {
        Some(Stays::First) => "first",
        Some(Stays::Last) => "last",
        _ => "",
    };
    // On phones columns stand one under another: nothing there can stay beside anything.
    if device != Device::Phone && !staying.is_empty() {
        let _ = write!(css, "#{id}>.columns>:{staying}-child{{position:sticky;top:16px;align-self:start}}");
    }
    css + &behind_css(id, chain, device)
}

/// Whether it is high though nothing stands in it.
pub(crate) fn has_height(chain: &Chain<'_>) -> bool {
    Device::ALL.into_iter().any(|device| chain.choice(&HEIGHT, device) != Some(Height::Own))
}

fn behind_css(id: &str, chain: &Chain<'_>, device: Device) -> String {
    let shown = match chain.choice::<Behind>(&BEHIND, device) {
        Some(Behind::Picture) => "picture",
        Some(Behind::Film) => "film",
        _ => return format!("#{id}>.behind{{display:none}}"),
    };
    let other = if shown == "picture" { "video" } else { "img" };
    let veil = match chain.choice::<Veil>(&VEIL, device) {
        Some(Veil::Light) => "#fffdf8cc",
        Some(Veil::Dark) => "#10191ea6",
        _ => "transparent",
    };
    let words = match chain.choice::<Veil>(&VEIL, device) {
        Some(Veil::Dark) => format!("#{id}{{--ink:#fff;--soft:#e6e9ea;--line:#ffffff66;color:#fff}}"),
        _ => String::new(),
    };
    format!("#{id}>.behind{{--veil:{veil}}}#{id}>.behind>{other}{{display:none}}{words}")
}

/// The picture or film behind a band. What moves stands still for visitors who ask for less motion.
pub(crate) fn behind(ctx: &Ctx<'_>, band: &Band, chain: &Chain<'_>) -> Markup {
    let wanted =
        |what: Behind| Device::ALL.into_iter().any(|device| chain.choice(&BEHIND, device) == Some(what));
    let picture = match chain.value(&PICTURE, Device::Wide) {
        SetValue::Lines(names) => names.first().and_then(|name| ctx.media.pictures.get(name)),
        _ => None,
    };
    let picture = picture.filter(|_| wanted(Behind::Picture));
    let film = ctx.media.films.get(&chain.text(&FILM, Device::Wide)).filter(|_| wanted(Behind::Film));
    if picture.is_none() && film.is_none() {
        return html! {};
    }
    let motion = match chain.choice::<Motion>(&MOTION, Device::Wide) {
        Some(Motion::Slow) => "slow",
        Some(Motion::Still) => "still",
        _ => "with-page",
    };
    html! {
        div class={ "behind " (motion) } aria-hidden="true" {
            @if let Some(picture) = picture { (img(picture, ctx.sizes("100vw"), ctx.load_in(&band.id))) }
            @if let Some(film) = film { (video(film, true, true, false)) }
        }
    }
}
