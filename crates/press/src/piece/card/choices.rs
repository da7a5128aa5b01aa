use super::Drawn;
use crate::ctx::{Ctx, Styled, per_device};
use crate::house;
use crate::piece::options::{self, Look, way_of};
use crate::swatch::cloth;
use compagina_core::catalog::{ProductOption, ProductValue, Way};
use compagina_core::choice::ValueState;
use compagina_core::house::looks::{Mark, Names};
use compagina_core::house::token::CHOICE_NOT_MADE;
use compagina_core::letters::folded;
use compagina_core::page::piece::card::choices::{
    BUTTONS_AS, CHOOSING, CLOSER, Choosing, GAP, LEADS, MOST, NAMES, OPTIONS, RING, RING_WIDTH, SHAPE,
    SHOWN_AS, SIZE, SOLD_OUT,
};
use compagina_core::page::{Choice, Device, Kind, Setting};
use compagina_core::wording::Arg;
use maud::{Markup, html};
use std::collections::BTreeSet;

/// How it is drawn.
pub(in crate::piece) const DRAWN: Drawn =
    Drawn { draw, css: |root, styled, device, _| css(root, styled, device), ..Drawn::NOTHING };

/// Whether an option is shown on a screen: it is named, or, where none is, the swatch book shows it on cards.
fn is_shown(styled: &Styled<'_>, option: &ProductOption, device: Device) -> bool {
    let named = styled.chain.lines_on(&OPTIONS, device);
    if named.is_empty() {
        let chosen_here = styled.choice(&CHOOSING, Device::Wide) == Some(Choosing::Card);
        chosen_here || option.card != Way::Nothing || styled.chain.text(&SHOWN_AS, Device::Wide) != "book"
    } else {
        named.iter().any(|name| folded(name) == folded(&option.name))
    }
}

/// The options of the card, the one that it leads with first. Those that are shown on no screen are there, too, where it
/// buys: what is missing is asked for on the card.
fn shown<'a>(ctx: &Ctx<'a>, styled: &Styled<'_>) -> Vec<(usize, &'a ProductOption)> {
    let anywhere =
        |option: &ProductOption| Device::ALL.into_iter().any(|device| is_shown(styled, option, device));
    let buys = ctx.card.is_some_and(|card| card.chooses) && ctx.layout.first_of(Kind::CardBuy).is_some();
    let all = ctx.product.options.iter().enumerate();
    let mut all: Vec<_> = all.filter(|(_, option)| buys || anywhere(option)).collect();
    let leads = styled.chain.lines(&LEADS);
    all.sort_by_key(|(_, option)| !leads.iter().any(|name| folded(name) == folded(&option.name)));
    all
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let card = ctx.card?;
    let on_card = card.chooses && styled.choice(&CHOOSING, Device::Wide) == Some(Choosing::Card);
    let names = styled.choice(&NAMES, Device::Wide).unwrap_or(Names::Hover);
    let closer = styled.flag_anywhere(&CLOSER);
    let look = Look { ctx, names, selectable: true, closer, hidden: BTreeSet::new() };
    let sold = styled.chain.text(&SOLD_OUT, Device::Wide);
    let rows: Vec<Markup> = shown(ctx, styled)
        .into_iter()
        .filter_map(|(place, option)| row(&look, styled, (place, option), on_card))
        .collect();
    if rows.is_empty() {
        return None;
    }
    let classes = format!(
        "sold-{sold} made-{} buttons-{} names-{}",
        ctx.house.text(&CHOICE_NOT_MADE),
        styled.chain.text(&BUTTONS_AS, Device::Wide),
        names.name()
    );
    Some(html! {
        div class=(classes) { @for row in &rows { (row) } }
        @if on_card { (told(ctx)) }
    })
}

/// Where it is told what had to move, and what is still to be chosen.
fn told(ctx: &Ctx<'_>) -> Markup {
    let missing = ctx.card.map_or(&[][..], |card| card.missing.as_slice());
    let names: Vec<&str> =
        missing.iter().filter_map(|place| Some(ctx.product.options.get(*place)?.name.as_str())).collect();
    let ask = |options: &str| ctx.say_with("cart-choose-first", &[("options", Arg::Text(options))]);
    html! {
        p.moved data-moved=(options::moved(ctx)) data-ask-words=(ask("{options}")) aria-live="polite" hidden[names.is_empty()] {
            @if !names.is_empty() { (ask(&names.join(", "))) }
        }
    }
}

/// The values of an option that stand on the card, with their places.
fn offered<'o>(
    look: &Look<'_>,
    styled: &Styled<'_>,
    place: usize,
    option: &'o ProductOption,
) -> Vec<(usize, &'o ProductValue)> {
    let mut all = options::offered(look, place, option);
    if styled.choice::<Mark>(&SOLD_OUT, Device::Wide) == Some(Mark::Away) && look.ctx.product.is_sold() {
        let chosen = look.ctx.offer.selection.get(place).map(usize::from);
        all.retain(|(v, _)| {
            chosen == Some(*v) || options::state_of(look.ctx, place, *v) != ValueState::SoldOut
        });
    }
    all
}

fn row(
    look: &Look<'_>,
    styled: &Styled<'_>,
    (place, option): (usize, &ProductOption),
    on_card: bool,
) -> Option<Markup> {
    let offered = offered(look, styled, place, option);
    let way = match way_of(styled.choice(&SHOWN_AS, Device::Wide), option.card) {
        Way::Nothing => Way::Buttons,
        way => way,
    };
    // Of what there is only one there is nothing to choose; it is chosen already.
    if offered.len() < 2 {
        return None;
    }
    let on = Device::ALL.map(|device| is_shown(styled, option, device));
    let hidden: String = ["not-wide", "not-tablet", "not-phone"]
        .iter()
        .zip(on)
        .filter(|(_, on)| !on)
        .map(|(class, _)| format!(" {class}"))
        .collect();
    let missing = look.ctx.card.is_some_and(|card| card.missing.contains(&place));
    let more = more_link(look.ctx, styled, (offered.len(), &MOST), &option.name);
    Some(html! {
        @if way == Way::List && on_card {
            div class={ "card-option" (hidden) } data-name=(option.name) data-missing[missing] { (options::list(look, place, option, &offered)) }
        } @else if on_card {
            fieldset class={ "card-option" (hidden) } data-name=(option.name) data-missing[missing] {
                legend.unseen { (look.ctx.product.name) ": " (option.name) }
                div.values {
                    @for (v, value) in &offered { (options::radio(look, place, option, (*v, value), way)) }
                    (more)
                }
            }
        } @else {
            div class={ "card-option" (hidden) } {
                div.values {
                    @for (v, value) in &offered { (link(look.ctx, place, option, (*v, value), way)) }
                    (more)
                }
            }
        }
    })
}

/// `+2` where values are left for the page.
pub(super) fn more_link(
    ctx: &Ctx<'_>,
    styled: &Styled<'_>,
    (offered, most): (usize, &Setting),
    of: &str,
) -> Markup {
    let more = Device::ALL.map(|device| {
        let most = usize::try_from(styled.chain.number(most, device)).unwrap_or(1);
        if offered > most { format!("+{}", offered - most) } else { String::new() }
    });
    html! {
        @if more.iter().any(|words| !words.is_empty()) {
            a.more href=(super::to_page(ctx)) data-to[ctx.changes()] { (per_device(&more)) span.unseen { " " (of) } }
        }
    }
}

/// A value that leads to the page with this choice made.
fn link(
    ctx: &Ctx<'_>,
    place: usize,
    option: &ProductOption,
    (v, value): (usize, &ProductValue),
    way: Way,
) -> Markup {
    let cloth = if way == Way::Swatches { cloth(value, ctx.house) } else { None };
    let (state, said) = options::state_words(ctx, options::state_of(ctx, place, v));
    html! {
        a.value.swatch[cloth.is_some()].word[cloth.is_none()] title=(value.spoken()) data-state=(state)
            href={ (ctx.product.path()) "?" (option.handle) "=" (value.handle) } {
            @if let Some(cloth) = cloth { (cloth) span.unseen { (ctx.product.name) ", " (value.spoken()) } }
            @else { span.unseen { (ctx.product.name) ", " } span.text { (value.name) } }
            @if !said.is_empty() { span.unseen { ", " (said) } }
        }
    }
}

fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    values_css(root, styled, device, &MOST)
}

/// Values in rows, of which so many are seen.
pub(super) fn values_css(root: &str, styled: &Styled<'_>, device: Device, most: &Setting) -> String {
    let (size, gap) = (styled.chain.number(&SIZE, device), styled.chain.number(&GAP, device));
    let round = house::round(styled.choice(&SHAPE, device));
    let idle = house::ring(styled.choice(&RING, device), "var(--line)");
    let width = styled.chain.number(&RING_WIDTH, device);
    let from = styled.chain.number(most, device) + 1;
    format!(
        "{root}{{--swatch:{size}px;--between:{gap}px;--swatch-round:{round};--ring-width:{width}px;{idle}}}\
         {root} .value:nth-child(n+{from}){{display:none}}"
    )
}
