use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::media::{Film, address};
use compagina_core::page::Device;
use compagina_core::page::piece::film::{CAPTION, CONTROLS, FILM, ROUND, START};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw, ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let film = ctx.media.films.get(&styled.chain.text(&FILM, Device::Wide))?;
    let flag = |setting| styled.chain.flag(setting, Device::Wide);
    Some(html! {
        figure.framed {
            (video(film, flag(&START), flag(&ROUND), flag(&CONTROLS)))
            @if styled.has_words(&CAPTION) { figcaption { (styled.words(&CAPTION)) } }
        }
    })
}

/// A film that is to start by itself is started by the script, which leaves it still for visitors who ask for less
/// motion; without script it has its controls.
pub(crate) fn video(film: &Film, starts: bool, round: bool, controls: bool) -> Markup {
    let poster = film.poster.at_least(720).map(|size| size.address());
    html! {
        video src=(address(&film.hash)) width=(film.width) height=(film.height) poster=[poster] preload="none"
            playsinline muted[starts] loop[round] controls[controls] data-starts[starts] aria-label=(film.poster.alt) {}
    }
}
