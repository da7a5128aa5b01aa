//! How wide the column is in which a piece stands, as a browser works it out.

use super::Chain;
use crate::house::{House, token};
use crate::ids::PieceId;
use crate::media::{Room, Rooms};
use crate::page::piece::band::{GAP, REACH, Reach};
use crate::page::{Band, Device, Layout};

/// Pixels left free at both sides of a page, together.
const EDGES: u32 = 48;
const EDGES_ON_PHONES: u32 = 32;

/// The room of a piece's column on every screen; the whole content for a piece that isn't on the page.
#[must_use]
pub fn rooms_of(layout: &Layout, piece: &PieceId, house: &House) -> Rooms {
    let page = u32::try_from(house.number(&token::PAGE_WIDTH)).ok();
    let found = layout.bands.iter().find_map(|band| {
        let at = band.columns.iter().position(|c| c.pieces.iter().any(|p| p.id == *piece))?;
        Some((band, at))
    });
    let room = |device| match found {
        Some((band, at)) => column(band, at, device, page, house),
        None => content(device, page),
    };
    Rooms { wide: room(Device::Wide), tablet: room(Device::Tablet), phone: room(Device::Phone) }
}

fn content(device: Device, page: Option<u32>) -> Room {
    if device == Device::Phone { Room::content(EDGES_ON_PHONES, page) } else { Room::content(EDGES, page) }
}

/// On phones columns stand one below another.
fn column(band: &Band, at: usize, device: Device, page: Option<u32>, house: &House) -> Room {
    let chain = Chain::of_template(&band.values);
    let to_the_edge = chain.choice(&REACH, device) == Some(Reach::Edge);
    let whole = if to_the_edge { Room::content(0, None) } else { content(device, page) };
    let weights: Vec<u32> = band.columns.iter().map(|column| column.width.into()).collect();
    if device == Device::Phone || weights.len() < 2 {
        return whole;
    }
    let gaps = house.space(chain.number(&GAP, device)) * i64::try_from(weights.len() - 1).unwrap_or(0);
    whole.less(gaps).part(weights[at], weights.iter().sum())
}

#[cfg(test)]
mod tests {
    use super::*;
    use serde_json::json;

    fn layout(reach: &str) -> Layout {
        let column = |id: &str, width: u8, pieces: serde_json::Value| json!({ "id": id, "width": width, "pieces": pieces });
        let piece = |id: &str| json!([{ "id": id, "kind": "gallery", "values": {} }]);
        serde_json::from_value(json!({ "format": 1, "bands": [
            { "id": "b1", "values": { "wide": { "reach": reach } },
              "columns": [column("c1", 7, piece("p1")), column("c2", 5, piece("p2"))] },
        ] }))
        .unwrap()
    }

    fn widths(layout: &Layout, piece: &str) -> [u32; 3] {
        let rooms = rooms_of(layout, &PieceId::try_from(piece).unwrap(), &House::default());
        [rooms.wide.on(1280), rooms.tablet.on(820), rooms.phone.on(390)]
    }

    #[test]
    fn columns_share_what_the_gap_leaves_and_phones_give_all_of_it() {
        let gap = u32::try_from(House::default().space(6)).unwrap();
        let share = |content: u32, parts: u32| ((content - gap) * parts).div_ceil(12);
        assert_eq!(widths(&layout("page"), "p1"), [share(1200, 7), share(772, 7), 358]);
        assert_eq!(widths(&layout("page"), "p2"), [share(1200, 5), share(772, 5), 358]);
        assert_eq!(widths(&layout("page"), "elsewhere"), [1200, 772, 358]);
    }

    #[test]
    fn a_band_to_the_edges_gives_the_whole_screen() {
        let gap = u32::try_from(House::default().space(6)).unwrap();
        assert_eq!(
            widths(&layout("edge"), "p1"),
            [((1280 - gap) * 7).div_ceil(12), ((820 - gap) * 7).div_ceil(12), 390]
        );
    }
}
