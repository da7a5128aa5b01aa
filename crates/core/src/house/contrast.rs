//! How well words can be told from their ground.

use super::{House, token as t};
use crate::colour::contrast;
use crate::setting::Setting;
use serde::Serialize;

/// A pair of colours that meets on a page.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Contrast {
    /// What the two are.
    pub what: &'static str,
    /// The colour on top.
    pub over: String,
    /// The colour below.
    pub under: String,
    /// The ratio in hundredths, rounded down: 450 is 4.5 to 1.
    pub hundredths: u32,
    /// What is needed, in hundredths.
    pub needed: u32,
    /// Whether it can be read.
    pub holds: bool,
}

const WORDS: u32 = 450;
/// Borders of fields, icons.
const SHAPES: u32 = 300;

const PAIRS: &[(&str, &Setting, &Setting, u32)] = &[
    ("Words on paper", &t::INK, &t::PAPER, WORDS),
    ("Soft words on paper", &t::SOFT, &t::PAPER, WORDS),
    ("Words on tint", &t::INK, &t::TINT, WORDS),
    ("Soft words on tint", &t::SOFT, &t::TINT, WORDS),
    ("Words on dark", &t::ON_DARK, &t::DARK, WORDS),
    ("Accent on paper", &t::ACCENT, &t::PAPER, WORDS),
    ("Signal on paper", &t::SIGNAL, &t::PAPER, WORDS),
    ("Button, idle", &t::BUTTON_IDLE_WORDS, &t::BUTTON_IDLE, WORDS),
    ("Button, pointer", &t::BUTTON_HOVER_WORDS, &t::BUTTON_HOVER, WORDS),
    ("Button, pressed", &t::BUTTON_PRESSED_WORDS, &t::BUTTON_PRESSED, WORDS),
    ("Button, out of use", &t::BUTTON_DISABLED_WORDS, &t::BUTTON_DISABLED, WORDS),
    ("Words in fields", &t::FIELD_WORDS, &t::FIELD_GROUND, WORDS),
    ("Border of fields", &t::FIELD_BORDER, &t::PAPER, SHAPES),
    ("Ring of what is chosen", &t::CHOICE_RING_CHOSEN, &t::PAPER, SHAPES),
    ("Sale mark", &t::SALE_WORDS, &t::SALE, WORDS),
    ("Few-left mark", &t::FEW_WORDS, &t::FEW, WORDS),
    ("Sold-out mark", &t::SOLD_OUT_WORDS, &t::SOLD_OUT, WORDS),
    ("Coming-soon mark", &t::COMING_WORDS, &t::COMING, WORDS),
];

/// Every pair of a house style that meets on a page.
#[must_use]
pub fn contrasts(house: &House) -> Vec<Contrast> {
    let pair = |(what, over, under, needed): &(&'static str, &Setting, &Setting, u32)| {
        let (over, under) = (house.text(over), house.text(under));
        let hundredths = contrast(&over, &under);
        Contrast { what, over, under, hundredths, needed: *needed, holds: hundredths >= *needed }
    };
    PAIRS.iter().map(pair).collect()
}

/// The tokens of the pair with this name.
pub(super) fn tokens_of(pair: &str) -> Option<[&'static Setting; 2]> {
    PAIRS.iter().find(|(what, ..)| *what == pair).map(|(_, over, under, _)| [*over, *under])
}
