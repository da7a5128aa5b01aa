use super::Drawn;
use super::slot;
use crate::ctx::{Ctx, Styled};
use crate::house;
use crate::swatch::cloth;
use compagina_core::catalog::{ProductOption, ProductValue, Way};
use compagina_core::choice::{ValueState, is_made};
use compagina_core::house::looks::{Label, Names};
use compagina_core::letters::folded;
use compagina_core::media::address;
use compagina_core::page::piece::options::{
    ABOUT, ASK, BUTTONS_AS, CLEAR, CLEARS, ENLARGE, GAP, HIDDEN, LABEL, LABEL_WIDTH, NAMES, NOT_MADE,
    RADIOS_AS, RING_CHOSEN, RING_COLOUR, RING_HOVER, RING_IDLE, RING_WIDTH, SELECTABLE, SHAPE, SHOWN_AS,
    SOLD_OUT, SWATCH_SIZE, ShownAs,
};
use compagina_core::page::{Choice, Device};
use compagina_core::wording::Arg;
use maud::{Markup, html};
use std::collections::{BTreeMap, BTreeSet};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn {
    draw: |ctx, styled| Some(draw(ctx, styled)),
    css: |root, styled, device, _| css(root, styled, device),
    slots,
};

/// Beside each option's name: the chosen value, or the words that ask for a choice.
fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
    let ask = styled.chain.text(&ASK, Device::Wide);
    let of = |(place, option): (usize, &ProductOption)| {
        let value = ctx.offer.selection.get(place).and_then(|v| option.values.get(usize::from(v)));
        (slot_name(styled, place), value.map_or_else(|| ask.clone(), |v| v.name.clone()))
    };
    ctx.product.options.iter().enumerate().map(of).collect()
}

fn slot_name(styled: &Styled<'_>, place: usize) -> String {
    format!("chosen.{}.{place}", styled.id())
}

/// What the values of a piece have in common.
pub(super) struct Look<'a> {
    pub ctx: &'a Ctx<'a>,
    pub names: Names,
    pub selectable: bool,
    /// Whether a larger picture of a value comes while it is pointed at.
    pub closer: bool,
    /// Names of values that aren't offered here, letters folded.
    pub hidden: BTreeSet<String>,
}

fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let as_set = |setting| styled.chain.text(setting, Device::Wide);
    let flag = |setting| styled.chain.flag(setting, Device::Wide);
    let hidden = styled.chain.lines(&HIDDEN).iter().map(|name| folded(name)).collect();
    let names = styled.choice(&NAMES, Device::Wide).unwrap_or(Names::Hover);
    let look = Look { ctx, names, selectable: flag(&SELECTABLE), closer: true, hidden };
    let says = slots(ctx, styled);
    let here = ctx.product.path();
    let clear = styled.chain.text(&CLEAR, Device::Wide);
    html! {
        div class={ "sold-" (as_set(&SOLD_OUT)) " made-" (as_set(&NOT_MADE)) " buttons-" (as_set(&BUTTONS_AS)) " radios-" (as_set(&RADIOS_AS)) " names-" (names.name()) }
            data-clears[flag(&CLEARS)] data-strict[!look.selectable] {
            @for (place, option) in ctx.product.options.iter().enumerate() {
                fieldset.option data-name=(option.name) {
                    legend { (option.name) ": " strong { (slot(&slot_name(styled, place), says.get(&slot_name(styled, place)).map_or("", String::as_str))) } }
                    @if flag(&ABOUT) && !option.about.is_empty() { p.about { (option.about) } }
                    (values(&look, place, option, way(styled, option)))
                }
            }
            @if !clear.is_empty() && !ctx.product.options.is_empty() {
                a.clear href=(here) data-clear hidden[ctx.offer.selection.chosen().next().is_none()] { (clear) }
            }
            p.moved data-moved=(moved(ctx)) aria-live="polite" hidden {}
        }
        noscript { button.plain form="buy" formmethod="get" formaction=(here) { (ctx.say("show-choice")) } }
    }
}

/// What is said of a choice that had to move, with places for the script to fill.
pub(super) fn moved(ctx: &Ctx<'_>) -> String {
    ctx.say_with("choice-moved", &[("option", Arg::Text("{option}")), ("value", Arg::Text("{value}"))])
}

/// How an option is chosen on this page.
fn way(styled: &Styled<'_>, option: &ProductOption) -> Way {
    way_of(styled.choice(&SHOWN_AS, Device::Wide), option.page)
}

/// How an option is chosen where something is set, and how by the swatch book.
pub(super) fn way_of(set: Option<ShownAs>, book: Way) -> Way {
    match set {
        None | Some(ShownAs::Book) => book,
        Some(ShownAs::Swatches) => Way::Swatches,
        Some(ShownAs::Buttons) => Way::Buttons,
        Some(ShownAs::List) => Way::List,
        Some(ShownAs::Radios) => Way::Radios,
    }
}

/// The values that are offered of an option, with their places.
pub(super) fn offered<'o>(
    look: &Look<'_>,
    place: usize,
    option: &'o ProductOption,
) -> Vec<(usize, &'o ProductValue)> {
    let values = option.values.iter().enumerate();
    let wanted = |(v, value): &(usize, &ProductValue)| {
        let offered = is_made(look.ctx.product, place, *v) && !look.hidden.contains(&folded(&value.name));
        is_chosen(look.ctx, place, *v) || offered
    };
    values.filter(wanted).collect()
}

fn values(look: &Look<'_>, place: usize, option: &ProductOption, way: Way) -> Markup {
    let offered = offered(look, place, option);
    html! {
        @if way == Way::List { (list(look, place, option, &offered)) }
        @else {
            div.values.lines[way == Way::Radios] {
                @for (v, value) in offered { (radio(look, place, option, (v, value), way)) }
            }
        }
    }
}

pub(super) fn state_of(ctx: &Ctx<'_>, option: usize, value: usize) -> ValueState {
    ctx.offer.states.get(option).and_then(|row| row.get(value)).copied().unwrap_or(ValueState::NotMade)
}

pub(super) fn state_words(ctx: &Ctx<'_>, state: ValueState) -> (&'static str, String) {
    match state {
        ValueState::Open => ("open", String::new()),
        ValueState::SoldOut => ("sold_out", ctx.say("state-sold-out")),
        ValueState::NotMade => ("not_made", ctx.say("state-not-made")),
    }
}

fn is_chosen(ctx: &Ctx<'_>, option: usize, value: usize) -> bool {
    ctx.offer.selection.get(option).map(usize::from) == Some(value)
}

pub(super) fn radio(
    look: &Look<'_>,
    place: usize,
    option: &ProductOption,
    (v, value): (usize, &ProductValue),
    way: Way,
) -> Markup {
    let ctx = look.ctx;
    let (state, words) = state_words(ctx, state_of(ctx, place, v));
    let cloth = if way == Way::Swatches { cloth(value, ctx.house) } else { None };
    let class = match (way, &cloth) {
        (Way::Radios, _) => "value line",
        (_, Some(_)) => "value swatch",
        (_, None) => "value word",
    };
    let told = matches!(look.names, Names::Beside | Names::Below);
    let title = (look.names == Names::Hover || !value.note.is_empty()).then(|| value.spoken());
    html! {
        label class=(class) data-state=(state) title=[title] {
            input type="radio" form=(ctx.form()) name=(option.handle) value=(value.handle) data-option=(place) data-value=(v)
                data-name=(value.name) checked[is_chosen(ctx, place, v)] disabled[!look.selectable && state != "open"];
            @if let Some(cloth) = &cloth {
                (cloth)
                @if told { span.name { (value.name) } } @else { span.unseen { (value.spoken()) } }
            } @else { span.text { (value.name) } }
            @if let Some(closer) = value.closer.as_ref().filter(|_| look.closer && way != Way::Radios) {
                img.closer src=(address(closer)) alt="" loading="lazy" decoding="async";
            }
            span.unseen data-state-words { @if !words.is_empty() { ", " (words) } }
        }
    }
}

/// A value in a list, with its state.
fn item(ctx: &Ctx<'_>, place: usize, v: usize, value: &ProductValue, selectable: bool) -> Markup {
    let (state, words) = state_words(ctx, state_of(ctx, place, v));
    html! {
        option value=(value.handle) data-value=(v) data-state=(state) data-name=(value.name)
            selected[is_chosen(ctx, place, v)] disabled[!selectable && state != "open"] {
            (value.name) @if !words.is_empty() { " – " (words) }
        }
    }
}

/// A list for each option, for the script alone: it sends nothing, so that nothing is sent twice.
pub(super) fn small(ctx: &Ctx<'_>) -> Markup {
    html! {
        @for (place, option) in ctx.product.options.iter().enumerate() {
            select aria-label=(option.name) data-option=(place) {
                @if ctx.offer.selection.get(place).is_none() { option value="" { (option.name) } }
                @for (v, value) in option.values.iter().enumerate() { (item(ctx, place, v, value, true)) }
            }
        }
    }
}

pub(super) fn list(
    look: &Look<'_>,
    place: usize,
    option: &ProductOption,
    offered: &[(usize, &ProductValue)],
) -> Markup {
    let ctx = look.ctx;
    html! {
        select form=(ctx.form()) name=(option.handle) aria-label=(option.name) data-option=(place) {
            @if ctx.offer.selection.get(place).is_none() { option value="" { "–" } }
            @for (v, value) in offered { (item(ctx, place, *v, value, look.selectable)) }
        }
    }
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let size = styled.chain.number(&SWATCH_SIZE, device);
    let gap = styled.chain.number(&GAP, device);
    let round = house::round(styled.choice(&SHAPE, device));
    let larger = house::larger(styled.chain.flag(&ENLARGE, device));
    let idle = house::ring(styled.choice(&RING_IDLE, device), &styled.chain.text(&RING_COLOUR, device));
    let (hover, chosen) = (styled.chain.text(&RING_HOVER, device), styled.chain.text(&RING_CHOSEN, device));
    let width = styled.chain.number(&RING_WIDTH, device);
    let rings = format!("{idle};--ring-hover:{hover};--ring-chosen:{chosen};--ring-width:{width}px");
    let label = match styled.choice::<Label>(&LABEL, device) {
        Some(Label::Beside) => {
            let width = styled.chain.number(&LABEL_WIDTH, device);
            format!(
                "{root} .option{{display:grid;grid-template-columns:{width}px 1fr}}\
                 {root} .option>legend{{float:left;margin:0;padding-block:6px;grid-area:1/1/3/2}}\
                 {root} .option>:not(legend){{grid-column:2}}"
            )
        }
        Some(Label::Unseen) => format!(
            "{root} .option>legend{{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}}"
        ),
        _ => String::new(),
    };
    format!(
        "{root}{{--swatch:{size}px;--between:{gap}px;--swatch-round:{round};--larger:{larger};{rings}}}{label}"
    )
}
