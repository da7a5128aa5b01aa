use super::Drawn;
use crate::ctx::{Ctx, Styled};
use compagina_core::catalog::{Signs, TextTerms};
use compagina_core::money::Money;
use compagina_core::page::Device;
use compagina_core::page::piece::personal_text::{COUNT, HINT, LABEL, SURCHARGE};
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let terms = ctx.product.terms.text.as_ref()?;
    let text = &ctx.situation.text;
    let surcharge = Money::new(terms.surcharge, ctx.product.price.currency);
    let more = ctx.say_with("text-surcharge", &[("amount", Arg::Text(&ctx.money(surcharge)))]);
    let hint = format!("text-hint-{}", styled.id());
    let counted =
        ctx.say_with("text-count", &[("count", Arg::Text("{count}")), ("most", Arg::Text("{most}"))]);
    let most = terms.most * terms.lines + terms.lines - 1;
    Some(html! {
        label.personal {
            span.personal-label {
                @if styled.has_words(&LABEL) { (styled.words(&LABEL)) } @else { (terms.label) }
                @if terms.surcharge > 0 && styled.flag_anywhere(&SURCHARGE) { span.surcharge { (more) } }
            }
            @if terms.lines > 1 {
                textarea form="buy" name="text" rows=(terms.lines) maxlength=(most) required[terms.needed] autocomplete="off"
                    aria-describedby=(hint) data-text-most=(terms.most) { (text) }
            } @else {
                input type="text" form="buy" name="text" maxlength=(terms.most) required[terms.needed] autocomplete="off"
                    value=(text) aria-describedby=(hint) data-text-most=(terms.most);
            }
        }
        p.hint id=(hint) {
            @if styled.flag_anywhere(&HINT) { span.text-hint { (allowed(ctx, terms)) } }
            @if styled.flag_anywhere(&COUNT) { span.text-count data-text-count=(counted) aria-live="polite" {} }
        }
    })
}

/// `Up to 2 lines of 12 characters. Letters only.`
fn allowed(ctx: &Ctx<'_>, terms: &TextTerms) -> String {
    let most = ("most", Arg::Number(terms.most));
    let room = if terms.lines > 1 {
        ctx.say_with("text-lines", &[("lines", Arg::Number(terms.lines)), most])
    } else {
        ctx.say_with("text-one-line", &[most])
    };
    match terms.signs {
        Signs::Any => room,
        Signs::Letters => format!("{room} {}", ctx.say("text-letters")),
        Signs::LettersAndDigits => format!("{room} {}", ctx.say("text-letters-digits")),
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let parts = [(&HINT, "text-hint"), (&COUNT, "text-count"), (&SURCHARGE, "surcharge")].into_iter();
    let parts = parts.filter(|(setting, _)| !styled.chain.flag(setting, device));
    parts.map(|(_, class)| format!("{root} .{class}{{display:none}}")).collect()
}
