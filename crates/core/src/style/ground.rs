//! On which colour a text stands, and whether it can be read there.

use super::Chain;
use crate::colour::{contrast, nearest_with_contrast};
use crate::house::{House, token as t};
use crate::ids::PieceId;
use crate::page::piece::band::{BEHIND, Behind, GROUND, Ground};
use crate::page::piece::buy_button::{TONE, Tone};
use crate::page::piece::shared::{UNDER, Under};
use crate::page::{Band, Device, Layout};
use crate::setting::{Property, SetValue, Setting, Text};
use serde::Serialize;

/// WCAG 2.2, 1.4.3: 4.5 to 1, for large letters 3 to 1; in hundredths.
const NEEDED: u32 = 450;
const NEEDED_LARGE: u32 = 300;
/// Letters are large from 18 points on, bold ones from 14; in pixels, of 72 to 96.
const LARGE: i64 = 24;
const LARGE_BOLD: i64 = 19;

/// How well a text can be told from its ground.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Legibility {
    /// The ratio in hundredths, rounded down: 450 is 4.5 to 1.
    pub hundredths: u32,
    /// What is needed, in hundredths.
    pub needed: u32,
    /// The colour below.
    pub ground: String,
    /// Where it is too little: the nearest colour that can be read.
    pub nearest: Option<String>,
}

impl Legibility {
    /// Whether it can be read.
    #[must_use]
    pub fn holds(&self) -> bool {
        self.hundredths >= self.needed
    }
}

/// The colour on which a text of a piece stands on a screen; none where a picture lies behind it.
#[must_use]
pub fn ground_of(
    (layout, piece): (&Layout, &PieceId),
    text: &Text,
    chain: &Chain<'_>,
    device: Device,
    house: &House,
) -> Option<String> {
    let band = layout.bands.iter().find(|band| band.pieces().any(|one| one.id == *piece));
    let band_ground = |band: &Band| {
        let chain = Chain::of_template(&band.values);
        if chain.choice(&BEHIND, device).is_some_and(|behind: Behind| behind != Behind::Nothing) {
            return None;
        }
        Some(match chain.choice(&GROUND, Device::Wide) {
            Some(Ground::Tinted) => &t::TINT,
            Some(Ground::Ink) => &t::DARK,
            _ => &t::PAPER,
        })
    };
    if let Some(own) = text.ground {
        let on_dark = band.and_then(band_ground) == Some(&t::DARK);
        let own: &Setting = match own.key {
            key if key == t::BUTTON_IDLE.key && chain.choice(&TONE, Device::Wide) == Some(Tone::Accent) => {
                &t::ACCENT
            }
            key if key == t::BUTTON_IDLE.key && on_dark => &t::ON_DARK,
            _ => own,
        };
        return Some(house.text(own));
    }
    let token = match chain.choice(&UNDER, device) {
        Some(Under::Paper) => &t::PAPER,
        Some(Under::Tint) => &t::TINT,
        Some(Under::Accent) => &t::ACCENT,
        Some(Under::Ink) => &t::DARK,
        _ => match band {
            Some(band) => band_ground(band)?,
            None => &t::PAPER,
        },
    };
    Some(house.text(token))
}

/// Whether a text with these values can be read on a ground; none for a colour that it has from elsewhere.
#[must_use]
pub fn legibility(house: &House, ground: &str, value: impl Fn(Property) -> SetValue) -> Option<Legibility> {
    let SetValue::Text(name) = value(Property::Colour) else { return None };
    let colour = if name.starts_with('#') { name } else { house.painted(&name)? };
    let number = |property| if let SetValue::Number(number) = value(property) { number } else { 0 };
    let size = house.size_of(number(Property::Size));
    let weight = match number(Property::Weight) {
        0 => house.number(&t::HEADING_WEIGHT),
        weight => weight,
    };
    let large = size >= LARGE || size >= LARGE_BOLD && weight >= 700;
    let needed = if large { NEEDED_LARGE } else { NEEDED };
    let hundredths = contrast(&colour, ground);
    let nearest = (hundredths < needed).then(|| nearest_with_contrast(&colour, ground, needed)).flatten();
    Some(Legibility { hundredths, needed, ground: ground.to_owned(), nearest: nearest.map(String::from) })
}
