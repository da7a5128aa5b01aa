//! The shop-wide options with their values.

use crate::cloth::{COLOURS, cloth};
use compagina_core::catalog::{NewOption, Way};
use compagina_core::swatch::{Colour, Swatch};

pub(crate) fn all() -> Vec<NewOption> {
    let colours = COLOURS.iter().map(|(name, colours)| {
        let colours: Vec<Colour> = colours.iter().filter_map(|c| Colour::try_from(*c).ok()).collect();
        let by_file = *name == "Heather";
        ((*name).to_owned(), (!by_file).then_some(Swatch::Colours { colours }))
    });
    let colours = colours.chain([("Bracken".to_owned(), None)]);
    let colour = NewOption {
        name: "Colour".into(),
        page: Way::Swatches,
        card: Way::Swatches,
        values: colours.collect(),
    };
    vec![
        colour,
        words("Sail", Way::Buttons, &["1.2 m", "1.6 m", "2.1 m", "2.4 m"]),
        words("Length", Way::List, &["50 cm", "82.5 cm", "100 cm"]),
        words("Diameter", Way::List, &["4 mm", "5 mm", "6 mm"]),
        words("Finish", Way::Radios, &["Bare", "Wrapped"]),
        words("Reel", Way::Buttons, &["25 m", "50 m", "100 m"]),
        words("Date", Way::Radios, &["Saturday 12 December", "Saturday 9 January", "Sunday 7 February"]),
        words("Amount", Way::Buttons, &["£25", "£50", "£100"]),
    ]
}

fn words(name: &str, page: Way, values: &[&str]) -> NewOption {
    let values = values.iter().map(|v| ((*v).to_owned(), None)).collect();
    NewOption { name: name.into(), page, card: Way::Nothing, values }
}

/// Picture files for the colours as somebody dropped them: one with the right name and its double, two that are nearly
/// right, and one that means nothing.
#[must_use]
pub fn swatch_files() -> Vec<(&'static str, String)> {
    let square = |name: &str| crate::draw::cloth_square(cloth(name));
    vec![
        ("heather.svg", square("Heather")),
        ("Heather.svg", square("Dusk")),
        ("safron.svg", square("Saffron")),
        ("brackn.svg", square("Ember")),
        ("IMG_2041.svg", square("Slate")),
    ]
}
