use super::{Selection, fitting, has, is_made};
use crate::catalog::{Product, Variant};
use crate::letters::folded;
use serde::Serialize;

/// What becomes of a value under the other choices.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ValueState {
    /// No variant has it together with the other choices.
    NotMade,
    /// Variants have it, none of them in stock.
    SoldOut,
    /// Some variant with stock has it.
    Open,
}

/// The state of every value of every option: `[option][value]`, each judged under the choices made for the *other*
/// options.
#[must_use]
pub fn states(product: &Product, selection: &Selection) -> Vec<Vec<ValueState>> {
    let mut table: Vec<Vec<ValueState>> =
        product.options.iter().map(|o| vec![ValueState::NotMade; o.values.len()]).collect();
    for variant in &product.variants {
        let state = if variant.stock.is_in() { ValueState::Open } else { ValueState::SoldOut };
        match misfits(variant, selection) {
            Misfits::None => (0..table.len()).for_each(|option| raise(&mut table, variant, option, state)),
            Misfits::One(option) => raise(&mut table, variant, option, state),
            Misfits::More => {}
        }
    }
    table
}

/// In which of the chosen options a variant differs.
enum Misfits {
    None,
    One(usize),
    More,
}

fn misfits(variant: &Variant, selection: &Selection) -> Misfits {
    let mut found = Misfits::None;
    for (option, value) in selection.chosen() {
        if !has(variant, option, value) {
            match found {
                Misfits::None => found = Misfits::One(option),
                _ => return Misfits::More,
            }
        }
    }
    found
}

fn raise(table: &mut [Vec<ValueState>], variant: &Variant, option: usize, state: ValueState) {
    match variant.values.get(option).copied().flatten() {
        Some(value) => {
            if let Some(cell) = table[option].get_mut(usize::from(value)) {
                *cell = (*cell).max(state);
            }
        }
        None => table[option].iter_mut().for_each(|cell| *cell = (*cell).max(state)),
    }
}

/// The variant that a complete selection buys: of those that fit, the one with the fewest *any*, then the first.
#[must_use]
pub fn variant_of<'a>(product: &'a Product, selection: &'a Selection) -> Option<&'a Variant> {
    if !selection.is_complete() {
        return None;
    }
    fitting(&product.variants, selection)
        .min_by_key(|v| v.values.iter().filter(|value| value.is_none()).count())
}

/// The selection after a shopper picks a value. The pick itself always stands. Where no variant has it together with
/// the other choices, as few of those as possible change, earlier options being kept first; among equals the one in
/// stock wins, then the first. A value that no variant has at all changes nothing else.
#[must_use]
pub fn pick(product: &Product, selection: &Selection, option: usize, value: u16) -> Selection {
    let mut wanted = selection.clone();
    wanted.set(option, Some(value));
    if fitting(&product.variants, &wanted).next().is_some() {
        return wanted;
    }
    let nearest = product
        .variants
        .iter()
        .filter(|v| has(v, option, value))
        .min_by_key(|v| (cost(v, &wanted), !v.stock.is_in()));
    if let Some(variant) = nearest {
        let changes: Vec<usize> =
            wanted.chosen().filter(|(o, v)| !has(variant, *o, *v)).map(|(o, _)| o).collect();
        for changed in changes {
            wanted.set(changed, variant.values[changed]);
        }
    }
    wanted
}

/// How many choices a variant would change, and which: earlier options weigh more.
fn cost(variant: &Variant, wanted: &Selection) -> (usize, Vec<bool>) {
    let changed: Vec<bool> = (0..wanted.values().len())
        .map(|option| wanted.get(option).is_some_and(|v| !has(variant, option, v)))
        .collect();
    (changed.iter().filter(|c| **c).count(), changed)
}

/// The selection of the first variant that can be bought, or of the first at all; *any* takes the option's first
/// value.
#[must_use]
pub fn first_to_buy(product: &Product) -> Selection {
    let first = product.variants.iter().find(|v| v.stock.is_in()).or(product.variants.first());
    first.map_or_else(
        || Selection::none(product.options.len()),
        |variant| Selection::of_variant(product, variant),
    )
}

/// What a card has chosen as it opens: of the option that it leads with, by its name, the first value to be had; of one
/// that has a single value, that. The rest is the shopper's.
#[must_use]
pub fn card_opening(product: &Product, leads: Option<&str>) -> Selection {
    let mut selection = Selection::none(product.options.len());
    for (place, option) in product.options.iter().enumerate() {
        let made: Vec<usize> = (0..option.values.len()).filter(|v| is_made(product, place, *v)).collect();
        if let [only] = made.as_slice() {
            selection.set(place, u16::try_from(*only).ok());
        }
    }
    let leads = leads.map(folded);
    let place = product.options.iter().position(|option| Some(folded(&option.name)) == leads);
    if let Some(place) = place {
        let states = states(product, &selection);
        let row = states.get(place).map_or(&[][..], Vec::as_slice);
        let open = row.iter().position(|state| *state == ValueState::Open);
        let made = || row.iter().position(|state| *state != ValueState::NotMade);
        if let Some(value) = open.or_else(made) {
            selection.set(place, u16::try_from(value).ok());
        }
    }
    selection
}

/// The selection with which a page opens where its address names some values: those stay, and what isn't named is as the
/// page opens without any, moved where it doesn't fit.
#[must_use]
pub fn opened(product: &Product, opening: &Selection, named: &Selection) -> Selection {
    let picked = named
        .chosen()
        .fold(opening.clone(), |selection, (option, value)| pick(product, &selection, option, value));
    // Values that aren't made together are told so; none of them gives way.
    named.chosen().fold(picked, |mut selection, (option, value)| {
        selection.set(option, Some(value));
        selection
    })
}

#[cfg(test)]
#[path = "tests.rs"]
mod tests;
