use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::catalog::Review;
use compagina_core::page::Device;
use compagina_core::page::piece::reviews::{AVERAGE, COLUMNS, COUNT, HEADING, NONE, SPREAD};
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let rating = &ctx.product.rating;
    if rating.count() == 0 {
        return styled
            .has_words(&NONE)
            .then(|| html! { (styled.heading(&HEADING)) p.soft { (styled.words(&NONE)) } });
    }
    let count = styled.most(&COUNT);
    Some(html! {
        div #reviews {
            (styled.heading(&HEADING))
            @if styled.flag_anywhere(&AVERAGE) || styled.flag_anywhere(&SPREAD) {
                div.rated {
                    @if styled.flag_anywhere(&AVERAGE) { (average(ctx)) }
                    @if styled.flag_anywhere(&SPREAD) { (spread(ctx)) }
                }
            }
            @if count > 0 && !ctx.product.reviews.is_empty() {
                ul.reviews { @for review in ctx.product.reviews.iter().take(count) { (one(ctx, review)) } }
            }
        }
    })
}

/// Stars drawn as full, half or empty, with their number in words.
pub(super) fn stars(ctx: &Ctx<'_>, tenths: u32) -> Markup {
    let said = ctx.say_with("stars", &[("stars", Arg::Text(&decimal(ctx, tenths)))]);
    let share = tenths * 2;
    html! { span.stars role="img" aria-label=(said) style={ "--share:" (share) "%" } {} }
}

/// `4.4`, or `4,4` where that is how numbers are written.
fn decimal(ctx: &Ctx<'_>, tenths: u32) -> String {
    let (whole, part) = (tenths / 10, tenths % 10);
    if part == 0 { whole.to_string() } else { format!("{whole}{}{part}", ctx.shop.locale.decimal_mark()) }
}

pub(super) fn count_words(ctx: &Ctx<'_>) -> String {
    ctx.say_with("review-count", &[("count", Arg::Number(ctx.product.rating.count()))])
}

fn average(ctx: &Ctx<'_>) -> Markup {
    let tenths = ctx.product.rating.tenths().unwrap_or(0);
    html! { p.average { strong { (decimal(ctx, tenths)) } (stars(ctx, tenths)) span.soft { (count_words(ctx)) } } }
}

fn spread(ctx: &Ctx<'_>) -> Markup {
    html! {
        ul.spread {
            @for stars in (1..=5u8).rev() {
                @let percent = ctx.product.rating.percent(stars);
                li {
                    span { (ctx.say_with("stars-share", &[("stars", Arg::Number(u32::from(stars)))])) }
                    span.track { span style={ "width:" (percent) "%" } {} }
                    span.soft { (percent) " %" }
                }
            }
        }
    }
}

fn one(ctx: &Ctx<'_>, review: &Review) -> Markup {
    html! {
        li {
            (stars(ctx, u32::from(review.stars) * 10))
            @if !review.title.is_empty() { strong { (review.title) } }
            @if !review.text.is_empty() { p { (review.text) } }
            span.soft { (ctx.say_with("review-by", &[("who", Arg::Text(&review.who)), ("day", Arg::Text(&ctx.shop.locale.day(&review.day)))])) }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let hide = |away: bool, class: &str| {
        if away { format!("{root} .{class}{{display:none}}") } else { String::new() }
    };
    format!(
        "{root} .reviews{{grid-template-columns:repeat({},minmax(0,1fr))}}{}{}",
        styled.chain.number(&COLUMNS, device),
        hide(!styled.chain.flag(&AVERAGE, device), "average"),
        hide(!styled.chain.flag(&SPREAD, device), "spread")
    )
}
