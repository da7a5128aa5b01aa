use crate::card::card;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::related::{COUNT, HEADING, PRICES};
use maud::{Markup, html};

pub(super) fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    if ctx.related.is_empty() {
        return None;
    }
    let most = Device::ALL.map(|device| styled.chain.number(&COUNT, device)).into_iter().max();
    let most = most.and_then(|m| usize::try_from(m).ok()).unwrap_or(4);
    let with_price = Device::ALL.into_iter().any(|device| styled.chain.flag(&PRICES, device));
    Some(html! {
        @if styled.has_words(&HEADING) { h2 { (styled.words(&HEADING)) } }
        div.cards { @for product in ctx.related.iter().take(most) { (card(ctx.shop, product, with_price)) } }
    })
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let count = styled.chain.number(&COUNT, device);
    let price = if styled.chain.flag(&PRICES, device) { "block" } else { "none" };
    format!(
        "{root} .cards{{grid-template-columns:repeat({count},minmax(0,1fr))}}{root} .card-price{{display:{price}}}"
    )
}
