use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::share_links::{LABEL, LINK, MAIL, MESSAGE};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw, ..Drawn::NOTHING };

/// Plain links; nobody else's script is loaded and nobody is told who looks at the page. The page's address has no
/// server in it: the script adds where it is.
fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let flag = |setting| styled.chain.flag(setting, Device::Wide);
    if ![&MAIL, &MESSAGE, &LINK].into_iter().any(flag) {
        return None;
    }
    let path = ctx.product.path();
    let name = crate::escape::encoded(&ctx.product.name);
    Some(html! {
        p.share data-share {
            @if styled.has_words(&LABEL) { span.soft { (styled.words(&LABEL)) } }
            @if flag(&MAIL) { a href={ "mailto:?subject=" (name) "&body=" (path) } { (ctx.say("share-mail")) } }
            @if flag(&MESSAGE) { a href={ "sms:?&body=" (name) "%20" (path) } { (ctx.say("share-message")) } }
            @if flag(&LINK) { a href=(path) { (ctx.say("share-address")) } }
        }
    })
}
