//! On which terms a product is sold, besides its price: how many at a time, and what shoppers may write onto it.

use crate::limits::MOST_OF_ONE;
use crate::limits::{MOST_MINOR, is_price, is_unseen};
use serde::{Deserialize, Serialize};

/// Which signs a personal text may have.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Signs {
    /// Whatever can be seen.
    #[default]
    Any,
    /// Letters of any script, spaces, and the signs of names: - ' . &
    Letters,
    /// Those and digits.
    LettersAndDigits,
}

impl Signs {
    fn allow(self, sign: char) -> bool {
        let of_names = sign.is_alphabetic() || " -'’.&".contains(sign) || is_combining(sign);
        match self {
            Self::Any => !is_unseen(sign),
            Self::Letters => of_names,
            Self::LettersAndDigits => of_names || sign.is_numeric(),
        }
    }
}

/// Accents that are written after their letter.
fn is_combining(sign: char) -> bool {
    ('\u{300}'..='\u{36f}').contains(&sign)
}

/// What a shopper may write onto a product.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TextTerms {
    /// What is asked for: *Name on the banner*.
    pub label: String,
    /// The most lines.
    pub lines: u32,
    /// Characters of one line.
    pub most: u32,
    /// Which signs it may hold.
    pub signs: Signs,
    /// In minor units, for each piece that has a text.
    pub surcharge: i64,
    /// Whether it can't be bought without a text.
    pub needed: bool,
}

/// What is wrong with a text.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum TextProblem {
    /// A text is missing.
    #[error("a text is missing")]
    Missing,
    /// There can be at most {most} lines.
    #[error("there can be at most {most} lines")]
    TooManyLines {
        /// The most lines.
        most: u32,
    },
    /// Line {line} has more than {most} characters.
    #[error("line {line} has more than {most} characters")]
    TooLong {
        /// The line that is too long, from 1.
        line: usize,
        /// The most signs that a line takes.
        most: u32,
    },
    /// It holds a sign that can’t be written on it.
    #[error("“{0}” can't be written onto it")]
    Sign(char),
}

/// Why terms can't be kept.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum TermsError {
    /// The least number makes no sense.
    #[error("the least number is 1 to 99, not {0}")]
    Least(u32),
    /// The step makes no sense.
    #[error("steps are of 1 to 99 pieces, not {0}")]
    Step(u32),
    /// The least number, {least}, is above the most of one order, {most}.
    #[error("the least number, {least}, is above the most of one order, {most}")]
    LeastAboveMost {
        /// The least number.
        least: u32,
        /// The most of one order.
        most: u32,
    },
    /// No number up to {most} fits steps of {step}.
    #[error("no number up to {most} fits steps of {step}")]
    StepAboveMost {
        /// The step.
        step: u32,
        /// The most of one order.
        most: u32,
    },
    /// A personal text needs a label of at most 60 characters.
    #[error("a personal text needs a label of at most 60 characters")]
    Label,
    /// A personal text has 1 to 6 lines of 1 to 60 characters.
    #[error("a personal text has 1 to 6 lines of 1 to 60 characters")]
    Size,
    /// A surcharge is zero or more, and at most {MOST_MINOR} of the smallest unit.
    #[error("a surcharge is zero or more, and at most {MOST_MINOR} of the smallest unit")]
    Surcharge,
}

impl TextTerms {
    /// A text as it is kept: lines without spaces at their ends, none of them empty; none where nothing is written.
    ///
    /// # Errors
    /// [`TextProblem`], which says what can’t be and why.
    pub fn read(&self, raw: &str) -> Result<Option<String>, TextProblem> {
        let lines: Vec<&str> = raw.lines().map(str::trim).filter(|line| !line.is_empty()).collect();
        if lines.is_empty() {
            return if self.needed { Err(TextProblem::Missing) } else { Ok(None) };
        }
        if lines.len() > self.lines as usize {
            return Err(TextProblem::TooManyLines { most: self.lines });
        }
        for (place, line) in lines.iter().enumerate() {
            if line.chars().count() > self.most as usize {
                return Err(TextProblem::TooLong { line: place + 1, most: self.most });
            }
            if let Some(sign) = line.chars().find(|sign| !self.signs.allow(*sign)) {
                return Err(TextProblem::Sign(sign));
            }
        }
        Ok(Some(lines.join("\n")))
    }
}

/// The terms of a product.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct Terms {
    /// The least that one order may hold.
    pub least: u32,
    /// Lines hold multiples of it.
    pub step: u32,
    /// What may be written onto it.
    pub text: Option<TextTerms>,
}

impl Default for Terms {
    fn default() -> Self {
        Self { least: 1, step: 1, text: None }
    }
}

impl Terms {
    /// Whether they can be kept, for a product of which one order may hold at most so many.
    ///
    /// # Errors
    /// [`TermsError`], which says what can’t be and why.
    pub fn check(&self, most: Option<u32>) -> Result<(), TermsError> {
        if !(1..=99).contains(&self.least) {
            return Err(TermsError::Least(self.least));
        }
        if !(1..=99).contains(&self.step) {
            return Err(TermsError::Step(self.step));
        }
        let most = most.unwrap_or(MOST_OF_ONE).min(MOST_OF_ONE);
        if most < self.first() {
            return Err(if most < self.least {
                TermsError::LeastAboveMost { least: self.least, most }
            } else {
                TermsError::StepAboveMost { step: self.step, most }
            });
        }
        let Some(text) = &self.text else { return Ok(()) };
        let label = text.label.trim().chars().count();
        if !(1..=60).contains(&label) || text.label.chars().any(is_unseen) {
            return Err(TermsError::Label);
        }
        if !(1..=6).contains(&text.lines) || !(1..=60).contains(&text.most) {
            return Err(TermsError::Size);
        }
        if !is_price(text.surcharge) { Err(TermsError::Surcharge) } else { Ok(()) }
    }

    /// The number with which buying begins: the least that fits the steps.
    #[must_use]
    pub fn first(&self) -> u32 {
        let step = self.step.max(1);
        self.least.max(1).div_ceil(step) * step
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn banner() -> TextTerms {
        let label = "Name on the banner".to_owned();
        TextTerms { label, lines: 2, most: 10, signs: Signs::Letters, surcharge: 600, needed: false }
    }

    #[test]
    fn a_text_is_kept_without_spaces_around_its_lines() {
        assert_eq!(banner().read("  Ada  \r\n\n Zoë-Mae \n"), Ok(Some("Ada\nZoë-Mae".into())));
        assert_eq!(banner().read(" \n "), Ok(None));
        assert_eq!(TextTerms { needed: true, ..banner() }.read(" \n "), Err(TextProblem::Missing));
    }

    #[test]
    fn what_cannot_be_written_is_told() {
        let cases = [
            ("a\nb\nc", TextProblem::TooManyLines { most: 2 }),
            ("Ada\nElevenchars", TextProblem::TooLong { line: 2, most: 10 }),
            ("Ada 7", TextProblem::Sign('7')),
            ("Ada ♥", TextProblem::Sign('♥')),
            ("<b>", TextProblem::Sign('<')),
        ];
        for (text, problem) in cases {
            assert_eq!(banner().read(text), Err(problem), "{text}");
        }
        let digits = TextTerms { signs: Signs::LettersAndDigits, ..banner() };
        assert_eq!(digits.read("Ada 7"), Ok(Some("Ada 7".into())));
        let any = TextTerms { signs: Signs::Any, ..banner() };
        assert_eq!(any.read("Ada ♥"), Ok(Some("Ada ♥".into())));
        assert_eq!(any.read("Ada\u{7}x"), Err(TextProblem::Sign('\u{7}')));
        assert_eq!(banner().read("Élodie"), Ok(Some("Élodie".into())), "letters of any script");
    }

    #[test]
    fn buying_begins_with_the_least_number_that_fits_the_steps() {
        let first = |least, step| Terms { least, step, text: None }.first();
        assert_eq!((first(1, 1), first(5, 1), first(1, 10), first(5, 4)), (1, 5, 10, 8));
    }

    #[test]
    fn terms_that_nobody_could_meet_are_refused() {
        let terms = |least, step| Terms { least, step, text: None };
        assert_eq!(terms(1, 1).check(Some(1)), Ok(()));
        assert_eq!(terms(5, 1).check(Some(4)), Err(TermsError::LeastAboveMost { least: 5, most: 4 }));
        assert_eq!(terms(1, 10).check(Some(9)), Err(TermsError::StepAboveMost { step: 10, most: 9 }));
        assert_eq!(terms(99, 98).check(None), Err(TermsError::StepAboveMost { step: 98, most: 99 }));
        assert_eq!(terms(0, 1).check(None), Err(TermsError::Least(0)));
        assert_eq!(terms(1, 100).check(None), Err(TermsError::Step(100)));
        let with = |text| Terms { text: Some(text), ..Terms::default() }.check(None);
        assert_eq!(with(banner()), Ok(()));
        assert_eq!(with(TextTerms { label: " ".into(), ..banner() }), Err(TermsError::Label));
        assert_eq!(with(TextTerms { lines: 7, ..banner() }), Err(TermsError::Size));
        assert_eq!(with(TextTerms { surcharge: -1, ..banner() }), Err(TermsError::Surcharge));
    }
}
