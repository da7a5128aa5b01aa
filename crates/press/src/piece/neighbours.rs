use super::Drawn;
use crate::ctx::{Ctx, Neighbour, Styled};
use crate::image::thumb;
use compagina_core::catalog::page_path;
use compagina_core::page::piece::neighbours::{AFTER, BEFORE, NAMES, PICTURES};
use compagina_core::page::{Device, Setting};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let (before, after) = (&ctx.around.before, &ctx.around.after);
    if before.is_none() && after.is_none() {
        return None;
    }
    let said = [&BEFORE, &AFTER].map(|setting| styled.chain.text(setting, Device::Wide)).join(", ");
    Some(html! {
        nav.neighbours aria-label=(said) {
            @if let Some(before) = before { (link(styled, before, &BEFORE, "prev")) } @else { span {} }
            @if let Some(after) = after { (link(styled, after, &AFTER, "next")) }
        }
    })
}

fn link(styled: &Styled<'_>, to: &Neighbour, words: &Setting, rel: &str) -> Markup {
    html! {
        a class=(rel) rel=(rel) href=(page_path(&to.address)) {
            @if styled.flag_anywhere(&PICTURES) && let Some(picture) = &to.picture { (thumb(picture)) }
            span { span.soft { (styled.words(words)) } @if styled.flag_anywhere(&NAMES) { strong { (to.name) } } }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let hide = |shown: bool, what: &str| {
        if shown { String::new() } else { format!("{root} {what}{{display:none}}") }
    };
    hide(styled.chain.flag(&PICTURES, device), "img") + &hide(styled.chain.flag(&NAMES, device), "strong")
}
