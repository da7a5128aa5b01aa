use super::Drawn;
use super::card::card;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::related::{COUNT, HEADING, PRICES};
use compagina_core::template::CardPlace;
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    if ctx.around.related.is_empty() {
        return None;
    }
    let most = styled.most(&COUNT);
    Some(html! {
        (styled.heading(&HEADING))
        ul.cards { @for product in ctx.around.related.iter().take(most) { (card(ctx.dealer(), product, CardPlace::Related)) } }
    })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let count = styled.chain.number(&COUNT, device);
    let price = if styled.chain.flag(&PRICES, device) { "flex" } else { "none" };
    format!(
        "{root} .cards{{grid-template-columns:repeat({count},minmax(0,1fr))}}{root} .k-card-price{{display:{price}}}"
    )
}
