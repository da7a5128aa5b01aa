//! In which order the pieces of a band stand on a screen.

use super::Chain;
use crate::ids::PieceId;
use crate::page::piece::band::ORDER;
use crate::page::{Band, Device};

/// The pieces of a band in the order in which they stand on phones or tablets; none where they stand as they are listed.
///
/// What isn't named in the order, because it came later, stands behind the piece behind which it is listed.
#[must_use]
pub fn order_on(band: &Band, device: Device) -> Option<Vec<&PieceId>> {
    let listed: Vec<&PieceId> = band.pieces().map(|piece| &piece.id).collect();
    let named = match device {
        Device::Wide => return None,
        device => Chain::of_template(&band.values).lines_on(&ORDER, device),
    };
    let find = |name: &String| listed.iter().copied().find(|id| id.as_str() == name);
    let mut order: Vec<&PieceId> = named.iter().filter_map(find).collect();
    if order.is_empty() {
        return None;
    }
    for (at, id) in listed.iter().enumerate() {
        if order.contains(id) {
            continue;
        }
        let before = at.checked_sub(1).and_then(|at| listed.get(at));
        let place =
            before.and_then(|before| order.iter().position(|one| one == before)).map_or(0, |place| place + 1);
        order.insert(place, id);
    }
    (order != listed).then_some(order)
}

#[cfg(test)]
mod tests {
    use super::*;
    use serde_json::json;

    fn on(device: Device, values: serde_json::Value) -> Option<String> {
        let piece = |id: &str| json!({ "id": id, "kind": "space", "values": {} });
        let column =
            |id: &str, pieces: [&str; 2]| json!({ "id": id, "width": 6, "pieces": pieces.map(piece) });
        let band = json!({ "id": "b", "values": values, "columns": [column("c", ["a", "b"]), column("d", ["c", "d"])] });
        let band: Band = serde_json::from_value(band).unwrap();
        order_on(&band, device).map(|order| order.iter().map(|id| id.as_str()).collect())
    }
    fn some(order: &str) -> Option<String> {
        Some(order.to_owned())
    }

    #[test]
    fn phones_have_the_order_that_is_set_for_them_or_for_tablets() {
        let phone = json!({ "phone": { "order": ["c", "a", "d", "b"] } });
        assert_eq!(on(Device::Phone, phone.clone()), some("cadb"));
        assert_eq!(on(Device::Tablet, phone), None);
        let tablet = json!({ "tablet": { "order": ["b", "a", "c", "d"] } });
        assert_eq!(on(Device::Phone, tablet.clone()), some("bacd"));
        assert_eq!(on(Device::Tablet, tablet), some("bacd"));
        assert_eq!(on(Device::Wide, json!({ "wide": { "order": ["d", "c"] } })), None);
        assert_eq!(
            on(Device::Phone, json!({ "phone": { "order": ["a", "b", "c", "d"] } })),
            None,
            "as listed"
        );
        assert_eq!(on(Device::Phone, json!({})), None);
    }

    #[test]
    fn what_came_later_stands_behind_its_neighbour_and_what_went_is_passed_over() {
        let order = |names: &[&str]| on(Device::Phone, json!({ "phone": { "order": names } }));
        assert_eq!(order(&["d", "a", "c"]), some("dabc"), "b is listed behind a");
        assert_eq!(order(&["d", "gone", "c"]), some("abdc"), "what is listed first stands first");
        assert_eq!(order(&["gone"]), None);
    }
}
