//! The rules that say which products a template serves.
//!
//! Named products come first, then what the rule takes in; exceptions take a product out again. There is always one
//! fallback without dates and exceptions, so that every product has a page.

use crate::catalog::{ProductType, Tag};
use crate::ids::{Handle, TemplateId};
use crate::time::{Local, Moment, Zone};
use serde::{Deserialize, Serialize};

/// What a product has or hasn't.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Feature {
    /// It is chosen by something.
    Options,
    /// It has pictures.
    Pictures,
    /// It can be bought by a plan.
    Plan,
}

/// What of a product decides which template serves it.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct ProductFacts {
    /// Its handle.
    pub handle: Handle,
    /// Its type, by its handle.
    pub kind: Handle,
    /// Its tags.
    pub tags: Vec<Tag>,
    /// What its cheapest variant costs before rules, in minor units.
    pub price: i64,
    /// What it has.
    pub features: Vec<Feature>,
}

/// What a template serves, beside what is named.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "rule")]
pub enum ReachRule {
    /// Everything that no other template serves.
    Fallback,
    /// Everything.
    All,
    /// Products of these types, by their handles.
    Types {
        /// The types, by their handles.
        types: Vec<Handle>,
    },
    /// Products that have at least one of these tags.
    Tags {
        /// Its tags.
        tags: Vec<Tag>,
    },
    /// Products from and up to a price before rules, in minor units, both included.
    Prices {
        /// The least price, in minor units.
        least: Option<i64>,
        /// The most, in minor units.
        most: Option<i64>,
    },
    /// Products that have all of these.
    Has {
        /// All of these.
        features: Vec<Feature>,
    },
    /// Only products that are named.
    Named,
}

/// Where a card stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum CardPlace {
    /// In listings.
    Listing,
    /// Beside another product, on its page.
    Related,
    /// Beside what is in the cart.
    Cart,
}

impl CardPlace {
    /// All of them.
    pub const ALL: [Self; 3] = [Self::Listing, Self::Related, Self::Cart];

    /// Its name in documents and forms.
    #[must_use]
    pub fn key(self) -> &'static str {
        match self {
            Self::Listing => "listing",
            Self::Related => "related",
            Self::Cart => "cart",
        }
    }

    /// The place of a name.
    #[must_use]
    pub fn from_key(key: &str) -> Option<Self> {
        Self::ALL.into_iter().find(|place| place.key() == key)
    }

    /// What an owner calls it.
    #[must_use]
    pub fn label(self) -> &'static str {
        match self {
            Self::Listing => "in listings",
            Self::Related => "among related products",
            Self::Cart => "beside the cart",
        }
    }
}

/// Which products a template serves, and when.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reach {
    /// What it serves.
    #[serde(flatten)]
    pub rule: ReachRule,
    /// These too, whatever the rule says.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub also: Vec<Handle>,
    /// But not these.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub except: Vec<Handle>,
    /// On the shop's clocks; it serves from then on.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub from: Option<Local>,
    /// From then on it no longer does.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub until: Option<Local>,
    /// Switched off it serves nothing and keeps its rules.
    #[serde(default = "yes", skip_serializing_if = "is_yes")]
    pub on: bool,
    /// Of a card: where it stands; everywhere where none is named.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub places: Vec<CardPlace>,
}

fn yes() -> bool {
    true
}
#[expect(clippy::trivially_copy_pass_by_ref, reason = "serde gives references")]
fn is_yes(on: &bool) -> bool {
    *on
}

/// Products that one reach names, at the most.
pub const MOST_NAMED: usize = 5_000;

/// Why a reach can't be used.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum ReachError {
    /// There is no such type.
    #[error("there is no product type “{0}”")]
    NoSuchType(Handle),
    /// This template serves everything that no other template serves; it keeps doing so.
    #[error("this template serves everything that no other template serves; it keeps doing so")]
    FallbackStays,
    /// There is one fallback already.
    #[error("there is one fallback already")]
    OneFallback,
    /// The fallback has no exceptions and no dates, and is never off: every product needs a page.
    #[error("the fallback has no exceptions and no dates, and is never off: every product needs a page")]
    FallbackServesAll,
    /// A price span begins at 0 or more and ends where it begins or above.
    #[error("a price span begins at 0 or more and ends where it begins or above")]
    BadSpan,
    /// Say what the products must have.
    #[error("say what the products must have")]
    NothingAsked,
    /// A reach ends after it begins.
    #[error("a reach ends after it begins")]
    BadDates,
    /// A reach names at most {MOST_NAMED} products, types or tags.
    #[error("a reach names at most {MOST_NAMED} products, types or tags")]
    TooManyNamed,
    /// A tag is empty or too long.
    #[error("a tag has 1 to {} characters, all of which can be seen", crate::catalog::LONGEST_TAG)]
    BadTag,
    /// “{name}” chooses its products by {by}, so that a type can't be moved there; change its reach, or move single products.
    #[error(
        "“{name}” chooses its products by {by}, so that a type can't be moved there; change its reach, or move single products"
    )]
    NotByType {
        /// The template’s name.
        name: String,
        /// What it serves by.
        by: &'static str,
    },
}

impl ReachRule {
    /// Whether a product is among them.
    #[must_use]
    pub fn holds(&self, product: &ProductFacts) -> bool {
        match self {
            Self::Fallback | Self::All => true,
            Self::Types { types } => types.contains(&product.kind),
            Self::Tags { tags } => tags.iter().any(|tag| product.tags.contains(tag)),
            Self::Prices { least, most } => {
                least.is_none_or(|least| least <= product.price)
                    && most.is_none_or(|most| product.price <= most)
            }
            Self::Has { features } => features.iter().all(|one| product.features.contains(one)),
            Self::Named => false,
        }
    }

    /// By what products are chosen, in an owner's words.
    #[must_use]
    pub fn by(&self) -> &'static str {
        match self {
            Self::Fallback => "what is left over",
            Self::All => "taking all",
            Self::Types { .. } => "their types",
            Self::Tags { .. } => "their tags",
            Self::Prices { .. } => "their price",
            Self::Has { .. } => "what they have",
            Self::Named => "their names",
        }
    }
}

impl From<ReachRule> for Reach {
    fn from(rule: ReachRule) -> Self {
        Self { rule, also: vec![], except: vec![], from: None, until: None, on: true, places: vec![] }
    }
}

impl Reach {
    /// What serves whatever no other serves.
    #[must_use]
    pub fn fallback() -> Self {
        ReachRule::Fallback.into()
    }
    /// What serves products of types.
    #[must_use]
    pub fn types(types: Vec<Handle>) -> Self {
        ReachRule::Types { types }.into()
    }
    /// Whether a card of this reach stands at a place.
    #[must_use]
    pub fn stands_at(&self, place: CardPlace) -> bool {
        self.places.is_empty() || self.places.contains(&place)
    }
    /// Whether it serves what no other serves.
    #[must_use]
    pub fn is_fallback(&self) -> bool {
        self.rule == ReachRule::Fallback
    }

    /// The one product that it serves, where it can serve no other.
    #[must_use]
    pub fn only_product(&self) -> Option<&Handle> {
        match (&self.rule, self.also.as_slice()) {
            (ReachRule::Named, [only]) => Some(only),
            _ => None,
        }
    }

    /// As it is kept: exceptions say nothing where every product is named.
    #[must_use]
    pub fn tidied(mut self) -> Self {
        if self.rule == ReachRule::Named {
            self.except.clear();
        }
        self.places.sort_unstable();
        self.places.dedup();
        if self.places == CardPlace::ALL {
            self.places.clear();
        }
        self
    }

    /// Whether it serves anything at a moment.
    #[must_use]
    pub fn is_in_force(&self, now: Moment, zone: &Zone) -> bool {
        let begun = self.from.as_ref().is_none_or(|from| zone.moment(from) <= now);
        let over = self.until.as_ref().is_some_and(|until| zone.moment(until) <= now);
        self.on && begun && !over
    }

    /// Checks a reach that is to take the place of `current`.
    ///
    /// # Errors
    /// [`ReachError`], which says what can’t be and why.
    pub fn check(&self, current: Option<&Self>, types: &[ProductType]) -> Result<(), ReachError> {
        match (self.is_fallback(), current.is_some_and(Self::is_fallback)) {
            (true, false) => return Err(ReachError::OneFallback),
            (false, true) => return Err(ReachError::FallbackStays),
            _ => {}
        }
        let plain = self.on && self.except.is_empty() && self.from.is_none() && self.until.is_none();
        if self.is_fallback() && !plain {
            return Err(ReachError::FallbackServesAll);
        }
        let named = match &self.rule {
            ReachRule::Types { types } => types.len(),
            ReachRule::Tags { tags } => tags.len(),
            ReachRule::Has { features } => features.len(),
            _ => 0,
        };
        if [self.also.len(), self.except.len(), named].into_iter().any(|many| many > MOST_NAMED) {
            return Err(ReachError::TooManyNamed);
        }
        if let ReachRule::Tags { tags } = &self.rule
            && !tags.iter().all(Tag::is_sound)
        {
            return Err(ReachError::BadTag);
        }
        if let (Some(from), Some(until)) = (&self.from, &self.until)
            && until <= from
        {
            return Err(ReachError::BadDates);
        }
        match &self.rule {
            ReachRule::Types { types: wanted } => {
                match wanted.iter().find(|h| !types.iter().any(|t| t.handle == **h)) {
                    Some(unknown) => Err(ReachError::NoSuchType(unknown.clone())),
                    None => Ok(()),
                }
            }
            ReachRule::Prices { least, most } => {
                let sound = least.unwrap_or(0) >= 0 && most.is_none_or(|most| most >= least.unwrap_or(0));
                if sound { Ok(()) } else { Err(ReachError::BadSpan) }
            }
            ReachRule::Has { features } if features.is_empty() => Err(ReachError::NothingAsked),
            _ => Ok(()),
        }
    }
}

/// Templates with their names and reach, in their order, while something is moved between them.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Shift {
    /// Its number.
    pub id: TemplateId,
    /// Its name.
    pub name: String,
    /// What it is to serve.
    pub reach: Reach,
}

/// Moves a product to a template by its name: all others let it go.
pub fn move_product(templates: &mut [Shift], product: &Handle, to: TemplateId) {
    for one in templates {
        let here = one.id == to;
        one.reach.also.retain(|named| named != product);
        if here {
            one.reach.also.push(product.clone());
            one.reach.except.retain(|but| but != product);
        }
    }
}

/// Moves a type to a template: no other names it any more. To the fallback it goes by being named nowhere.
///
/// # Errors
/// [`ReachError`], which says what can’t be and why.
pub fn move_type(templates: &mut [Shift], kind: &Handle, to: TemplateId) -> Result<(), ReachError> {
    if let Some(target) = templates.iter().find(|one| one.id == to) {
        let can =
            matches!(target.reach.rule, ReachRule::Fallback | ReachRule::Types { .. } | ReachRule::Named);
        if !can {
            return Err(ReachError::NotByType { name: target.name.clone(), by: target.reach.rule.by() });
        }
    }
    for one in templates {
        let here = one.id == to;
        match &mut one.reach.rule {
            ReachRule::Types { types } => {
                types.retain(|named| named != kind);
                if here {
                    types.push(kind.clone());
                }
            }
            rule @ ReachRule::Named if here => *rule = ReachRule::Types { types: vec![kind.clone()] },
            _ => {}
        }
    }
    Ok(())
}
