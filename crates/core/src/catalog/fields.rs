//! What the products of a type have in common, told before there are any.

use super::{MOST_OPTIONS, Product, Stock, Tag, TermsError, TextTerms};
use crate::ids::Handle;
use crate::limits::{is_price, is_unseen};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// Pictures that a sample shows at the most.
pub const MOST_SAMPLE_PICTURES: u8 = 6;
const MOST_TITLES: usize = 12;
const MOST_TAGS: usize = 20;
const LONGEST_TITLE: usize = 60;

/// The fields of a product type.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct TypeFields {
    /// The shop's options by which its products are chosen, by their handles.
    pub options: Vec<Handle>,
    /// Titles of their texts.
    pub details: Vec<String>,
    /// Names of their facts.
    pub facts: Vec<String>,
    /// The tags that its products begin with.
    pub tags: Vec<Tag>,
    /// What one costs, about.
    pub price_minor: i64,
    /// How many pictures one has, about.
    pub pictures: u8,
    /// Whether it is counted how many there are.
    pub counted: bool,
    /// The most that one order may hold of one.
    pub most_per_order: Option<u32>,
    /// What shoppers may write onto them.
    pub text: Option<TextTerms>,
}

/// Why fields can't be kept.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum FieldsError {
    /// A product is chosen by at most {MOST_OPTIONS} options.
    #[error("a product is chosen by at most {MOST_OPTIONS} options")]
    TooManyOptions,
    /// Something is named twice.
    #[error("“{0}” stands there twice")]
    Twice(String),
    /// A type has at most {MOST_TITLES} texts, {MOST_TITLES} facts and {MOST_TAGS} tags.
    #[error("a type has at most {MOST_TITLES} texts, {MOST_TITLES} facts and {MOST_TAGS} tags")]
    TooManyTitles,
    /// A title is empty or too long.
    #[error("“{0}” is no name of one line with at most {LONGEST_TITLE} characters")]
    BadTitle(String),
    /// A price is zero or more.
    #[error("a price is zero or more")]
    BadPrice,
    /// A sample has at most {MOST_SAMPLE_PICTURES} pictures.
    #[error("a sample has at most {MOST_SAMPLE_PICTURES} pictures")]
    TooManyPictures,
    /// One order may hold at least one.
    #[error("one order may hold at least one")]
    NoneInOrder,
    /// The terms of a text can’t be kept.
    #[error(transparent)]
    Text(#[from] TermsError),
}

impl TypeFields {
    /// Whether they can be kept.
    ///
    /// # Errors
    /// [`FieldsError`], which says what can’t be and why.
    pub fn check(&self) -> Result<(), FieldsError> {
        if self.options.len() > MOST_OPTIONS {
            return Err(FieldsError::TooManyOptions);
        }
        if self.details.len() > MOST_TITLES || self.facts.len() > MOST_TITLES || self.tags.len() > MOST_TAGS {
            return Err(FieldsError::TooManyTitles);
        }
        let options: Vec<String> = self.options.iter().map(ToString::to_string).collect();
        let twice = [&options, &self.details, &self.facts].into_iter().find_map(|list| twice(list).cloned());
        if let Some(twice) = twice.or_else(|| twice_tag(&self.tags)) {
            return Err(FieldsError::Twice(twice));
        }
        let is_bad = |title: &&str| {
            let length = title.chars().count();
            title.trim().is_empty() || length > LONGEST_TITLE || title.chars().any(is_unseen)
        };
        let titles = self.details.iter().chain(&self.facts).map(String::as_str);
        if let Some(bad) = titles.chain(self.tags.iter().map(Tag::as_str)).find(is_bad) {
            return Err(FieldsError::BadTitle(bad.chars().take(LONGEST_TITLE).collect()));
        }
        if !is_price(self.price_minor) {
            return Err(FieldsError::BadPrice);
        }
        if self.pictures > MOST_SAMPLE_PICTURES {
            return Err(FieldsError::TooManyPictures);
        }
        if self.most_per_order == Some(0) {
            return Err(FieldsError::NoneInOrder);
        }
        Ok(self.terms().check(self.most_per_order)?)
    }

    /// The terms of a product with these fields.
    #[must_use]
    pub fn terms(&self) -> super::Terms {
        super::Terms { text: self.text.clone(), ..super::Terms::default() }
    }

    /// What products have, where at least half of them have it: the fields of a type that is to be like theirs.
    #[must_use]
    pub fn of(products: &[Product]) -> Self {
        let one_by_one =
            |field: fn(&Product) -> Vec<String>| common(products.iter().map(field), products.len());
        let options = one_by_one(|p| p.options.iter().map(|option| option.handle.to_string()).collect());
        let is_mostly = |holds: fn(&Product) -> bool| {
            products.iter().filter(|product| holds(product)).count() * 2 > products.len()
        };
        let mut texts = products.iter().filter_map(|product| product.terms.text.as_ref());
        let most = products.iter().filter_map(|product| product.most_per_order);
        Self {
            options: options.into_iter().filter_map(|text| Handle::try_from(text).ok()).collect(),
            details: one_by_one(|p| p.details.iter().map(|detail| detail.title.clone()).collect()),
            facts: one_by_one(|p| p.facts.iter().map(|fact| fact.name.clone()).collect()),
            tags: common(products.iter().map(|p| p.tags.clone()), products.len()),
            price_minor: middle(products.iter().map(|product| product.price.minor)).unwrap_or(0),
            pictures: middle(products.iter().map(|product| product.pictures.len()))
                .map_or(0, |count| u8::try_from(count).unwrap_or(u8::MAX).min(MOST_SAMPLE_PICTURES)),
            counted: is_mostly(|p| p.variants.iter().any(|v| matches!(v.stock, Stock::Counted(_)))),
            most_per_order: middle(most).filter(|_| is_mostly(|p| p.most_per_order.is_some())),
            text: texts.next().filter(|_| is_mostly(|p| p.terms.text.is_some())).cloned(),
        }
    }
}

/// The first that stands in a list a second time.
fn twice<T: PartialEq>(list: &[T]) -> Option<&T> {
    list.iter().enumerate().find(|(at, one)| list[..*at].contains(one)).map(|(_, one)| one)
}

fn twice_tag(tags: &[Tag]) -> Option<String> {
    twice(tags).map(ToString::to_string)
}

/// What at least half of the lists hold, in the order in which it is met.
fn common<T: Ord + Clone>(lists: impl Iterator<Item = Vec<T>>, of: usize) -> Vec<T> {
    let mut order = Vec::new();
    let mut counts: BTreeMap<T, usize> = BTreeMap::new();
    for one in lists.flatten() {
        let count = counts.entry(one.clone()).or_insert(0);
        if *count == 0 {
            order.push(one);
        }
        *count += 1;
    }
    order.retain(|one| counts[one] * 2 >= of);
    order
}

fn middle<T: Ord>(all: impl Iterator<Item = T>) -> Option<T> {
    let mut all: Vec<T> = all.collect();
    all.sort();
    let place = all.len() / 2;
    all.into_iter().nth(place)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::samples::{handle, pounds, product, with_variants};
    use crate::catalog::{Detail, Fact, Signs, TextTerms};

    fn fields() -> TypeFields {
        TypeFields {
            options: vec![handle("colour")],
            details: vec!["Care".into()],
            facts: vec!["Span".into()],
            price_minor: 4800,
            pictures: 3,
            counted: true,
            ..TypeFields::default()
        }
    }

    #[test]
    fn what_cannot_be_a_type_is_refused_with_the_reason() {
        assert_eq!(fields().check(), Ok(()));
        assert_eq!(TypeFields::default().check(), Ok(()), "a type may have nothing of its own");
        type Spoil = fn(&mut TypeFields);
        let refused: [(&str, Spoil); 8] = [
            ("“colour” stands there twice", |f| f.options.push(handle("colour"))),
            ("“Care” stands there twice", |f| f.details.push("Care".into())),
            ("“ ” is no name of one line with at most 60 characters", |f| f.facts.push(" ".into())),
            ("a price is zero or more", |f| f.price_minor = -1),
            ("a sample has at most 6 pictures", |f| f.pictures = 7),
            ("one order may hold at least one", |f| f.most_per_order = Some(0)),
            ("a product is chosen by at most 6 options", |f| {
                f.options = (0..7).map(|n| handle(&format!("o{n}"))).collect();
            }),
            ("a type has at most 12 texts, 12 facts and 20 tags", |f| {
                f.facts = (0..13).map(|n| n.to_string()).collect();
            }),
        ];
        for (why, spoil) in refused {
            let mut bad = fields();
            spoil(&mut bad);
            assert_eq!(bad.check().unwrap_err().to_string(), why);
        }
    }

    #[test]
    fn what_is_written_onto_products_of_a_type_is_in_their_terms() {
        let text = TextTerms {
            label: "Name on the banner".into(),
            lines: 1,
            most: 20,
            signs: Signs::Any,
            surcharge: 0,
            needed: false,
        };
        let banner = TypeFields { text: Some(text.clone()), ..fields() };
        assert_eq!((banner.terms().text, fields().terms().text), (Some(text), None));
    }

    #[test]
    fn a_type_is_like_another_in_what_half_of_its_products_have() {
        let one = |price, facts: &[&str], stock| {
            let mut one = with_variants(product(&[("colour", 2)]), &[(&[Some(0)], stock)]);
            one.price = pounds(price);
            one.facts = facts.iter().map(|name| Fact { name: (*name).into(), value: "1".into() }).collect();
            one
        };
        let mut first = one(1000, &["Span", "Weight"], Stock::Counted(1));
        first.details = vec![Detail { title: "Care".into(), text: "Keep it dry.".into() }];
        let plain = one(9000, &["Weight"], Stock::NotCounted);
        let last = one(3000, &["Line", "Weight"], Stock::Counted(0));
        let like = TypeFields::of(&[first, plain, last]);
        assert_eq!(like.options, [handle("colour")]);
        assert_eq!(like.facts, ["Weight"], "one of three has a span, one a line");
        assert_eq!(like.details, [] as [&str; 0]);
        assert_eq!((like.price_minor, like.pictures, like.counted), (3000, 0, true));
        assert_eq!(TypeFields::of(&[]), TypeFields::default());
    }
}
