//! On which screens a piece is meant to be seen by who looks at one product, and whose word that is.

use super::levels;
use crate::ids::{Handle, PieceId};
use crate::page::piece::shared::SHOWN;
use crate::page::{Device, Layout, Target};
use crate::style::{Chain, Level};
use serde::Serialize;

/// A piece on a screen.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OnScreen {
    /// The piece.
    pub piece: PieceId,
    /// The screen.
    pub device: Device,
    /// Whether it is meant to be seen there.
    pub shown: bool,
    /// Who says so, the innermost.
    pub level: Level,
}

/// Every piece on each screen for which something else is said than that it is shown, in the order of the page; on all
/// others it is shown. What is said of a type or a product counts where it bears on this one.
#[must_use]
pub fn visibility(template: &Layout, product: (&Handle, &Handle)) -> Vec<OnScreen> {
    let mut found = Vec::new();
    for piece in template.pieces() {
        let all = levels(template, &Target::Piece(piece.id.clone()), product, Level::Product);
        let chain =
            all.into_iter().fold(Chain::default(), |chain, (level, values)| chain.then(level, values));
        for device in Device::ALL {
            let (shown, level) = (chain.flag(&SHOWN, device), chain.explain(&SHOWN, device).source.level);
            if !shown || level > Level::Template {
                found.push(OnScreen { piece: piece.id.clone(), device, shown, level });
            }
        }
    }
    found
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::page::{Band, Column, Departure, Kind, Piece, SetValue, Values, Whom};

    fn shown(device: Device, is: bool) -> Values {
        Values::default().with(device, &SHOWN, SetValue::Flag(is))
    }

    fn piece(id: &str, values: Values) -> Piece {
        Piece { id: PieceId::try_from(id).unwrap(), kind: Kind::Title, values }
    }

    #[test]
    fn the_innermost_word_counts_on_its_screen_and_on_narrower_ones() {
        let kite = Handle::try_from("kite").unwrap();
        let [whimbrel, dunlin] = ["whimbrel", "dunlin"].map(|handle| Handle::try_from(handle).unwrap());
        let pieces = vec![
            piece("plain", Values::default()),
            piece("not-on-phones", shown(Device::Phone, false)),
            piece("nowhere", shown(Device::Wide, false)),
        ];
        let column = Column { id: "c".try_into().unwrap(), width: 12, pieces };
        let band = Band {
            id: "b".try_into().unwrap(),
            kept: None,
            values: Values::default(),
            columns: vec![column],
        };
        let departs = |whom: Whom, piece: &str, values: Values| Departure {
            whom,
            target: Target::Piece(PieceId::try_from(piece).unwrap()),
            values,
            kind: Some(Kind::Title),
        };
        let template = Layout {
            bands: vec![band],
            departures: vec![
                departs(Whom::Type(kite.clone()), "plain", shown(Device::Tablet, false)),
                departs(Whom::Product(whimbrel.clone()), "not-on-phones", shown(Device::Wide, true)),
            ],
            ..Layout::default()
        };
        let told = |product: &Handle| -> Vec<(String, Device, bool, Level)> {
            let all = visibility(&template, (&kite, product)).into_iter();
            all.map(|one| (one.piece.to_string(), one.device, one.shown, one.level)).collect()
        };
        use Device::{Phone, Tablet, Wide};
        let of_type = |device| ("plain".to_owned(), device, false, Level::Type);
        let nowhere = |device| ("nowhere".to_owned(), device, false, Level::Template);
        let everywhere = |device| ("not-on-phones".to_owned(), device, true, Level::Product);
        let ends = [nowhere(Wide), nowhere(Tablet), nowhere(Phone)];
        assert_eq!(told(&whimbrel)[..2], [of_type(Tablet), of_type(Phone)]);
        assert_eq!(told(&whimbrel)[2..5], [everywhere(Wide), everywhere(Tablet), everywhere(Phone)]);
        assert_eq!(told(&whimbrel)[5..], ends);
        let hidden = ("not-on-phones".to_owned(), Phone, false, Level::Template);
        assert_eq!(told(&dunlin)[2..], [[hidden].as_slice(), ends.as_slice()].concat());
    }
}
