//! Two options that were meant to be one, and one that must look different on some products.

use crate::ids::{OptionId, ValueId};
use crate::letters::folded;
use std::collections::BTreeSet;

/// An option as far as merging and splitting look at it.
#[derive(Debug, Clone, Copy)]
pub struct Side<'a> {
    /// Its number.
    pub id: OptionId,
    /// Its name.
    pub name: &'a str,
    /// Ids and names, in order.
    pub values: &'a [(ValueId, &'a str)],
    /// Handle and name of every product that uses it.
    pub products: &'a [(&'a str, &'a str)],
    /// Whether only one product may use it.
    pub of_one: bool,
}

/// What becomes of an option's values when it is merged into another.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Merge {
    /// Values of one name: the first becomes the second.
    pub same: Vec<(ValueId, ValueId)>,
    /// Values that the other option doesn't have; they come over behind its own.
    pub over: Vec<ValueId>,
}

/// Why two options can’t become one, or one two.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum JoinError {
    /// An option can't be merged with itself.
    #[error("an option can't be merged with itself")]
    Itself,
    /// “{into}” belongs to one product only, so nothing can be merged into it.
    #[error("“{into}” belongs to one product only, so nothing can be merged into it")]
    OfOneProduct {
        /// The option into which it would go.
        into: String,
    },
    /// {products} use both; take one of the options out of them first.
    #[error("{products} use both; take one of the options out of them first")]
    Both {
        /// Their names.
        products: String,
    },
    /// Choose at least one product that gets an option of its own.
    #[error("choose at least one product that gets an option of its own")]
    NoProducts,
    /// All products that use it are chosen; rename the option instead.
    #[error("all products that use it are chosen; rename the option instead")]
    AllProducts,
    /// {product} doesn't use this option.
    #[error("{product} doesn't use this option")]
    NotUsed {
        /// The product’s name.
        product: String,
    },
}

/// What merging comes to. Names are compared as everywhere: capitals, accents, spaces and signs don't matter.
///
/// # Errors
/// [`JoinError`], which says what can’t be and why.
pub fn merge(from: Side<'_>, into: Side<'_>) -> Result<Merge, JoinError> {
    if from.id == into.id {
        return Err(JoinError::Itself);
    }
    if into.of_one {
        return Err(JoinError::OfOneProduct { into: into.name.to_owned() });
    }
    let both: Vec<&str> = from
        .products
        .iter()
        .filter(|product| into.products.contains(product))
        .map(|(_, name)| *name)
        .collect();
    if !both.is_empty() {
        return Err(JoinError::Both { products: both.join(", ") });
    }
    let mut merge = Merge { same: Vec::new(), over: Vec::new() };
    for (id, name) in from.values {
        let twin = into.values.iter().find(|(_, other)| folded(other) == folded(name));
        match twin {
            // A second value of the same name would make two variants one.
            Some((other, _)) if !merge.same.iter().any(|(_, taken)| taken == other) => {
                merge.same.push((*id, *other));
            }
            _ => merge.over.push(*id),
        }
    }
    Ok(merge)
}

/// Checks which products get an option of their own, cut off from one that others go on using.
///
/// # Errors
/// [`JoinError`], which says what can’t be and why.
pub fn split(from: Side<'_>, products: &[&str]) -> Result<(), JoinError> {
    let wanted: BTreeSet<&str> = products.iter().copied().collect();
    if wanted.is_empty() {
        return Err(JoinError::NoProducts);
    }
    if let Some(strange) = wanted.iter().find(|one| !from.products.iter().any(|(handle, _)| handle == *one)) {
        return Err(JoinError::NotUsed { product: (*strange).to_owned() });
    }
    if wanted.len() == from.products.len() {
        return Err(JoinError::AllProducts);
    }
    Ok(())
}

#[cfg(test)]
mod tests {
    use super::*;

    const COLOUR: [(ValueId, &str); 3] =
        [(ValueId(1), "Ember"), (ValueId(2), "Crème brûlée"), (ValueId(3), "Slate")];
    const CLOTH: [(ValueId, &str); 3] =
        [(ValueId(11), "creme_brulee"), (ValueId(12), "Bracken"), (ValueId(13), "EMBER")];

    fn side<'a>(id: u64, values: &'a [(ValueId, &'a str)], products: &'a [(&'a str, &'a str)]) -> Side<'a> {
        Side { id: OptionId(id), name: "Colour", values, products, of_one: false }
    }

    #[test]
    fn values_of_one_name_become_one_and_the_others_come_over_in_order() {
        let merged = merge(side(2, &CLOTH, &[("plover", "Plover")]), side(1, &COLOUR, &[])).unwrap();
        assert_eq!(merged.same, [(ValueId(11), ValueId(2)), (ValueId(13), ValueId(1))]);
        assert_eq!(merged.over, [ValueId(12)]);
    }

    #[test]
    fn of_two_values_with_one_name_only_the_first_becomes_the_other() {
        let twice = [(ValueId(11), "Ember"), (ValueId(12), "ember!")];
        let merged = merge(side(2, &twice, &[]), side(1, &COLOUR, &[])).unwrap();
        assert_eq!((merged.same, merged.over), (vec![(ValueId(11), ValueId(1))], vec![ValueId(12)]));
    }

    #[test]
    fn what_would_ask_a_shopper_twice_or_reach_other_products_is_refused() {
        let (plover, knot) = (("plover", "Plover"), ("knot", "Knot"));
        let both = merge(side(2, &CLOTH, &[plover, knot]), side(1, &COLOUR, &[knot])).unwrap_err();
        assert_eq!(both.to_string(), "Knot use both; take one of the options out of them first");
        assert_eq!(merge(side(1, &COLOUR, &[]), side(1, &COLOUR, &[])), Err(JoinError::Itself));
        let own = Side { of_one: true, ..side(1, &COLOUR, &[]) };
        assert!(matches!(merge(side(2, &CLOTH, &[]), own), Err(JoinError::OfOneProduct { .. })));
        assert!(merge(own, side(2, &CLOTH, &[])).is_ok(), "a product's own option may become the shop's");
    }

    #[test]
    fn some_products_but_not_all_can_be_split_off() {
        let uses = [("plover", "Plover"), ("knot", "Knot")];
        let colour = side(1, &COLOUR, &uses);
        assert_eq!(split(colour, &["knot"]), Ok(()));
        assert_eq!(split(colour, &[]), Err(JoinError::NoProducts));
        assert_eq!(split(colour, &["knot", "plover", "knot"]), Err(JoinError::AllProducts));
        assert_eq!(split(colour, &["whimbrel"]), Err(JoinError::NotUsed { product: "whimbrel".into() }));
    }
}
