//! The shop's named colours, written one a line as `Name #RRGGBB`. The colours that CSS names are known too.

use super::Colour;
use crate::letters::folded;
use std::collections::BTreeMap;

/// At most so many colours are kept.
const MOST: usize = 500;
const LONGEST_NAME: usize = 120;

/// The shop's palette: colours by their names, letters folded.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Palette {
    colours: BTreeMap<String, (String, Colour)>,
}

/// A line that can't be taken.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum PaletteError {
    /// Line {line}: “{text}” has no colour at its end; write “Name #RRGGBB”.
    #[error("line {line}: “{text}” has no colour at its end; write “Name #RRGGBB”")]
    NoColour {
        /// The line, from 1.
        line: usize,
        /// What stands there.
        text: String,
    },
    /// Line {line}: the colour has no name; write “Name #RRGGBB”.
    #[error("line {line}: the colour has no name; write “Name #RRGGBB”")]
    NoName {
        /// The line, from 1.
        line: usize,
    },
    /// Line {line}: “{name}” stands on line {first} already, with another colour.
    #[error("line {line}: “{name}” stands on line {first} already, with another colour")]
    Twice {
        /// The line, from 1.
        line: usize,
        /// The line that names it first.
        first: usize,
        /// The name.
        name: String,
    },
    /// Line {line}: a name has at most {LONGEST_NAME} characters.
    #[error("line {line}: a name has at most {LONGEST_NAME} characters")]
    LongName {
        /// The line, from 1.
        line: usize,
    },
    /// A palette has at most {MOST} colours.
    #[error("a palette has at most {MOST} colours")]
    TooMany,
}

impl Palette {
    /// Reads lines such as `Sea green #2E8B57`; a name that CSS knows may stand alone. All mistakes are told at once.
    ///
    /// # Errors
    /// Each [`PaletteError`], with its line.
    pub fn read(text: &str) -> Result<Self, Vec<PaletteError>> {
        let mut palette = Self::default();
        let mut first_on: BTreeMap<String, usize> = BTreeMap::new();
        let mut errors = Vec::new();
        for (line, text) in (1..).zip(text.lines()).filter(|(_, text)| !text.trim().is_empty()) {
            match read_line(line, text.trim()) {
                Ok((name, colour)) => {
                    let key = folded(&name);
                    match palette.colours.get(&key) {
                        Some((_, other)) if *other != colour => {
                            let first = first_on.get(&key).copied().unwrap_or(line);
                            errors.push(PaletteError::Twice { line, first, name });
                        }
                        Some(_) => {}
                        None => {
                            first_on.insert(key.clone(), line);
                            palette.colours.insert(key, (name, colour));
                        }
                    }
                }
                Err(error) => errors.push(error),
            }
        }
        if palette.colours.len() > MOST {
            errors.push(PaletteError::TooMany);
        }
        if errors.is_empty() { Ok(palette) } else { Err(errors) }
    }

    /// The colour that the shop has for a name.
    #[must_use]
    pub fn colour(&self, name: &str) -> Option<Colour> {
        self.colours.get(&folded(name)).map(|(_, colour)| *colour)
    }

    /// What a name makes one think of: the palette's colour, or else CSS's, or else that of its last word that has one
    /// (*Dusky blue*: blue).
    #[must_use]
    pub fn propose(&self, name: &str) -> Option<Colour> {
        let known = |name: &str| self.colour(name).or_else(|| css(name));
        known(name).or_else(|| name.split_whitespace().rev().find_map(known))
    }

    /// How many colours it has.
    #[must_use]
    pub fn len(&self) -> usize {
        self.colours.len()
    }
    /// Whether it has none.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        self.colours.is_empty()
    }

    /// The palette as lines, by name.
    #[must_use]
    pub fn to_text(&self) -> String {
        self.colours.values().map(|(name, colour)| format!("{name} {colour}\n")).collect()
    }
}

fn read_line(line: usize, text: &str) -> Result<(String, Colour), PaletteError> {
    let parted = text.rsplit_once(|c: char| c.is_whitespace() || c == ',' || c == ';' || c == ':');
    let (name, colour) = match (parted, Colour::try_from(text)) {
        (_, Ok(_)) => return Err(PaletteError::NoName { line }),
        (Some((name, last)), _) if Colour::try_from(last).is_ok() => (name, Colour::try_from(last).ok()),
        _ => (text, css(text)),
    };
    let name = name.trim_end_matches([' ', '\t', ',', ';', ':', '=']).trim();
    let colour = colour.ok_or_else(|| {
        let text = text.chars().take(60).collect();
        PaletteError::NoColour { line, text }
    })?;
    if folded(name).is_empty() {
        return Err(PaletteError::NoName { line });
    }
    if name.chars().count() > LONGEST_NAME {
        return Err(PaletteError::LongName { line });
    }
    Ok((name.to_owned(), colour))
}

/// A colour that CSS has a name for, whatever its spaces and capitals.
fn css(name: &str) -> Option<Colour> {
    let found = ::palette::named::from_str(&folded(name))?;
    Some(Colour([found.red, found.green, found.blue]))
}

#[cfg(test)]
mod tests {
    use super::*;

    fn colour(text: &str) -> Option<Colour> {
        Some(Colour::try_from(text).unwrap())
    }

    #[test]
    fn lines_of_names_and_colours_are_read_however_they_are_parted() {
        let palette =
            Palette::read("Ember #D7512B\n\n  Sea  green: #2e8b57\nÉcru,#C2B280\nTomato\n").unwrap();
        assert_eq!(palette.len(), 4);
        assert_eq!(palette.colour("EMBER"), colour("#D7512B"));
        assert_eq!(palette.colour("sea_green"), colour("#2E8B57"));
        assert_eq!(palette.colour("ecru"), colour("#C2B280"));
        assert_eq!(palette.colour("tomato"), colour("#FF6347"));
        assert_eq!(palette.colour("blue"), None, "only what was written is in the palette");
        assert_eq!(Palette::read(&palette.to_text()), Ok(palette));
    }

    #[test]
    fn every_line_that_cannot_be_taken_is_told() {
        let wrong = "Ember\n#FF0000\nTide #2D6FA3\ntide #000000\nTide #2D6FA3\nFern #GGGGGG";
        let told: Vec<String> = Palette::read(wrong).unwrap_err().iter().map(ToString::to_string).collect();
        assert_eq!(told.len(), 4);
        assert!(told[0].starts_with("line 1: “Ember” has no colour"), "{}", told[0]);
        assert!(told[1].starts_with("line 2: the colour has no name"));
        assert_eq!(told[2], "line 4: “tide” stands on line 3 already, with another colour");
        assert!(told[3].starts_with("line 6"));
    }

    #[test]
    fn a_name_proposes_the_palettes_colour_before_that_of_css() {
        let palette = Palette::read("Slate #5B6770\nBlue #0000AA").unwrap();
        assert_eq!(palette.propose("Blue"), colour("#0000AA"));
        assert_eq!(palette.propose("Light sea green"), colour("#20B2AA"));
        assert_eq!(palette.propose("Dusky blue"), colour("#0000AA"));
        assert_eq!(palette.propose("Bracken"), None);
    }
}
