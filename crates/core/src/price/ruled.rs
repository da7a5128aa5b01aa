//! Prices under the rules: what a piece costs, why, and from when on it costs less.
//!
//! The steps, in order: 1. the variant's own price or the product's; 2. the rules that are in force and reach it, the
//! best one or one after another; of a rule's steps that are met the one that gives the lowest price; 3. the saving of
//! the plan by which it is bought; 4. the surcharge for a text of the shopper's own, which nothing lowers. Rounding comes
//! after each percentage. A condition on the cart's total looks at prices before any rule, so that no rule undoes its own
//! condition. No rule makes anything dearer, and none goes below zero.

use super::book::{OldFrom, Policy, PriceBook, Surface, Together};
use super::condition::{Condition, Has, first};
use super::plan::{Plan, PlanId};
use super::quote::{Quote, Saving, quote, saving};
use super::rule::{Counted, Effect, PriceRule, RuleId, RuleReach, Step};
use crate::catalog::{Product, Variant};
use crate::ids::{Handle, ProductId, VariantId};
use crate::money::{Money, MoneyError};
use crate::time::Day;
use crate::time::{Moment, Zone};
use serde::Serialize;
use std::collections::{BTreeMap, BTreeSet};
use std::sync::Arc;

const AN_HOUR: i64 = 3600;

/// A next step further off than this isn't told.
const FAR: u32 = 99;

/// What is in the cart, as far as prices count it.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Counts {
    variants: BTreeMap<VariantId, u32>,
    products: BTreeMap<ProductId, u32>,
    rules: BTreeMap<RuleId, u32>,
    handles: BTreeSet<Handle>,
    /// Minor units, before any rule.
    total: i64,
}

/// What a shopper asks for besides variant and number.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub struct Extras {
    /// Once, where there is none.
    pub plan: Option<PlanId>,
    /// Whether a text is written onto it.
    pub written: bool,
}

/// A price book that was in force until a moment.
#[derive(Debug, Clone)]
pub struct PastBook {
    /// When it was exchanged.
    pub until: Moment,
    /// The book.
    pub book: Arc<PriceBook>,
}

/// The shop's prices at a moment, for a cart.
#[derive(Debug, Clone, Default)]
pub struct Prices {
    pub(super) book: Arc<PriceBook>,
    pub(super) zone: Zone,
    pub(super) now: Moment,
    /// Places of the rules that are in force.
    in_force: Vec<usize>,
    cart: Counts,
    extras: Extras,
    /// Books that were in force before, oldest first.
    pub(super) past: Arc<Vec<PastBook>>,
}

/// The price of a variant with what led to it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Priced {
    /// What it costs.
    pub quote: Quote,
    /// Before any rule.
    pub base: Money,
    /// The next step down.
    pub next: Option<Next>,
}

/// The next step down.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Next {
    /// So many more pieces of it.
    pub more: u32,
    /// What one piece costs then.
    pub unit: Money,
    /// Less than without any rule, rounded down.
    pub percent: u32,
}

/// A price that isn't earned yet, shown with its condition.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Promise {
    /// From so many pieces on.
    pub pieces: Option<u32>,
    /// From this total of the cart on.
    pub total: Option<Money>,
}

/// What stands in a place.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
pub struct Shown {
    /// What it costs.
    pub quote: Quote,
    /// What it costs once more is in the cart.
    pub promise: Option<Promise>,
    /// The next step down.
    pub next: Option<Next>,
}

/// Under which supposition a price is worked out.
#[derive(Debug, Clone, Copy)]
pub(super) enum Suppose {
    /// So many more come to the cart.
    More(u32),
    /// As the cart stands, for a first piece.
    Earned,
    /// The first step of every rule is met.
    Promised,
}

/// A variant of a product before any rule.
#[derive(Clone, Copy)]
pub(super) struct Thing<'a> {
    pub product: &'a Product,
    pub variant: &'a Variant,
    pub base: Money,
}

impl Prices {
    /// The prices of a book at a moment.
    #[must_use]
    pub fn new(book: Arc<PriceBook>, zone: Zone, now: Moment) -> Self {
        let in_force = book.rules.iter().enumerate().filter(|(_, rule)| rule.is_in_force(now, &zone));
        let in_force = in_force.map(|(place, _)| place).collect();
        Self { book, zone, now, in_force, cart: Counts::default(), ..Self::default() }
    }

    /// The same with the books that were in force before, oldest first.
    #[must_use]
    pub fn with_past(mut self, past: Vec<PastBook>) -> Self {
        self.past = Arc::new(past);
        self
    }

    /// The same at another moment.
    #[must_use]
    pub fn at(&self, now: Moment) -> Self {
        let there = Self::new(self.book.clone(), self.zone.clone(), now);
        Self { in_force: there.in_force, now, ..self.clone() }
    }

    /// The same for an empty cart, bought once and without a text.
    #[must_use]
    pub fn alone(&self) -> Self {
        Self { cart: Counts::default(), extras: Extras::default(), ..self.clone() }
    }

    /// The day on the shop's clocks.
    #[must_use]
    pub fn today(&self) -> Day {
        self.zone.day(self.now)
    }

    /// The moment at which the day on the shop's clocks ends.
    #[must_use]
    pub fn tomorrow(&self) -> Moment {
        self.zone.tomorrow(self.now)
    }

    /// The same for somebody who buys by a plan, or writes onto it.
    #[must_use]
    pub fn with_extras(&self, extras: Extras) -> Self {
        Self { extras, ..self.clone() }
    }

    /// The book.
    #[must_use]
    pub fn book(&self) -> &PriceBook {
        &self.book
    }

    /// An amount as shoppers see it: with tax, or without.
    #[must_use]
    pub fn as_seen(&self, product: &Product, amount: Money) -> Money {
        self.book.vat.shown(amount, &product.kind.handle)
    }

    /// The plans by which a variant can be bought.
    pub fn plans<'a>(&'a self, product: &'a Product, variant: &'a Variant) -> impl Iterator<Item = &'a Plan> {
        self.book.plans.iter().filter(|plan| plan.reaches(product, variant))
    }

    /// Whether some variant of a product can be bought by a plan.
    #[must_use]
    pub fn has_plans(&self, product: &Product) -> bool {
        product.variants.iter().any(|variant| self.plans(product, variant).next().is_some())
    }

    /// Whether a variant can be bought once, without a plan.
    #[must_use]
    pub fn can_be_bought_once(&self, product: &Product, variant: &Variant) -> bool {
        self.plans(product, variant).all(|plan| plan.once)
    }

    /// The plan by which a variant is bought: the one asked for, or, where it can't be bought once, the first.
    #[must_use]
    pub fn plan_for(&self, product: &Product, variant: &Variant, asked: Option<PlanId>) -> Option<&Plan> {
        let known = self.book.plans.iter().filter(|plan| plan.reaches(product, variant));
        let wanted = known.clone().find(|plan| Some(plan.id) == asked);
        let first = if self.can_be_bought_once(product, variant) { None } else { known.clone().next() };
        wanted.or(first)
    }

    /// Rules in force that are for single products and need something that is in the cart: what goes with it.
    pub fn go_with(&self) -> impl Iterator<Item = &PriceRule> {
        let named =
            |rule: &&PriceRule| matches!(rule.reach, RuleReach::Products { .. } | RuleReach::Variants { .. });
        self.rules().filter(named).filter(|rule| !rule.with.is_empty() && self.is_with(rule))
    }

    /// Whether the cart holds what a rule needs with it.
    fn is_with(&self, rule: &PriceRule) -> bool {
        rule.with.is_empty() || rule.with.iter().any(|handle| self.cart.handles.contains(handle))
    }

    /// The same for a cart that holds these.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn with_cart<'a>(
        mut self,
        lines: impl IntoIterator<Item = (&'a Product, &'a Variant, u32)>,
    ) -> Result<Self, MoneyError> {
        self.cart = Counts::default();
        for (product, variant, quantity) in lines {
            *self.cart.variants.entry(variant.id).or_default() += quantity;
            *self.cart.products.entry(product.id).or_default() += quantity;
            self.cart.handles.insert(product.handle.clone());
            for place in &self.in_force {
                let rule = &self.book.rules[*place];
                if rule.reaches(product, variant) {
                    *self.cart.rules.entry(rule.id).or_default() += quantity;
                }
            }
            let line = quote(product, variant, quantity)?.line.minor;
            self.cart.total = self.cart.total.checked_add(line).ok_or(MoneyError::Overflow)?;
        }
        Ok(self)
    }

    /// Whether what is in the cart can change the price of something.
    #[must_use]
    pub fn look_at_the_cart(&self) -> bool {
        self.rules().any(|rule| rule.conditions().any(Condition::looks_at_the_cart))
    }

    /// The next moment at which some price may change by itself.
    #[must_use]
    pub fn next_change(&self) -> Option<Moment> {
        // The thirty days that an old price looks back on move on by themselves.
        let by_history = (self.book.old == OldFrom::Lowest).then_some(Moment(self.now.0 + AN_HOUR));
        self.book.next_change(self.now, &self.zone).into_iter().chain(by_history).min()
    }

    fn rules(&self) -> impl Iterator<Item = &PriceRule> {
        self.in_force.iter().filter_map(|place| self.book.rules.get(*place))
    }

    /// What `quantity` of a variant cost when they come to what is in the cart.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn quote(&self, product: &Product, variant: &Variant, quantity: u32) -> Result<Priced, MoneyError> {
        self.priced(product, variant, quantity, Suppose::More(quantity))
    }

    /// What a line costs that is in the cart already.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn line(&self, product: &Product, variant: &Variant, quantity: u32) -> Result<Priced, MoneyError> {
        self.priced(product, variant, quantity, Suppose::More(0))
    }

    fn priced(
        &self,
        product: &Product,
        variant: &Variant,
        quantity: u32,
        suppose: Suppose,
    ) -> Result<Priced, MoneyError> {
        let base = quote(product, variant, 1)?.unit;
        let thing = Thing { product, variant, base };
        let unit = self.unit(thing, suppose);
        let next = if let Suppose::More(more) = suppose { self.next(thing, more, unit)? } else { None };
        Ok(Priced { quote: self.told(thing, quantity, unit, unit.minor < base.minor)?, base, next })
    }

    /// A quote at a unit price; where the rules' old price is shown, the price before them is struck.
    fn told(&self, thing: Thing<'_>, quantity: u32, unit: Money, struck: bool) -> Result<Quote, MoneyError> {
        let plain = quote(thing.product, thing.variant, quantity)?;
        let (old, before) = match self.book.old {
            OldFrom::Typed => (plain.old, plain.unit),
            OldFrom::Lowest => self.lowest_old(thing),
        };
        let before = if struck { Some(before) } else { None };
        let old = old.or(before).filter(|old| old.minor > unit.minor);
        let (unit, old) =
            (self.surcharged(thing, unit)?, old.map(|old| self.surcharged(thing, old)).transpose()?);
        let saved: Option<Saving> = old.map(|old| saving(old, unit)).transpose()?;
        Ok(Quote { unit, old, saving: saved, quantity, line: unit.times(quantity)? })
    }

    pub(super) fn surcharge(&self, thing: Thing<'_>) -> Option<Money> {
        let text =
            thing.product.terms.text.as_ref().filter(|text| self.extras.written && text.surcharge > 0)?;
        Some(Money::new(text.surcharge, thing.base.currency))
    }

    fn surcharged(&self, thing: Thing<'_>, unit: Money) -> Result<Money, MoneyError> {
        self.surcharge(thing).map_or(Ok(unit), |more| unit.plus(more))
    }

    /// What one piece costs later, bought by a plan of which only the first delivery costs less.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn later(&self, product: &Product, variant: &Variant, quantity: u32) -> Result<Money, MoneyError> {
        let thing = Thing { product, variant, base: quote(product, variant, 1)?.unit };
        self.surcharged(thing, self.ruled(thing, Suppose::More(quantity)))
    }

    /// What stands in a place of the shop, under the policy for old prices there.
    ///
    /// # Errors
    /// [`MoneyError`] where currencies differ or an amount is too large.
    pub fn shown(
        &self,
        product: &Product,
        variant: &Variant,
        quantity: u32,
        place: Surface,
    ) -> Result<Shown, MoneyError> {
        let real = self.quote(product, variant, quantity)?;
        let shown = Shown { quote: real.quote, promise: None, next: real.next };
        match self.book.places.policy(place) {
            Policy::WithQuantity => Ok(shown),
            Policy::OnceEarned => {
                let thing = Thing { product, variant, base: real.base };
                let earned = self.unit(thing, Suppose::Earned).minor < real.base.minor;
                let unit = self.unit(thing, Suppose::More(quantity));
                Ok(Shown { quote: self.told(thing, quantity, unit, earned)?, ..shown })
            }
            Policy::AtOnce => self.promised(product, variant, shown, real.base),
        }
    }

    fn promised(
        &self,
        product: &Product,
        variant: &Variant,
        shown: Shown,
        base: Money,
    ) -> Result<Shown, MoneyError> {
        let thing = Thing { product, variant, base };
        let unit = self.unit(thing, Suppose::Promised);
        if self.surcharged(thing, unit)?.minor >= shown.quote.unit.minor {
            return Ok(shown);
        }
        let reaching = || self.rules().filter(|rule| self.is_with(rule) && rule.reaches(product, variant));
        let pieces = reaching().filter_map(|rule| first(&rule.steps));
        let total = reaching().filter_map(|rule| rule.total);
        let promise = Promise {
            pieces: pieces.filter(|from| *from > 1).min(),
            total: total.min().map(|minor| Money::new(minor, base.currency)),
        };
        let quote = self.told(thing, shown.quote.quantity, unit, true)?;
        Ok(Shown { quote, promise: Some(promise), next: None })
    }

    /// From how many pieces on some variant of a product may cost less, 1 first; nothing but 1 where there is no ladder.
    #[must_use]
    pub fn steps(&self, product: &Product) -> BTreeSet<u32> {
        let ladders = self.rules().filter(|rule| rule.reaches_some(product)).filter_map(rungs);
        ladders.filter(|froms| froms.iter().any(|from| *from > 1)).flatten().chain([1]).collect()
    }

    /// The unit price by quantity, without looking at the cart: `(from, unit)`, where each is lower than the one before.
    #[must_use]
    pub fn ladder(&self, product: &Product, variant: &Variant) -> Vec<(u32, Money)> {
        let Ok(plain) = quote(product, variant, 1) else { return vec![] };
        let thing = Thing { product, variant, base: plain.unit };
        let alone = Self { cart: Counts::default(), ..self.clone() };
        let reaching = self.rules().filter(|rule| rule.reaches(product, variant));
        let froms: BTreeSet<u32> = reaching.filter_map(rungs).flatten().chain([1]).collect();
        let mut ladder: Vec<(u32, Money)> = Vec::new();
        for from in froms {
            let unit = alone.unit(thing, Suppose::More(from));
            if ladder.last().is_none_or(|(_, last)| unit.minor < last.minor) {
                ladder.push((from, unit));
            }
        }
        ladder
    }

    /// The price of one piece for an empty cart, bought once.
    pub(super) fn of_one(&self, thing: Thing<'_>) -> Money {
        self.ruled(thing, Suppose::More(1))
    }

    /// Up to step 3: the unit price without a surcharge.
    pub(super) fn unit(&self, thing: Thing<'_>, suppose: Suppose) -> Money {
        let unit = self.ruled(thing, suppose);
        let plan = self.plan_for(thing.product, thing.variant, self.extras.plan);
        let Some(plan) = plan.filter(|plan| plan.hundredths > 0) else { return unit };
        let less = Effect::Percent { hundredths: plan.hundredths };
        less.on(unit, |ten_thousandths| self.book.rounding.round(ten_thousandths))
    }

    /// Step 2: what the rules make of the price.
    pub(super) fn ruled(&self, thing: Thing<'_>, suppose: Suppose) -> Money {
        let mut unit = thing.base;
        for rule in self.rules().filter(|rule| rule.reaches(thing.product, thing.variant)) {
            let before = if self.book.together == Together::InOrder { unit } else { thing.base };
            if let Some((_, after)) = self.lowered(rule, thing, before, suppose)
                && after.minor < unit.minor
            {
                unit = after;
            }
        }
        unit
    }

    /// What a rule in force makes of a price, with the step that does it; none where its conditions aren't met.
    pub(super) fn lowered(
        &self,
        rule: &PriceRule,
        thing: Thing<'_>,
        before: Money,
        suppose: Suppose,
    ) -> Option<(Step, Money)> {
        let has = self.has(rule, thing, suppose);
        if !rule.conditions().all(|condition| condition.holds_with(has)) {
            return None;
        }
        let round = |ten_thousandths| self.book.rounding.round(ten_thousandths);
        let met = rule.steps.iter().filter(|step| step.from <= has.pieces);
        met.map(|step| (*step, step.effect.on(before, round)))
            .min_by_key(|(step, after)| (after.minor, step.from))
    }

    /// What a rule looks at in the cart.
    pub(super) fn has(&self, rule: &PriceRule, thing: Thing<'_>, suppose: Suppose) -> Has<'_> {
        let in_cart = match rule.counted {
            Counted::Variant => self.cart.variants.get(&thing.variant.id),
            Counted::Product => self.cart.products.get(&thing.product.id),
            Counted::Lines => self.cart.rules.get(&rule.id),
        };
        let in_cart = in_cart.copied().unwrap_or(0);
        let (pieces, total) = match suppose {
            Suppose::More(more) => {
                let total = i128::from(thing.base.minor) * i128::from(more) + i128::from(self.cart.total);
                (in_cart.saturating_add(more), i64::try_from(total).unwrap_or(i64::MAX))
            }
            Suppose::Earned => (in_cart.max(1), self.cart.total),
            Suppose::Promised => (in_cart.max(first(&rule.steps).unwrap_or(1)), i64::MAX),
        };
        Has { pieces, total, products: &self.cart.handles }
    }

    /// The least number of pieces more that lowers the unit price.
    fn next(&self, thing: Thing<'_>, more: u32, unit: Money) -> Result<Option<Next>, MoneyError> {
        let mut wanted = BTreeSet::new();
        for rule in self.rules().filter(|rule| rule.reaches(thing.product, thing.variant)) {
            let has = self.has(rule, thing, Suppose::More(more));
            wanted.extend(rule.conditions().flat_map(|condition| condition.more(has, thing.base.minor)));
        }
        for add in wanted.into_iter().filter(|add| *add <= FAR) {
            let then = self.unit(thing, Suppose::More(more.saturating_add(add)));
            if then.minor < unit.minor {
                let percent = saving(thing.base, then)?.percent;
                return Ok(Some(Next { more: add, unit: self.surcharged(thing, then)?, percent }));
            }
        }
        Ok(None)
    }
}

/// From how many pieces on a rule may lower a price; none where more than their number decides.
fn rungs(rule: &PriceRule) -> Option<BTreeSet<u32>> {
    let froms: Option<Vec<_>> = rule.conditions().map(Condition::froms).collect();
    froms.map(|froms| froms.into_iter().flatten().collect())
}
