//! Combinations of an option's values that have no variant yet.

use crate::catalog::Product;
use crate::ids::{OptionId, ValueId};
use std::collections::BTreeSet;

/// A product has at most so many variants.
const MOST_VARIANTS: usize = 10_000;
const LONGEST_SKU: usize = 80;

/// What is combined.
#[derive(Debug, Clone, Copy, Default)]
pub struct Choices<'a> {
    /// Of an option none of whose values is here, all are combined.
    pub values: &'a [ValueId],
    /// Options that don't matter.
    pub any: &'a [OptionId],
}

/// A variant to be made.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct NewVariantChoice {
    /// Its SKU.
    pub sku: String,
    /// One for each option; none is any.
    pub values: Vec<Option<ValueId>>,
}

/// Why variants can’t be made.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum CombineError {
    /// {name} would have {count} variants, and {MOST_VARIANTS} are the most; choose fewer values.
    #[error("{name} would have {count} variants, and {MOST_VARIANTS} are the most; choose fewer values")]
    TooMany {
        /// The product’s name.
        name: String,
        /// How many it would be.
        count: usize,
    },
    /// Every one of these combinations has a variant already.
    #[error("every one of these combinations has a variant already")]
    NothingNew,
}

/// How many combinations of all of a product's values have no variant.
#[must_use]
pub fn missing_choices(product: &Product) -> usize {
    let all: Option<usize> = product.options.iter().try_fold(1usize, |n, o| n.checked_mul(o.values.len()));
    match all {
        Some(count) if count <= MOST_VARIANTS => {
            let made = Made::of(product);
            places(product, &Choices::default()).iter().filter(|choice| !made.has(choice)).count()
        }
        _ => all.unwrap_or(usize::MAX).saturating_sub(product.variants.len()),
    }
}

/// The combinations that have no variant yet, in the order of the product's values, with SKUs made from handles.
///
/// # Errors
/// [`CombineError`], which says what can’t be and why.
pub fn combinations(product: &Product, choices: &Choices<'_>) -> Result<Vec<NewVariantChoice>, CombineError> {
    let count = sides(product, choices).iter().try_fold(1usize, |n, side| n.checked_mul(side.len().max(1)));
    let count = count.unwrap_or(usize::MAX);
    let new: Vec<Vec<Option<u16>>> = if count > MOST_VARIANTS {
        return Err(CombineError::TooMany { name: product.name.clone(), count });
    } else {
        let made = Made::of(product);
        places(product, choices).into_iter().filter(|choice| !made.has(choice)).collect()
    };
    if new.is_empty() {
        return Err(CombineError::NothingNew);
    }
    let count = product.variants.len() + new.len();
    if count > MOST_VARIANTS {
        return Err(CombineError::TooMany { name: product.name.clone(), count });
    }
    Ok(new.into_iter().map(|choice| new_variant(product, &choice)).collect())
}

/// The places of the values of each option that are combined; a side of none is any.
fn sides(product: &Product, choices: &Choices<'_>) -> Vec<Vec<Option<u16>>> {
    let side = |option: &crate::catalog::ProductOption| {
        if choices.any.contains(&option.id) {
            return vec![None];
        }
        let places = (0u16..).zip(&option.values);
        let named: Vec<_> =
            places.clone().filter(|(_, v)| choices.values.contains(&v.id)).map(|(p, _)| Some(p)).collect();
        if named.is_empty() { places.map(|(p, _)| Some(p)).collect() } else { named }
    };
    product.options.iter().map(side).collect()
}

/// Every full choice among a product's values, in their order.
#[must_use]
pub fn every_choice(product: &Product) -> Vec<Vec<Option<u16>>> {
    places(product, &Choices::default())
}

fn places(product: &Product, choices: &Choices<'_>) -> Vec<Vec<Option<u16>>> {
    sides(product, choices).into_iter().fold(vec![vec![]], |made, side| {
        made.iter()
            .flat_map(|begun| {
                side.iter().map(|value| begun.iter().copied().chain([*value]).collect::<Vec<_>>())
            })
            .collect()
    })
}

/// The choices that have a variant.
struct Made<'a> {
    exact: BTreeSet<&'a [Option<u16>]>,
    /// Those that leave an option open.
    any: Vec<&'a [Option<u16>]>,
}

impl<'a> Made<'a> {
    fn of(product: &'a Product) -> Self {
        let all = || product.variants.iter().map(|variant| variant.values.as_slice());
        Self { exact: all().collect(), any: all().filter(|values| values.contains(&None)).collect() }
    }
    /// Whether a variant answers this choice; for one that leaves an option open, whether there is just this variant.
    fn has(&self, choice: &[Option<u16>]) -> bool {
        let fits = |values: &&[Option<u16>]| {
            values.iter().zip(choice).all(|(own, wanted)| own.is_none() || own == wanted)
        };
        self.exact.contains(choice) || (!choice.contains(&None) && self.any.iter().any(fits))
    }
}

fn new_variant(product: &Product, choice: &[Option<u16>]) -> NewVariantChoice {
    let value =
        |(place, wanted): (usize, &Option<u16>)| product.options[place].values.get(usize::from((*wanted)?));
    let values: Vec<_> = choice.iter().enumerate().map(value).collect();
    let parts: Vec<&str> = values.iter().map(|value| value.map_or("any", |v| v.handle.as_str())).collect();
    let sku = std::iter::once(product.handle.as_str()).chain(parts).collect::<Vec<_>>().join("-");
    let sku: String =
        sku.to_uppercase().chars().rev().take(LONGEST_SKU).collect::<String>().chars().rev().collect();
    NewVariantChoice { sku, values: values.into_iter().map(|value| value.map(|v| v.id)).collect() }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::Stock;
    use crate::catalog::samples::{product, with_variants};

    fn kite() -> Product {
        with_variants(
            product(&[("colour", 2), ("sail", 2)]),
            &[(&[Some(0), Some(0)], Stock::Counted(0)), (&[Some(1), None], Stock::Counted(1))],
        )
    }

    #[test]
    fn only_what_no_variant_answers_is_made() {
        assert_eq!(missing_choices(&kite()), 1, "the second colour has a variant for any sail");
        let made = combinations(&kite(), &Choices::default()).unwrap();
        let wanted = NewVariantChoice {
            sku: "WHIMBREL-COLOUR-0-SAIL-1".into(),
            values: vec![Some(ValueId(1)), Some(ValueId(102))],
        };
        assert_eq!(made, [wanted]);
        let bare = product(&[("colour", 2), ("sail", 2)]);
        assert_eq!((missing_choices(&bare), combinations(&bare, &Choices::default()).unwrap().len()), (4, 4));
    }

    #[test]
    fn some_values_or_any_can_be_asked_for() {
        let bare = product(&[("colour", 3), ("sail", 2)]);
        let some = Choices { values: &[ValueId(2), ValueId(3)], any: &[] };
        assert_eq!(combinations(&bare, &some).unwrap().len(), 4);
        let any = Choices { values: &[ValueId(2)], any: &[OptionId(2)] };
        let made = combinations(&bare, &any).unwrap();
        assert_eq!((made.len(), made[0].values[1], made[0].sku.as_str()), (1, None, "WHIMBREL-COLOUR-1-ANY"));
        assert_eq!(
            combinations(&kite(), &Choices { values: &[ValueId(1)], any: &[OptionId(2)] }).unwrap().len(),
            1
        );
        let there = Choices { values: &[ValueId(2)], any: &[OptionId(2)] };
        assert_eq!(combinations(&kite(), &there), Err(CombineError::NothingNew));
    }

    #[test]
    fn too_many_are_refused_before_they_are_made() {
        let huge = product(&[("a", 400), ("b", 400), ("c", 400)]);
        let refused = combinations(&huge, &Choices::default());
        assert!(matches!(refused, Err(CombineError::TooMany { count: 64_000_000, .. })));
        assert_eq!(missing_choices(&huge), 64_000_000);
    }

    #[test]
    fn as_many_variants_as_a_product_can_have_are_made_and_not_one_more() {
        let count = u16::try_from(MOST_VARIANTS).unwrap();
        let full = product(&[("a", count)]);
        assert_eq!(combinations(&full, &Choices::default()).unwrap().len(), MOST_VARIANTS);
        assert_eq!(missing_choices(&full), MOST_VARIANTS);
        let over = product(&[("a", count + 1)]);
        assert!(matches!(combinations(&over, &Choices::default()), Err(CombineError::TooMany { .. })));
        // Those that are there count along, whatever they are.
        let beside = |stay: &[Option<u16>]| {
            with_variants(product(&[("a", count), ("b", 2)]), &[(stay, Stock::Counted(1))])
        };
        let any = Choices { values: &[], any: &[OptionId(2)] };
        let refused = combinations(&beside(&[Some(0), Some(1)]), &any);
        assert_eq!(refused, Err(CombineError::TooMany { name: "Whimbrel".into(), count: MOST_VARIANTS + 1 }));
        let made = combinations(&beside(&[Some(0), None]), &any).unwrap();
        assert_eq!(
            made.len(),
            MOST_VARIANTS - 1,
            "one of them is there, so all of them are as many as can be"
        );
        assert_eq!(missing_choices(&over), MOST_VARIANTS + 1);
    }
}
