//! What a shopper wants to see of a listing: an order, and filters that narrow it.

use super::{ListingFacts, Order};
use crate::catalog::Tag;
use crate::ids::{Handle, OptionId, ValueId};
use std::collections::{BTreeMap, BTreeSet};

/// What a shopper wants to see of a listing.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct Wanted {
    /// In which order; none for the owner's.
    pub order: Option<Order>,
    /// In which order the owner has it.
    pub usual: Order,
    /// Of one of these types; of any where it is empty.
    pub types: BTreeSet<Handle>,
    /// With one of these tags; with any or none where it is empty.
    pub tags: BTreeSet<Tag>,
    /// With one of these values of each of these options.
    pub values: BTreeMap<OptionId, BTreeSet<ValueId>>,
    /// From this price on, in minor units.
    pub least: Option<i64>,
    /// Up to this price.
    pub most: Option<i64>,
    /// Only what can be bought now.
    pub in_stock: bool,
    /// Only what costs less than before.
    pub on_sale: bool,
}

/// Something by which a listing is narrowed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Filter {
    /// By types.
    Types,
    /// By tags.
    Tags,
    /// By the values of an option.
    Values(OptionId),
    /// By price.
    Price,
    /// By what can be bought now.
    Stock,
    /// By what costs less than before.
    Sale,
}

impl Wanted {
    pub(super) fn lets(&self, filter: Filter, product: &ListingFacts<'_>) -> bool {
        match filter {
            Filter::Types => self.types.is_empty() || self.types.contains(product.kind),
            Filter::Tags => self.tags.is_empty() || product.tags.iter().any(|tag| self.tags.contains(tag)),
            Filter::Values(option) => self.values.get(&option).is_none_or(|wanted| {
                product.values.iter().any(|(of, value)| *of == option && wanted.contains(value))
            }),
            Filter::Price => {
                self.least.is_none_or(|least| least <= product.price)
                    && self.most.is_none_or(|most| product.price <= most)
            }
            Filter::Stock => !self.in_stock || product.in_stock,
            Filter::Sale => !self.on_sale || product.saves > 0,
        }
    }

    /// In which order it stands.
    #[must_use]
    pub fn order(&self) -> Order {
        self.order.unwrap_or(self.usual)
    }

    /// The same listing as it is without anything asked for.
    #[must_use]
    pub fn plain(&self) -> Self {
        Self { usual: self.usual, ..Self::default() }
    }

    /// The filters that narrow the listing now.
    #[must_use]
    pub fn narrows(&self) -> Vec<Filter> {
        let span = self.least.is_some() || self.most.is_some();
        let is_on = [
            (Filter::Types, !self.types.is_empty()),
            (Filter::Tags, !self.tags.is_empty()),
            (Filter::Price, span),
            (Filter::Stock, self.in_stock),
            (Filter::Sale, self.on_sale),
        ];
        let is_on = is_on.into_iter().filter(|(_, is_on)| *is_on).map(|(filter, _)| filter);
        is_on.chain(self.values.keys().copied().map(Filter::Values)).collect()
    }

    /// The same without a filter.
    #[must_use]
    pub fn without(&self, filter: Filter) -> Self {
        let mut wanted = self.clone();
        match filter {
            Filter::Types => wanted.types.clear(),
            Filter::Tags => wanted.tags.clear(),
            Filter::Values(option) => drop(wanted.values.remove(&option)),
            Filter::Price => (wanted.least, wanted.most) = (None, None),
            Filter::Stock => wanted.in_stock = false,
            Filter::Sale => wanted.on_sale = false,
        }
        wanted
    }
}
