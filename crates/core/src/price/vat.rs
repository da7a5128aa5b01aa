//! Value added tax. Prices are kept with it; the shop shows them with it or without.

use crate::ids::Handle;
use crate::money::Money;
use serde::{Deserialize, Serialize};

/// Whether shoppers see prices with the tax in them.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum VatShown {
    /// With tax.
    #[default]
    With,
    /// Without tax.
    Without,
}

/// Another rate for one type of product.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TypeRate {
    /// The type, by its handle.
    pub kind: Handle,
    /// Hundredths of a percent.
    pub hundredths: u32,
}

/// The shop's rates; none at all is 0.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct Vat {
    /// Hundredths of a percent: 2000 is 20 %.
    pub hundredths: u32,
    /// Rates of types that differ.
    pub types: Vec<TypeRate>,
    /// Whether prices are shown with it.
    pub shown: VatShown,
}

impl Vat {
    /// The rate of a type of product, in hundredths of a percent.
    #[must_use]
    pub fn rate(&self, kind: &Handle) -> u32 {
        let own = self.types.iter().find(|own| own.kind == *kind);
        own.map_or(self.hundredths, |own| own.hundredths)
    }

    /// An amount as shoppers see it, for a type of product.
    #[must_use]
    pub fn shown(&self, amount: Money, kind: &Handle) -> Money {
        match self.shown {
            VatShown::With => amount,
            VatShown::Without => without(amount, self.rate(kind)),
        }
    }
}

/// What is left of an amount without the tax in it; to the nearest minor unit, halves up.
#[must_use]
pub fn without(amount: Money, hundredths: u32) -> Money {
    let whole = 10_000 + i128::from(hundredths);
    let net = (i128::from(amount.minor) * 10_000 * 2 + whole).div_euclid(whole * 2);
    Money::new(i64::try_from(net).unwrap_or(amount.minor), amount.currency)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::{handle, pounds};
    use proptest::prelude::*;

    #[test]
    fn the_tax_is_taken_out_of_the_price_to_the_nearest_penny() {
        let cases = [
            (12_000, 2000, 10_000, "120.00 is 100.00 and a fifth of it"),
            (6800, 2000, 5667, "68.00 / 1.2 = 56.666…"),
            (1, 2000, 1, "0.8333 of a penny rounds up"),
            (105, 500, 100, "1.05 is 1.00 and 5 %"),
            (999, 0, 999, "no tax"),
            (6800, 1900, 5714, "68.00 / 1.19 = 57.1428…"),
            (11, 1000, 10, "0.11 is 0.10 and a tenth of it"),
        ];
        for (gross, rate, net, why) in cases {
            assert_eq!(without(pounds(gross), rate), pounds(net), "{why}");
        }
    }

    #[test]
    fn a_type_may_have_a_rate_of_its_own() {
        let (books, kites) = (handle("books"), handle("sport-kites"));
        let types = vec![TypeRate { kind: books.clone(), hundredths: 0 }];
        let vat = Vat { hundredths: 2000, types, shown: VatShown::Without };
        assert_eq!(
            (vat.shown(pounds(1200), &books), vat.shown(pounds(1200), &kites)),
            (pounds(1200), pounds(1000))
        );
        assert_eq!(Vat { shown: VatShown::With, ..vat }.shown(pounds(1200), &kites), pounds(1200));
    }

    proptest! {
        #[test]
        fn tax_on_what_is_left_gives_the_price_again_within_a_penny(gross in 0i64..10_000_000, rate in 0u32..5000) {
            let net = i128::from(without(pounds(gross), rate).minor);
            let again = net * i128::from(10_000 + rate) / 10_000;
            prop_assert!((again - i128::from(gross)).abs() <= 1);
        }
    }
}
