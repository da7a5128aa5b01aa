//! A step in words, as its line in the journal.

use super::event::{Change, Event, Turn};
use super::row::{Row, RowId, Rows};
use super::words::{nouns, word};
use crate::ids::ProductId;
use crate::money::{Currency, Money};
use serde_json::Value;
use std::collections::{BTreeMap, BTreeSet};

/// More lines than these are counted only.
const MOST_LINES: usize = 4;
/// A value that is longer isn't told.
const LONGEST_VALUE: usize = 40;

/// What a step did, in one line: `Price of WHB-1: 12.00 → 12.80`. `was` and `is` are the rows before and after it.
#[must_use]
pub fn told(was: &Rows, is: &Rows, events: &[Event], currency: Currency) -> String {
    let teller = Teller { was, is, currency };
    let mut lines = teller.products_that_came_or_went(events);
    let whole: BTreeSet<ProductId> = events
        .iter()
        .filter(|event| !matches!(event.change, Change::Set(_)))
        .filter_map(|event| if let RowId::Product(id) = event.row { Some(id) } else { None })
        .collect();
    let others: Vec<&Event> = events
        .iter()
        .filter(|event| teller.product_of(event.row).is_none_or(|id| !whole.contains(&id)))
        // A product that comes or goes does so in its sets, too.
        .filter(|event| whole.is_empty() || !matches!(event.row, RowId::Siblings(_)))
        .collect();
    lines.extend(teller.rows_that_came_or_went(&others));
    lines.extend(teller.fields_that_were_set(&others));
    let more = lines.len().saturating_sub(MOST_LINES);
    lines.truncate(MOST_LINES);
    if more > 0 {
        lines.push(format!("{more} more"));
    }
    let line = lines.join("; ");
    let mut letters = line.chars();
    letters.next().map_or(String::new(), |first| first.to_uppercase().chain(letters).collect())
}

/// A field of a row that was set.
type Set<'a> = (RowId, &'a str, &'a Turn);

struct Teller<'a> {
    was: &'a Rows,
    is: &'a Rows,
    currency: Currency,
}

impl Teller<'_> {
    fn row(&self, id: RowId) -> Option<&Row> {
        self.is.get(&id).or(self.was.get(&id))
    }

    /// The name by which an owner knows a row; empty where it has none.
    fn name(&self, id: RowId) -> String {
        match self.row(id) {
            Some(Row::Product(row)) => row.name.clone(),
            Some(Row::Option(row)) => row.name.clone(),
            Some(Row::Value(row)) => row.name.clone(),
            Some(Row::File(row)) => row.name.clone(),
            Some(Row::Siblings(row)) => format!("“{}”", row.name),
            Some(Row::Variant(row)) => row.sku.clone(),
            Some(Row::Picture(row)) if !row.file.file_name.is_empty() => row.file.file_name.clone(),
            Some(Row::Picture(row)) => row.alt.clone(),
            _ => String::new(),
        }
    }

    fn product_of(&self, id: RowId) -> Option<ProductId> {
        match (id, self.row(id)) {
            (RowId::Product(id) | RowId::Own(id, _), _) => Some(id),
            (_, Some(Row::Variant(row))) => Some(row.product),
            (_, Some(Row::Picture(row))) => row.product,
            _ => None,
        }
    }

    fn products_that_came_or_went(&self, events: &[Event]) -> Vec<String> {
        let line = |event: &Event| {
            let RowId::Product(_) = event.row else { return None };
            let name = self.name(event.row);
            match event.change {
                Change::Came(_) => Some(format!("“{name}” made")),
                Change::Went(_) => Some(format!("“{name}” removed")),
                Change::Set(_) => None,
            }
        };
        events.iter().filter_map(line).collect()
    }

    /// `3 variants made`, `picture whimbrel-2.jpg removed`.
    fn rows_that_came_or_went(&self, events: &[&Event]) -> Vec<String> {
        let mut groups: BTreeMap<(&str, &str, &str), Vec<RowId>> = BTreeMap::new();
        for event in events {
            let end = match (&event.change, event.row) {
                (Change::Set(_), _) => continue,
                (Change::Came(_), RowId::Picture(_) | RowId::File(_)) => "put in",
                (Change::Came(_), RowId::Own(..)) => "given",
                (Change::Came(_), _) => "made",
                (Change::Went(_), _) => "removed",
            };
            let (one, many) = nouns(event.row);
            groups.entry((one, many, end)).or_default().push(event.row);
        }
        let line = |((one, many, end), rows): ((&str, &str, &str), Vec<RowId>)| match rows.as_slice() {
            [row] => format!("{} {end}", [one, &self.name(*row)].join(" ").trim()),
            rows => format!("{} {many} {end}", rows.len()),
        };
        groups.into_iter().map(line).collect()
    }

    /// `stock of W-E: 5 → 8`, `price of 40 variants: 12.00`, `name: …`.
    fn fields_that_were_set(&self, events: &[&Event]) -> Vec<String> {
        let mut groups: Vec<((&str, &str), Vec<Set<'_>>)> = Vec::new();
        for event in events {
            let Change::Set(set) = &event.change else { continue };
            for (field, turn) in set {
                let Some(word) = word(event.row, field) else { continue };
                let key = (nouns(event.row).1, word);
                let one = (event.row, field.as_str(), turn);
                match groups.iter_mut().find(|(other, _)| *other == key) {
                    Some((_, all)) => all.push(one),
                    None => groups.push((key, vec![one])),
                }
            }
        }
        groups.into_iter().map(|((many, word), all)| self.set_line(many, word, &all)).collect()
    }

    fn set_line(&self, many: &str, word: &str, all: &[Set<'_>]) -> String {
        let [(row, field, turn)] = all else {
            if word == "place" {
                return format!("{many} put in another order");
            }
            let first = all.first().map(|(_, field, turn)| self.value(field, &turn.is));
            let alike =
                all.iter().all(|(_, _, turn)| Some(&turn.is) == all.first().map(|(.., first)| &first.is));
            let value = first.flatten().filter(|_| alike).map(|value| format!(": {value}"));
            return format!("{word} of {} {many}{}", all.len(), value.unwrap_or_default());
        };
        // The history of one product needn't say whose name it was.
        let of =
            if matches!(row, RowId::Product(_) | RowId::Palette) { String::new() } else { self.name(*row) };
        let of = if of.is_empty() { of } else { format!(" of {of}") };
        match (self.value(field, &turn.was), self.value(field, &turn.is)) {
            (Some(was), Some(is)) => format!("{word}{of}: {was} → {is}"),
            _ => format!("{word}{of}"),
        }
    }

    /// A value as it is told, where it is short enough to be.
    fn value(&self, field: &str, value: &Value) -> Option<String> {
        if field.ends_with("_minor") {
            let none = || Some("none".to_owned());
            return value.as_i64().map_or_else(none, |minor| Some(Money::new(minor, self.currency).plain()));
        }
        let text = match (field, value) {
            ("stock", Value::Null) => "not counted".to_owned(),
            ("picture" | "swatch" | "closer" | "position" | "kind" | "product", _) => return None,
            (_, Value::Null) => "none".to_owned(),
            ("state", Value::String(text)) => text.replace('_', " "),
            (_, Value::String(text)) if text.is_empty() => "nothing".to_owned(),
            (_, Value::String(text)) => text.clone(),
            (_, Value::Number(number)) => number.to_string(),
            _ => return None,
        };
        (text.chars().count() <= LONGEST_VALUE).then_some(text)
    }
}
