use crate::catalog::{Product, Variant};
use crate::ids::{Handle, ValueId};
use std::collections::{BTreeMap, BTreeSet};

/// What has been chosen so far: for each option of a product the place of the chosen value, or nothing yet.
#[derive(Debug, Clone, PartialEq, Eq, Hash, PartialOrd, Ord)]
pub struct Selection(Vec<Option<u16>>);

/// A choice that an address or a form names and that the product doesn't have.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
#[error("this product has no choice “{option}: {value}”")]
pub struct UnknownChoice {
    /// The option’s handle.
    pub option: String,
    /// The value’s handle.
    pub value: String,
}

impl Selection {
    /// Nothing chosen yet, for a product with this many options.
    #[must_use]
    pub fn none(options: usize) -> Self {
        Self(vec![None; options])
    }
    /// A choice by the places of values.
    #[must_use]
    pub fn from_values(values: Vec<Option<u16>>) -> Self {
        Self(values)
    }
    /// What a variant comes to; of an option that doesn't matter to it the first value is taken.
    #[must_use]
    pub fn of_variant(product: &Product, variant: &Variant) -> Self {
        let values = product.options.iter().enumerate().map(|(place, option)| {
            let own = variant.values.get(place).copied().flatten();
            own.or(if option.values.is_empty() { None } else { Some(0) })
        });
        Self(values.collect())
    }
    /// The place of the value that is chosen of an option.
    #[must_use]
    pub fn get(&self, option: usize) -> Option<u16> {
        self.0.get(option).copied().flatten()
    }
    /// Chooses a value of an option by its place, or none.
    pub fn set(&mut self, option: usize, value: Option<u16>) {
        if let Some(place) = self.0.get_mut(option) {
            *place = value;
        }
    }
    /// The place of the value that is chosen, for each option.
    #[must_use]
    pub fn values(&self) -> &[Option<u16>] {
        &self.0
    }
    /// Whether of every option a value is chosen.
    #[must_use]
    pub fn is_complete(&self) -> bool {
        self.0.iter().all(Option::is_some)
    }
    /// The chosen values: option, value.
    pub fn chosen(&self) -> impl Iterator<Item = (usize, u16)> + '_ {
        self.0.iter().enumerate().filter_map(|(option, value)| value.map(|v| (option, v)))
    }
    /// The options still to be chosen.
    #[must_use]
    pub fn open_options(&self) -> Vec<usize> {
        self.0.iter().enumerate().filter(|(_, v)| v.is_none()).map(|(option, _)| option).collect()
    }
    /// The shop-wide ids of the chosen values.
    #[must_use]
    pub fn value_ids(&self, product: &Product) -> Vec<ValueId> {
        self.chosen()
            .filter_map(|(o, v)| product.options.get(o)?.values.get(usize::from(v)).map(|value| value.id))
            .collect()
    }

    /// Reads the choices that an address names by handles: `colour=ember&sail=2-1-m`. Pairs whose name is no option
    /// of the product are left alone; a value that the option doesn't have is reported and stays unchosen.
    pub fn from_pairs<'a>(
        product: &Product,
        pairs: impl IntoIterator<Item = (&'a str, &'a str)>,
    ) -> (Self, Vec<UnknownChoice>) {
        let mut selection = Self::none(product.options.len());
        let mut unknown = Vec::new();
        for (name, text) in pairs {
            let Some(option) = product.options.iter().position(|o| o.handle.as_str() == name) else {
                continue;
            };
            if text.is_empty() {
                continue;
            }
            match product.options[option].values.iter().position(|v| v.handle.as_str() == text) {
                Some(value) => selection.set(option, u16::try_from(value).ok()),
                None => unknown.push(UnknownChoice { option: name.to_owned(), value: text.to_owned() }),
            }
        }
        (selection, unknown)
    }

    /// The choices as an address names them; empty where nothing is chosen. Handles need no escaping.
    #[must_use]
    pub fn to_query(&self, product: &Product) -> String {
        self.query_of(product, |_, _| true)
    }

    /// The same of what another product has, too, of which these are the values by their options.
    #[must_use]
    pub fn kept_by(&self, product: &Product, other: &BTreeMap<Handle, BTreeSet<Handle>>) -> String {
        self.query_of(product, |option, value| other.get(option).is_some_and(|values| values.contains(value)))
    }

    fn query_of(&self, product: &Product, kept: impl Fn(&Handle, &Handle) -> bool) -> String {
        let named = self.chosen().filter_map(|(o, v)| {
            let option = product.options.get(o)?;
            Some((&option.handle, &option.values.get(usize::from(v))?.handle))
        });
        let named = named.filter(|(option, value)| kept(option, value));
        named.map(|(option, value)| format!("{option}={value}")).collect::<Vec<_>>().join("&")
    }
}
