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
use compagina_core::page::{Band, Device, Piece, SetValue};
use compagina_core::style::{Chain, order_on};
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

/// The pieces of a band that are drawn, by their columns.
pub(crate) struct Ordered<'a> {
    pub band: &'a Band,
    pub columns: Vec<Vec<&'a Piece>>,
}

impl Ordered<'_> {
    /// Its pieces as they stand on phones, by the names of their elements, for the script that has them read so.
    pub fn on_phones(&self) -> Option<String> {
        let order = order_on(self.band, Device::Phone)?;
        let drawn =
            order.into_iter().filter(|id| self.columns.iter().flatten().any(|piece| piece.id == **id));
        Some(drawn.map(|id| format!("p-{id}")).collect::<Vec<_>>().join(" "))
    }
}

/// Where pieces stand in another order on a screen than they are listed. On phones, where columns stand one below
/// another, a piece can stand among those of other columns; on tablets it stays in its own. What is seen first is read
/// first, where a browser can (CSS Display 4, `reading-flow`).
pub(crate) fn order_css(id: &str, ordered: &Ordered<'_>, device: Device) -> String {
    let Some(order) = order_on(ordered.band, device) else { return String::new() };
    let place = |piece: &Piece| order.iter().position(|one| **one == piece.id).unwrap_or_default();
    let is_shown = |piece: &&&Piece| Chain::of_template(&piece.values).flag(&SHOWN, device);
    let (mut css, groups): (String, Vec<Vec<&Piece>>) = if device == Device::Phone {
        let one_below_another = format!(
            "#{id}>.columns{{row-gap:0;reading-flow:grid-order}}#{id}>.columns>.column{{display:contents}}"
        );
        (one_below_another, vec![ordered.columns.concat()])
    } else {
        let in_columns =
            format!("#{id}>.columns>.column{{display:flex;flex-direction:column;reading-flow:flex-visual}}");
        (in_columns, ordered.columns.clone())
    };
    for group in groups {
        let first = group.iter().filter(is_shown).min_by_key(|piece| place(piece)).map(|piece| &piece.id);
        for piece in &group {
            let above = if Some(&piece.id) == first { "0" } else { "var(--above,0)" };
            let _ = write!(css, "#p-{}{{order:{};margin-top:{above}}}", piece.id, place(piece));
        }
    }
    css
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
