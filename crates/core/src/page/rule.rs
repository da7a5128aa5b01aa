//! *Appears when*: sentences about product, cart and day, joined by all, any and not. Each is worked out with the
//! reason, so that an owner sees at once whether and why a piece is there.

use crate::catalog::{Product, ProductState};
use crate::ids::Handle;
use crate::money::{Locale, Money};
use crate::price::quote;
use serde::{Deserialize, Serialize};

/// A sentence of at most so many parts.
const MOST_PARTS: usize = 20;
const MOST_DEPTH: usize = 4;

/// A day of the calendar as `2026-11-24`; such texts stand in the order of their days.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(try_from = "String", into = "String")]
pub struct Day(String);

impl TryFrom<String> for Day {
    type Error = RuleError;
    fn try_from(text: String) -> Result<Self, RuleError> {
        let shape = text.len() == 10
            && text
                .bytes()
                .enumerate()
                .all(|(i, b)| if i == 4 || i == 7 { b == b'-' } else { b.is_ascii_digit() });
        let number = |range: std::ops::Range<usize>| text.get(range).and_then(|t| t.parse::<u32>().ok());
        let sound = shape
            && number(5..7).is_some_and(|m| (1..=12).contains(&m))
            && number(8..10).is_some_and(|d| (1..=31).contains(&d));
        if sound { Ok(Self(text)) } else { Err(RuleError::NoDay) }
    }
}
impl From<Day> for String {
    fn from(day: Day) -> Self {
        day.0
    }
}
impl std::fmt::Display for Day {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        self.0.fmt(f)
    }
}

/// A condition.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "is", deny_unknown_fields)]
pub enum Rule {
    /// Every part holds; without parts it always does.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    All {
        of: Vec<Rule>,
    },
    /// At least one part holds.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    Any {
        of: Vec<Rule>,
    },
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    Not {
        of: Box<Rule>,
    },
    OnSale,
    SoldOut,
    ComingSoon,
    HasOptions,
    HasReviews,
    PicturesOver {
        count: u32,
    },
    StockUnder {
        count: u32,
    },
    Type {
        handle: Handle,
    },
    Tagged {
        tag: String,
    },
    /// The product's price in minor units is above this.
    PriceOver {
        minor: i64,
    },
    /// From the first day on, up to and with the last.
    Between {
        from: Option<Day>,
        to: Option<Day>,
    },
    /// Anything at all.
    CartHolds,
    CartHoldsThis,
}

/// Why a condition can't be used.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum RuleError {
    #[error("a sentence has at most {MOST_PARTS} parts, {MOST_DEPTH} deep")]
    TooLong,
    #[error("a tag has 1 to 60 characters")]
    BadTag,
    #[error("a day is written like 2026-11-24")]
    NoDay,
    #[error("the last day lies before the first")]
    DaysTurned,
}

impl Rule {
    /// What holds for every page.
    #[must_use]
    pub fn always() -> Self {
        Self::All { of: vec![] }
    }

    /// The sentence and all its parts.
    fn parts(&self) -> Vec<&Self> {
        let mut all = vec![self];
        match self {
            Self::All { of } | Self::Any { of } => all.extend(of.iter().flat_map(Self::parts)),
            Self::Not { of } => all.extend(of.parts()),
            _ => {}
        }
        all
    }

    fn depth(&self) -> usize {
        match self {
            Self::All { of } | Self::Any { of } => 1 + of.iter().map(Self::depth).max().unwrap_or(0),
            Self::Not { of } => 1 + of.depth(),
            _ => 0,
        }
    }

    /// Whether the answer depends on the visitor's cart.
    #[must_use]
    pub fn asks_for_cart(&self) -> bool {
        self.parts().iter().any(|part| matches!(part, Self::CartHolds | Self::CartHoldsThis))
    }

    /// Whether the answer depends on the day.
    #[must_use]
    pub fn asks_for_day(&self) -> bool {
        self.parts().iter().any(|part| matches!(part, Self::Between { .. }))
    }

    pub fn check(&self) -> Result<(), RuleError> {
        let parts = self.parts();
        if parts.len() > MOST_PARTS || self.depth() > MOST_DEPTH {
            return Err(RuleError::TooLong);
        }
        for part in parts {
            match part {
                Self::Tagged { tag } if !(1..=60).contains(&tag.trim().chars().count()) => {
                    return Err(RuleError::BadTag);
                }
                Self::Between { from: Some(from), to: Some(to) } if to < from => {
                    return Err(RuleError::DaysTurned);
                }
                _ => {}
            }
        }
        Ok(())
    }
}

/// What a cart holds, as far as pages care.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct CartFacts {
    pub products: Vec<Handle>,
}

/// All that a condition may ask for.
#[derive(Debug, Clone, Copy)]
pub struct Facts<'a> {
    /// As it stands in the situation.
    pub product: &'a Product,
    pub cart: &'a CartFacts,
    pub day: &'a Day,
    pub locale: Locale,
}

/// Whether a condition holds, and why.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Verdict {
    pub holds: bool,
    /// Half a sentence that tells what was found: “it is on sale”, “3 are left”.
    pub why: String,
}

/// Works a condition out.
#[must_use]
pub fn judge(rule: &Rule, facts: &Facts<'_>) -> Verdict {
    match rule {
        Rule::All { of } => all(of, facts),
        Rule::Any { of } => any(of, facts),
        Rule::Not { of } => {
            let inner = judge(of, facts);
            Verdict { holds: !inner.holds, why: inner.why }
        }
        plain => judge_plain(plain, facts),
    }
}

/// The first part that fails decides, or else all of them do.
fn all(of: &[Rule], facts: &Facts<'_>) -> Verdict {
    let verdicts: Vec<Verdict> = of.iter().map(|rule| judge(rule, facts)).collect();
    match verdicts.iter().find(|v| !v.holds) {
        Some(fails) => fails.clone(),
        None if verdicts.is_empty() => Verdict { holds: true, why: "it always appears".into() },
        None => Verdict { holds: true, why: join(&verdicts) },
    }
}

/// The first part that holds decides, or else none does.
fn any(of: &[Rule], facts: &Facts<'_>) -> Verdict {
    let verdicts: Vec<Verdict> = of.iter().map(|rule| judge(rule, facts)).collect();
    match verdicts.iter().find(|v| v.holds) {
        Some(holds) => holds.clone(),
        None if verdicts.is_empty() => {
            Verdict { holds: false, why: "nothing is named that could hold".into() }
        }
        None => Verdict { holds: false, why: join(&verdicts) },
    }
}

fn join(verdicts: &[Verdict]) -> String {
    verdicts.iter().map(|v| v.why.as_str()).collect::<Vec<_>>().join(", and ")
}

fn say(holds: bool, yes: impl Into<String>, no: impl Into<String>) -> Verdict {
    Verdict { holds, why: if holds { yes.into() } else { no.into() } }
}

fn judge_plain(rule: &Rule, facts: &Facts<'_>) -> Verdict {
    let product = facts.product;
    match rule {
        Rule::OnSale => say(on_sale(product), "it is on sale", "it isn't on sale"),
        Rule::SoldOut => say(sold_out(product), "it is sold out", "it can be had"),
        Rule::ComingSoon => {
            say(product.state == ProductState::ComingSoon, "it is coming soon", "it isn't coming soon")
        }
        Rule::HasOptions => say(!product.options.is_empty(), "it has options", "it has no options"),
        Rule::HasReviews => say(
            product.rating.count() > 0,
            format!("it has {} reviews", product.rating.count()),
            "it has no reviews",
        ),
        Rule::PicturesOver { count } => {
            let found = product.pictures.len();
            let why =
                if found == 1 { "it has 1 picture".to_owned() } else { format!("it has {found} pictures") };
            Verdict { holds: found > *count as usize, why }
        }
        Rule::StockUnder { count } => match left(product) {
            None => Verdict { holds: false, why: "its stock isn't counted".into() },
            Some(left) => Verdict { holds: left < u64::from(*count), why: format!("{left} are left") },
        },
        Rule::Type { handle } => Verdict {
            holds: product.kind.handle == *handle,
            why: format!("its type is {}", product.kind.name),
        },
        Rule::Tagged { tag } => {
            let wanted = tag.trim().to_lowercase();
            let holds = product.tags.iter().any(|t| t.to_lowercase() == wanted);
            say(holds, format!("it is tagged “{}”", tag.trim()), format!("it isn't tagged “{}”", tag.trim()))
        }
        Rule::PriceOver { minor } => {
            let price = least_price(product);
            Verdict { holds: price.minor > *minor, why: format!("it costs {}", price.format(facts.locale)) }
        }
        Rule::Between { from, to } => {
            let holds = from.as_ref().is_none_or(|from| facts.day >= from)
                && to.as_ref().is_none_or(|to| facts.day <= to);
            Verdict { holds, why: format!("the day is {}", facts.day) }
        }
        Rule::CartHolds => {
            say(!facts.cart.products.is_empty(), "the cart holds something", "the cart is empty")
        }
        Rule::CartHoldsThis => say(
            facts.cart.products.contains(&product.handle),
            "the cart holds this product",
            "this product isn't in the cart",
        ),
        Rule::All { .. } | Rule::Any { .. } | Rule::Not { .. } => judge(rule, facts),
    }
}

fn on_sale(product: &Product) -> bool {
    product.is_sold()
        && product.variants.iter().any(|v| quote(product, v, 1).is_ok_and(|q| q.saving.is_some()))
}

fn sold_out(product: &Product) -> bool {
    product.is_sold() && !product.can_be_bought()
}

/// How many are left in all variants together, where every one is counted.
fn left(product: &Product) -> Option<u64> {
    product.variants.iter().map(|v| v.stock.left().map(u64::from)).sum()
}

fn least_price(product: &Product) -> Money {
    let prices = product.variants.iter().map(|v| v.price.unwrap_or(product.price));
    prices.min_by_key(|price| price.minor).unwrap_or(product.price)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::Stock;
    use crate::catalog::samples::{handle, pounds, product, with_variants};

    fn day(text: &str) -> Day {
        Day::try_from(text.to_owned()).unwrap()
    }

    fn kite() -> Product {
        let mut kite = with_variants(
            product(&[("colour", 2)]),
            &[(&[Some(0)], Stock::Counted(3)), (&[Some(1)], Stock::Counted(0))],
        );
        kite.tags = vec!["Beginners".into()];
        kite
    }

    fn on(product: &Product, rule: &Rule) -> Verdict {
        let cart = CartFacts { products: vec![handle("whimbrel")] };
        judge(rule, &Facts { product, cart: &cart, day: &day("2026-11-24"), locale: Locale::EnGb })
    }

    #[test]
    fn each_sentence_on_its_worked_case() {
        let mut kite = kite();
        for (rule, holds, why) in [
            (Rule::OnSale, false, "it isn't on sale"),
            (Rule::SoldOut, false, "it can be had"),
            (Rule::HasOptions, true, "it has options"),
            (Rule::PicturesOver { count: 1 }, false, "it has 0 pictures"),
            (Rule::StockUnder { count: 5 }, true, "3 are left"),
            (Rule::StockUnder { count: 3 }, false, "3 are left"),
            (Rule::Type { handle: handle("sport-kites") }, true, "its type is Sport kites"),
            (Rule::Tagged { tag: " beginners ".into() }, true, "it is tagged “beginners”"),
            (Rule::PriceOver { minor: 6799 }, true, "it costs £68.00"),
            (Rule::PriceOver { minor: 6800 }, false, "it costs £68.00"),
            (Rule::CartHolds, true, "the cart holds something"),
            (Rule::CartHoldsThis, true, "the cart holds this product"),
            (Rule::ComingSoon, false, "it isn't coming soon"),
        ] {
            assert_eq!(on(&kite, &rule), Verdict { holds, why: why.into() }, "{rule:?}");
        }
        kite.old_price = Some(pounds(8500));
        assert!(on(&kite, &Rule::OnSale).holds);
        kite.variants[0].stock = Stock::Counted(0);
        assert!(on(&kite, &Rule::SoldOut).holds);
        kite.variants[0].stock = Stock::NotCounted;
        assert_eq!(on(&kite, &Rule::StockUnder { count: 5 }).why, "its stock isn't counted");
    }

    #[test]
    fn days_count_from_the_first_to_the_last() {
        let kite = kite();
        let between =
            |from: Option<&str>, to: Option<&str>| Rule::Between { from: from.map(day), to: to.map(day) };
        assert!(on(&kite, &between(Some("2026-11-24"), Some("2026-11-24"))).holds);
        assert!(on(&kite, &between(None, Some("2026-12-01"))).holds);
        assert!(!on(&kite, &between(Some("2026-11-25"), None)).holds);
        assert_eq!(between(Some("2026-11-25"), Some("2026-11-24")).check(), Err(RuleError::DaysTurned));
        for bad in ["2026-13-01", "2026-1-1", "24.11.2026", "2026-11-00", "2026-11-2é"] {
            assert!(Day::try_from(bad.to_owned()).is_err(), "{bad}");
        }
    }

    #[test]
    fn all_any_and_not_tell_the_part_that_decides() {
        let kite = kite();
        let both = Rule::All { of: vec![Rule::HasOptions, Rule::OnSale] };
        assert_eq!(on(&kite, &both), Verdict { holds: false, why: "it isn't on sale".into() });
        let either = Rule::Any { of: vec![Rule::OnSale, Rule::HasOptions] };
        assert_eq!(on(&kite, &either), Verdict { holds: true, why: "it has options".into() });
        assert!(on(&kite, &Rule::Not { of: Box::new(both) }).holds);
        assert!(on(&kite, &Rule::always()).holds);
        assert!(!on(&kite, &Rule::Any { of: vec![] }).holds);
    }

    #[test]
    fn a_sentence_is_bounded_and_holds_nothing_unknown() {
        let mut deep = Rule::OnSale;
        for _ in 0..5 {
            deep = Rule::Not { of: Box::new(deep) };
        }
        assert_eq!(deep.check(), Err(RuleError::TooLong));
        assert_eq!(Rule::All { of: vec![Rule::OnSale; 20] }.check(), Err(RuleError::TooLong));
        assert_eq!(Rule::Tagged { tag: " ".into() }.check(), Err(RuleError::BadTag));
        assert!(serde_json::from_str::<Rule>(r#"{"is":"stock_under","count":1,"x":1}"#).is_err());
        assert!(serde_json::from_str::<Rule>(r#"{"is":"between","from":"soon","to":null}"#).is_err());
    }
}
