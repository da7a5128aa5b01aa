//! What comes from a browser is made clean before it is kept: formatted text may hold only what it may hold.

use compagina_core::page::{Band, Device, Kind, Layout, Op, SetValue, Shape, Values};
use compagina_press::rich;

/// The same operation with all its formatted texts made safe.
pub fn tidy(op: Op) -> Op {
    match op {
        Op::Set { target, setting, device, value } if is_rich(&setting) => {
            Op::Set { target, setting, device, value: value.map(clean) }
        }
        Op::Depart { whom, target, setting, device, value, kind } if is_rich(&setting) => {
            Op::Depart { whom, target, setting, device, value: value.map(clean), kind }
        }
        Op::AddPiece { mut piece, at } => {
            tidy_values(&mut piece.values);
            Op::AddPiece { piece, at }
        }
        Op::AddBand { mut band, index } => {
            tidy_band(&mut band);
            Op::AddBand { band, index }
        }
        Op::ReplaceBand { mut band } => {
            tidy_band(&mut band);
            Op::ReplaceBand { band }
        }
        Op::Lay { mut layout } => {
            tidy_layout(&mut layout);
            Op::Lay { layout }
        }
        Op::Many { ops } => Op::Many { ops: ops.into_iter().map(tidy).collect() },
        other => other,
    }
}

/// Makes all formatted texts of a page safe.
pub fn tidy_layout(layout: &mut Layout) {
    layout.bands.iter_mut().for_each(tidy_band);
    layout.departures.iter_mut().for_each(|one| tidy_values(&mut one.values));
}

/// A band that comes from a browser is linked to nothing: links are made by the server alone.
fn tidy_band(band: &mut Band) {
    band.kept = None;
    band.columns.iter_mut().flat_map(|c| &mut c.pieces).for_each(|p| tidy_values(&mut p.values));
}

fn is_rich(key: &str) -> bool {
    let settings = Kind::ALL.into_iter().flat_map(Kind::settings);
    settings.into_iter().any(|s| s.key == key && matches!(s.shape, Shape::Rich { .. }))
}

fn clean(value: SetValue) -> SetValue {
    match value {
        SetValue::Text(html) => SetValue::Text(rich::clean(&html)),
        other => other,
    }
}

fn tidy_values(values: &mut Values) {
    for device in Device::ALL {
        for (key, value) in values.of_mut(device) {
            if is_rich(key) {
                *value = clean(value.clone());
            }
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn script_is_gone_whichever_way_it_comes() {
        let piece = serde_json::json!({ "id": "t", "kind": "text", "values": { "wide": { "body": "<p onclick=x>a</p><script>b</script>" } } });
        let column = serde_json::json!({ "id": "c", "width": 12, "pieces": [piece] });
        let band = serde_json::json!({ "id": "b", "values": {}, "columns": [column] });
        let add =
            serde_json::json!({ "op": "add_piece", "piece": piece, "at": { "column": "c", "index": 0 } });
        for op in [
            add.clone(),
            serde_json::json!({ "op": "set", "target": { "piece": "t" }, "setting": "body", "device": "wide", "value": "<img src=x onerror=y>a" }),
            serde_json::json!({ "op": "add_band", "band": band, "index": 0 }),
            serde_json::json!({ "op": "replace_band", "band": band }),
            serde_json::json!({ "op": "depart", "whom": { "type": "kites" }, "target": { "piece": "t" }, "setting": "body", "device": "wide", "value": "<img src=x onerror=y>a" }),
            serde_json::json!({ "op": "lay", "layout": { "format": 1, "bands": [band], "departures": [
                { "whom": { "product": "dunlin" }, "target": { "piece": "t" }, "kind": "text", "values": { "wide": { "body": "<script>b</script>" } } }] } }),
            serde_json::json!({ "op": "many", "ops": [add] }),
        ] {
            let tidied = serde_json::to_string(&tidy(serde_json::from_value(op).unwrap())).unwrap();
            assert!(!["onclick", "script", "onerror"].iter().any(|bad| tidied.contains(bad)), "{tidied}");
        }
    }

    #[test]
    fn a_band_that_is_pasted_is_linked_to_nothing() {
        let band = serde_json::json!({ "id": "b", "kept": 1, "values": {}, "columns": [] });
        let op = serde_json::json!({ "op": "add_band", "band": band, "index": 0 });
        let tidied = serde_json::to_string(&tidy(serde_json::from_value(op).unwrap())).unwrap();
        assert!(!tidied.contains("kept"), "{tidied}");
    }

    #[test]
    fn plain_words_stay_as_they_were_typed() {
        let op = serde_json::json!({ "op": "set", "target": { "piece": "t" }, "setting": "words", "device": "wide", "value": "a < b & <c>" });
        let op: Op = serde_json::from_value(op).unwrap();
        assert_eq!(tidy(op.clone()), op);
    }
}
