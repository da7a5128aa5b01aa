//! Which template serves a product. Every product has exactly one: the most specific reach wins, ties are settled by the
//! templates' order, and the fallback serves the rest.

use super::{Feature, ProductFacts, Reach, ReachRule};
use crate::catalog::Tag;
use crate::ids::{Handle, TemplateId};
use crate::time::{Moment, Zone};
use serde::Serialize;
use std::collections::HashMap;

/// How specific a reach is; the further down, the more.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ReachLevel {
    /// Nothing else serves it.
    Fallback,
    /// It serves everything.
    All,
    /// By its type.
    Type,
    /// By a tag.
    Tag,
    /// By its price.
    Price,
    /// By what it has.
    Has,
    /// By its name.
    Named,
}

/// A template as far as reach is concerned; in the order in which ties are settled.
#[derive(Debug, Clone, Copy)]
pub struct Candidate<'a> {
    /// Its number.
    pub id: TemplateId,
    /// What it serves.
    pub reach: &'a Reach,
}

/// The template that serves a product, and why.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Serving {
    /// The template.
    pub template: TemplateId,
    /// By what it serves it.
    pub level: ReachLevel,
    /// Others that are as specific and stand further down.
    pub tied: Vec<TemplateId>,
    /// Others that reach it less specifically.
    pub others: Vec<TemplateId>,
}

/// Candidates by what they ask for, so that a product looks only at those that may take it.
pub struct Index<'a> {
    all: Vec<Candidate<'a>>,
    named: HashMap<&'a Handle, Vec<usize>>,
    types: HashMap<&'a Handle, Vec<usize>>,
    tags: HashMap<&'a Tag, Vec<usize>>,
    prices: Vec<(i64, i64, usize)>,
    has: Vec<(&'a [Feature], usize)>,
    everything: Vec<usize>,
    fallback: Option<usize>,
}

impl<'a> Index<'a> {
    /// The candidates that are in force at a moment.
    #[must_use]
    pub fn new(candidates: impl IntoIterator<Item = Candidate<'a>>, now: Moment, zone: &Zone) -> Self {
        let in_force = |one: &Candidate<'a>| one.reach.is_in_force(now, zone);
        let mut index = Self {
            all: candidates.into_iter().filter(in_force).collect(),
            named: HashMap::new(),
            types: HashMap::new(),
            tags: HashMap::new(),
            prices: vec![],
            has: vec![],
            everything: vec![],
            fallback: None,
        };
        for place in 0..index.all.len() {
            index.enter(place);
        }
        index
    }

    fn enter(&mut self, place: usize) {
        let reach = self.all[place].reach;
        for product in &reach.also {
            enter_once(self.named.entry(product).or_default(), place);
        }
        match &reach.rule {
            ReachRule::Fallback => self.fallback = self.fallback.or(Some(place)),
            ReachRule::All => self.everything.push(place),
            ReachRule::Types { types } => {
                types.iter().for_each(|kind| enter_once(self.types.entry(kind).or_default(), place));
            }
            ReachRule::Tags { tags } => {
                tags.iter().for_each(|tag| enter_once(self.tags.entry(tag).or_default(), place));
            }
            ReachRule::Prices { least, most } => {
                self.prices.push((least.unwrap_or(i64::MIN), most.unwrap_or(i64::MAX), place));
            }
            ReachRule::Has { features } => self.has.push((features, place)),
            ReachRule::Named => {}
        }
    }

    /// Everyone that reaches a product: the most specific level first, each in the templates' order. The first serves it.
    fn reaching(&self, product: &ProductFacts) -> impl Iterator<Item = (ReachLevel, usize)> {
        let excepted = |place: usize| self.all[place].reach.except.contains(&product.handle);
        let named = self.named.get(&product.handle).into_iter().flatten().copied();
        let has = self.has.iter().filter(|(f, _)| f.iter().all(|one| product.features.contains(one)));
        let prices = self.prices.iter().filter(|(least, most, _)| (least..=most).contains(&&product.price));
        let tags = self.by_tags(product);
        let types = self.types.get(&product.kind).into_iter().flatten().copied();
        let everything = self.everything.iter().copied();
        let chosen = (has.map(|(_, place)| (ReachLevel::Has, *place)))
            .chain(prices.map(|(_, _, place)| (ReachLevel::Price, *place)))
            .chain(tags.into_iter().map(|place| (ReachLevel::Tag, place)))
            .chain(types.map(|place| (ReachLevel::Type, place)))
            .chain(everything.map(|place| (ReachLevel::All, place)));
        named
            .map(|place| (ReachLevel::Named, place))
            .chain(chosen.filter(move |(_, place)| !excepted(*place)))
            .chain(self.fallback.map(|place| (ReachLevel::Fallback, place)))
    }

    fn by_tags(&self, product: &ProductFacts) -> Vec<usize> {
        if self.tags.is_empty() {
            return vec![];
        }
        let mut places: Vec<usize> =
            product.tags.iter().filter_map(|tag| self.tags.get(tag)).flatten().copied().collect();
        places.sort_unstable();
        places.dedup();
        places
    }

    /// The template that serves a product. `None` only where there is no fallback.
    #[must_use]
    pub fn winner(&self, product: &ProductFacts) -> Option<TemplateId> {
        self.reaching(product).next().map(|(_, place)| self.all[place].id)
    }

    /// The same with the reason, and with everyone else that reaches it.
    #[must_use]
    pub fn serving(&self, product: &ProductFacts) -> Option<Serving> {
        let mut reaching = self.reaching(product);
        let (level, first) = reaching.next()?;
        let mut serving = Serving { template: self.all[first].id, level, tied: vec![], others: vec![] };
        for (other, place) in reaching {
            let id = self.all[place].id;
            let known = id == serving.template || serving.tied.contains(&id) || serving.others.contains(&id);
            if !known {
                if other == level { &mut serving.tied } else { &mut serving.others }.push(id);
            }
        }
        Some(serving)
    }
}

fn enter_once(places: &mut Vec<usize>, place: usize) {
    if places.last() != Some(&place) {
        places.push(place);
    }
}

/// The next moment after `now` at which some reach begins or ends.
pub fn next_change<'a>(reaches: impl Iterator<Item = &'a Reach>, now: Moment, zone: &Zone) -> Option<Moment> {
    let edges = reaches.filter(|reach| reach.on).flat_map(|reach| [&reach.from, &reach.until]);
    edges.flatten().map(|edge| zone.moment(edge)).filter(|moment| *moment > now).min()
}

impl Serving {
    /// Why, in one sentence about the product: “it is named”, “it has the tag sale”.
    #[must_use]
    pub fn say(&self, reach: &Reach, product: &ProductFacts, words: &Words<'_>) -> String {
        let reason = match self.level {
            ReachLevel::Named => "it is named there".to_owned(),
            ReachLevel::Has => match &reach.rule {
                ReachRule::Has { features } if !features.is_empty() => format!("it has {}", has(features)),
                _ => "it takes what has all that it asks for".to_owned(),
            },
            ReachLevel::Price => match &reach.rule {
                ReachRule::Prices { least, most } => {
                    format!("it costs {}, {}", (words.money)(product.price), span(*least, *most, words))
                }
                _ => String::new(),
            },
            ReachLevel::Tag => {
                let tag = match &reach.rule {
                    ReachRule::Tags { tags } => product.tags.iter().find(|tag| tags.contains(tag)),
                    _ => None,
                };
                format!("it has the tag “{}”", tag.map_or("", Tag::as_str))
            }
            ReachLevel::Type => format!("its type is {}", words.kind),
            ReachLevel::All => "the template takes all products".to_owned(),
            ReachLevel::Fallback => "no other template reaches it".to_owned(),
        };
        let names =
            |ids: &[TemplateId]| ids.iter().map(|id| (words.name)(*id)).collect::<Vec<_>>().join(", ");
        match self.tied.as_slice() {
            [] => reason,
            tied => format!("{reason}, and it stands before {} that reaches it in the same way", names(tied)),
        }
    }
}

fn has(features: &[Feature]) -> String {
    let words = features.iter().map(|one| match one {
        Feature::Options => "options",
        Feature::Pictures => "pictures",
        Feature::Plan => "a plan",
    });
    words.collect::<Vec<_>>().join(" and ")
}

fn span(least: Option<i64>, most: Option<i64>, words: &Words<'_>) -> String {
    let money = |minor| (words.money)(minor);
    match (least, most) {
        (Some(least), Some(most)) => format!("between {} and {}", money(least), money(most)),
        (Some(least), None) => format!("{} or more", money(least)),
        (None, Some(most)) => format!("{} or less", money(most)),
        (None, None) => "any price".to_owned(),
    }
}

/// How things are called in the sentence that tells why.
pub struct Words<'a> {
    /// The name of the product's type.
    pub kind: &'a str,
    /// Writes an amount, in minor units.
    pub money: &'a dyn Fn(i64) -> String,
    /// The name of a template.
    pub name: &'a dyn Fn(TemplateId) -> String,
}
