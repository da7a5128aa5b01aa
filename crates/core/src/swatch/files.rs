//! Which value each of a heap of picture files is meant for, told by their names. Nothing is dropped silently: a file is
//! in use, near to a value with the reason why, a double, or left over; a value has a file or hasn't.
//!
//! Letters are folded first: capitals, accents, spaces, underscores and signs don't matter.

use crate::ids::ValueId;
use crate::letters::{folded, stem_of, words_of};
use serde::{Deserialize, Serialize};

/// A picture file that waits for its value, or has it by hand.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct SwatchFile {
    /// Its number.
    pub id: u64,
    /// What it was called.
    pub name: String,
    /// What was settled by hand.
    pub fate: Option<Fate>,
}

/// What was said of a file by hand.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Fate {
    /// For this value.
    For(ValueId),
    /// For none.
    Unused,
}

/// Why a file is only near to a value.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "why")]
pub enum Near {
    /// The file's name holds more than the value's.
    MoreWords {
        /// What the file’s name says more.
        more: String,
    },
    /// The value's name holds more than the file's.
    FewerWords {
        /// What it doesn’t say.
        missing: String,
    },
    /// So many letters are different, missing or too many.
    Spelling {
        /// How many letters differ.
        letters: usize,
    },
}

/// What a file's name says.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "how")]
pub enum FileMatch {
    /// Given to the value by hand.
    Settled {
        /// The value that somebody gave it.
        value: ValueId,
    },
    /// It has the value's name.
    Exact {
        /// The value whose name it has.
        value: ValueId,
    },
    /// Nearly; it isn't used until somebody says so.
    Near {
        /// The value whose name it nearly has.
        value: ValueId,
        /// In what it differs.
        near: Near,
    },
    /// It would be right for the value, but another file is in use.
    Double {
        /// The value whose name it has too.
        value: ValueId,
        /// The file that is used.
        used: u64,
    },
    /// Near to several values.
    Unclear {
        /// Values that it may mean.
        values: Vec<ValueId>,
    },
    /// It means nothing.
    Leftover,
    /// Put aside by hand.
    Unused,
}

/// All files with what they mean, in their order, and the values without a file.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Matches {
    /// What became of each.
    pub files: Vec<(u64, FileMatch)>,
    /// Values that have none.
    pub without: Vec<ValueId>,
}

impl Matches {
    /// The file that a value shows.
    #[must_use]
    pub fn file_of(&self, value: ValueId) -> Option<u64> {
        self.files.iter().find_map(|(id, how)| match how {
            FileMatch::Settled { value: v } | FileMatch::Exact { value: v } if *v == value => Some(*id),
            _ => None,
        })
    }
}

/// Matches files with values. Where several files would be right for one value the one settled by hand is used, or else
/// the first.
#[must_use]
pub fn match_files(values: &[(ValueId, &str)], files: &[SwatchFile]) -> Matches {
    let names: Vec<(ValueId, String)> = values.iter().map(|(id, name)| (*id, folded(name))).collect();
    let known = |value: ValueId| names.iter().any(|(id, _)| *id == value);
    let exact = |file: &SwatchFile| {
        let stem = folded(stem_of(&file.name));
        names.iter().find(|(_, name)| *name == stem && !name.is_empty()).map(|(id, _)| *id)
    };
    let settled = |value: ValueId| files.iter().find(|f| f.fate == Some(Fate::For(value))).map(|f| f.id);
    let first =
        |value: ValueId| files.iter().find(|f| f.fate.is_none() && exact(f) == Some(value)).map(|f| f.id);
    let used = |value: ValueId| settled(value).or_else(|| first(value));
    let of = |file: &SwatchFile| match file.fate {
        Some(Fate::Unused) => FileMatch::Unused,
        Some(Fate::For(value)) if known(value) => match used(value) {
            Some(used) if used != file.id => FileMatch::Double { value, used },
            _ => FileMatch::Settled { value },
        },
        _ => match exact(file) {
            Some(value) => match used(value) {
                Some(used) if used != file.id => FileMatch::Double { value, used },
                _ => FileMatch::Exact { value },
            },
            None => nearly(values, &file.name),
        },
    };
    let files: Vec<(u64, FileMatch)> = files.iter().map(|file| (file.id, of(file))).collect();
    let without = values.iter().map(|(id, _)| *id).filter(|id| used(*id).is_none()).collect();
    Matches { files, without }
}

/// The one value that a name is nearest to, with the reason.
fn nearly(values: &[(ValueId, &str)], file: &str) -> FileMatch {
    let stem = stem_of(file);
    let mut found: Vec<(usize, ValueId, Near)> = values
        .iter()
        .filter_map(|(id, name)| nearness(stem, name).map(|(distance, near)| (distance, *id, near)))
        .collect();
    found.sort_by_key(|(distance, ..)| *distance);
    match found.as_slice() {
        [] => FileMatch::Leftover,
        [(a, ..), (b, ..), ..] if a == b => FileMatch::Unclear {
            values: found.iter().filter(|(d, ..)| d == a).map(|(_, value, _)| *value).collect(),
        },
        [(_, value, near), ..] => FileMatch::Near { value: *value, near: near.clone() },
    }
}

/// How far a file's name is from a value's, in words or letters; nothing where it is too far.
fn nearness(stem: &str, name: &str) -> Option<(usize, Near)> {
    let (ours, theirs) = (words_of(name), words_of(stem));
    if ours.is_empty() || theirs.is_empty() {
        return None;
    }
    if let Some(more) = beyond(&theirs, &ours) {
        return Some((10 + more.len(), Near::MoreWords { more: more.join(" ") }));
    }
    if let Some(missing) = beyond(&ours, &theirs).filter(|_| theirs.concat().len() >= 3) {
        return Some((20 + missing.len(), Near::FewerWords { missing: missing.join(" ") }));
    }
    let (ours, theirs) = (ours.concat(), theirs.concat());
    let letters = strsim::osa_distance(&ours, &theirs);
    let most = match ours.chars().count() {
        0..=3 => 0,
        4..=7 => 1,
        _ => 2,
    };
    (letters <= most).then_some((letters, Near::Spelling { letters }))
}

/// The words of `longer` around `shorter`, where it stands in it as a row of whole words.
fn beyond(longer: &[String], shorter: &[String]) -> Option<Vec<String>> {
    let at = longer.windows(shorter.len()).position(|part| part == shorter)?;
    let rest: Vec<String> = [&longer[..at], &longer[at + shorter.len()..]].concat();
    (!rest.is_empty()).then_some(rest)
}

#[cfg(test)]
mod tests {
    use super::*;

    const VALUES: [&str; 6] = ["Ember", "Sea green", "Green", "Crème", "Saffron", "2.1 m"];

    fn values() -> Vec<(ValueId, &'static str)> {
        (1..).map(ValueId).zip(VALUES).collect()
    }

    fn files(names: &[&str]) -> Vec<SwatchFile> {
        (1..).zip(names).map(|(id, name)| SwatchFile { id, name: (*name).into(), fate: None }).collect()
    }

    /// What one file alone means: the value's name and how.
    fn alone(name: &str) -> (String, String) {
        let how = match_files(&values(), &files(&[name])).files.remove(0).1;
        let value = |id: &ValueId| VALUES[usize::try_from(id.0).unwrap() - 1].to_owned();
        match how {
            FileMatch::Exact { value: v } => (value(&v), "exact".into()),
            FileMatch::Near { value: v, near } => (value(&v), format!("{near:?}")),
            FileMatch::Unclear { values } => {
                (values.iter().map(value).collect::<Vec<_>>().join("|"), "unclear".into())
            }
            other => (String::new(), format!("{other:?}")),
        }
    }

    #[test]
    fn capitals_spaces_accents_and_underscores_do_not_matter() {
        for (file, value) in [
            ("ember.png", "Ember"),
            ("EMBER.JPEG", "Ember"),
            ("sea_green.webp", "Sea green"),
            ("Sea-Green.png", "Sea green"),
            ("seagreen.png", "Sea green"),
            ("swatches/creme.png", "Crème"),
            ("c:\\cloth\\cre\u{301}me.png", "Crème"),
            ("2_1 m.png", "2.1 m"),
        ] {
            assert_eq!(alone(file), (value.to_owned(), "exact".to_owned()), "{file}");
        }
    }

    #[test]
    fn what_is_nearly_right_says_why() {
        assert_eq!(alone("kite ember 2.png"), ("Ember".into(), "MoreWords { more: \"kite 2\" }".into()));
        assert_eq!(alone("Safron.png"), ("Saffron".into(), "Spelling { letters: 1 }".into()));
        assert_eq!(alone("emebr.png"), ("Ember".into(), "Spelling { letters: 1 }".into()));
        assert_eq!(alone("sea.png"), ("Sea green".into(), "FewerWords { missing: \"green\" }".into()));
        // The longer name is meant, not the one that stands within it.
        assert_eq!(alone("sea green cloth.png").0, "Sea green");
        assert_eq!(alone("green-and-ember.png"), ("Ember|Green".into(), "unclear".into()));
    }

    #[test]
    fn what_means_nothing_is_left_over() {
        for file in ["IMG_2041.jpg", ".png", "", "december.png", "bracken.png", "m.png"] {
            assert_eq!(alone(file).1, "Leftover", "{file}");
        }
    }

    #[test]
    fn of_two_files_for_a_value_the_first_is_used_until_it_is_settled_otherwise() {
        let mut files = files(&["ember.png", "Ember.jpg", "saffron.png"]);
        let (ember, other) = (ValueId(1), ValueId(2));
        let first = match_files(&values(), &files);
        assert_eq!(first.files[1].1, FileMatch::Double { value: ember, used: 1 });
        assert_eq!((first.file_of(ember), first.file_of(other)), (Some(1), None));
        assert_eq!(first.without, [2, 3, 4, 6].map(ValueId));

        files[1].fate = Some(Fate::For(ember));
        let settled = match_files(&values(), &files);
        assert_eq!(settled.files[0].1, FileMatch::Double { value: ember, used: 2 });
        assert_eq!(settled.file_of(ember), Some(2));
        files[1].fate = Some(Fate::Unused);
        assert_eq!(match_files(&values(), &files).file_of(ember), Some(1));
        // Given to a value that has gone since: its name speaks again.
        files[1].fate = Some(Fate::For(ValueId(99)));
        assert_eq!(match_files(&values(), &files).files[1].1, FileMatch::Double { value: ember, used: 1 });
    }
}
