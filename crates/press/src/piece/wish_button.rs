use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::wish_button::{AS, ICON, KEPT, WORDS, WishAs};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw: |ctx, styled| Some(draw(ctx, styled)), ..Drawn::NOTHING };

/// A heart on a ground of 24 by 24.
const HEART: &str = "M12 20S3 14.5 3 8.5A4.5 4.5 0 0 1 12 7a4.5 4.5 0 0 1 9 1.5C21 14.5 12 20 12 20Z";

/// Pages are made for all: whether it is kept already is shown by the script, from a cookie.
fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let as_button = styled.choice(&AS, Device::Wide) == Some(WishAs::Button);
    let words = |setting| styled.chain.text(setting, Device::Wide);
    html! {
        button.wish.framed[as_button] type="submit" form="buy" formaction="/shop/wishes" formnovalidate
            data-wish=(ctx.product.id.0) data-kept=(words(&KEPT)) data-words=(words(&WORDS)) data-failed=(ctx.say("wish-failed")) {
            @if styled.flag_anywhere(&ICON) { svg.icon viewBox="0 0 24 24" width="18" height="18" aria-hidden="true" { path d=(HEART) {} } }
            span data-wish-words { (words(&WORDS)) }
        }
    }
}
