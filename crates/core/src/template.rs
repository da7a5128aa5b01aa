//! Which template serves which product, and why. Every product has exactly one: the most specific reach wins, ties
//! are settled by the templates' order, and the fallback serves the rest.

use crate::catalog::ProductType;
use crate::ids::{Handle, TemplateId};
use serde::{Deserialize, Serialize};

/// The rule that says which products a template serves.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "rule")]
pub enum Reach {
    /// Everything that no other template serves.
    Fallback,
    /// Products of these types, by their handles.
    Types { types: Vec<Handle> },
}

/// Why a reach can't be used.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum ReachError {
    #[error("there is no product type “{0}”")]
    NoSuchType(Handle),
    #[error("this template serves everything that no other template serves; it keeps doing so")]
    FallbackStays,
    #[error("there is one fallback already")]
    OneFallback,
}

impl Reach {
    /// Whether the rule takes in products of a type; the more specific, the larger the number.
    fn weight(&self, kind: &Handle) -> Option<u8> {
        match self {
            Self::Fallback => Some(0),
            Self::Types { types } => types.contains(kind).then_some(1),
        }
    }

    /// Checks a reach that is to take the place of `current`.
    pub fn check(&self, current: Option<&Self>, types: &[ProductType]) -> Result<(), ReachError> {
        match (self, current) {
            (Self::Fallback, Some(Self::Fallback)) => Ok(()),
            (Self::Fallback, _) => Err(ReachError::OneFallback),
            (_, Some(Self::Fallback)) => Err(ReachError::FallbackStays),
            (Self::Types { types: wanted }, _) => {
                match wanted.iter().find(|h| !types.iter().any(|t| t.handle == **h)) {
                    Some(unknown) => Err(ReachError::NoSuchType(unknown.clone())),
                    None => Ok(()),
                }
            }
        }
    }
}

/// A template as far as reach is concerned; in the order in which ties are settled.
#[derive(Debug, Clone)]
pub struct Candidate<'a> {
    pub id: TemplateId,
    pub reach: &'a Reach,
}

/// Why a template serves a product.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Why {
    /// Its reach names the product's type.
    Type,
    /// Others name the type too; this one stands first.
    TypeFirstInOrder,
    /// No other template reaches it.
    Fallback,
}

/// The template that serves products of a type. `None` only where there is no fallback.
#[must_use]
pub fn serving(kind: &Handle, candidates: &[Candidate<'_>]) -> Option<(TemplateId, Why)> {
    let weights = candidates.iter().filter_map(|c| c.reach.weight(kind).map(|w| (c.id, w)));
    let best = weights.clone().map(|(_, w)| w).max()?;
    let mut winners = weights.filter(|(_, w)| *w == best);
    let (id, weight) = winners.next()?;
    let why = match (weight, winners.next()) {
        (0, _) => Why::Fallback,
        (_, None) => Why::Type,
        (_, Some(_)) => Why::TypeFirstInOrder,
    };
    Some((id, why))
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::handle;

    fn types(names: &[&str]) -> Reach {
        Reach::Types { types: names.iter().map(|n| handle(n)).collect() }
    }

    fn candidates(reaches: &[Reach]) -> Vec<Candidate<'_>> {
        reaches.iter().zip(1..).map(|(reach, id)| Candidate { id: TemplateId(id), reach }).collect()
    }

    #[test]
    fn the_reach_that_names_the_type_wins_over_the_fallback() {
        let reaches = [Reach::Fallback, types(&["kites", "lines"])];
        let all = candidates(&reaches);
        assert_eq!(serving(&handle("kites"), &all), Some((TemplateId(2), Why::Type)));
        assert_eq!(serving(&handle("spares"), &all), Some((TemplateId(1), Why::Fallback)));
    }

    #[test]
    fn of_two_that_name_the_type_the_first_in_order_serves_and_says_so() {
        let reaches = [types(&["kites"]), Reach::Fallback, types(&["kites"])];
        assert_eq!(
            serving(&handle("kites"), &candidates(&reaches)),
            Some((TemplateId(1), Why::TypeFirstInOrder))
        );
    }

    #[test]
    fn there_is_always_exactly_one_fallback() {
        let known = [ProductType { handle: handle("kites"), name: "Kites".into() }];
        assert_eq!(types(&["kites"]).check(None, &known), Ok(()));
        assert_eq!(types(&["x"]).check(None, &known), Err(ReachError::NoSuchType(handle("x"))));
        assert_eq!(types(&[]).check(Some(&Reach::Fallback), &known), Err(ReachError::FallbackStays));
        assert_eq!(Reach::Fallback.check(Some(&types(&[])), &known), Err(ReachError::OneFallback));
        assert_eq!(Reach::Fallback.check(Some(&Reach::Fallback), &known), Ok(()));
        assert_eq!(serving(&handle("kites"), &[]), None);
    }
}
