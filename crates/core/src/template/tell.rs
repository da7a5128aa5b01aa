//! Differences of two layouts, as an owner would tell them.

use crate::ids::{BandId, PieceId};
use crate::page::piece::band::{GROUND, Ground, NAME};
use crate::page::{Band, Device, Difference, Layout, Target, Whom};
use crate::style::Chain;

/// As many settings of one piece are named.
const MOST_NAMED: usize = 3;

/// What an owner calls a band: its own name, or its columns.
#[must_use]
pub fn band_name(band: &Band) -> String {
    let chain = Chain::of_template(&band.values);
    let own = chain.text(&NAME, Device::Wide);
    if !own.is_empty() {
        return own;
    }
    let count = ["Whole width", "Whole width", "Two columns", "Three columns", "Four columns"];
    let count = count.get(band.columns.len()).unwrap_or(&"Many columns");
    let widths: Vec<String> = band.columns.iter().map(|column| column.width.to_string()).collect();
    let widths = if widths.len() > 1 { format!(", {}", widths.join(" + ")) } else { String::new() };
    let ground = match chain.choice(&GROUND, Device::Wide) {
        Some(Ground::Tinted) => ", tinted",
        Some(Ground::Ink) => ", dark",
        Some(Ground::Plain) | None => "",
    };
    format!("{count}{widths}{ground}")
}

/// A line of what differs: of what, which settings of it, and how.
struct Line {
    of: String,
    settings: Vec<String>,
    how: String,
}

/// Differences in sentences; several settings of one thing are one. What still stands is called as in `after`; `name`
/// gives what an owner calls a product or a type.
#[must_use]
pub fn tell(changes: &[Difference], after: &Layout, name: impl Fn(&Whom) -> String) -> Vec<String> {
    let piece = |id: &PieceId| after.piece(id).map_or("A piece", |piece| piece.kind.label()).to_owned();
    let band = |id: &BandId| {
        after.band(id).map_or("A band".to_owned(), |band| format!("Band “{}”", band_name(band)))
    };
    let of = |target: &Target| match target {
        Target::Piece(id) => piece(id),
        Target::Band(id) => band(id),
    };
    let mut lines: Vec<Line> = Vec::new();
    for change in changes {
        let (of, how, setting) = match change {
            Difference::PieceAdded { piece: id } => (piece(id), "added".into(), None),
            Difference::PieceRemoved { was, .. } => (was.label().to_owned(), "removed".into(), None),
            Difference::PieceMoved { piece: id } => (piece(id), "moved".into(), None),
            Difference::PieceSet { piece: id, setting } => (piece(id), "changed".into(), Some(setting)),
            Difference::BandAdded { band: id } => (band(id), "added or given other columns".into(), None),
            Difference::BandRemoved { .. } => {
                ("A band".to_owned(), "removed or given other columns".into(), None)
            }
            Difference::BandMoved { band: id } => (band(id), "moved".into(), None),
            Difference::BandSet { band: id, setting } => (band(id), "changed".into(), Some(setting)),
            Difference::Departed { whom, target, setting } => {
                (of(target), format!("kept by {}", name(whom)), Some(setting))
            }
            Difference::FrameSet => ("Another frame".to_owned(), "around the page".to_owned(), None),
        };
        match lines.iter_mut().find(|line| line.of == of && line.how == how) {
            Some(line) => line.settings.extend(setting.filter(|one| !line.settings.contains(one)).cloned()),
            None => lines.push(Line { of, settings: setting.cloned().into_iter().collect(), how }),
        }
    }
    lines.into_iter().map(sentence).collect()
}

fn sentence(Line { of, settings, how }: Line) -> String {
    let more = settings.len().saturating_sub(MOST_NAMED);
    let named = settings[..settings.len() - more].join(", ");
    match (settings.len(), more) {
        (0, _) => format!("{of} {how}"),
        (_, 0) => format!("{of}: {named} {how}"),
        (_, more) => format!("{of}: {named} and {more} more {how}"),
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::ids::{ColumnId, Handle};
    use crate::page::ColumnShape;
    use crate::page::op::samples::{id, layout, piece};
    use crate::page::{Kind, Op, Place, SetValue, apply, differences};

    fn set(target: Target, setting: &str, value: &str) -> Op {
        let value = Some(SetValue::Text(value.into()));
        Op::Set { target, setting: setting.into(), device: Device::Wide, value }
    }

    fn band(name: &str) -> BandId {
        BandId::try_from(name).unwrap()
    }

    fn told(ops: Vec<Op>) -> Vec<String> {
        let before = layout();
        let mut after = before.clone();
        apply(&mut after, Op::Many { ops }).unwrap();
        tell(&differences(&before, &after), &after, |whom| match whom {
            Whom::Type(_) => "Kites".into(),
            Whom::Product(handle) => handle.to_string(),
        })
    }

    #[test]
    fn what_comes_goes_and_moves_is_told_by_its_name() {
        let at = |column: &str, index| Place { column: ColumnId::try_from(column).unwrap(), index };
        let ops = vec![
            Op::AddPiece { piece: piece("words", Kind::Text), at: at("left", 1) },
            Op::RemovePiece { piece: id("buy") },
            Op::MovePiece { piece: id("price"), to: at("left", 0) },
            Op::MoveBand { band: band("top"), index: 1 },
        ];
        let all = told(ops);
        let expected = ["Band “Two columns, 7 + 5” moved", "Price moved", "Text added", "Buy button removed"];
        assert_eq!(all, expected);
    }

    #[test]
    fn settings_of_one_piece_are_one_line_and_no_more_than_three_are_named() {
        let price = || Target::Piece(id("price"));
        assert_eq!(told(vec![set(price(), "note", "a")]), ["Price: Note beside it changed"]);
        let depart = |setting: &str| Op::Depart {
            whom: Whom::Type(Handle::try_from("kites").unwrap()),
            target: price(),
            setting: setting.into(),
            device: Device::Wide,
            value: Some(SetValue::Text("x".into())),
            kind: None,
        };
        assert_eq!(
            told(vec![depart("note"), set(price(), "note", "a")]),
            ["Price: Note beside it changed", "Price: Note beside it kept by Kites"]
        );
        let setting = |setting: &str| Difference::PieceSet { piece: id("price"), setting: setting.into() };
        let five = ["One", "Two", "Three", "Four", "Five", "Two"].map(setting);
        assert_eq!(tell(&five, &layout(), |_| String::new()), ["Price: One, Two, Three and 2 more changed"]);
        let gone = Difference::PieceSet { piece: id("ghost"), setting: "Note".into() };
        assert_eq!(tell(&[gone], &layout(), |_| String::new()), ["A piece: Note changed"]);
    }

    #[test]
    fn a_band_is_called_by_its_own_name_or_by_its_columns() {
        let mut page = layout();
        let main = Target::Band(band("main"));
        assert_eq!(band_name(&page.bands[1]), "Two columns, 7 + 5");
        apply(&mut page, set(main.clone(), "ground", "ink")).unwrap();
        assert_eq!(band_name(&page.bands[1]), "Two columns, 7 + 5, dark");
        let shape = |name: &str| ColumnShape { id: ColumnId::try_from(name).unwrap(), width: 4 };
        let columns = ["left", "right", "third"].map(shape).into();
        apply(&mut page, Op::SetColumns { band: band("main"), columns }).unwrap();
        assert_eq!(band_name(&page.bands[1]), "Three columns, 4 + 4 + 4, dark");
        apply(&mut page, set(main, "name", "What it is")).unwrap();
        assert_eq!(band_name(&page.bands[1]), "What it is");
        assert_eq!(band_name(&page.bands[0]), "Whole width");
    }
}
