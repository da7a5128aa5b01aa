//! The families of letters in which texts can be set.

use super::{Choice, choice};

choice! {
    /// The families that ship with Compagina.
    Font { Serif = "serif", "Fraunces"; Sans = "sans", "Figtree"; Grotesque = "grotesque", "Bricolage"; System = "system", "The device's"; }
}

/// Families by what they are in the house style.
pub const ROLES: &[(&str, &str)] = &[("text", "As the text"), ("heading", "As headings")];

/// Whether there is such a family.
#[must_use]
pub fn is_family(name: &str) -> bool {
    ROLES.iter().any(|(role, _)| *role == name) || Font::from_name(name).is_some()
}

/// All families with the words that an owner reads, those of the house style first.
pub fn families() -> impl Iterator<Item = (&'static str, &'static str)> {
    ROLES.iter().chain(Font::NAMES).copied()
}
