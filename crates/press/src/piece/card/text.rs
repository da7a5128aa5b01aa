use super::{Drawn, clamp};
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::card::text::{LINES, OF, TextOf, WORDS};
use maud::{Markup, html};

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn = Drawn {
    draw,
    css: |root, styled, device, _| clamp(root, styled.chain.number(&LINES, device)),
    ..Drawn::NOTHING
};

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let own = styled.choice(&OF, Device::Wide) == Some(TextOf::Own);
    if own && styled.has_words(&WORDS) {
        return Some(html! { p.clamped { (styled.words(&WORDS)) } });
    }
    let summary = ctx.product.summary.as_str();
    (!own && !summary.is_empty()).then(|| html! { p.clamped { (summary) } })
}
