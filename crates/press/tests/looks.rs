//! `docs/looks.md` tells every text of every piece as the code has it.
#![allow(clippy::unwrap_used)]

use compagina_core::house::House;
use compagina_core::house::texts::TEXTS;
use compagina_core::page::{Device, Kind, Purpose};
use compagina_core::style::text_told;
use compagina_press::lettering::selector;
use std::fmt::Write;
use std::path::Path;

const BEGINS: &str = "# Texts of pieces

Every text that a piece holds has a look, a family, a size, a weight, a slope, a line height, a letter spacing, letters
and a colour; one that stands in lines of its own keeps to a side, too. Each is set for the whole shop in the house style
(`price.now.weight`, on phones `price.now.weight.phone`), kept different in a template, for a type or a product
(`now.weight` in the piece's values), and on wide screens, tablets and phones apart. What isn't said comes from the text's
look, from the look of its whole piece, from the house style, and last from how it ships, which is told here.

Made by `COMPAGINA_WRITE=1 cargo test --package compagina-press --test looks`.
";

fn document() -> String {
    let house = House::default();
    let mut all = BEGINS.to_owned();
    for (purpose, heading) in [(Purpose::Page, "Pages"), (Purpose::Card, "Cards")] {
        let _ = write!(
            all,
            "\n## {heading}\n\n| piece | text | name | ships as | on phones | in its piece |\n| --- | --- | --- | --- | --- | --- |\n"
        );
        for kind in Kind::of(purpose) {
            for text in TEXTS.iter().filter(|text| text.of == kind.key()) {
                let [wide, phone] =
                    [Device::Wide, Device::Phone].map(|device| text_told(&house, text, device));
                let phone = if phone == wide { "" } else { &phone };
                let (piece, label, name, at) = (kind.label(), text.label, text.name(), selector(text));
                let _ = writeln!(all, "| {piece} | {label} | `{name}` | {wide} | {phone} | `{at}` |");
            }
        }
    }
    all
}

#[test]
fn the_list_of_texts_is_current() {
    let path = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../docs/looks.md");
    if std::env::var_os("COMPAGINA_WRITE").is_some() {
        std::fs::write(&path, document()).unwrap();
    }
    let current = std::fs::read_to_string(&path).unwrap_or_default() == document();
    assert!(current, "docs/looks.md is older than the code: write it anew, as it says itself");
}
