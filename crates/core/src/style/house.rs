//! The house style: the shop's own type, colours, spaces, shapes and states, from which every piece takes its look.
//! A token that isn't set is as Compagina ships it.

use super::contrast::{Contrast, contrasts};
use crate::page::{Choice, SetValue, Setting, ValueError, setting_choice as choice};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

choice! {
    /// The families that ship with Compagina.
    Font { Serif = "serif", "Fraunces"; Sans = "sans", "Figtree"; Grotesque = "grotesque", "Bricolage"; System = "system", "The device's"; }
}

/// What can be set in the house style.
pub mod token {
    use super::{Choice, Font, Setting};
    use crate::page::Group;

    const WEIGHTS: &[(i64, &str)] = &[(400, "400"), (500, "500"), (600, "600"), (700, "700"), (800, "800")];

    const fn pixels(
        key: &'static str,
        label: &'static str,
        least: i64,
        most: i64,
        house: i64,
        group: Group,
    ) -> Setting {
        Setting::number(key, label, least, most, house).everywhere().among(group)
    }
    const fn size(key: &'static str, label: &'static str, house: i64) -> Setting {
        Setting::type_size(key, label, house).everywhere().among(Group::Type)
    }
    const fn colour(key: &'static str, label: &'static str, house: &'static str, group: Group) -> Setting {
        Setting::colour(key, label, house).among(group)
    }
    const fn font(key: &'static str, label: &'static str, house: &'static str) -> Setting {
        let _ = <Font as Choice>::NAMES;
        Setting::choice::<Font>(key, label, house).everywhere().among(Group::Type)
    }

    pub const HEADING_FONT: Setting = font("heading_font", "Headings", "serif");
    pub const TEXT_FONT: Setting = font("text_font", "Text", "sans");
    pub const HEADING_WEIGHT: Setting =
        Setting::steps("heading_weight", "Weight of headings", WEIGHTS, 600).everywhere().among(Group::Type);
    pub const TYPE: [Setting; 8] = [
        pixels("type_0", "Step 0", 10, 24, 14, Group::Type),
        pixels("type_1", "Step 1", 12, 28, 16, Group::Type),
        pixels("type_2", "Step 2", 12, 32, 18, Group::Type),
        pixels("type_3", "Step 3", 14, 40, 20, Group::Type),
        pixels("type_4", "Step 4", 14, 48, 24, Group::Type),
        pixels("type_5", "Step 5", 16, 64, 30, Group::Type),
        pixels("type_6", "Step 6", 18, 80, 38, Group::Type),
        pixels("type_7", "Step 7", 20, 96, 48, Group::Type),
    ];
    pub const FINE_SIZE: Setting = size("fine_size", "Fine print", 0);
    pub const BODY_SIZE: Setting = size("body_size", "Body", 1);
    pub const LEAD_SIZE: Setting = size("lead_size", "Lead", 3);
    pub const SUBHEADING_SIZE: Setting = size("subheading_size", "Subheading", 3);
    pub const HEADING_SIZE: Setting = size("heading_size", "Heading", 4);

    pub const PAPER: Setting = colour("paper", "Paper", "#FFFFFF", Group::Colours);
    pub const INK: Setting = colour("ink", "Ink", "#1D2A32", Group::Colours);
    pub const SOFT: Setting = colour("soft", "Soft ink", "#56636A", Group::Colours);
    pub const TINT: Setting = colour("tint", "Tint", "#F3EFE6", Group::Colours);
    pub const LINE: Setting = colour("line", "Hairlines", "#DDD8CD", Group::Colours);
    pub const ACCENT: Setting = colour("accent", "Accent", "#0D6A6E", Group::Colours);
    pub const SIGNAL: Setting = colour("signal", "Signal", "#B8420F", Group::Colours);
    pub const DARK: Setting = colour("dark", "Dark ground", "#1D2A32", Group::Colours);
    pub const ON_DARK: Setting = colour("on_dark", "Words on dark", "#FDFBF6", Group::Colours);

    pub const SPACE: [Setting; 9] = [
        pixels("space_0", "Step 0", 0, 8, 0, Group::Space),
        pixels("space_1", "Step 1", 0, 16, 4, Group::Space),
        pixels("space_2", "Step 2", 0, 24, 8, Group::Space),
        pixels("space_3", "Step 3", 4, 40, 16, Group::Space),
        pixels("space_4", "Step 4", 8, 56, 24, Group::Space),
        pixels("space_5", "Step 5", 8, 80, 32, Group::Space),
        pixels("space_6", "Step 6", 16, 96, 44, Group::Space),
        pixels("space_7", "Step 7", 16, 128, 64, Group::Space),
        pixels("space_8", "Step 8", 24, 200, 96, Group::Space),
    ];
    pub const PAGE_WIDTH: Setting = pixels("page_width", "Width of the page", 800, 1600, 1200, Group::Space);
    pub const CORNER: Setting = pixels("corner", "Corners", 0, 32, 6, Group::Space);
    pub const CORNER_SMALL: Setting = pixels("corner_small", "Small corners", 0, 16, 4, Group::Space);
    pub const CORNER_LARGE: Setting = pixels("corner_large", "Large corners", 0, 48, 16, Group::Space);

    pub const BUTTON_HEIGHT: Setting = pixels("button_height", "Height", 36, 72, 48, Group::Buttons);
    pub const BUTTON_CORNER: Setting = pixels("button_corner", "Corners", 0, 36, 6, Group::Buttons);
    pub const BUTTON_WEIGHT: Setting =
        Setting::steps("button_weight", "Weight", WEIGHTS, 600).everywhere().among(Group::Buttons);
    pub const BUTTON_IDLE: Setting = colour("button_idle", "Idle", "#1D2A32", Group::Buttons);
    pub const BUTTON_IDLE_WORDS: Setting =
        colour("button_idle_words", "Words, idle", "#FFFFFF", Group::Buttons);
    pub const BUTTON_HOVER: Setting = colour("button_hover", "Under the pointer", "#34444E", Group::Buttons);
    pub const BUTTON_HOVER_WORDS: Setting =
        colour("button_hover_words", "Words, pointer", "#FFFFFF", Group::Buttons);
    pub const BUTTON_PRESSED: Setting = colour("button_pressed", "Pressed", "#10191E", Group::Buttons);
    pub const BUTTON_PRESSED_WORDS: Setting =
        colour("button_pressed_words", "Words, pressed", "#FFFFFF", Group::Buttons);
    pub const BUTTON_DISABLED: Setting = colour("button_disabled", "Out of use", "#E4E0D6", Group::Buttons);
    pub const BUTTON_DISABLED_WORDS: Setting =
        colour("button_disabled_words", "Words, out of use", "#555D61", Group::Buttons);

    pub const FIELD_GROUND: Setting = colour("field_ground", "Ground", "#FFFFFF", Group::Fields);
    pub const FIELD_WORDS: Setting = colour("field_words", "Words", "#1D2A32", Group::Fields);
    pub const FIELD_BORDER: Setting = colour("field_border", "Border", "#858A87", Group::Fields);
    pub const FIELD_CORNER: Setting = pixels("field_corner", "Corners", 0, 24, 6, Group::Fields);

    pub const MARK_CORNER: Setting = pixels("mark_corner", "Corners", 0, 16, 4, Group::Marks);
    pub const SALE: Setting = colour("sale", "Sale", "#B8420F", Group::Marks);
    pub const SALE_WORDS: Setting = colour("sale_words", "Words, sale", "#FFFFFF", Group::Marks);
    pub const SOLD_OUT: Setting = colour("sold_out", "Sold out", "#56636A", Group::Marks);
    pub const SOLD_OUT_WORDS: Setting = colour("sold_out_words", "Words, sold out", "#FFFFFF", Group::Marks);
    pub const COMING: Setting = colour("coming", "Coming soon", "#0D6A6E", Group::Marks);
    pub const COMING_WORDS: Setting = colour("coming_words", "Words, coming soon", "#FFFFFF", Group::Marks);
}

use token as t;

/// Every token, in the order in which an owner meets them.
const TOKENS: &[&Setting] = &[
    &t::HEADING_FONT,
    &t::TEXT_FONT,
    &t::HEADING_WEIGHT,
    &t::HEADING_SIZE,
    &t::SUBHEADING_SIZE,
    &t::LEAD_SIZE,
    &t::BODY_SIZE,
    &t::FINE_SIZE,
    &t::TYPE[0],
    &t::TYPE[1],
    &t::TYPE[2],
    &t::TYPE[3],
    &t::TYPE[4],
    &t::TYPE[5],
    &t::TYPE[6],
    &t::TYPE[7],
    &t::PAPER,
    &t::INK,
    &t::SOFT,
    &t::TINT,
    &t::LINE,
    &t::ACCENT,
    &t::SIGNAL,
    &t::DARK,
    &t::ON_DARK,
    &t::SPACE[0],
    &t::SPACE[1],
    &t::SPACE[2],
    &t::SPACE[3],
    &t::SPACE[4],
    &t::SPACE[5],
    &t::SPACE[6],
    &t::SPACE[7],
    &t::SPACE[8],
    &t::PAGE_WIDTH,
    &t::CORNER,
    &t::CORNER_SMALL,
    &t::CORNER_LARGE,
    &t::BUTTON_HEIGHT,
    &t::BUTTON_CORNER,
    &t::BUTTON_WEIGHT,
    &t::BUTTON_IDLE,
    &t::BUTTON_IDLE_WORDS,
    &t::BUTTON_HOVER,
    &t::BUTTON_HOVER_WORDS,
    &t::BUTTON_PRESSED,
    &t::BUTTON_PRESSED_WORDS,
    &t::BUTTON_DISABLED,
    &t::BUTTON_DISABLED_WORDS,
    &t::FIELD_GROUND,
    &t::FIELD_WORDS,
    &t::FIELD_BORDER,
    &t::FIELD_CORNER,
    &t::MARK_CORNER,
    &t::SALE,
    &t::SALE_WORDS,
    &t::SOLD_OUT,
    &t::SOLD_OUT_WORDS,
    &t::COMING,
    &t::COMING_WORDS,
];

/// The house style as far as an owner has set it.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(transparent)]
pub struct House {
    values: BTreeMap<String, SetValue>,
}

/// Why a token can't be set.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum TokenError {
    #[error("the house style has no “{0}”")]
    NoSuchToken(String),
    #[error(transparent)]
    BadValue(#[from] ValueError),
}

impl House {
    pub const TOKENS: &[&Setting] = TOKENS;

    /// Sets a token, or makes it as it ships.
    pub fn set(&mut self, key: &str, value: Option<SetValue>) -> Result<(), TokenError> {
        let token = TOKENS.iter().find(|t| t.key == key);
        let token = token.ok_or_else(|| TokenError::NoSuchToken(key.chars().take(60).collect()))?;
        match value {
            Some(value) => {
                token.check(&value)?;
                self.values.insert(key.to_owned(), value);
            }
            None => {
                self.values.remove(key);
            }
        }
        Ok(())
    }

    /// Whether the owner has set a token.
    #[must_use]
    pub fn is_own(&self, token: &Setting) -> bool {
        self.values.contains_key(token.key)
    }

    /// A token's value. One that no longer fits is passed over.
    #[must_use]
    pub fn value(&self, token: &Setting) -> SetValue {
        let own = self.values.get(token.key).filter(|value| token.check(value).is_ok());
        own.cloned().unwrap_or_else(|| token.wide.value())
    }

    #[must_use]
    pub fn number(&self, token: &Setting) -> i64 {
        match self.value(token) {
            SetValue::Number(number) => number,
            _ => 0,
        }
    }
    #[must_use]
    pub fn text(&self, token: &Setting) -> String {
        match self.value(token) {
            SetValue::Text(text) => text,
            _ => String::new(),
        }
    }
    #[must_use]
    pub fn font(&self, token: &Setting) -> Font {
        Font::from_name(&self.text(token)).unwrap_or(Font::Sans)
    }

    /// Pixels of a step of the scale of spaces.
    #[must_use]
    pub fn space(&self, step: i64) -> i64 {
        usize::try_from(step).ok().and_then(|i| t::SPACE.get(i)).map_or(0, |token| self.number(token))
    }
    /// Pixels of a step of the scale of type.
    #[must_use]
    pub fn type_size(&self, step: i64) -> i64 {
        let step = usize::try_from(step).ok().and_then(|i| t::TYPE.get(i));
        step.map_or_else(|| self.number(&t::TYPE[1]), |token| self.number(token))
    }
    /// Every pair of colours that meets on a page, with its contrast.
    #[must_use]
    pub fn contrasts(&self) -> Vec<Contrast> {
        contrasts(self)
    }
    /// How many tokens differ from another house style.
    #[must_use]
    pub fn differences(&self, other: &Self) -> usize {
        TOKENS.iter().filter(|token| self.value(token) != other.value(token)).count()
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::collections::BTreeSet;

    #[test]
    fn every_token_is_named_once_and_fits_itself() {
        let names: BTreeSet<_> = TOKENS.iter().map(|t| t.key).collect();
        assert_eq!(names.len(), TOKENS.len());
        for token in TOKENS {
            assert_eq!(token.check(&token.wide.value()), Ok(()), "{}", token.key);
        }
    }

    #[test]
    fn a_token_is_set_read_and_rejoined() {
        let mut house = House::default();
        assert_eq!((house.space(3), house.type_size(6), house.type_size(99)), (16, 38, 16));
        house.set("space_3", Some(SetValue::Number(20))).unwrap();
        assert_eq!(house.space(3), 20);
        assert!(house.is_own(&t::SPACE[3]));
        assert_eq!(house.differences(&House::default()), 1);
        house.set("space_3", None).unwrap();
        assert_eq!(house, House::default());
    }

    #[test]
    fn what_does_not_fit_is_refused_and_what_no_longer_fits_is_passed_over() {
        let mut house = House::default();
        assert!(matches!(house.set("ink", Some(SetValue::Text("red".into()))), Err(TokenError::BadValue(_))));
        assert!(matches!(house.set("glow", None), Err(TokenError::NoSuchToken(_))));
        let odd: House = serde_json::from_str(r#"{"ink":"url(//x)","space_3":9000}"#).unwrap();
        assert_eq!((odd.text(&t::INK), odd.space(3)), ("#1D2A32".into(), 16));
    }

    #[test]
    fn the_shipped_house_style_can_be_read_everywhere() {
        for pair in House::default().contrasts() {
            assert!(pair.holds, "{} {}", pair.what, pair.hundredths);
        }
    }
}
