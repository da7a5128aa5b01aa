use super::Drawn;
use super::card::card;
use crate::ctx::{Ctx, Styled};
use compagina_core::catalog::Product;
use compagina_core::ids::{Handle, PieceId};
use compagina_core::listing::RelatedWish;
use compagina_core::page::piece::related::{
    APART, AS, BY, COUNT, HEADING, MOST, PRICES, PRODUCTS, RelatedAs, RelatedBy,
};
use compagina_core::page::{Device, Kind, Layout, SetValue};
use compagina_core::style::Chain;
use compagina_core::template::CardPlace;
use maud::{Markup, html};
use std::sync::Arc;

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

/// So many are shown: what is set, or a row of the screen that has the longest.
fn most(chain: &Chain<'_>) -> usize {
    let counts = Device::ALL.map(|device| chain.number(&COUNT, device));
    let set = chain.number(&MOST, Device::Wide);
    let most = if set > 0 { set } else { counts.into_iter().max().unwrap_or(0) };
    usize::try_from(most).unwrap_or(0)
}

/// Which products the pieces of a layout ask for.
#[must_use]
pub fn related_wishes(layout: &Layout) -> Vec<(PieceId, RelatedWish)> {
    let pieces = layout.pieces().filter(|piece| piece.kind == Kind::Related);
    let wish = |chain: Chain<'_>| RelatedWish {
        by: chain.choice(&BY, Device::Wide).unwrap_or(RelatedBy::Type),
        chosen: match chain.value(&PRODUCTS, Device::Wide) {
            SetValue::Lines(handles) => {
                handles.into_iter().filter_map(|one| Handle::try_from(one).ok()).collect()
            }
            _ => vec![],
        },
        apart: chain.flag(&APART, Device::Wide),
        most: most(&chain),
    };
    pieces.map(|piece| (piece.id.clone(), wish(Chain::of_template(&piece.values)))).collect()
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let found = ctx.around.found.get(&styled.piece.id).unwrap_or(&ctx.around.related);
    let shown: Vec<&Arc<Product>> = found.iter().take(most(&styled.chain)).collect();
    if shown.is_empty() {
        return None;
    }
    let slides = styled.anywhere(&AS, RelatedAs::Row);
    let said = styled.chain.text(&HEADING, Device::Wide);
    let said = if said.is_empty() { styled.piece.kind.label().to_owned() } else { said };
    Some(html! {
        (styled.heading(&HEADING))
        ul.cards tabindex=[slides.then_some("0")] aria-label=[slides.then_some(said)] {
            @for product in shown { (card(ctx.dealer(), product, CardPlace::Related)) }
        }
    })
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let count = styled.chain.number(&COUNT, device);
    let price = if styled.chain.flag(&PRICES, device) { "flex" } else { "none" };
    let laid = match styled.choice(&AS, device) {
        // A little of the next one is seen, so that one knows that it slides.
        Some(RelatedAs::Row) => format!(
            "{root} .cards{{grid-template-columns:none;grid-auto-flow:column;\
             grid-auto-columns:calc((100% - {count}*24px)/{count}.2);overflow-x:auto;scroll-snap-type:x proximity;\
             padding-block:4px}}{root} .cards>li{{scroll-snap-align:start}}"
        ),
        _ => format!("{root} .cards{{grid-template-columns:repeat({count},minmax(0,1fr))}}"),
    };
    format!("{laid}{root} .k-card-price{{display:{price}}}")
}
