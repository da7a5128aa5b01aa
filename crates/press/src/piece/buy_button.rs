use super::{device_slots, draw_slots, slot};
use crate::ctx::{Ctx, Styled};
use crate::offers::{BuyState, buy_state};
use compagina_core::page::piece::buy_button::{
    AFTER, After, CHOOSE, COMING, GONE, SOLD_OUT, TONE, Tone, WIDTH, WORDS, Width,
};
use compagina_core::page::{Device, Kind, Layout, Setting};
use compagina_core::price::{Hindrance, Tag};
use compagina_core::style::Chain;
use compagina_core::wording::Arg;
use maud::{Markup, html};
use std::collections::BTreeMap;

/// Whether a click on the page's first buy button leaves the shopper here.
pub(crate) fn stays(layout: &Layout) -> bool {
    layout.first_of(Kind::BuyButton).is_some_and(|piece| {
        Chain::of_template(&piece.values).choice(&AFTER, Device::Wide) == Some(After::Stay)
    })
}

pub(super) fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    let setting = setting_for(ctx.offer.hindrance.as_ref());
    let mut say = device_slots(&name(styled), Device::ALL.map(|device| styled.chain.text(setting, device)));
    say.insert("hint".to_owned(), hint(ctx));
    say
}

pub(super) fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let say = slots(ctx, styled);
    let accent = styled.choice(&TONE, Device::Wide) == Some(Tone::Accent);
    html! {
        button.buy.accent[accent] type="submit" form="buy" data-buy disabled[is_off_for_good(ctx)]
            aria-disabled=[(buy_state(ctx.offer) == BuyState::Off).then_some("true")] {
            (draw_slots(&name(styled), &say))
        }
        p.hint aria-live="polite" { (slot("hint", say.get("hint").map_or("", String::as_str))) }
    }
}

/// No other choice would help either. A button that only this choice stops stays usable without script, where another
/// choice can be sent together with the click.
pub(super) fn is_off_for_good(ctx: &Ctx<'_>) -> bool {
    !ctx.product.can_be_bought()
}

fn name(styled: &Styled<'_>) -> String {
    format!("buy.{}", styled.id())
}

/// The words that fit what keeps the shopper from buying, if anything does.
pub(super) fn setting_for(hindrance: Option<&Hindrance>) -> &'static Setting {
    match hindrance {
        Some(Hindrance::SoldOut | Hindrance::NotMade) => &SOLD_OUT,
        Some(Hindrance::ChooseFirst(_)) => &CHOOSE,
        Some(Hindrance::ComingSoon) => &COMING,
        Some(Hindrance::Withdrawn) => &GONE,
        Some(Hindrance::OnlyLeft(_) | Hindrance::MostPerOrder(_)) | None => &WORDS,
    }
}

/// What stands under the button: the sum for several, or why so many can't be had.
fn hint(ctx: &Ctx<'_>) -> String {
    match (&ctx.offer.hindrance, &ctx.offer.tag) {
        (Some(Hindrance::OnlyLeft(left)), _) => {
            ctx.say_with("hint-only-left", &[("count", Arg::Number(*left))])
        }
        (Some(Hindrance::MostPerOrder(most)), _) => {
            ctx.say_with("hint-most", &[("count", Arg::Number(*most))])
        }
        (None, Tag::Exact(quote)) if quote.quantity > 1 => {
            let amount = ctx.money(quote.line);
            ctx.say_with(
                "hint-sum",
                &[("count", Arg::Number(quote.quantity)), ("amount", Arg::Text(&amount))],
            )
        }
        _ => String::new(),
    }
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let width = match styled.choice::<Width>(&WIDTH, device) {
        Some(Width::Words) => "auto",
        _ => "100%",
    };
    format!("{root} .buy{{width:{width}}}")
}
