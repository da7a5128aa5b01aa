//! What a shopper can choose. For any partial selection every value is *open*, *sold out* or *not made*; a pick that
//! fits nothing moves as few of the other choices as it must. A variant's *any* counts as each value.
//!
//! Every question is answered by one pass over the variants, so that 8,000 of them stay well under a millisecond.

mod combine;
mod selection;
mod states;

pub use combine::{Choices, CombineError, NewVariantChoice, combinations, every_choice, missing_choices};
pub use selection::{Selection, UnknownChoice};
pub use states::{ValueState, card_opening, first_to_buy, opened, pick, states, variant_of};

use crate::catalog::{Product, Variant};

/// Whether a variant has this value of this option; *any* has each.
fn has(variant: &Variant, option: usize, value: u16) -> bool {
    variant.values.get(option).is_some_and(|v| v.is_none_or(|own| own == value))
}

/// Whether any variant of a product has a value. One that none has any more isn't offered to shoppers.
#[must_use]
pub fn is_made(product: &Product, option: usize, value: usize) -> bool {
    let Ok(value) = u16::try_from(value) else { return false };
    product.variants.iter().any(|variant| has(variant, option, value))
}

/// The variants that a partial selection leaves.
pub fn fitting<'a>(variants: &'a [Variant], selection: &'a Selection) -> impl Iterator<Item = &'a Variant> {
    variants
        .iter()
        .filter(move |variant| selection.chosen().all(|(option, value)| has(variant, option, value)))
}
