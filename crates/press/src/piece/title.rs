use super::Drawn;
use crate::ctx::Ctx;
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw: |ctx, _| Some(draw(ctx)), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>) -> Markup {
    html! { h1 { (ctx.product.name) } }
}
