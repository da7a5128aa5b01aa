//! The cloths of which kites are sewn.

use crate::draw::Cloth;

/// Cloth colours: name and one or two colours.
pub(crate) const COLOURS: [(&str, &[&str]); 9] = [
    ("Ember", &["#D7512B"]),
    ("Dusk", &["#14505C", "#F2B35E"]),
    ("Tide", &["#2D6FA3"]),
    ("Fern", &["#6C8C3C"]),
    ("Chalk", &["#FFFFFF"]),
    ("Slate", &["#5B6770"]),
    ("Storm", &["#596872"]),
    ("Saffron", &["#E8A21B"]),
    ("Heather", &["#8A5A9E"]),
];

pub(crate) fn cloth(colour: &str) -> Cloth {
    Cloth::of(COLOURS.iter().find(|(name, _)| *name == colour).map_or(&[], |(_, colours)| colours))
}
