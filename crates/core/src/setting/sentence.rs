//! Conditions as the sentences that an owner puts together.

use super::Rule;
use crate::catalog::Tag;
use crate::ids::Handle;
use serde::Serialize;

/// One sentence that can be said of a product, a cart or a day.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Sentence {
    /// How it begins.
    pub words: &'static str,
    /// How its opposite begins.
    pub opposite: &'static str,
    /// As it stands when it is chosen; what it needs to know can be changed then.
    pub rule: Rule,
}

/// Pictures and stock with which a sentence begins.
const PICTURES: u32 = 1;
const FEW: u32 = 5;
/// A price with which a sentence begins, in minor units.
const PRICE: i64 = 5000;

impl Rule {
    /// How a sentence and its opposite begin; nothing for what joins sentences.
    #[must_use]
    pub fn words(&self) -> Option<(&'static str, &'static str)> {
        Some(match self {
            Self::All { .. } | Self::Any { .. } | Self::Not { .. } => return None,
            Self::OnSale => ("the product is on sale", "the product isn't on sale"),
            Self::SoldOut => ("it is sold out", "it can be had"),
            Self::ComingSoon => ("it is coming soon", "it isn't coming soon"),
            Self::HasOptions => ("it has options", "it has no options"),
            Self::HasReviews => ("it has reviews", "it has no reviews"),
            Self::PicturesOver { .. } => ("it has more pictures than", "it has at most so many pictures:"),
            Self::StockUnder { .. } => ("its stock is under", "its stock is at least"),
            Self::Type { .. } => ("its type is", "its type isn't"),
            Self::Tagged { .. } => ("it is tagged", "it isn't tagged"),
            Self::PriceOver { .. } => ("its price is over", "its price is at most"),
            Self::Between { .. } => ("the day lies between", "the day lies outside"),
            Self::CartHolds => ("the cart holds something", "the cart is empty"),
            Self::CartHoldsThis => ("the cart holds this product", "this product isn't in the cart"),
        })
    }
}

impl Rule {
    /// The whole sentence, of those that need nothing of the shop to be said: no currency, no names, no days.
    #[must_use]
    pub fn complete(&self) -> Option<String> {
        let (rule, holds) = match self {
            Self::Not { of } => (of.as_ref(), false),
            rule => (rule, true),
        };
        let (words, opposite) = rule.words()?;
        let begins = if holds { words } else { opposite };
        match rule {
            Self::PicturesOver { count } | Self::StockUnder { count } => Some(format!("{begins} {count}")),
            Self::Type { .. } | Self::Tagged { .. } | Self::PriceOver { .. } | Self::Between { .. } => None,
            _ => Some(begins.into()),
        }
    }
}

/// Every sentence that can be said; those about a type or a tag only where there is one.
#[must_use]
pub fn sentences(kind: Option<Handle>, tag: Option<Tag>) -> Vec<Sentence> {
    let of_itself = [
        Rule::OnSale,
        Rule::SoldOut,
        Rule::ComingSoon,
        Rule::HasOptions,
        Rule::HasReviews,
        Rule::PicturesOver { count: PICTURES },
        Rule::StockUnder { count: FEW },
    ];
    let of_shop = [kind.map(|handle| Rule::Type { handle }), tag.map(|tag| Rule::Tagged { tag })];
    let around = [
        Rule::PriceOver { minor: PRICE },
        Rule::Between { from: None, to: None },
        Rule::CartHolds,
        Rule::CartHoldsThis,
    ];
    let all = of_itself.into_iter().chain(of_shop.into_iter().flatten()).chain(around);
    let sentence = |rule: Rule| {
        let (words, opposite) = rule.words()?;
        Some(Sentence { words, opposite, rule })
    };
    all.filter_map(sentence).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::collections::BTreeSet;

    #[test]
    fn every_sentence_can_be_kept_as_it_begins_and_none_is_said_twice() {
        let (kind, tag) = (Handle::try_from("kites").unwrap(), Tag::from("new".to_owned()));
        let all = sentences(Some(kind), Some(tag));
        assert_eq!(all.len(), 13);
        let words: BTreeSet<_> = all.iter().flat_map(|one| [one.words, one.opposite]).collect();
        assert_eq!(words.len(), 26);
        for one in &all {
            one.rule.check().unwrap();
            let written = serde_json::to_value(&one.rule).unwrap();
            assert_eq!(serde_json::from_value::<Rule>(written).unwrap(), one.rule);
        }
        assert_eq!(sentences(None, None).len(), 11);
        assert_eq!(Rule::Any { of: vec![] }.words(), None);
    }
}
