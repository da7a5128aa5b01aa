//! A reach in a few words.

use super::{Feature, Reach, ReachRule};
use crate::ids::Handle;

/// As many things are named.
const MOST_NAMED: usize = 3;

/// What an owner calls what a reach speaks of.
pub struct Called<'a> {
    /// A product.
    pub product: &'a dyn Fn(&Handle) -> String,
    /// A type.
    pub kind: &'a dyn Fn(&Handle) -> String,
    /// A price in minor units.
    pub price: &'a dyn Fn(i64) -> String,
}

impl Reach {
    /// Which products it takes in: `Sport kites, and Hand winder, not Dunlin`.
    #[must_use]
    pub fn told(&self, called: &Called<'_>) -> String {
        let products = |all: &[Handle]| list(all.iter().map(|handle| (called.product)(handle)).collect());
        let rule = match &self.rule {
            ReachRule::Fallback => "what no other template reaches".to_owned(),
            ReachRule::All => "all products".to_owned(),
            ReachRule::Types { types } => list(types.iter().map(|kind| (called.kind)(kind)).collect()),
            ReachRule::Tags { tags } => {
                format!("tagged {}", list(tags.iter().map(ToString::to_string).collect()))
            }
            ReachRule::Prices { least, most } => {
                let price = |minor: &Option<i64>| minor.map(called.price);
                match (price(least), price(most)) {
                    (Some(least), Some(most)) => format!("{least} to {most}"),
                    (Some(least), None) => format!("from {least}"),
                    (None, Some(most)) => format!("up to {most}"),
                    (None, None) => "any price".to_owned(),
                }
            }
            ReachRule::Has { features } => {
                let words = |feature: &Feature| match feature {
                    Feature::Options => "options",
                    Feature::Pictures => "pictures",
                    Feature::Plan => "a plan",
                };
                format!("with {}", features.iter().map(words).collect::<Vec<_>>().join(" and "))
            }
            ReachRule::Named => String::new(),
        };
        let parts = [rule, products(&self.also)];
        let parts: Vec<&str> = parts.iter().map(String::as_str).filter(|part| !part.is_empty()).collect();
        let all = if parts.is_empty() { "nothing yet".to_owned() } else { parts.join(", and ") };
        if self.except.is_empty() { all } else { format!("{all}, not {}", products(&self.except)) }
    }

    /// Where its cards stand: `among related products`; empty where they stand everywhere.
    #[must_use]
    pub fn places_told(&self) -> String {
        let labels: Vec<&str> = self.places.iter().map(|place| place.label()).collect();
        labels.join(" and ")
    }

    /// When it holds, on the shop's clocks; empty where it always does.
    #[must_use]
    pub fn dates_told(&self) -> String {
        match (&self.from, &self.until) {
            (Some(from), Some(until)) => format!("{} to {}", from.told(), until.told()),
            (Some(from), None) => format!("from {}", from.told()),
            (None, Some(until)) => format!("until {}", until.told()),
            (None, None) => String::new(),
        }
    }
}

fn list(all: Vec<String>) -> String {
    let more = all.len().saturating_sub(MOST_NAMED);
    let named = all[..all.len() - more].join(", ");
    if more == 0 { named } else { format!("{named} and {more} more") }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::catalog::Tag;
    use crate::time::Local;

    fn handle(text: &str) -> Handle {
        Handle::try_from(text).unwrap()
    }

    fn told(rule: ReachRule, also: &[&str], except: &[&str]) -> String {
        let named = |all: &[&str]| all.iter().map(|text| handle(text)).collect();
        let reach = Reach { also: named(also), except: named(except), ..rule.into() };
        reach.told(&Called {
            product: &|handle| handle.to_string(),
            kind: &|kind| format!("type {kind}"),
            price: &|minor| format!("£{}", minor / 100),
        })
    }

    #[test]
    fn every_rule_is_told_with_what_is_named_and_what_is_not_meant() {
        let tags = vec![Tag::from("new".to_owned())];
        let prices = |least, most| ReachRule::Prices { least, most };
        let types = vec![handle("kites"), handle("reels")];
        let cases = [
            (told(ReachRule::Fallback, &[], &[]), "what no other template reaches"),
            (told(ReachRule::All, &[], &["a"]), "all products, not a"),
            (told(ReachRule::Types { types }, &["a", "b"], &[]), "type kites, type reels, and a, b"),
            (told(ReachRule::Tags { tags }, &[], &[]), "tagged new"),
            (told(prices(Some(1000), Some(5000)), &[], &[]), "£10 to £50"),
            (told(prices(Some(1000), None), &[], &[]), "from £10"),
            (told(prices(None, Some(5000)), &[], &[]), "up to £50"),
            (told(prices(None, None), &[], &[]), "any price"),
            (
                told(ReachRule::Has { features: vec![Feature::Options, Feature::Plan] }, &[], &[]),
                "with options and a plan",
            ),
            (told(ReachRule::Named, &[], &[]), "nothing yet"),
            (told(ReachRule::Named, &["a", "b", "c", "d", "e"], &[]), "a, b, c and 2 more"),
        ];
        for (told, expected) in cases {
            assert_eq!(told, expected);
        }
    }

    #[test]
    fn when_it_holds_is_told_where_it_does_not_always() {
        let at = |text: &str| Some(Local::try_from(text.to_owned()).unwrap());
        let (spring, summer) = ("2027-03-01T09:00", "2027-06-01T00:00");
        let dates = |from, until| Reach { from, until, ..Reach::fallback() }.dates_told();
        assert_eq!(dates(at(spring), at(summer)), "1 March 2027, 09:00 to 1 June 2027");
        assert_eq!(dates(at(spring), None), "from 1 March 2027, 09:00");
        assert_eq!(dates(None, at(summer)), "until 1 June 2027");
        assert_eq!(dates(None, None), "");
    }
}
