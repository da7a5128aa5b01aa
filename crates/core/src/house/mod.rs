//! The house style: the shop's own type, colours, spaces, shapes and states, from which every piece takes its look.
//! A token that isn't set is as Compagina ships it.

mod contrast;
pub mod kept;
pub mod looks;
pub mod texts;
pub mod token;

pub use crate::colour::contrast;
pub use crate::setting::Font;
pub use contrast::{Contrast, contrasts};

use crate::document::Document;
use crate::setting::text::LEAST_SIZE;
use crate::setting::{Choice, SetValue, Setting, ValueError};
use contrast::tokens_of;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use texts::property_of;
use token::{self as t, TOKENS};

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
    /// There is no such part of the house style.
    #[error("the house style has no “{0}”")]
    NoSuchToken(String),
    /// The value doesn’t fit.
    #[error(transparent)]
    BadValue(#[from] ValueError),
    /// A look without a name.
    #[error("a look that is kept needs a name with a letter or a digit in it")]
    NamelessLook,
    /// Another look is called so.
    #[error("there is a look called “{0}” already; give this one another name")]
    LookTwice(String),
    /// No more looks can be kept.
    #[error("{0} looks are kept, which is as many as there can be; remove one of them first")]
    TooManyLooks(usize),
}

impl Document for House {
    fn called(&self, place: &str) -> String {
        let key = place.split('/').next().unwrap_or_default();
        if let Some((text, setting, _)) = property_of(key) {
            return format!("“{}: {}”", text.label, setting.label);
        }
        let token = TOKENS.iter().find(|token| token.key == key);
        token.map_or_else(|| "the house style".to_owned(), |token| format!("“{}”", token.label))
    }
}

impl House {
    /// Everything that can be set.
    pub const TOKENS: &[&Setting] = TOKENS;

    /// Sets a token or a property of a text, or makes it as it ships.
    ///
    /// # Errors
    /// [`TokenError`], which says what can’t be and why.
    pub fn set(&mut self, key: &str, value: Option<SetValue>) -> Result<(), TokenError> {
        let token = TOKENS.iter().find(|t| t.key == key).copied();
        let token = token.or_else(|| property_of(key).map(|(_, setting, _)| setting));
        let token = token.or_else(|| kept::is_name(key).then_some(&kept::NAME));
        if let (true, Some(SetValue::Text(name))) = (kept::is_name(key), &value) {
            self.check_name(name, Some(key))?;
        }
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

    /// A number of it.
    #[must_use]
    pub fn number(&self, token: &Setting) -> i64 {
        match self.value(token) {
            SetValue::Number(number) => number,
            _ => 0,
        }
    }
    /// A text of it.
    #[must_use]
    pub fn text(&self, token: &Setting) -> String {
        match self.value(token) {
            SetValue::Text(text) => text,
            _ => String::new(),
        }
    }
    /// A font of it.
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
    /// Pixels of a text's size: of a step of the scale, or of its own.
    #[must_use]
    pub fn size_of(&self, size: i64) -> i64 {
        if size >= LEAST_SIZE { size } else { self.type_size(size) }
    }
    /// The colour that a text has by one of the house style's roles; none for what it has by itself or from its piece.
    #[must_use]
    pub fn painted(&self, role: &str) -> Option<String> {
        let token = match role {
            "ink" => &t::INK,
            "soft" => &t::SOFT,
            "accent" => &t::ACCENT,
            "signal" => &t::SIGNAL,
            "paper" => &t::PAPER,
            "on_dark" => &t::ON_DARK,
            _ => return None,
        };
        Some(self.text(token))
    }
    /// Every pair of colours that meets on a page, with its contrast.
    #[must_use]
    pub fn contrasts(&self) -> Vec<Contrast> {
        contrasts(self)
    }
    /// The two tokens of such a pair: what is written, and on what.
    #[must_use]
    pub fn tokens_of(pair: &str) -> Option<[&'static Setting; 2]> {
        tokens_of(pair)
    }
    /// How many tokens and properties of texts differ from another house style.
    #[must_use]
    pub fn differences(&self, other: &Self) -> usize {
        let tokens = TOKENS.iter().filter(|token| self.value(token) != other.value(token)).count();
        tokens + self.other_texts(other).count()
    }
    /// The properties of texts, by their keys, of which another house style says something else.
    pub fn other_texts<'a>(&'a self, other: &'a Self) -> impl Iterator<Item = &'a str> {
        let differs = |key: &&String| self.values.get(*key) != other.values.get(*key);
        let keys =
            self.values.keys().chain(other.values.keys().filter(|key| !self.values.contains_key(*key)));
        keys.filter(|key| property_of(key).is_some()).filter(differs).map(String::as_str)
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
