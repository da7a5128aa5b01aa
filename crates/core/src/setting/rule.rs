//! *Appears when*: sentences about product, cart and day, joined by all, any and not. Each is worked out with the
//! reason, so that an owner sees at once whether and why a piece is there.

use crate::catalog::{Product, ProductState, Tag};
use crate::ids::Handle;
use crate::limits::is_price;
use crate::money::{Locale, Money};
use crate::price::{Prices, Surface};
use crate::time::Day;
use serde::{Deserialize, Serialize};

/// A sentence of at most so many parts.
const MOST_PARTS: usize = 20;
const MOST_DEPTH: usize = 4;

/// A condition.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "is", deny_unknown_fields)]
pub enum Rule {
    /// Every part holds; without parts it always does.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    All {
        /// All of these.
        of: Vec<Rule>,
    },
    /// At least one part holds.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    Any {
        /// The rules.
        of: Vec<Rule>,
    },
    /// Where another one doesn’t hold.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    Not {
        /// That one.
        of: Box<Rule>,
    },
    /// It can be bought now.
    OnSale,
    /// Nothing of it is left.
    SoldOut,
    /// It isn’t sold yet.
    ComingSoon,
    /// It is chosen by something.
    HasOptions,
    /// It has reviews.
    HasReviews,
    /// It has more pictures than so many.
    PicturesOver {
        /// How many.
        count: u32,
    },
    /// Less of it is left than so many.
    StockUnder {
        /// How many.
        count: u32,
    },
    /// It is of a type.
    Type {
        /// The type’s handle.
        handle: Handle,
    },
    /// It has a tag.
    Tagged {
        /// The tag.
        tag: Tag,
    },
    /// The least price of the product under the price rules, in minor units, is above this.
    PriceOver {
        /// Minor units.
        minor: i64,
    },
    /// From the first day on, up to and with the last.
    Between {
        /// The first day; none where it began long ago.
        from: Option<Day>,
        /// The last day; none where it doesn’t end.
        to: Option<Day>,
    },
    /// Anything at all.
    CartHolds,
    /// It lies in the cart already.
    CartHoldsThis,
}

/// Why a condition can't be used.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum RuleError {
    /// A sentence has at most {MOST_PARTS} parts, {MOST_DEPTH} deep.
    #[error("a sentence has at most {MOST_PARTS} parts, {MOST_DEPTH} deep")]
    TooLong,
    /// A tag is empty or too long.
    #[error("a tag has 1 to {} characters, all of which can be seen", crate::catalog::LONGEST_TAG)]
    BadTag,
    /// A price can’t be.
    #[error("a price is zero or more, and at most {} of the smallest unit", crate::limits::MOST_MINOR)]
    BadPrice,
    /// The last day lies before the first.
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

    /// Whether it can be kept.
    ///
    /// # Errors
    /// [`RuleError`], which says what can’t be and why.
    pub fn check(&self) -> Result<(), RuleError> {
        let parts = self.parts();
        if parts.len() > MOST_PARTS || self.depth() > MOST_DEPTH {
            return Err(RuleError::TooLong);
        }
        for part in parts {
            match part {
                Self::Tagged { tag } if !tag.is_sound() => return Err(RuleError::BadTag),
                Self::PriceOver { minor } if !is_price(*minor) => return Err(RuleError::BadPrice),
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
    /// Those that lie in it, by their handles.
    pub products: Vec<Handle>,
}

/// All that a condition may ask for.
#[derive(Debug, Clone, Copy)]
pub struct Facts<'a> {
    /// As it stands in the situation.
    pub product: &'a Product,
    /// What is in the cart.
    pub cart: &'a CartFacts,
    /// The day on the shop’s clocks.
    pub day: &'a Day,
    /// What it costs by; what is in the cart, and a plan, make no difference to a condition.
    pub prices: &'a Prices,
    /// How amounts are written.
    pub locale: Locale,
}

/// Whether a condition holds, and why.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Verdict {
    /// Whether it holds.
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
        Rule::OnSale => say(on_sale(product, facts.prices), "it is on sale", "it isn't on sale"),
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
        Rule::Tagged { tag } => say(
            product.tags.contains(tag),
            format!("it is tagged “{tag}”"),
            format!("it isn't tagged “{tag}”"),
        ),
        Rule::PriceOver { minor } => {
            let price = least_price(product, facts.prices);
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

/// Whether some variant stands there with an old price that has been earned, as a shopper with an empty cart sees it.
fn on_sale(product: &Product, prices: &Prices) -> bool {
    let prices = prices.alone();
    product.is_sold()
        && product.variants.iter().any(|variant| {
            let shown = prices.shown(product, variant, 1, Surface::Page);
            shown.is_ok_and(|shown| shown.quote.saving.is_some() && shown.promise.is_none())
        })
}

fn sold_out(product: &Product) -> bool {
    product.is_sold() && !product.can_be_bought()
}

/// How many are left in all variants together, where every one is counted.
fn left(product: &Product) -> Option<u64> {
    product.variants.iter().map(|v| v.stock.left().map(u64::from)).sum()
}

fn least_price(product: &Product, prices: &Prices) -> Money {
    let prices = prices.alone();
    let of = |variant| prices.quote(product, variant, 1).ok().map(|priced| priced.quote.unit);
    product.variants.iter().filter_map(of).min_by_key(|price| price.minor).unwrap_or(product.price)
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
        under(product, rule, &cart, &Prices::default())
    }

    fn under(product: &Product, rule: &Rule, cart: &CartFacts, prices: &Prices) -> Verdict {
        judge(rule, &Facts { product, cart, day: &day("2026-11-24"), prices, locale: Locale::EnGb })
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
    fn a_price_rule_puts_a_product_on_sale_and_lowers_what_it_costs() {
        use crate::price::{Effect, PriceBook, PriceRule, RuleId, RuleReach, Step};
        let kite = kite();
        let rule = |from| PriceRule {
            id: RuleId(1),
            name: "A fifth off".into(),
            reach: RuleReach::All,
            except: vec![],
            steps: vec![Step { from, effect: Effect::Percent { hundredths: 2000 } }],
            counted: Default::default(),
            total: None,
            with: vec![],
            from: None,
            until: None,
            on: true,
        };
        let prices = |rule| {
            let book = PriceBook { rules: vec![rule], ..PriceBook::default() };
            Prices::new(book.into(), Default::default(), Default::default())
        };
        let cart = CartFacts::default();
        let at_once = prices(rule(1));
        assert_eq!(under(&kite, &Rule::OnSale, &cart, &at_once).why, "it is on sale");
        assert_eq!(under(&kite, &Rule::PriceOver { minor: 5440 }, &cart, &at_once).why, "it costs £54.40");
        // One that is earned with the third piece is no sale before, whatever lies in the cart.
        let later = prices(rule(3)).with_cart([(&kite, &kite.variants[0], 5)]).unwrap();
        assert!(!under(&kite, &Rule::OnSale, &cart, &later).holds);
    }

    #[test]
    fn capitals_make_no_other_tag_in_conditions_price_rules_and_reaches() {
        use crate::price::RuleReach;
        use crate::template::{ProductFacts, ReachRule};
        let kite = kite();
        for tag in ["beginners", "BEGINNERS", " Beginners "] {
            let tags = vec![Tag::from(tag)];
            assert!(on(&kite, &Rule::Tagged { tag: tag.into() }).holds, "{tag}");
            assert!(RuleReach::Tags { tags: tags.clone() }.holds(&kite, &kite.variants[0]), "{tag}");
            let facts = ProductFacts {
                handle: kite.handle.clone(),
                kind: kite.kind.handle.clone(),
                tags: kite.tags.clone(),
                price: 0,
                features: vec![],
            };
            assert!(ReachRule::Tags { tags }.holds(&facts), "{tag}");
        }
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
