use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::page::Device;
use compagina_core::page::piece::wish_button::{AS, ICON, KEPT, WORDS, WishAs};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw: |ctx, styled| Some(draw(ctx, styled)), ..Drawn::NOTHING };

/// A heart on a ground of 24 by 24.
const HEART: &str = "M12 20S3 14.5 3 8.5A4.5 4.5 0 0 1 12 7a4.5 4.5 0 0 1 9 1.5C21 14.5 12 20 12 20Z";

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let as_button = styled.choice(&AS, Device::Wide) == Some(WishAs::Button);
    let words = |setting| styled.chain.text(setting, Device::Wide);
    let class = if as_button { "framed" } else { "" };
    button(ctx, (&words(&WORDS), &words(&KEPT)), class, styled.flag_anywhere(&ICON))
}

/// Pages are made for all: whether it is kept already is shown by the script, from a cookie.
pub(super) fn button(ctx: &Ctx<'_>, (words, kept): (&str, &str), class: &str, icon: bool) -> Markup {
    html! {
        button class={ "wish" @if !class.is_empty() { " " (class) } } type="submit" form=(ctx.form()) formaction="/shop/wishes" formnovalidate
            data-wish=(ctx.product.id.0) data-kept=(kept) data-words=(words) data-failed=(ctx.say("wish-failed")) {
            @if icon { svg.icon viewBox="0 0 24 24" width="18" height="18" aria-hidden="true" { path d=(HEART) {} } }
            span data-wish-words { (words) }
        }
    }
}
