//! What became otherwise between two states of the catalogue, and how it is applied and turned round.

use super::row::{Fields, Row, RowId, Rows};
use super::words::word;
use serde::de::DeserializeOwned;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use std::collections::{BTreeMap, BTreeSet};

/// A field's value before and after.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Turn {
    /// What it was.
    pub was: Value,
    /// What it became.
    pub is: Value,
}

/// What became of a row.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Change {
    /// It wasn't there before.
    Came(Fields),
    /// It isn't there any more.
    Went(Fields),
    /// Some of its fields are others.
    Set(BTreeMap<String, Turn>),
}

/// One thing that became otherwise.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Event {
    /// The row.
    pub row: RowId,
    /// What happened.
    pub change: Change,
}

/// A field of a row, or a whole row.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord)]
pub struct Place {
    /// The row.
    pub row: RowId,
    /// None for the whole row.
    pub field: Option<String>,
}

/// Why events can't be applied to rows as they are.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum Clash {
    /// A field is neither what it was before nor to be changed.
    #[error("the {} was changed since", word(*.row, .field).unwrap_or(.field))]
    Changed {
        /// The row.
        row: RowId,
        /// The field.
        field: String,
    },
    /// What it changed is gone by now.
    #[error("what it changed is gone by now")]
    Gone {
        /// The row.
        row: RowId,
    },
    /// What it took away is there again.
    #[error("what it took away is there again")]
    There {
        /// The row.
        row: RowId,
    },
    /// What was kept of it can't be read any more.
    #[error("what was kept of it can't be read any more")]
    Unreadable {
        /// The row.
        row: RowId,
    },
}

/// Tells what became otherwise, row by row in the order in which rows can come.
#[must_use]
pub fn difference(was: &Rows, is: &Rows) -> Vec<Event> {
    let ids: BTreeSet<RowId> = was.keys().chain(is.keys()).copied().collect();
    ids.into_iter()
        .filter_map(|row| Some(Event { row, change: change(was.get(&row), is.get(&row))? }))
        .collect()
}

fn change(was: Option<&Row>, is: Option<&Row>) -> Option<Change> {
    match (was, is) {
        (None, None) => None,
        (None, Some(is)) => Some(Change::Came(is.fields())),
        (Some(was), None) => Some(Change::Went(was.fields())),
        (Some(was), Some(is)) => {
            let (mut was, is) = (was.fields(), is.fields());
            let turn = |(name, is): (String, Value)| {
                let was = was.remove(&name).unwrap_or_default();
                (!same(&name, &was, &is)).then_some((name, Turn { was, is }))
            };
            let set: BTreeMap<String, Turn> = is.into_iter().filter_map(turn).collect();
            (!set.is_empty()).then_some(Change::Set(set))
        }
    }
}

/// Whether two values of a field are the same: of a picture's file only the file itself counts.
fn same(name: &str, a: &Value, b: &Value) -> bool {
    match name {
        "file" => a["original"] == b["original"] && a["file_name"] == b["file_name"],
        _ => a == b,
    }
}

/// The events that lead back, in the order in which they have to be applied.
#[must_use]
pub fn inverse(events: &[Event]) -> Vec<Event> {
    let turned = events.iter().rev().map(|event| {
        let change = match &event.change {
            Change::Came(fields) => Change::Went(fields.clone()),
            Change::Went(fields) => Change::Came(fields.clone()),
            Change::Set(set) => {
                Change::Set(set.iter().map(|(name, turn)| (name.clone(), turn.turned())).collect())
            }
        };
        Event { row: event.row, change }
    });
    turned.collect()
}

impl Turn {
    fn turned(&self) -> Self {
        Self { was: self.is.clone(), is: self.was.clone() }
    }
}

/// Applies events to rows; where one can't be applied, the rows are as they were.
///
/// A counted stock is moved by the difference, since shoppers buy in between.
///
/// # Errors
/// A [`Clash`] where a field isn't what it was after the events that these turn round, or a row isn't there, or is there.
pub fn apply(rows: &mut Rows, events: &[Event]) -> Result<(), Clash> {
    let mut next = rows.clone();
    for event in events {
        apply_one(&mut next, event)?;
    }
    *rows = next;
    Ok(())
}

fn apply_one(rows: &mut Rows, event: &Event) -> Result<(), Clash> {
    let row = event.row;
    let put = |rows: &mut Rows, fields: Fields| {
        let read = Row::read(row, fields).ok_or(Clash::Unreadable { row })?;
        rows.insert(row, read);
        Ok(())
    };
    match &event.change {
        Change::Came(_) if rows.contains_key(&row) => Err(Clash::There { row }),
        Change::Came(fields) => put(rows, fields.clone()),
        Change::Went(known) => {
            let now = rows.get(&row).ok_or(Clash::Gone { row })?.fields();
            // What was sold meanwhile keeps nothing from going.
            let other = |(name, value): (&String, &Value)| name != "stock" && !same(name, value, &now[name]);
            if let Some((field, _)) = known.iter().find(|(name, value)| other((name, value))) {
                return Err(Clash::Changed { row, field: field.clone() });
            }
            rows.remove(&row);
            Ok(())
        }
        Change::Set(set) => {
            let mut fields = rows.get(&row).ok_or(Clash::Gone { row })?.fields();
            for (name, turn) in set {
                let now = fields.get(name).cloned().unwrap_or_default();
                let next = turned_from(name, &now, turn);
                let next = next.ok_or_else(|| Clash::Changed { row, field: name.clone() })?;
                fields.insert(name.clone(), next);
            }
            put(rows, fields)
        }
    }
}

/// What a field becomes; none where it is neither what it was nor a stock that can be moved.
fn turned_from(name: &str, now: &Value, turn: &Turn) -> Option<Value> {
    if same(name, now, &turn.was) {
        return Some(turn.is.clone());
    }
    if name != "stock" {
        return None;
    }
    let (now, was, is) = (now.as_i64()?, turn.was.as_i64()?, turn.is.as_i64()?);
    u32::try_from(now + is - was).ok().map(Value::from)
}

/// The places that events touch.
#[must_use]
pub fn places(events: &[Event]) -> BTreeSet<Place> {
    let of = |event: &Event| -> Vec<Place> {
        match &event.change {
            Change::Set(set) => {
                set.keys().map(|name| Place { row: event.row, field: Some(name.clone()) }).collect()
            }
            _ => vec![Place { row: event.row, field: None }],
        }
    };
    events.iter().flat_map(of).collect()
}

impl Place {
    /// Whether two places are the same, or one lies in the other.
    #[must_use]
    pub fn meets(&self, other: &Self) -> bool {
        self.row == other.row && (self.field.is_none() || other.field.is_none() || self.field == other.field)
    }
}

/// Puts together what two owners made of the same thing: `wanted` was made of `was`, which is `now` by now. Each field that
/// was changed is taken, the others stay as they are now.
///
/// # Errors
/// The name of a field that both changed, to different values.
pub fn merged<T: Serialize + DeserializeOwned>(was: &T, now: &T, wanted: &T) -> Result<T, String> {
    let fields = |of: &T| match serde_json::to_value(of) {
        Ok(Value::Object(fields)) => fields,
        _ => Fields::default(),
    };
    let (was, mut now) = (fields(was), fields(now));
    for (name, wanted) in fields(wanted) {
        let (before, current) = (was.get(&name), now.get(&name));
        if before == Some(&wanted) || current == Some(&wanted) {
            continue;
        }
        if before != current {
            return Err(name);
        }
        now.insert(name, wanted);
    }
    serde_json::from_value(Value::Object(now)).map_err(|_| "it".to_owned())
}
