//! Takes things out of the catalogue, with what can't be without them.

use super::row::{ProductRow, Row, RowId, Rows, VariantRow};
use crate::ids::{OptionId, ProductId, ValueId, VariantId};
use std::collections::{BTreeMap, BTreeSet};

/// Why something can't be taken away.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum RemoveError {
    /// Without it, {first} and {second} of “{product}” would be the same choice; take one of them away first.
    #[error(
        "without it, {first} and {second} of “{product}” would be the same choice; take one of them away first"
    )]
    SameChoice {
        /// The product’s name.
        product: String,
        /// What the one would be.
        first: String,
        /// What the other would be.
        second: String,
    },
    /// “{product}” would have no variant left; change its options first, or take the product away.
    #[error("“{product}” would have no variant left; change its options first, or take the product away")]
    NoVariant {
        /// The product’s name.
        product: String,
    },
}

/// Takes a product away, with its variants, pictures, own swatches and the options that only it may use.
pub fn without_product(rows: &mut Rows, id: ProductId) {
    let own: BTreeSet<OptionId> = rows
        .iter()
        .filter_map(|(row, option)| match (row, option) {
            (RowId::Option(option), Row::Option(row)) if row.product == Some(id) => Some(*option),
            _ => None,
        })
        .collect();
    for row in rows.values_mut() {
        if let Row::Siblings(set) = row {
            set.members.retain(|one| one.product != id);
        }
    }
    rows.retain(|row, kept| match (row, kept) {
        (RowId::Product(product) | RowId::Own(product, _), _) => *product != id,
        // One alone has no siblings.
        (_, Row::Siblings(set)) => set.members.len() > 1,
        (_, Row::Variant(variant)) => variant.product != id,
        (_, Row::Picture(picture)) => picture.product != Some(id),
        (RowId::Option(option), _) => !own.contains(option),
        (_, Row::Value(value)) => !own.contains(&value.option),
        (_, Row::File(file)) => !own.contains(&file.option),
        _ => true,
    });
}

/// Takes an option away, and out of all products that are chosen by it.
///
/// # Errors
/// [`RemoveError::SameChoice`] where two variants of a product differ by it alone.
pub fn without_option(rows: &mut Rows, id: OptionId) -> Result<(), RemoveError> {
    let values: BTreeSet<ValueId> = rows.iter().filter_map(|(row, kept)| value_of(*row, kept, id)).collect();
    for (product, mut row) in products(rows) {
        let Some(place) = row.uses.iter().position(|one| one.option == id) else { continue };
        row.uses.remove(place);
        let mut seen: BTreeMap<Vec<Option<ValueId>>, String> = BTreeMap::new();
        for (variant, mut kept) in variants_of(rows, product) {
            if place < kept.chosen.len() {
                kept.chosen.remove(place);
            }
            if let Some(first) = seen.insert(kept.chosen.clone(), kept.sku.clone()) {
                let (product, second) = (row.name, kept.sku);
                return Err(RemoveError::SameChoice { product, first, second });
            }
            rows.insert(RowId::Variant(variant), kept.into());
        }
        rows.insert(RowId::Product(product), row.into());
    }
    forget_values(rows, &values);
    rows.retain(|row, kept| match (row, kept) {
        (RowId::Option(option), _) => *option != id,
        (_, Row::File(file)) => file.option != id,
        _ => true,
    });
    Ok(())
}

/// Takes a value away, with the variants that have it.
///
/// # Errors
/// [`RemoveError::NoVariant`] where all variants of a product have it.
pub fn without_value(rows: &mut Rows, id: ValueId) -> Result<(), RemoveError> {
    for (product, mut row) in products(rows) {
        let variants = variants_of(rows, product);
        let (gone, left): (Vec<_>, Vec<_>) =
            variants.into_iter().partition(|(_, variant)| variant.chosen.contains(&Some(id)));
        if !gone.is_empty() && left.is_empty() {
            return Err(RemoveError::NoVariant { product: row.name });
        }
        for (variant, _) in gone {
            rows.remove(&RowId::Variant(variant));
        }
        for one in &mut row.uses {
            one.values.retain(|value| *value != id);
        }
        rows.insert(RowId::Product(product), row.into());
    }
    forget_values(rows, &BTreeSet::from([id]));
    Ok(())
}

/// Takes variants of a product away.
///
/// # Errors
/// [`RemoveError::NoVariant`] where it would have none left.
pub fn without_variants(rows: &mut Rows, product: ProductId, ids: &[VariantId]) -> Result<(), RemoveError> {
    rows.retain(|row, kept| {
        let hers = matches!(kept, Row::Variant(variant) if variant.product == product);
        !(hers && ids.iter().any(|id| *row == RowId::Variant(*id)))
    });
    match rows.get(&RowId::Product(product)) {
        Some(Row::Product(row)) if variants_of(rows, product).is_empty() => {
            Err(RemoveError::NoVariant { product: row.name.clone() })
        }
        _ => Ok(()),
    }
}

fn value_of(row: RowId, kept: &Row, option: OptionId) -> Option<ValueId> {
    match (row, kept) {
        (RowId::Value(value), Row::Value(row)) if row.option == option => Some(value),
        _ => None,
    }
}

fn products(rows: &Rows) -> Vec<(ProductId, ProductRow)> {
    let product = |(id, row): (&RowId, &Row)| match (id, row) {
        (RowId::Product(id), Row::Product(row)) => Some((*id, row.clone())),
        _ => None,
    };
    rows.iter().filter_map(product).collect()
}

fn variants_of(rows: &Rows, product: ProductId) -> Vec<(VariantId, VariantRow)> {
    let variant = |(id, row): (&RowId, &Row)| match (id, row) {
        (RowId::Variant(id), Row::Variant(row)) if row.product == product => Some((*id, row.clone())),
        _ => None,
    };
    rows.iter().filter_map(variant).collect()
}

/// Values go, out of pictures, own swatches and what was settled of files too.
fn forget_values(rows: &mut Rows, gone: &BTreeSet<ValueId>) {
    rows.retain(|row, _| match row {
        RowId::Value(value) | RowId::Own(_, value) => !gone.contains(value),
        _ => true,
    });
    for row in rows.values_mut() {
        match row {
            Row::Picture(picture) => picture.values.retain(|value| !gone.contains(value)),
            Row::File(file) if matches!(file.fate, Some(crate::swatch::Fate::For(value)) if gone.contains(&value)) =>
            {
                file.fate = None;
            }
            _ => {}
        }
    }
}
