//! Whether a value may stand in a setting, and why not.

use super::font::is_family;
use super::text::{LEAST_SIZE, MOST_SIZE, is_look, paints};
use super::{RuleError, SPACE_STEPS, SetValue, Setting, Shape, TYPE_STEPS};
use crate::colour::is_colour;
use crate::ids::{Handle, PieceId};
use crate::limits::is_unseen;
use std::collections::BTreeSet;

impl Setting {
    /// Whether a value may stand here.
    ///
    /// # Errors
    /// [`ValueError`], which says what can’t be and why.
    pub fn check(&self, value: &SetValue) -> Result<(), ValueError> {
        let label = self.label;
        match (self.shape, value) {
            (Shape::Flag, SetValue::Flag(_)) => Ok(()),
            (Shape::Choice(names), SetValue::Text(name)) => {
                let known = names.iter().any(|(n, _)| n == name);
                if known { Ok(()) } else { Err(ValueError::NoSuchChoice { label, given: name.clone() }) }
            }
            (Shape::Steps(steps), SetValue::Number(given)) => {
                let known = steps.iter().any(|(n, _)| n == given);
                if known { Ok(()) } else { Err(ValueError::NoSuchChoice { label, given: given.to_string() }) }
            }
            (Shape::Number { least, most }, SetValue::Number(given)) => {
                let inside = (least..=most).contains(given);
                if inside {
                    Ok(())
                } else {
                    Err(ValueError::OutOfRange { label, given: *given, least, most })
                }
            }
            (Shape::Text { most }, SetValue::Text(text)) => check_line(label, text, most),
            (Shape::Lines { count, most }, SetValue::Lines(lines)) => {
                if lines.len() > count {
                    return Err(ValueError::TooManyLines { label, given: lines.len(), count });
                }
                lines.iter().try_for_each(|line| check_line(label, line, most))
            }
            (Shape::Rich { most }, SetValue::Text(html)) => check_length(label, html, most),
            (Shape::Rows { parts, count }, SetValue::Rows(rows)) => check_rows(label, rows, parts, count),
            (Shape::Table { columns, rows: most_rows, most }, SetValue::Rows(rows)) => {
                check_table(label, rows, columns, most_rows, most)
            }
            // An empty list is written alike for all lists.
            (Shape::Rows { .. } | Shape::Table { .. }, SetValue::Lines(lines)) if lines.is_empty() => Ok(()),
            (Shape::Pictures { count }, SetValue::Lines(names)) => {
                if names.len() > count {
                    return Err(ValueError::TooManyLines { label, given: names.len(), count });
                }
                names.iter().try_for_each(|name| check_media(label, name))
            }
            (Shape::Products { count }, SetValue::Lines(handles)) => check_products(label, handles, count),
            (Shape::Order { count }, SetValue::Lines(pieces)) => check_order(label, pieces, count),
            (Shape::Film, SetValue::Text(name)) => {
                if name.is_empty() {
                    Ok(())
                } else {
                    check_media(label, name)
                }
            }
            (Shape::Link, SetValue::Text(link)) => check_link(label, link),
            (Shape::Colour, SetValue::Text(colour)) => check_colour(label, colour),
            (Shape::Space, SetValue::Number(step)) => check_step(label, *step, SPACE_STEPS),
            (Shape::TypeSize, SetValue::Number(step)) => check_step(label, *step, TYPE_STEPS),
            (Shape::TextSize, SetValue::Number(size)) => check_size(label, *size),
            (Shape::Family, SetValue::Text(name)) => known(label, name, is_family(name)),
            (Shape::Paint { own }, SetValue::Text(name)) => check_paint(label, name, own),
            (Shape::Look, SetValue::Text(name)) => known(label, name, is_look(name)),
            (Shape::Rule, SetValue::Rule(rule)) => {
                rule.check().map_err(|why| ValueError::BadRule { label, why })
            }
            _ => Err(ValueError::WrongShape { label }),
        }
    }
}

fn check_length(label: &'static str, text: &str, most: usize) -> Result<(), ValueError> {
    let length = text.chars().count();
    if length > most { Err(ValueError::TooLong { label, length, most }) } else { Ok(()) }
}

fn check_rows(
    label: &'static str,
    rows: &[Vec<String>],
    parts: &[(&str, usize)],
    count: usize,
) -> Result<(), ValueError> {
    if rows.len() > count {
        return Err(ValueError::TooManyLines { label, given: rows.len(), count });
    }
    for row in rows {
        if row.len() != parts.len() {
            return Err(ValueError::WrongShape { label });
        }
        for (text, (_, most)) in row.iter().zip(parts) {
            check_line(label, text, *most)?;
        }
    }
    Ok(())
}

/// Every row of a table is as long as its head.
fn check_table(
    label: &'static str,
    rows: &[Vec<String>],
    columns: usize,
    most_rows: usize,
    most: usize,
) -> Result<(), ValueError> {
    if rows.len() > most_rows {
        return Err(ValueError::TooManyLines { label, given: rows.len(), count: most_rows });
    }
    let width = rows.first().map_or(0, Vec::len);
    if width > columns || rows.iter().any(|row| row.len() != width) {
        return Err(ValueError::WrongShape { label });
    }
    rows.iter().flatten().try_for_each(|text| check_line(label, text, most))
}

fn check_products(label: &'static str, handles: &[String], count: usize) -> Result<(), ValueError> {
    if handles.len() > count {
        return Err(ValueError::TooManyLines { label, given: handles.len(), count });
    }
    let sound = handles.iter().all(|one| Handle::try_from(one.as_str()).is_ok());
    if sound { Ok(()) } else { Err(ValueError::WrongShape { label }) }
}

/// Names of pieces, each once. Whether they are there is no matter: pieces come and go.
fn check_order(label: &'static str, pieces: &[String], count: usize) -> Result<(), ValueError> {
    if pieces.len() > count {
        return Err(ValueError::TooManyLines { label, given: pieces.len(), count });
    }
    let once = pieces.iter().collect::<BTreeSet<_>>().len() == pieces.len();
    let sound = pieces.iter().all(|one| PieceId::try_from(one.as_str()).is_ok());
    if sound && once { Ok(()) } else { Err(ValueError::WrongShape { label }) }
}

fn check_media(label: &'static str, name: &str) -> Result<(), ValueError> {
    let sound =
        (1..=64).contains(&name.len()) && name.bytes().all(|b| b.is_ascii_alphanumeric() || b == b'-');
    if sound { Ok(()) } else { Err(ValueError::NoSuchMedia { label }) }
}

fn check_link(label: &'static str, link: &str) -> Result<(), ValueError> {
    check_line(label, link, 500)?;
    // A browser takes a backslash for a slash (URL Standard, 4.4): `/\\host` leads to another site, as `//host` does.
    let inside = link.starts_with('/') && !link.starts_with("//") && !link.contains('\\');
    let outside = !link.contains(char::is_whitespace)
        && ["https://", "http://", "mailto:", "tel:"].iter().any(|start| link.starts_with(start));
    if link.is_empty() || inside || outside { Ok(()) } else { Err(ValueError::BadLink { label }) }
}

fn check_colour(label: &'static str, colour: &str) -> Result<(), ValueError> {
    if is_colour(colour) { Ok(()) } else { Err(ValueError::BadColour { label }) }
}

/// A colour by what it is in the house style, or by itself.
fn check_paint(label: &'static str, name: &str, own: bool) -> Result<(), ValueError> {
    let role = paints(own).any(|(known, _)| known == name);
    if role { Ok(()) } else { check_colour(label, name) }
}

fn check_step(label: &'static str, step: i64, steps: i64) -> Result<(), ValueError> {
    let inside = (0..steps).contains(&step);
    if inside { Ok(()) } else { Err(ValueError::NoSuchChoice { label, given: step.to_string() }) }
}

fn known(label: &'static str, name: &str, known: bool) -> Result<(), ValueError> {
    if known {
        Ok(())
    } else {
        Err(ValueError::NoSuchChoice { label, given: name.chars().take(60).collect() })
    }
}

/// A step of the scale, or pixels.
fn check_size(label: &'static str, size: i64) -> Result<(), ValueError> {
    let fits = (0..TYPE_STEPS).contains(&size) || (LEAST_SIZE..=MOST_SIZE).contains(&size);
    let (least, most) = (LEAST_SIZE, MOST_SIZE);
    if fits { Ok(()) } else { Err(ValueError::OutOfRange { label, given: size, least, most }) }
}

fn check_line(label: &'static str, text: &str, most: usize) -> Result<(), ValueError> {
    let length = text.chars().count();
    if length > most {
        return Err(ValueError::TooLong { label, length, most });
    }
    if text.chars().any(is_unseen) {
        return Err(ValueError::ControlCharacter { label });
    }
    Ok(())
}

/// Why a value can't stand where it was put.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum ValueError {
    /// “{label}” doesn't take a value of this kind.
    #[error("“{label}” doesn't take a value of this kind")]
    WrongShape {
        /// The setting’s label.
        label: &'static str,
    },
    /// “{label}” has no choice “{given}”.
    #[error("“{label}” has no choice “{given}”")]
    NoSuchChoice {
        /// The setting's label.
        label: &'static str,
        /// What was given.
        given: String,
    },
    /// “{label}” can be {least} to {most}, not {given}.
    #[error("“{label}” can be {least} to {most}, not {given}")]
    OutOfRange {
        /// The setting's label.
        label: &'static str,
        /// What was given.
        given: i64,
        /// The least there can be.
        least: i64,
        /// The most there can be.
        most: i64,
    },
    /// “{label}” holds at most {most} characters; this is {length} long.
    #[error("“{label}” holds at most {most} characters; this is {length} long")]
    TooLong {
        /// The setting's label.
        label: &'static str,
        /// How long it is.
        length: usize,
        /// The most there can be.
        most: usize,
    },
    /// “{label}” holds at most {count} lines, not {given}.
    #[error("“{label}” holds at most {count} lines, not {given}")]
    TooManyLines {
        /// The setting's label.
        label: &'static str,
        /// What was given.
        given: usize,
        /// How many.
        count: usize,
    },
    /// “{label}” holds a character that can't be shown, such as a line break.
    #[error("“{label}” holds a character that can't be shown, such as a line break")]
    ControlCharacter {
        /// The setting's label.
        label: &'static str,
    },
    /// “{label}” takes a picture or film of the shop.
    #[error("“{label}” takes a picture or film of the shop")]
    NoSuchMedia {
        /// The setting's label.
        label: &'static str,
    },
    /// “{label}” takes a link such as /shop, https://…, mailto:… or tel:….
    #[error("“{label}” takes a link such as /shop, https://…, mailto:… or tel:…")]
    BadLink {
        /// The setting's label.
        label: &'static str,
    },
    /// “{label}” takes a colour such as #0D6A6E.
    #[error("“{label}” takes a colour such as #0D6A6E")]
    BadColour {
        /// The setting's label.
        label: &'static str,
    },
    /// “{label}”: {why}.
    #[error("“{label}”: {why}")]
    BadRule {
        /// The setting's label.
        label: &'static str,
        /// Why.
        why: RuleError,
    },
}
