//! An operation in a few plain words, for the history.

use super::Op;
use crate::ids::{BandId, PieceId};
use crate::page::{Device, Layout, Target, Whom, piece};

/// What an operation did. Things are named as they are in `layout`, where they are still there.
#[must_use]
pub fn say(op: &Op, layout: &Layout) -> String {
    let name = |id: &PieceId| layout.piece(id).map_or("a piece", |p| p.kind.label());
    match op {
        Op::AddPiece { piece, .. } => format!("{} added", piece.kind.label()),
        Op::RemovePiece { .. } => "A piece removed".into(),
        Op::MovePiece { piece, .. } => format!("{} moved", capital(name(piece))),
        Op::MovePieces { pieces, .. } => match pieces.as_slice() {
            [] => "Nothing changed".into(),
            [only] => format!("{} moved", capital(name(only))),
            [first, rest @ ..] => format!("{} and {} more moved", capital(name(first)), rest.len()),
        },
        Op::CopyPiece { copy, .. } => format!("{} copied", capital(name(copy))),
        Op::AddBand { band, .. } => format!("{} added", band_words(band.columns.len())),
        Op::RemoveBand { .. } => "A band removed".into(),
        Op::MoveBand { .. } => "A band moved".into(),
        Op::SetColumns { columns, .. } => format!("A band given {}", columns_words(columns.len())),
        Op::ReplaceBand { .. } => "A band put back".into(),
        Op::Set { target, setting, device, value } => {
            set_words(layout, target, setting, *device, value.is_some())
        }
        Op::Depart { whom, target, setting, device, value, .. } => {
            let set = set_words(layout, target, setting, *device, value.is_some());
            match whom {
                Whom::Type(kind) => format!("{set} for the type {kind}"),
                Whom::Product(product) => format!("{set} for {product}"),
            }
        }
        Op::SetFrame { .. } => "Frame of the page changed".into(),
        Op::Rename { .. } => "Parts given other names".into(),
        Op::Many { ops } => match ops.as_slice() {
            [] => "Nothing changed".into(),
            [only] => say(only, layout),
            [first, rest @ ..] => format!("{}, and {} more", say(first, layout), rest.len()),
        },
        Op::Lay { .. } => format!("Whole {} laid anew", layout.purpose.label()),
    }
}

fn set_words(layout: &Layout, target: &Target, key: &str, device: Device, is_set: bool) -> String {
    let label = |settings: &[&crate::page::Setting]| {
        settings.iter().find(|s| s.key == key).map_or_else(|| key.to_owned(), |s| s.name().to_lowercase())
    };
    let what = match target {
        Target::Piece(id) => layout.piece(id).map_or_else(
            || format!("A piece: {key}"),
            |p| format!("{}: {}", p.kind.label(), label(p.kind.settings())),
        ),
        Target::Band(id) => format!("{}: {}", band_name(layout, id), label(piece::band::SETTINGS)),
    };
    let screen = match device {
        Device::Wide => "",
        Device::Tablet => " on tablets",
        Device::Phone => " on phones",
    };
    format!("{what}{screen} {}", if is_set { "set" } else { "rejoined" })
}

fn band_name(layout: &Layout, id: &BandId) -> &'static str {
    if layout.band(id).is_some() { "Band" } else { "A band" }
}

fn band_words(columns: usize) -> String {
    format!("Band of {}", columns_words(columns))
}

fn columns_words(columns: usize) -> String {
    if columns == 1 { "one column".into() } else { format!("{columns} columns") }
}

fn capital(text: &str) -> String {
    let mut chars = text.chars();
    chars.next().map_or_else(String::new, |first| first.to_uppercase().chain(chars).collect())
}

#[cfg(test)]
mod tests {
    use super::super::samples::{id, layout, piece};
    use super::*;
    use crate::page::{Kind, SetValue};

    #[test]
    fn steps_are_told_as_an_owner_would() {
        let words = |device, value: Option<&str>| {
            let value = value.map(|text| SetValue::Text(text.into()));
            Op::Set { target: Target::Piece(id("buy")), setting: "words".into(), device, value }
        };
        let page = layout();
        assert_eq!(say(&words(Device::Wide, Some("x")), &page), "Buy button: words set");
        assert_eq!(say(&words(Device::Phone, None), &page), "Buy button: words on phones rejoined");
        let many = Op::Many { ops: vec![Op::RemovePiece { piece: id("title") }, words(Device::Wide, None)] };
        assert_eq!(say(&many, &page), "A piece removed, and 1 more");
        let at = page.place_of(&id("price")).unwrap();
        assert_eq!(
            say(&Op::AddPiece { piece: piece("q", Kind::Quotes), at: at.clone() }, &page),
            "Quotes added"
        );
        assert_eq!(say(&Op::MovePiece { piece: id("ghost"), to: at }, &page), "A piece moved");
        let band_words = |name: &str| Op::Set {
            target: Target::Band(BandId::try_from(name).unwrap()),
            setting: "ground".into(),
            device: Device::Tablet,
            value: Some(SetValue::Text("x".into())),
        };
        assert_eq!(say(&band_words("main"), &page), "Band: ground on tablets set");
        assert_eq!(say(&band_words("gone"), &page), "A band: ground on tablets set");
        let bands = [page.bands[0].clone(), page.bands[1].clone()];
        let added = bands.map(|band| say(&Op::AddBand { band, index: 0 }, &page));
        assert_eq!(added, ["Band of one column added", "Band of 2 columns added"]);
    }
}
