//! What goes along with an edit, so that it does what whoever makes it wants to see.

use super::Op;
use crate::page::piece::band::{BEHIND, Behind, FILM, PICTURE};
use crate::page::{Device, Layout, SetValue, Target};
use crate::setting::Choice;

/// An edit with what goes along with it: what is put behind a band is shown behind it, where nothing was yet.
#[must_use]
pub fn along(layout: &Layout, op: Op) -> Op {
    let Some((target, what)) = put_behind(layout, &op) else { return op };
    let value = SetValue::Text(what.name().to_owned());
    let setting = BEHIND.key.to_owned();
    let shown = Op::Set { target, setting, device: Device::Wide, value: Some(value) };
    Op::Many { ops: vec![op, shown] }
}

fn put_behind(layout: &Layout, op: &Op) -> Option<(Target, Behind)> {
    let Op::Set { target: target @ Target::Band(_), setting, value: Some(value), .. } = op else {
        return None;
    };
    let what = match value {
        SetValue::Lines(pictures) if *setting == PICTURE.key && !pictures.is_empty() => Behind::Picture,
        SetValue::Text(film) if *setting == FILM.key && !film.is_empty() => Behind::Film,
        _ => return None,
    };
    let (values, _) = layout.values_of(target)?;
    let shows = |device| match values.of(device).get(BEHIND.key) {
        Some(SetValue::Text(name)) => name != Behind::Nothing.name(),
        _ => false,
    };
    (!Device::ALL.into_iter().any(shows)).then(|| (target.clone(), what))
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::page::apply;
    use serde_json::{Value, json};

    fn layout(values: Value) -> Layout {
        let band =
            json!({ "id": "b", "values": values, "columns": [{ "id": "c", "width": 12, "pieces": [] }] });
        serde_json::from_value(json!({ "format": 1, "bands": [band] })).unwrap()
    }

    fn set(setting: &str, value: Value) -> Op {
        let op = json!({ "op": "set", "target": { "band": "b" }, "setting": setting, "device": "wide", "value": value });
        serde_json::from_value(op).unwrap()
    }

    /// What the band has set on each screen after an edit.
    fn after(before: Value, op: Op) -> Value {
        let mut layout = layout(before);
        let op = along(&layout, op);
        apply(&mut layout, op).unwrap();
        serde_json::to_value(&layout.bands[0].values).unwrap()
    }

    #[test]
    fn what_is_put_behind_a_band_is_shown_where_nothing_was() {
        let both = json!({ "wide": { "picture": ["dunes"], "behind": "picture" } });
        assert_eq!(after(json!({}), set("picture", json!(["dunes"]))), both);
        assert_eq!(after(json!({ "wide": { "behind": "nothing" } }), set("picture", json!(["dunes"]))), both);
        let film = after(json!({}), set("film", json!("turning")));
        assert_eq!(film, json!({ "wide": { "film": "turning", "behind": "film" } }));
    }

    #[test]
    fn what_was_chosen_before_and_what_is_taken_away_stay_as_they_are() {
        let film = json!({ "wide": { "film": "turning", "behind": "film" } });
        let more = after(film.clone(), set("picture", json!(["dunes"])));
        assert_eq!(more["wide"]["behind"], "film");
        let on_phones = after(json!({ "phone": { "behind": "film" } }), set("picture", json!(["dunes"])));
        assert_eq!(on_phones["wide"].get("behind"), None, "phones show something already");
        assert_eq!(after(json!({}), set("picture", json!([]))), json!({ "wide": { "picture": [] } }));
        assert_eq!(after(film, set("film", Value::Null))["wide"].get("film"), None);
    }

    #[test]
    fn both_are_taken_back_together() {
        let mut changed = layout(json!({}));
        let before = changed.clone();
        let op = along(&changed, set("picture", json!(["dunes"])));
        let back = apply(&mut changed, op).unwrap();
        apply(&mut changed, back).unwrap();
        assert_eq!(changed, before);
    }
}
