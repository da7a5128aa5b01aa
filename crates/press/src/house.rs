//! The house style as custom properties, which every rule of pieces and pages refers to.

use crate::font::family;
use crate::lettering;
use compagina_core::house::looks::{Ring, SwatchShape};
use compagina_core::house::{House, token as t};
use compagina_core::page::{Choice, SetValue};
use std::fmt::Write;

/// Colours, by their property.
const COLOURS: &[(&str, &compagina_core::page::Setting)] = &[
    ("paper", &t::PAPER),
    ("ink", &t::INK),
    ("soft", &t::SOFT),
    ("tint", &t::TINT),
    ("line", &t::LINE),
    ("accent", &t::ACCENT),
    ("signal", &t::SIGNAL),
    ("dark", &t::DARK),
    ("on-dark", &t::ON_DARK),
    ("button", &t::BUTTON_IDLE),
    ("button-words", &t::BUTTON_IDLE_WORDS),
    ("button-hover", &t::BUTTON_HOVER),
    ("button-hover-words", &t::BUTTON_HOVER_WORDS),
    ("button-pressed", &t::BUTTON_PRESSED),
    ("button-pressed-words", &t::BUTTON_PRESSED_WORDS),
    ("button-off", &t::BUTTON_DISABLED),
    ("button-off-words", &t::BUTTON_DISABLED_WORDS),
    ("field", &t::FIELD_GROUND),
    ("field-words", &t::FIELD_WORDS),
    ("field-line", &t::FIELD_BORDER),
    ("sale", &t::SALE),
    ("sale-words", &t::SALE_WORDS),
    ("sold-out", &t::SOLD_OUT),
    ("sold-out-words", &t::SOLD_OUT_WORDS),
    ("coming", &t::COMING),
    ("coming-words", &t::COMING_WORDS),
    ("few", &t::FEW),
    ("few-words", &t::FEW_WORDS),
    ("ring-hover", &t::CHOICE_RING_HOVER),
    ("ring-chosen", &t::CHOICE_RING_CHOSEN),
];

/// Pixels, by their property.
const PIXELS: &[(&str, &compagina_core::page::Setting)] = &[
    ("page", &t::PAGE_WIDTH),
    ("corner", &t::CORNER),
    ("corner-small", &t::CORNER_SMALL),
    ("corner-large", &t::CORNER_LARGE),
    ("button-height", &t::BUTTON_HEIGHT),
    ("button-corner", &t::BUTTON_CORNER),
    ("field-corner", &t::FIELD_CORNER),
    ("mark-corner", &t::MARK_CORNER),
    ("swatch", &t::CHOICE_SIZE),
    ("between", &t::CHOICE_GAP),
    ("ring-width", &t::CHOICE_RING_WIDTH),
];

/// `:root{…}`, and the rules of texts of which it says something. Values come from closed lists, whole numbers and checked colours only.
pub(crate) fn css(house: &House) -> String {
    let mut css = String::from(":root{");
    for (name, token) in COLOURS {
        let _ = write!(css, "--{name}:{};", house.text(token));
    }
    for (name, token) in PIXELS {
        let _ = write!(css, "--{name}:{}px;", house.number(token));
    }
    let (heading, text) = (family(house.font(&t::HEADING_FONT)), family(house.font(&t::TEXT_FONT)));
    let _ = write!(css, "--heading:{heading};--text:{text};");
    for (name, token) in [("heading-weight", &t::HEADING_WEIGHT), ("button-weight", &t::BUTTON_WEIGHT)] {
        let _ = write!(css, "--{name}:{};", house.number(token));
    }
    for (name, token) in [
        ("fine", &t::FINE_SIZE),
        ("body", &t::BODY_SIZE),
        ("lead", &t::LEAD_SIZE),
        ("subheading", &t::SUBHEADING_SIZE),
        ("heading", &t::HEADING_SIZE),
    ] {
        let _ = write!(css, "--{name}-size:{}px;", house.type_size(house.number(token)));
    }
    let idle = ring(Ring::from_name(&house.text(&t::CHOICE_RING)), &house.text(&t::CHOICE_RING_IDLE));
    let round = round(SwatchShape::from_name(&house.text(&t::CHOICE_SHAPE)));
    let larger = larger(house.value(&t::CHOICE_ENLARGE) == SetValue::Flag(true));
    let _ = write!(css, "{idle};--swatch-round:{round};--larger:{larger}}}");
    css + &lettering::of_house(house)
}

/// What surrounds a swatch that isn't chosen: its edge, and a ring apart from it.
pub(crate) fn ring(ring: Option<Ring>, colour: &str) -> String {
    let (edge, apart) = match ring {
        Some(Ring::Bare) => ("none", "none".to_owned()),
        Some(Ring::Apart) => ("none", format!("1px solid {colour}")),
        _ => ("inset 0 0 0 1px #0003", "none".to_owned()),
    };
    format!("--ring-edge:{edge};--ring-idle:{apart}")
}

pub(crate) fn round(shape: Option<SwatchShape>) -> &'static str {
    match shape {
        Some(SwatchShape::Square) => "0",
        Some(SwatchShape::Soft) => "22%",
        _ => "50%",
    }
}

pub(crate) fn larger(flag: bool) -> &'static str {
    if flag { "1.25" } else { "1" }
}

/// The classes by which the rules for values that can't be had, for buttons and for radio lists are found.
pub(crate) fn choice_classes(house: &House) -> String {
    let of = |token| house.text(token);
    format!(
        "sold-{} made-{} buttons-{} radios-{}",
        of(&t::CHOICE_SOLD_OUT),
        of(&t::CHOICE_NOT_MADE),
        of(&t::CHOICE_BUTTONS),
        of(&t::CHOICE_RADIOS)
    )
}
