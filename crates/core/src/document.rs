//! What all drafts of the shop have in common: the house style, the wording, the price rules, the listings. Owners change
//! them step by step, several at once; by what their steps touch it is told whether both can stay.

use serde::Serialize;
use serde::de::DeserializeOwned;
use serde_json::Value;
use std::collections::{BTreeMap, BTreeSet};

/// A draft of the shop that owners change step by step.
pub trait Document: Serialize + DeserializeOwned + Default {
    /// What an owner calls a place in it that was touched; the place as [`touched`] gives it.
    fn called(&self, place: &str) -> String;
}

/// The places at which two states of a document differ, each as its way from the outside in with `/` between its parts.
/// What a list holds under numbers (`id`) is told apart by them, as `#7`; the order of such a list is a place of its own,
/// `order`, which only differs where something that stands in both stands elsewhere.
#[must_use]
pub fn touched(before: &Value, after: &Value) -> BTreeSet<String> {
    let mut places = BTreeSet::new();
    differ(before, after, String::new(), &mut places);
    places
}

/// Whether what touches one place also touches the other: they are the same, or one lies in the other.
#[must_use]
pub fn meet(one: &str, other: &str) -> bool {
    let (short, long) = if one.len() <= other.len() { (one, other) } else { (other, one) };
    long.strip_prefix(short).is_some_and(|rest| rest.is_empty() || rest.starts_with('/') || short.is_empty())
}

fn differ(before: &Value, after: &Value, at: String, places: &mut BTreeSet<String>) {
    if before == after {
        return;
    }
    let inner = |part: &str| if at.is_empty() { part.to_owned() } else { format!("{at}/{part}") };
    if let (Some(before), Some(after)) = (fields(before), fields(after)) {
        for name in before.keys().chain(after.keys()).collect::<BTreeSet<_>>() {
            let (was, is) = (before.get(name).copied(), after.get(name).copied());
            differ(was.unwrap_or(&Value::Null), is.unwrap_or(&Value::Null), inner(name), places);
        }
    } else if let (Some(was), Some(is)) = (numbered(before), numbered(after)) {
        for id in was.keys().chain(is.keys()).collect::<BTreeSet<_>>() {
            let at = inner(&format!("#{id}"));
            match (was.get(id), is.get(id)) {
                (Some((_, was)), Some((_, is))) => differ(was, is, at, places),
                _ => drop(places.insert(at)),
            }
        }
        let stay = |of: &BTreeMap<u64, (usize, &Value)>, others: &BTreeMap<u64, (usize, &Value)>| {
            let mut ids: Vec<_> = of.iter().filter(|(id, _)| others.contains_key(id)).collect();
            ids.sort_by_key(|(_, (place, _))| *place);
            ids.into_iter().map(|(id, _)| *id).collect::<Vec<_>>()
        };
        if stay(&was, &is) != stay(&is, &was) {
            places.insert(inner("order"));
        }
    } else {
        places.insert(at);
    }
}

/// What an object holds by its names. What is absent holds nothing.
fn fields(object: &Value) -> Option<BTreeMap<&str, &Value>> {
    match object {
        Value::Object(fields) => Some(fields.iter().map(|(name, value)| (name.as_str(), value)).collect()),
        Value::Null => Some(BTreeMap::new()),
        _ => None,
    }
}

/// A list in which each has a number of its own, by these numbers, each with its place. An absent list is an empty one.
fn numbered(list: &Value) -> Option<BTreeMap<u64, (usize, &Value)>> {
    let items = match list {
        Value::Array(items) => items.as_slice(),
        Value::Null => &[],
        _ => return None,
    };
    let ids = items.iter().enumerate().map(|(place, item)| Some((item.get("id")?.as_u64()?, (place, item))));
    let by_id: BTreeMap<_, _> = ids.collect::<Option<_>>()?;
    (by_id.len() == items.len()).then_some(by_id)
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;
    use serde_json::json;

    fn places(before: &Value, after: &Value) -> Vec<String> {
        touched(before, after).into_iter().collect()
    }

    #[test]
    fn a_change_touches_the_innermost_place_that_differs() {
        let before = json!({"ink": "#111", "style": {"unit": "sign", "zeros": true}, "tags": ["a", "b"]});
        assert!(places(&before, &before).is_empty());
        let after = json!({"ink": "#111", "style": {"unit": "code", "zeros": true}, "tags": ["a", "c"]});
        assert_eq!(places(&before, &after), ["style/unit", "tags"]);
        let gone = json!({"style": {"unit": "sign", "zeros": true}, "tags": ["a", "b"], "new": 1});
        assert_eq!(places(&before, &gone), ["ink", "new"]);
        let first = json!({"4": {"en": {"buy": "Buy"}}});
        assert_eq!(places(&json!({}), &first), ["4/en/buy"], "another word may be the first of them, too");
    }

    #[test]
    fn what_has_a_number_is_told_apart_by_it_and_its_order_is_a_place_of_its_own() {
        let rule = |id: u64, name: &str| json!({"id": id, "name": name});
        let before = json!({"rules": [rule(1, "a"), rule(2, "b"), rule(3, "c")]});
        let renamed = json!({"rules": [rule(1, "a"), rule(2, "x"), rule(3, "c")]});
        assert_eq!(places(&before, &renamed), ["rules/#2/name"]);
        let moved = json!({"rules": [rule(3, "c"), rule(1, "a"), rule(2, "b")]});
        assert_eq!(places(&before, &moved), ["rules/order"]);
        let fewer = json!({"rules": [rule(1, "a"), rule(3, "c"), rule(9, "new")]});
        assert_eq!(places(&before, &fewer), ["rules/#2", "rules/#9"], "who only goes or comes moves nobody");
        let twice = json!({"rules": [rule(1, "a"), rule(1, "b")]});
        assert_eq!(
            places(&before, &twice),
            ["rules"],
            "numbers that aren't each one's own tell nothing apart"
        );
        let first = json!({"rules": [rule(1, "a")]});
        assert_eq!(places(&json!({}), &first), ["rules/#1"], "the first of a list");
    }

    #[test]
    fn places_meet_where_one_lies_in_the_other() {
        for (one, other, they_do) in [
            ("rules/#1", "rules/#1", true),
            ("rules/#1", "rules/#1/name", true),
            ("rules/#1", "rules/#12", false),
            ("rules/#1/name", "rules/#1/on", false),
            ("rules/order", "rules/#1", false),
            ("", "ink", true),
        ] {
            assert_eq!(meet(one, other), they_do, "{one} {other}");
            assert_eq!(meet(other, one), they_do, "{other} {one}");
        }
    }

    fn any_document() -> impl Strategy<Value = Value> {
        let leaf = prop_oneof![
            Just(Value::Null),
            any::<bool>().prop_map(Value::from),
            "[a-c]{0,2}".prop_map(Value::from)
        ];
        leaf.prop_recursive(3, 24, 4, |inner| {
            prop_oneof![
                prop::collection::btree_map("[a-c]", inner.clone(), 0..4)
                    .prop_map(|all| Value::Object(all.into_iter().collect())),
                prop::collection::vec(inner, 0..4).prop_map(Value::from),
                prop::collection::vec(0_u64..5, 0..4).prop_map(|ids| ids
                    .into_iter()
                    .map(|id| json!({"id": id}))
                    .collect::<Vec<_>>()
                    .into()),
            ]
        })
    }

    /// Without what holds nothing: to a document that is the same as what is absent.
    fn pruned(value: &Value) -> Value {
        match value {
            Value::Object(fields) => {
                let held = fields.iter().map(|(name, value)| (name.clone(), pruned(value)));
                let held: serde_json::Map<_, _> = held.filter(|(_, value)| !value.is_null()).collect();
                if held.is_empty() { Value::Null } else { held.into() }
            }
            Value::Array(items) if items.is_empty() => Value::Null,
            other => other.clone(),
        }
    }

    proptest! {
        #[test]
        fn what_differs_is_touched_and_the_way_back_touches_the_same(one in any_document(), other in any_document()) {
            prop_assert!(touched(&one, &one).is_empty());
            if pruned(&one) != pruned(&other) {
                prop_assert!(!touched(&one, &other).is_empty());
            }
            prop_assert_eq!(touched(&one, &other), touched(&other, &one));
        }
    }
}
