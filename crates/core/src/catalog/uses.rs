//! Which options and values a product uses, and what becomes of its variants when that changes.

use super::Product;
use crate::ids::{OptionId, ValueId};
use std::collections::BTreeMap;

/// A product is chosen by at most so many options.
pub const MOST_OPTIONS: usize = 6;

/// Why a product can’t be chosen by these options.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum UsesError {
    /// A product is chosen by at most {MOST_OPTIONS} options.
    #[error("a product is chosen by at most {MOST_OPTIONS} options")]
    TooMany,
    /// An option stands here twice.
    #[error("an option stands here twice")]
    Twice,
    /// “{option}” needs at least one value here.
    #[error("“{option}” needs at least one value here")]
    NoValues {
        /// The option’s name.
        option: String,
    },
    /// {count} of the variants have “{value}”; remove or change them first.
    #[error("{count} of the variants have “{value}”; remove or change them first")]
    InUse {
        /// The value’s name.
        value: String,
        /// How many variants have it.
        count: usize,
    },
    /// Without “{option}” the variants {first} and {second} would be the same.
    #[error("without “{option}” the variants {first} and {second} would be the same")]
    SameChoice {
        /// The option that would no longer tell them apart.
        option: String,
        /// The one variant.
        first: String,
        /// The other.
        second: String,
    },
}

/// What each variant is chosen by once a product uses these options and values. An option that is new to it doesn't
/// matter to the variants there are: any. One that it doesn't use any more is dropped, if no two variants become one.
///
/// # Errors
/// [`UsesError`], which says what can’t be and why.
pub fn change_uses(
    product: &Product,
    wanted: &[(OptionId, String, Vec<ValueId>)],
) -> Result<Vec<Vec<Option<ValueId>>>, UsesError> {
    if wanted.len() > MOST_OPTIONS {
        return Err(UsesError::TooMany);
    }
    for (place, (id, name, values)) in wanted.iter().enumerate() {
        if wanted[..place].iter().any(|(other, ..)| other == id) {
            return Err(UsesError::Twice);
        }
        if values.is_empty() {
            return Err(UsesError::NoValues { option: name.clone() });
        }
        still_offered(product, *id, values)?;
    }
    let chosen: Vec<Vec<Option<ValueId>>> =
        product.variants.iter().map(|variant| chosen_by(product, &variant.values, wanted)).collect();
    let mut seen: BTreeMap<&[Option<ValueId>], &str> = BTreeMap::new();
    for (choice, variant) in chosen.iter().zip(&product.variants) {
        if let Some(first) = seen.insert(choice, &variant.sku) {
            let gone = product.options.iter().find(|option| !wanted.iter().any(|(id, ..)| *id == option.id));
            return Err(UsesError::SameChoice {
                option: gone.map(|option| option.name.clone()).unwrap_or_default(),
                first: first.to_owned(),
                second: variant.sku.clone(),
            });
        }
    }
    Ok(chosen)
}

/// No variant may have a value that isn't offered any more.
fn still_offered(product: &Product, option: OptionId, values: &[ValueId]) -> Result<(), UsesError> {
    let Some(place) = product.options.iter().position(|own| own.id == option) else { return Ok(()) };
    let dropped =
        (0u16..).zip(&product.options[place].values).filter(|(_, value)| !values.contains(&value.id));
    for (at, value) in dropped {
        let has = |variant: &&super::Variant| variant.values.get(place).copied().flatten() == Some(at);
        let count = product.variants.iter().filter(has).count();
        if count > 0 {
            return Err(UsesError::InUse { value: value.name.clone(), count });
        }
    }
    Ok(())
}

fn chosen_by(
    product: &Product,
    values: &[Option<u16>],
    wanted: &[(OptionId, String, Vec<ValueId>)],
) -> Vec<Option<ValueId>> {
    let of = |(id, ..): &(OptionId, String, Vec<ValueId>)| {
        let place = product.options.iter().position(|own| own.id == *id)?;
        let value = values.get(place).copied().flatten()?;
        product.options[place].values.get(usize::from(value)).map(|value| value.id)
    };
    wanted.iter().map(of).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::Stock;
    use crate::catalog::samples::{product, with_variants};

    fn kite() -> Product {
        let one = Stock::Counted(1);
        with_variants(
            product(&[("colour", 2), ("sail", 2)]),
            &[(&[Some(0), Some(0)], one), (&[Some(0), Some(1)], one), (&[Some(1), None], one)],
        )
    }

    fn wanted(uses: &[(u64, &[u64])]) -> Vec<(OptionId, String, Vec<ValueId>)> {
        let of = |(id, values): &(u64, &[u64])| {
            (OptionId(*id), format!("option {id}"), values.iter().map(|v| ValueId(*v)).collect())
        };
        uses.iter().map(of).collect()
    }

    #[test]
    fn a_new_option_matters_to_none_of_the_variants_and_order_is_kept() {
        let turned = change_uses(&kite(), &wanted(&[(2, &[101, 102]), (9, &[900]), (1, &[1, 2])])).unwrap();
        assert_eq!(turned[0], [Some(ValueId(101)), None, Some(ValueId(1))]);
        assert_eq!(turned[2], [None, None, Some(ValueId(2))]);
    }

    #[test]
    fn an_option_is_dropped_only_if_the_variants_stay_different() {
        let refused = change_uses(&kite(), &wanted(&[(1, &[1, 2])])).unwrap_err();
        assert_eq!(refused.to_string(), "without “sail” the variants SKU-0 and SKU-1 would be the same");
        let mut two = kite();
        two.variants.remove(1);
        assert_eq!(
            change_uses(&two, &wanted(&[(1, &[1, 2])])).unwrap(),
            [[Some(ValueId(1))], [Some(ValueId(2))]]
        );
    }

    #[test]
    fn a_value_that_variants_have_stays() {
        let refused = change_uses(&kite(), &wanted(&[(1, &[2]), (2, &[101, 102])])).unwrap_err();
        assert_eq!(refused, UsesError::InUse { value: "colour 0".into(), count: 2 });
        assert_eq!(
            change_uses(&kite(), &wanted(&[(1, &[])])),
            Err(UsesError::NoValues { option: "option 1".into() })
        );
        assert_eq!(change_uses(&kite(), &wanted(&[(1, &[1, 2]), (1, &[1, 2])])), Err(UsesError::Twice));
        let many: Vec<(u64, &[u64])> = (1..8).map(|id| (id, [1u64, 2, 101, 102].as_slice())).collect();
        assert_eq!(change_uses(&kite(), &wanted(&many)), Err(UsesError::TooMany));
    }
}
