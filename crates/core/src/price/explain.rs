//! How a price comes about: what each rule did, or why it did nothing.

use super::book::Together;
use super::condition::Condition;
use super::quote::quote;
use super::rule::{PriceRule, RuleId};
use super::ruled::{Priced, Prices, Suppose, Thing};
use crate::catalog::{Product, Variant};
use crate::ids::Handle;
use crate::money::{Locale, Money, MoneyError};
use crate::time::Local;
use serde::Serialize;

/// What lowered a line of the cart, and what was added to it; for all its pieces together.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Effects {
    /// The rules that lowered it, with what each took off.
    pub rules: Vec<(String, Money)>,
    /// What the plan took off.
    pub plan: Option<Money>,
    /// What was added.
    pub surcharge: Option<Money>,
}

/// What one rule did, in the working of a price.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Work {
    /// Its number.
    pub rule: RuleId,
    /// Its name.
    pub name: String,
    /// What it was before.
    pub before: Money,
    /// What it is after.
    pub after: Money,
    /// What came of it.
    pub outcome: Outcome,
}

/// What a rule did, or why it did nothing.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "is")]
pub enum Outcome {
    /// It made the price, with its step from so many pieces on.
    Applied {
        /// The pieces from which the step counts.
        from: u32,
    },
    /// Another one gives a lower price.
    Beaten,
    /// It would leave the price as it is.
    NoEffect,
    /// It is switched off.
    Off,
    /// It begins later.
    NotYet {
        /// When it begins.
        from: Local,
    },
    /// It has ended.
    Over {
        /// When it ended.
        until: Local,
    },
    /// There are too few pieces.
    TooFew {
        /// What it would take.
        needs: u32,
        /// What there is.
        has: u32,
    },
    /// The cart comes to too little.
    TotalTooLow {
        /// What it would take.
        needs: Money,
        /// What there is.
        has: Money,
    },
    /// None of these products is in the cart.
    Without {
        /// One of these, by their handles.
        needs: Vec<Handle>,
    },
    /// It isn't for this.
    NotFor,
}

impl Outcome {
    /// In an owner's words; `product` gives what a product is called.
    #[must_use]
    pub fn told(&self, product: impl Fn(&Handle) -> String, locale: Locale) -> String {
        match self {
            Self::Applied { from: 0 | 1 } => "taken".into(),
            Self::Applied { from } => format!("taken: the step from {from} pieces"),
            Self::Beaten => "another rule gives a lower price".into(),
            Self::NoEffect => "would not make it cheaper".into(),
            Self::Off => "is off".into(),
            Self::NotYet { from } => format!("begins {}", from.told()),
            Self::Over { until } => format!("ended {}", until.told()),
            Self::TooFew { needs, has } => format!("needs {needs} pieces; there are {has}"),
            Self::Without { needs } => {
                let names: Vec<String> = needs.iter().map(product).collect();
                format!("needs {} in the cart", names.join(" or "))
            }
            Self::TotalTooLow { needs, has } => {
                let (needs, has) = (needs.format(locale), has.format(locale));
                format!("needs a cart of {needs}; it comes to {has}")
            }
            Self::NotFor => "isn't for this".into(),
        }
    }
}

impl Work {
    /// What it makes of the price, or would make of it; a dash where it does nothing.
    #[must_use]
    pub fn price_told(&self, locale: Locale) -> String {
        let (before, after) = (self.before.format(locale), self.after.format(locale));
        match self.outcome {
            Outcome::Applied { .. } => format!("{before} → {after}"),
            Outcome::Beaten => format!("would be {after}"),
            _ => "–".into(),
        }
    }
}

impl Prices {
    /// How a price comes about: every rule of the book with what it did or why it did nothing.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn explain(
        &self,
        product: &Product,
        variant: &Variant,
        quantity: u32,
    ) -> Result<(Priced, Vec<Work>), MoneyError> {
        let priced = self.quote(product, variant, quantity)?;
        let thing = Thing { product, variant, base: priced.base };
        Ok((priced, self.working(thing, Suppose::More(quantity))))
    }

    /// What lowered a line that is in the cart already, and what was added to it.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn effects(
        &self,
        product: &Product,
        variant: &Variant,
        quantity: u32,
    ) -> Result<Effects, MoneyError> {
        let thing = Thing { product, variant, base: quote(product, variant, 1)?.unit };
        let suppose = Suppose::More(0);
        let applied = self.working(thing, suppose).into_iter();
        let applied = applied.filter(|work| matches!(work.outcome, Outcome::Applied { .. }));
        let off = |before: Money, after: Money| before.minus(after)?.times(quantity);
        let rules = applied.map(|work| Ok((work.name, off(work.before, work.after)?)));
        let (ruled, unit) = (self.ruled(thing, suppose), self.unit(thing, suppose));
        Ok(Effects {
            rules: rules.collect::<Result<_, MoneyError>>()?,
            plan: if unit.minor < ruled.minor { Some(off(ruled, unit)?) } else { None },
            surcharge: self.surcharge(thing).map(|each| each.times(quantity)).transpose()?,
        })
    }

    fn working(&self, thing: Thing<'_>, suppose: Suppose) -> Vec<Work> {
        let unit = self.ruled(thing, suppose);
        let mut before = thing.base;
        let mut made = None;
        let mut working = Vec::new();
        for rule in &self.book.rules {
            let (after, outcome) = self.outcome(rule, thing, before, suppose);
            let applied = matches!(outcome, Outcome::Applied { .. });
            if applied && made.is_none() && after == unit {
                made = Some(rule.id);
            }
            working.push(Work { rule: rule.id, name: rule.name.clone(), before, after, outcome });
            if applied && self.book.together == Together::InOrder {
                before = after;
            }
        }
        if self.book.together == Together::BestOne {
            for work in &mut working {
                let applied = matches!(work.outcome, Outcome::Applied { .. });
                if applied && Some(work.rule) != made {
                    work.outcome = Outcome::Beaten;
                }
            }
        }
        working
    }

    fn outcome(
        &self,
        rule: &PriceRule,
        thing: Thing<'_>,
        before: Money,
        suppose: Suppose,
    ) -> (Money, Outcome) {
        let has = self.has(rule, thing, suppose);
        let told = |condition: Condition<'_>| (before, condition.unmet(has, before.currency));
        if let Some(condition) = rule.conditions().find(|one| !one.holds_at(self.now, &self.zone)) {
            return told(condition);
        }
        if !rule.reaches(thing.product, thing.variant) {
            return (before, Outcome::NotFor);
        }
        if let Some(condition) = rule.conditions().find(|one| !one.holds_with(has)) {
            return told(condition);
        }
        match self.lowered(rule, thing, before, suppose) {
            Some((step, after)) if after.minor < before.minor => {
                (after, Outcome::Applied { from: step.from })
            }
            _ => (before, Outcome::NoEffect),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::money::Currency;

    fn pounds(minor: i64) -> Money {
        Money::new(minor, Currency::from_code("GBP").unwrap())
    }

    #[test]
    fn what_a_rule_did_is_told_with_what_it_makes_of_the_price() {
        let at = |text: &str| Local::try_from(text.to_owned()).unwrap();
        let needs = ["kite", "reel"].map(|text| Handle::try_from(text).unwrap()).into();
        let cases = [
            (Outcome::Applied { from: 1 }, "taken", "£100.00 → £80.00"),
            (Outcome::Applied { from: 6 }, "taken: the step from 6 pieces", "£100.00 → £80.00"),
            (Outcome::Beaten, "another rule gives a lower price", "would be £80.00"),
            (Outcome::NoEffect, "would not make it cheaper", "–"),
            (Outcome::Off, "is off", "–"),
            (Outcome::NotYet { from: at("2027-01-02T08:00") }, "begins 2 January 2027, 08:00", "–"),
            (Outcome::Over { until: at("2025-12-31T00:00") }, "ended 31 December 2025", "–"),
            (Outcome::TooFew { needs: 4, has: 2 }, "needs 4 pieces; there are 2", "–"),
            (
                Outcome::TotalTooLow { needs: pounds(50_000), has: pounds(20_000) },
                "needs a cart of £500.00; it comes to £200.00",
                "–",
            ),
            (Outcome::Without { needs }, "needs KITE or REEL in the cart", "–"),
            (Outcome::NotFor, "isn't for this", "–"),
        ];
        for (outcome, says, price) in cases {
            let (before, after) = (pounds(10_000), pounds(8000));
            let work = Work { rule: RuleId(1), name: "Spring".into(), before, after, outcome };
            let told = work.outcome.told(|one| one.to_string().to_uppercase(), Locale::EnGb);
            assert_eq!((told.as_str(), work.price_told(Locale::EnGb).as_str()), (says, price));
        }
    }
}
