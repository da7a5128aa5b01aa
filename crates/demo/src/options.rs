//! The shop-wide options with their values.

use compagina_core::catalog::{NewOption, Swatch};

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

pub(crate) fn all() -> Vec<NewOption> {
    let colours = COLOURS.iter().map(|(name, colours)| {
        let colours = colours.iter().map(|c| (*c).to_owned()).collect();
        ((*name).to_owned(), Swatch::Colours { colours })
    });
    vec![
        NewOption { name: "Colour".into(), values: colours.collect() },
        words("Sail", &["1.2 m", "1.6 m", "2.1 m", "2.4 m"]),
        words("Length", &["50 cm", "82.5 cm", "100 cm"]),
        words("Diameter", &["4 mm", "5 mm", "6 mm"]),
        words("Finish", &["Bare", "Wrapped"]),
        words("Reel", &["25 m", "50 m", "100 m"]),
        words("Date", &["Saturday 12 December", "Saturday 9 January", "Sunday 7 February"]),
        words("Amount", &["£25", "£50", "£100"]),
    ]
}

fn words(name: &str, values: &[&str]) -> NewOption {
    NewOption { name: name.into(), values: values.iter().map(|v| ((*v).to_owned(), Swatch::Text)).collect() }
}
