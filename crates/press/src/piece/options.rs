use super::slot;
use crate::ctx::{Ctx, Styled};
use compagina_core::catalog::{ProductOption, ProductValue, Swatch};
use compagina_core::choice::ValueState;
use compagina_core::page::Device;
use compagina_core::page::piece::options::{ASK, SHOWN_AS, SOLD_OUT, SWATCH_SIZE, ShownAs, SwatchSize};
use maud::{Markup, html};
use std::collections::BTreeMap;

/// Beside each option's name: the chosen value, or the words that ask for a choice.
pub(super) fn slots(ctx: &Ctx<'_>, styled: &Styled<'_>) -> BTreeMap<String, String> {
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

pub(super) fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Markup {
    let shown_as = styled.choice::<ShownAs>(&SHOWN_AS, Device::Wide).unwrap_or(ShownAs::Swatches);
    let mark = styled.chain.text(&SOLD_OUT, Device::Wide);
    let says = slots(ctx, styled);
    let here = format!("/shop/products/{}", ctx.product.handle);
    html! {
        div class={ "mark-" (mark) } {
            @for (place, option) in ctx.product.options.iter().enumerate() {
                fieldset.option {
                    legend { (option.name) ": " strong { (slot(&slot_name(styled, place), says.get(&slot_name(styled, place)).map_or("", String::as_str))) } }
                    @if shown_as == ShownAs::List { (list(ctx, place, option)) }
                    @else {
                        div.values {
                            @for (v, value) in option.values.iter().enumerate() {
                                (radio(ctx, place, option, v, value, shown_as))
                            }
                        }
                    }
                }
            }
        }
        noscript { button.plain form="buy" formmethod="get" formaction=(here) { (ctx.say("show-choice")) } }
    }
}

fn state_of(ctx: &Ctx<'_>, option: usize, value: usize) -> ValueState {
    ctx.offer.states.get(option).and_then(|row| row.get(value)).copied().unwrap_or(ValueState::NotMade)
}

fn state_words(ctx: &Ctx<'_>, state: ValueState) -> (&'static str, String) {
    match state {
        ValueState::Open => ("open", String::new()),
        ValueState::SoldOut => ("sold_out", ctx.say("state-sold-out")),
        ValueState::NotMade => ("not_made", ctx.say("state-not-made")),
    }
}

fn is_chosen(ctx: &Ctx<'_>, option: usize, value: usize) -> bool {
    ctx.offer.selection.get(option).map(usize::from) == Some(value)
}

fn radio(
    ctx: &Ctx<'_>,
    place: usize,
    option: &ProductOption,
    v: usize,
    value: &ProductValue,
    shown_as: ShownAs,
) -> Markup {
    let (state, words) = state_words(ctx, state_of(ctx, place, v));
    let swatch = if shown_as == ShownAs::Swatches { colours(&value.swatch) } else { None };
    let class = if swatch.is_some() { "value swatch" } else { "value word" };
    html! {
        label class=(class) data-state=(state) title=(value.name) {
            input type="radio" form="buy" name=(option.handle) value=(value.handle) data-option=(place) data-value=(v)
                checked[is_chosen(ctx, place, v)];
            @if let Some(colours) = &swatch {
                span.cloth style={ "background:" (colours) } {}
                span.unseen { (value.name) }
            } @else { span.text { (value.name) } }
            span.unseen data-state-words { @if !words.is_empty() { ", " (words) } }
        }
    }
}

fn list(ctx: &Ctx<'_>, place: usize, option: &ProductOption) -> Markup {
    html! {
        select form="buy" name=(option.handle) aria-label=(option.name) data-option=(place) {
            @if ctx.offer.selection.get(place).is_none() { option value="" { "–" } }
            @for (v, value) in option.values.iter().enumerate() {
                @let (state, words) = state_words(ctx, state_of(ctx, place, v));
                option value=(value.handle) data-value=(v) data-state=(state) data-name=(value.name) selected[is_chosen(ctx, place, v)] {
                    (value.name) @if !words.is_empty() { " – " (words) }
                }
            }
        }
    }
}

/// A CSS background of one to four colours in equal slices; nothing where a colour isn't `#RRGGBB`.
fn colours(swatch: &Swatch) -> Option<String> {
    let Swatch::Colours { colours } = swatch else { return None };
    let sound =
        |c: &String| c.len() == 7 && c.starts_with('#') && c[1..].bytes().all(|b| b.is_ascii_hexdigit());
    if colours.is_empty() || colours.len() > 4 || !colours.iter().all(sound) {
        return None;
    }
    if let [only] = colours.as_slice() {
        return Some(only.clone());
    }
    let step = 100 / colours.len();
    let stops: Vec<String> = colours
        .iter()
        .enumerate()
        .map(|(i, c)| {
            format!("{c} {}% {}%", i * step, if i + 1 == colours.len() { 100 } else { (i + 1) * step })
        })
        .collect();
    Some(format!("linear-gradient(135deg,{})", stops.join(",")))
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let size = match styled.choice::<SwatchSize>(&SWATCH_SIZE, device) {
        Some(SwatchSize::Small) => 28,
        Some(SwatchSize::Large) => 48,
        _ => 36,
    };
    format!("{root}{{--swatch:{size}px}}")
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn two_colours_share_a_swatch_and_anything_but_a_colour_is_left_out() {
        let swatch =
            |colours: &[&str]| Swatch::Colours { colours: colours.iter().map(|c| (*c).into()).collect() };
        assert_eq!(colours(&swatch(&["#D7512B"])).unwrap(), "#D7512B");
        assert_eq!(
            colours(&swatch(&["#14505C", "#F2B35E"])).unwrap(),
            "linear-gradient(135deg,#14505C 0% 50%,#F2B35E 50% 100%)"
        );
        assert_eq!(colours(&swatch(&["red;background:url(//x)"])), None);
        assert_eq!(colours(&Swatch::Text), None);
    }
}
