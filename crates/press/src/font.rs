//! Families of letters: what CSS calls them, and the files in which they come.

use compagina_core::house::{Font, House, token as t};

/// A family with what stands in for it until it is there.
pub(crate) fn family(font: Font) -> &'static str {
    match font {
        Font::Serif => "\"Fraunces Variable\",Georgia,serif",
        Font::Sans => "\"Figtree Variable\",system-ui,sans-serif",
        Font::Grotesque => "\"Bricolage Grotesque Variable\",system-ui,sans-serif",
        Font::System => "system-ui,sans-serif",
    }
}

/// The addresses of the files in which the house's two fonts come.
pub(crate) fn fonts<'a>(house: &House, files: &'a [String]) -> Vec<&'a str> {
    let name = |font| match font {
        Font::Serif => Some("/fraunces-"),
        Font::Sans => Some("/figtree-"),
        Font::Grotesque => Some("/bricolage-grotesque-"),
        Font::System => None,
    };
    let names = [house.font(&t::TEXT_FONT), house.font(&t::HEADING_FONT)].map(name);
    let wanted = |file: &&String| names.iter().flatten().any(|name| file.contains(name));
    files.iter().filter(wanted).map(String::as_str).collect()
}
