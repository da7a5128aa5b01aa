use crate::catalog::{Product, Variant};
use crate::money::{Money, MoneyError};
use serde::Serialize;

/// What is saved against the old price.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Saving {
    /// How much is saved on one piece.
    pub amount: Money,
    /// Rounded down, so that it never says more than is true.
    pub percent: u32,
}

/// The price of a variant in a quantity.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Quote {
    /// The price of one piece.
    pub unit: Money,
    /// Only where it is above the unit price.
    pub old: Option<Money>,
    /// What is saved, where an old price is shown.
    pub saving: Option<Saving>,
    /// How many pieces.
    pub quantity: u32,
    /// Unit price times quantity.
    pub line: Money,
}

/// Works out what `quantity` of a variant cost.
///
/// A variant without a price of its own takes the product's price and old price together; one with its own price has
/// only its own old price. An old price that isn't above the price is no old price.
///
/// # Errors
/// [`MoneyError`] where currencies differ or an amount is too large.
pub fn quote(product: &Product, variant: &Variant, quantity: u32) -> Result<Quote, MoneyError> {
    let (unit, typed_old) = match variant.price {
        Some(own) => (own, variant.old_price),
        None => (product.price, variant.old_price.or(product.old_price)),
    };
    let old = typed_old.filter(|old| old.currency == unit.currency && old.minor > unit.minor);
    let saving = old.map(|old| saving(old, unit)).transpose()?;
    Ok(Quote { unit, old, saving, quantity, line: unit.times(quantity)? })
}

pub(super) fn saving(old: Money, unit: Money) -> Result<Saving, MoneyError> {
    let amount = old.minus(unit)?;
    let percent = i128::from(amount.minor) * 100 / i128::from(old.minor).max(1);
    Ok(Saving { amount, percent: u32::try_from(percent).map_err(|_| MoneyError::Overflow)? })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::Stock;
    use crate::catalog::samples::{pounds, product, with_variants};
    use proptest::prelude::*;

    fn kite(price: i64, old: Option<i64>) -> Product {
        let mut kite = with_variants(product(&[]), &[(&[], Stock::Counted(3))]);
        kite.price = pounds(price);
        kite.old_price = old.map(pounds);
        kite
    }

    #[test]
    fn the_saving_is_rounded_down() {
        let kite = kite(6800, Some(8500));
        let quote = quote(&kite, &kite.variants[0], 3).unwrap();
        assert_eq!(quote.saving.unwrap(), Saving { amount: pounds(1700), percent: 20 });
        assert_eq!(quote.line, pounds(20_400));
        let nearly = self::kite(6701, Some(10_000));
        assert_eq!(
            super::quote(&nearly, &nearly.variants[0], 1).unwrap().saving.unwrap().percent,
            32,
            "32.99 %"
        );
    }

    #[test]
    fn an_old_price_that_is_not_above_the_price_is_not_shown() {
        for old in [6800, 6700, 0] {
            let kite = kite(6800, Some(old));
            let quote = quote(&kite, &kite.variants[0], 1).unwrap();
            assert_eq!((quote.old, quote.saving), (None, None));
        }
    }

    #[test]
    fn a_variant_with_its_own_price_does_not_take_the_products_old_price() {
        let mut kite = kite(6800, Some(8500));
        kite.variants[0].price = Some(pounds(7400));
        assert_eq!(quote(&kite, &kite.variants[0], 1).unwrap().old, None);
        kite.variants[0].old_price = Some(pounds(7600));
        assert_eq!(quote(&kite, &kite.variants[0], 1).unwrap().old, Some(pounds(7600)));
    }

    #[test]
    fn a_line_too_large_to_reckon_is_refused() {
        let kite = kite(i64::MAX / 2, None);
        assert_eq!(quote(&kite, &kite.variants[0], 3), Err(MoneyError::Overflow));
    }

    proptest! {
        #[test]
        fn a_stated_saving_never_overstates(price in 0i64..1_000_000, old in 1i64..1_000_000) {
            let kite = kite(price, Some(old));
            if let Some(saving) = quote(&kite, &kite.variants[0], 1).unwrap().saving {
                prop_assert!(i64::from(saving.percent) * old <= (old - price) * 100);
            }
        }
    }
}
