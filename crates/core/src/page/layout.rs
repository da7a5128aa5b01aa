use super::{Departure, Device, Kind, Purpose, Rule, SetValue, Setting, piece};
use crate::ids::{BandId, ColumnId, KeptId, PieceId};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// The version of the document's format.
pub const FORMAT: u32 = 1;

/// What of the shop surrounds the page.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Frame {
    /// Head and foot of the shop.
    #[default]
    Whole,
    /// A slim head.
    Slim,
    /// Nothing around it.
    None,
}

/// Values by setting, apart for each screen. What isn't here is inherited.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Values {
    /// For wide screens.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub wide: BTreeMap<String, SetValue>,
    /// For tablets.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub tablet: BTreeMap<String, SetValue>,
    /// For phones.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub phone: BTreeMap<String, SetValue>,
}

impl Values {
    /// The values for a screen.
    #[must_use]
    pub fn of(&self, device: Device) -> &BTreeMap<String, SetValue> {
        match device {
            Device::Wide => &self.wide,
            Device::Tablet => &self.tablet,
            Device::Phone => &self.phone,
        }
    }
    /// The values for a screen, to be changed.
    pub fn of_mut(&mut self, device: Device) -> &mut BTreeMap<String, SetValue> {
        match device {
            Device::Wide => &mut self.wide,
            Device::Tablet => &mut self.tablet,
            Device::Phone => &mut self.phone,
        }
    }
    /// How many values are set here.
    #[must_use]
    pub fn len(&self) -> usize {
        self.wide.len() + self.tablet.len() + self.phone.len()
    }
    /// Whether nothing is set.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        self.len() == 0
    }
    /// The same with one more value; for writing layouts in code.
    #[must_use]
    pub fn with(mut self, device: Device, setting: &Setting, value: SetValue) -> Self {
        self.of_mut(device).insert(setting.key.to_owned(), value);
        self
    }
}

/// One thing on the page.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Piece {
    /// Its name on the page.
    pub id: PieceId,
    /// What it is.
    pub kind: Kind,
    /// What is set on it.
    #[serde(default)]
    pub values: Values,
}

/// A column of a band; its width counts twelfths of the band.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Column {
    /// Its name on the page.
    pub id: ColumnId,
    /// Twelfths of the band.
    pub width: u8,
    /// Its pieces, from the top.
    pub pieces: Vec<Piece>,
}

/// A strip across the page.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Band {
    /// Its name on the page.
    pub id: BandId,
    /// The kept band that it is linked to: it is the same wherever it is linked.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub kept: Option<KeptId>,
    /// What is set on it.
    #[serde(default)]
    pub values: Values,
    /// The columns, in their order.
    pub columns: Vec<Column>,
}

impl Band {
    /// Its pieces in the order in which a shopper meets them.
    pub fn pieces(&self) -> impl Iterator<Item = &Piece> {
        self.columns.iter().flat_map(|column| &column.pieces)
    }

    /// How its columns share the page: `seven and five of twelve`.
    #[must_use]
    pub fn columns_told(&self) -> String {
        const NUMBERS: [&str; 12] = [
            "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve",
        ];
        let word = |column: &Column| {
            let at = usize::from(column.width).checked_sub(1);
            at.and_then(|at| NUMBERS.get(at)).copied().unwrap_or("none")
        };
        let words: Vec<&str> = self.columns.iter().map(word).collect();
        match words.as_slice() {
            [] | [_] => "one, the whole width".into(),
            [first @ .., last] => format!("{} and {last} of twelve", first.join(", ")),
        }
    }
}

/// A page as a document.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Layout {
    /// The format in which it is written.
    pub format: u32,
    /// Whether it is a page or a card.
    #[serde(default, skip_serializing_if = "Purpose::is_page")]
    pub purpose: Purpose,
    /// The frame.
    #[serde(default)]
    pub frame: Frame,
    /// Its bands, from the top.
    pub bands: Vec<Band>,
    /// What single products and types keep different.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub departures: Vec<Departure>,
}

/// Where a piece stands or is to stand: before the piece that is at `index` in that column.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Place {
    /// The column.
    pub column: ColumnId,
    /// Before what stands there, from 0.
    pub index: usize,
}

/// What a setting is set on.
#[derive(Debug, Clone, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Target {
    /// A piece.
    Piece(PieceId),
    /// A band.
    Band(BandId),
}

impl Default for Layout {
    fn default() -> Self {
        Self {
            format: FORMAT,
            purpose: Purpose::Page,
            frame: Frame::Whole,
            bands: vec![],
            departures: vec![],
        }
    }
}

impl Layout {
    /// Every piece in the order in which a shopper meets it.
    pub fn pieces(&self) -> impl Iterator<Item = &Piece> {
        self.columns().flat_map(|c| c.pieces.iter())
    }
    /// All its columns, from the top.
    pub fn columns(&self) -> impl Iterator<Item = &Column> {
        self.bands.iter().flat_map(|b| b.columns.iter())
    }
    /// The piece of a name.
    #[must_use]
    pub fn piece(&self, id: &PieceId) -> Option<&Piece> {
        self.pieces().find(|p| p.id == *id)
    }
    /// The band of a name.
    #[must_use]
    pub fn band(&self, id: &BandId) -> Option<&Band> {
        self.bands.iter().find(|b| b.id == *id)
    }
    /// The first piece of a kind.
    #[must_use]
    pub fn first_of(&self, kind: Kind) -> Option<&Piece> {
        self.pieces().find(|p| p.kind == kind)
    }
    /// Where a piece stands.
    #[must_use]
    pub fn place_of(&self, id: &PieceId) -> Option<Place> {
        self.columns().find_map(|column| {
            let index = column.pieces.iter().position(|p| p.id == *id)?;
            Some(Place { column: column.id.clone(), index })
        })
    }
    /// Whether a band is among those with which a page opens: up to the first that holds more than a breadcrumb.
    #[must_use]
    pub fn opens_with(&self, id: &BandId) -> bool {
        let more = |band: &Band| band.pieces().any(|piece| piece.kind != Kind::Breadcrumb);
        let first = self.bands.iter().position(more).unwrap_or(0);
        self.bands.iter().take(first + 1).any(|band| band.id == *id)
    }
    /// The conditions of all bands and pieces.
    pub fn rules(&self) -> impl Iterator<Item = &Rule> {
        let values = self.bands.iter().map(|b| &b.values).chain(self.pieces().map(|p| &p.values));
        values.filter_map(|values| match values.wide.get(piece::shared::APPEARS.key) {
            Some(SetValue::Rule(rule)) => Some(rule),
            _ => None,
        })
    }
    pub(super) fn column_mut(&mut self, id: &ColumnId) -> Option<&mut Column> {
        self.bands.iter_mut().flat_map(|b| b.columns.iter_mut()).find(|c| c.id == *id)
    }
    /// The values of a piece or a band, with the settings that they may have.
    #[must_use]
    pub fn values_of(&self, target: &Target) -> Option<(&Values, &'static [&'static Setting])> {
        match target {
            Target::Piece(id) => self.piece(id).map(|p| (&p.values, p.kind.settings())),
            Target::Band(id) => self.band(id).map(|b| (&b.values, piece::band::SETTINGS)),
        }
    }
    pub(crate) fn values_mut(&mut self, target: &Target) -> Option<&mut Values> {
        match target {
            Target::Piece(id) => self
                .bands
                .iter_mut()
                .flat_map(|b| b.columns.iter_mut())
                .flat_map(|c| c.pieces.iter_mut())
                .find(|p| p.id == *id)
                .map(|p| &mut p.values),
            Target::Band(id) => self.bands.iter_mut().find(|b| b.id == *id).map(|b| &mut b.values),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn columns_share_the_page_in_words() {
        let told = |widths: &[u8]| {
            let column = |(at, width): (usize, &u8)| Column {
                id: ColumnId::try_from(format!("c{at}")).unwrap(),
                width: *width,
                pieces: vec![],
            };
            let columns = widths.iter().enumerate().map(column).collect();
            let id = BandId::try_from("b").unwrap();
            Band { id, kept: None, values: Values::default(), columns }.columns_told()
        };
        assert_eq!(told(&[12]), "one, the whole width");
        assert_eq!(told(&[7, 5]), "seven and five of twelve");
        assert_eq!(told(&[3, 6, 3]), "three, six and three of twelve");
    }
}
