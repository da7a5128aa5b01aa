//! What one product, or one product type, keeps different from the template. Departures are part of the layout's
//! document, so that they are edited, undone, compared and published with it.
//!
//! They stand in the order of [`Whom`] and [`Target`], one for each pair, and none is empty. The piece that one is about
//! may be gone: then it waits to be placed anew, or for its piece to come back.

use super::{Kind, Layout, Target, Values};
use crate::ids::Handle;
use serde::{Deserialize, Serialize};

/// Whose page keeps a value of its own. A product's own counts before its type's.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Whom {
    /// All products of a type.
    Type(Handle),
    /// A single product.
    Product(Handle),
}

/// The values that somebody keeps of one piece or band.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Departure {
    /// Whose it is.
    pub whom: Whom,
    /// The piece or band that it is about.
    pub target: Target,
    /// What is kept.
    pub values: Values,
    /// What the piece was, so that it can be told, and placed anew, when it is gone; none for a band.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub kind: Option<Kind>,
}

impl Layout {
    fn place_of_departure(&self, whom: &Whom, target: &Target) -> Result<usize, usize> {
        self.departures.binary_search_by(|one| (&one.whom, &one.target).cmp(&(whom, target)))
    }

    /// What somebody keeps of a piece or a band.
    #[must_use]
    pub fn departure(&self, whom: &Whom, target: &Target) -> Option<&Departure> {
        self.place_of_departure(whom, target).ok().and_then(|place| self.departures.get(place))
    }

    /// Everything that somebody keeps.
    #[must_use]
    pub fn departures_of(&self, whom: &Whom) -> &[Departure] {
        let start = self.departures.partition_point(|one| one.whom < *whom);
        let end = self.departures.partition_point(|one| one.whom <= *whom);
        self.departures.get(start..end).unwrap_or_default()
    }

    /// The values that somebody keeps, to be changed; what is empty afterwards is to be dropped by
    /// [`Layout::drop_empty_departure`].
    pub(super) fn departure_mut(&mut self, whom: &Whom, target: &Target, kind: Option<Kind>) -> &mut Values {
        let place = self.place_of_departure(whom, target).unwrap_or_else(|place| {
            let (whom, target) = (whom.clone(), target.clone());
            self.departures.insert(place, Departure { whom, target, values: Values::default(), kind });
            place
        });
        &mut self.departures[place].values
    }

    pub(super) fn drop_empty_departure(&mut self, whom: &Whom, target: &Target) {
        if let Ok(place) = self.place_of_departure(whom, target)
            && self.departures[place].values.is_empty()
        {
            self.departures.remove(place);
        }
    }

    /// What kind of piece something is; none for a band, and for what isn't there.
    #[must_use]
    pub fn kind_of(&self, target: &Target) -> Option<Kind> {
        match target {
            Target::Piece(id) => self.piece(id).map(|piece| piece.kind),
            Target::Band(_) => None,
        }
    }

    /// Departures whose piece or band is not on the page any more.
    pub fn lost_departures(&self) -> impl Iterator<Item = &Departure> {
        self.departures.iter().filter(|one| !self.bears(one))
    }

    /// Whether what a departure means is there, and still the same kind of thing.
    #[must_use]
    pub fn bears(&self, one: &Departure) -> bool {
        self.values_of(&one.target).is_some() && self.kind_of(&one.target) == one.kind
    }
}
