//! What owners do to a price book, one thing at a time, so that two who do different things don't meet.

use super::{
    BookError, OldFrom, Places, Plan, PlanId, PriceBook, PriceRule, Rounding, RuleId, Together, Vat,
};
use crate::document::Document;
use crate::money::AmountStyle;

/// A step on a price book.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum BookChange {
    /// A rule is as it is here; a new one stands last.
    Rule(PriceRule),
    /// A rule goes.
    DropRule(RuleId),
    /// A rule stands so many places later in the order, earlier where it is negative; at most at its ends.
    MoveRule(RuleId, i64),
    /// A plan is as it is here; a new one stands last.
    Plan(Plan),
    /// A plan goes.
    DropPlan(PlanId),
    /// How rules go together.
    Together(Together),
    /// How amounts are rounded.
    Rounding(Rounding),
    /// Where old prices are shown.
    Places(Places),
    /// Where old prices come from.
    Old(OldFrom),
    /// Taxes.
    Vat(Vat),
    /// How amounts are written.
    Style(AmountStyle),
}

impl PriceBook {
    /// Takes a step.
    ///
    /// # Errors
    /// [`BookError`] where the book couldn't be kept so; then nothing is changed. What is to go and isn't there is none.
    pub fn change(&mut self, change: BookChange) -> Result<(), BookError> {
        let mut next = self.clone();
        match change {
            BookChange::Rule(rule) => put(&mut next.rules, rule, |one| one.id),
            BookChange::DropRule(id) => next.rules.retain(|rule| rule.id != id),
            BookChange::MoveRule(id, by) => {
                if let Some(from) = next.rules.iter().position(|rule| rule.id == id) {
                    let rule = next.rules.remove(from);
                    let by = isize::try_from(by).unwrap_or(if by < 0 { isize::MIN } else { isize::MAX });
                    next.rules.insert(from.saturating_add_signed(by).min(next.rules.len()), rule);
                }
            }
            BookChange::Plan(plan) => put(&mut next.plans, plan, |one| one.id),
            BookChange::DropPlan(id) => next.plans.retain(|plan| plan.id != id),
            BookChange::Together(together) => next.together = together,
            BookChange::Rounding(rounding) => next.rounding = rounding,
            BookChange::Places(places) => next.places = places,
            BookChange::Old(old) => next.old = old,
            BookChange::Vat(vat) => next.vat = vat,
            BookChange::Style(style) => next.style = style,
        }
        next.check()?;
        *self = next;
        Ok(())
    }
}

fn put<T, I: PartialEq>(all: &mut Vec<T>, one: T, id: impl Fn(&T) -> I) {
    match all.iter_mut().find(|other| id(other) == id(&one)) {
        Some(same) => *same = one,
        None => all.push(one),
    }
}

impl Document for PriceBook {
    fn called(&self, place: &str) -> String {
        let mut parts = place.split('/');
        let (area, which) = (parts.next().unwrap_or_default(), parts.next().unwrap_or_default());
        let id: Option<u64> = which.strip_prefix('#').and_then(|id| id.parse().ok());
        match (area, id) {
            ("rules", None) => "the order of the rules".to_owned(),
            ("rules", Some(id)) => match self.rules.iter().find(|rule| rule.id.0 == id) {
                Some(rule) => format!("the rule “{}”", rule.name),
                None => "a rule that is gone".to_owned(),
            },
            ("plans", _) => "a plan".to_owned(),
            ("vat", _) => "VAT".to_owned(),
            ("together", _) => "how rules go together".to_owned(),
            ("rounding", _) => "how amounts are rounded".to_owned(),
            ("style", _) => "how amounts are written".to_owned(),
            _ => "old prices".to_owned(),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::document::touched;
    use crate::price::{Counted, Effect, RuleReach, Step};

    fn rule(id: u64, name: &str) -> PriceRule {
        PriceRule {
            id: RuleId(id),
            name: name.to_owned(),
            reach: RuleReach::All,
            except: vec![],
            steps: vec![Step { from: 1, effect: Effect::Percent { hundredths: 1000 } }],
            counted: Counted::Product,
            total: None,
            with: vec![],
            from: None,
            until: None,
            on: true,
        }
    }

    fn names(book: &PriceBook) -> String {
        book.rules.iter().map(|rule| rule.name.as_str()).collect()
    }

    fn book() -> PriceBook {
        let mut book = PriceBook::default();
        for (id, name) in [(1, "a"), (2, "b"), (3, "c")] {
            book.change(BookChange::Rule(rule(id, name))).unwrap();
        }
        book
    }

    #[test]
    fn rules_come_change_move_and_go_by_their_numbers() {
        let mut book = book();
        assert_eq!(names(&book), "abc");
        book.change(BookChange::Rule(rule(2, "x"))).unwrap();
        assert_eq!(names(&book), "axc", "it stays where it stands");
        for (id, by, order) in
            [(3, -1, "acx"), (1, 1, "cax"), (1, 99, "cxa"), (1, i64::MIN, "acx"), (2, 0, "acx")]
        {
            book.change(BookChange::MoveRule(RuleId(id), by)).unwrap();
            assert_eq!(names(&book), order, "{id} by {by}");
        }
        book.change(BookChange::DropRule(RuleId(3))).unwrap();
        assert_eq!(names(&book), "ax");
        for gone in [BookChange::DropRule(RuleId(3)), BookChange::MoveRule(RuleId(3), 1)] {
            book.change(gone).unwrap();
            assert_eq!(names(&book), "ax");
        }
    }

    #[test]
    fn a_step_that_cannot_be_kept_changes_nothing() {
        let (mut book, before) = (book(), book());
        assert!(book.change(BookChange::Rule(PriceRule { steps: vec![], ..rule(2, "b") })).is_err());
        assert!(book.change(BookChange::Rounding(Rounding { step: 3, ..Rounding::default() })).is_err());
        assert_eq!(book, before);
    }

    #[test]
    fn steps_on_different_things_touch_different_places_and_each_is_called_by_its_name() {
        let before = book();
        let called = |change: BookChange| {
            let mut after = before.clone();
            after.change(change).unwrap();
            let [before, after] = [&before, &after].map(|book| serde_json::to_value(book).unwrap());
            let book: PriceBook = serde_json::from_value(after.clone()).unwrap();
            touched(&before, &after).iter().map(|place| book.called(place)).collect::<Vec<_>>().join(", ")
        };
        assert_eq!(called(BookChange::Rule(rule(2, "x"))), "the rule “x”");
        assert_eq!(called(BookChange::DropRule(RuleId(2))), "a rule that is gone");
        assert_eq!(called(BookChange::MoveRule(RuleId(2), 1)), "the order of the rules");
        assert_eq!(called(BookChange::Together(Together::InOrder)), "how rules go together");
        assert_eq!(called(BookChange::Old(OldFrom::Lowest)), "old prices");
        assert_eq!(called(BookChange::Vat(Vat { hundredths: 1900, ..Vat::default() })), "VAT");
        assert_eq!(
            called(BookChange::Together(Together::default())),
            "",
            "what changes nothing touches nothing"
        );
    }
}
